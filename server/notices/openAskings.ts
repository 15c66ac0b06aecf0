/** What households are asked for and have not sent: each request with its parts, its days, and what was told of it. */
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import { doByDay, passingDay, type AskingRule } from '../../core/notices/telling.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { readOpen, type OpenRow } from '../sql/askings.ts';
import type { Db } from '../store/db.ts';
import type { Row } from '../store/tables.ts';

export interface Open {
  /** The request's id. */
  readonly id: string;
  readonly organisationId: string;
  readonly personId: string;
  readonly placeId: string;
  readonly propertyId: string;
  readonly zone: string;
  readonly parts: readonly OpenRow[];
  readonly givenAt: number;
  /** When its household heard of it; null while it has not. */
  readonly toldAt: number | null;
  readonly doBy: Day;
  readonly safetyCritical: boolean;
  /** What was told of it, or will be, the oldest first. */
  readonly messages: readonly Row<'message'>[];
}

/** Day of a part's line; null where nothing is known of it. */
export const lineDayOf = ({ servedDay, intervalDays }: OpenRow): Day | null =>
  servedDay > 0 ? servedDay + intervalDays : null;

/** Ids of all that a message about a request may name: its own, and those of its jobs. */
export const subjectsOf = (id: string, parts: readonly OpenRow[]): string[] => [
  ...new Set([id, ...parts.map(({ jobId }) => jobId)]),
];

/** What is open, of all organisations or of one, of all people or of one. */
export async function openAskings(db: Db, organisationId: string | null, personId?: string): Promise<Open[]> {
  const requests = [...grouped(await readOpen(db, organisationId, personId), ({ request }) => request)];
  const told = grouped(
    await db.message.all(
      { subjectId: requests.flatMap(([id, parts]) => subjectsOf(id, parts)) },
      { order: [['at', 'ASC']] },
    ),
    ({ subjectId }) => subjectId,
  );
  return requests.map(([id, parts]) => {
    const messages = subjectsOf(id, parts).flatMap((subject) => told.get(subject) ?? []);
    const { organisationId: whose, personId: who, placeId, propertyId, zone } = parts[0]!;
    const givenAt = Math.min(...parts.map((it) => it.givenAt));
    const toldAt = heardAt(parts, messages);
    const asked = dayOfInstant(toldAt ?? givenAt, zone);
    return {
      id,
      organisationId: whose,
      personId: who,
      placeId,
      propertyId,
      zone,
      parts,
      givenAt,
      toldAt,
      doBy: doByDay(asked, parts.map(lineDayOf)),
      safetyCritical: parts.some(({ procedure }) => procedures.get(procedure)?.safetyCritical),
      messages,
    };
  });
}

/** When a household heard of it; of what was sent back, when it heard of that: it has its days once more. */
function heardAt(parts: readonly OpenRow[], messages: readonly Row<'message'>[]): number | null {
  const back = parts.some(({ sentBack }) => sentBack !== null) && messages.some(({ kind }) => kind === 'again');
  const heard = messages.flatMap(({ kind, sentAt }) =>
    kind === (back ? 'again' : 'asked') && sentAt !== null ? [sentAt] : [],
  );
  if (heard.length === 0) return null;
  return back ? Math.max(...heard) : Math.min(...heard);
}

/** The day on which it passes to staff by rule; null where it does not, or nobody has heard of it. */
export const passesOn = (open: Open, rule: AskingRule): Day | null =>
  rule.passes && open.toldAt !== null && open.parts.some(({ state }) => state === 'given')
    ? passingDay(open.doBy, open.safetyCritical, rule)
    : null;
