/** The editions of procedures that are in force. */
import type { Edition } from '../../core/catalogue/edition.ts';
import type { Db } from '../store/db.ts';

export interface EditionInForce {
  readonly number: number;
  /** The version of ours that it was made beside. */
  readonly ours: number;
  readonly content: Edition;
}

/** By organisation, a space, procedure: the latest of each, where it is not ours again. */
export async function editionsInForce(
  db: Db,
  organisationIds: readonly string[],
): Promise<Map<string, EditionInForce>> {
  const rows = await db.edition.all({ organisationId: [...organisationIds] }, { order: [['number', 'ASC']] });
  const latest = new Map(rows.map((row) => [`${row.organisationId} ${row.procedure}`, row]));
  return new Map(
    [...latest].flatMap(([key, { number, ours, content }]): [string, EditionInForce][] =>
      content === null ? [] : [[key, { number, ours, content: JSON.parse(content) as Edition }]],
    ),
  );
}
