/**
 * Texts that people wrote themselves, by key: names and steps of machines that an office has defined. They are said as
 * they stand, in every language, and never read as messages.
 */
const texts = new Map<string, string>();

/** Takes texts in; a key that is known gets the newer text. */
export function write(more: Readonly<Record<string, string>>): void {
  for (const [key, text] of Object.entries(more)) texts.set(key, text);
}

/** Forgets the texts whose key has one of these in it, between dots. */
export function forget(name: string): void {
  for (const key of texts.keys()) if (key.split('.').includes(name)) texts.delete(key);
}

export const written = (key: string): string | undefined => texts.get(key);
