/** What stands between the cells of a table: told by its head line alone, since cells may hold any of them. */

const DELIMITERS = [',', ';', '\t', '|'] as const;

/** The delimiter of a table as text: the one that parts its head line into the most cells; a comma where none does. */
export function delimiterOf(text: string): string {
  const counts = new Map<string, number>(DELIMITERS.map((it) => [it, 0]));
  let quoted = false;
  for (const letter of text) {
    if (letter === '"') quoted = !quoted;
    if (!quoted && (letter === '\r' || letter === '\n')) {
      // An empty line before the head is none.
      if ([...counts.values()].some((count) => count > 0)) break;
    }
    if (!quoted && counts.has(letter)) counts.set(letter, counts.get(letter)! + 1);
  }
  return DELIMITERS.reduce((best, it) => (counts.get(it)! > counts.get(best)! ? it : best));
}
