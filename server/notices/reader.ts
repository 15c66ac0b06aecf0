/** Whoever a letter goes to, and the voice that they read. */
import type { Translator } from '../language/translator.ts';
import type { Env } from '../context/context.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

/** The voice of a person's letters: their own language, else their organisation's. */
export async function voiceFor(
  { sayIn }: Pick<Env, 'sayIn'>,
  db: Db,
  { language, organisationId }: Pick<Row<'person'>, 'language' | 'organisationId'>,
): Promise<Translator> {
  return sayIn(language ?? (await db.organisation.one({ id: organisationId }))!.language);
}
