/** How every home stands now, worked out from the board's marks. */
import { standingOf, WORST_FIRST, type StandingVerdict } from '../../core/standing/standing.ts';
import type { BoardAnswer } from '../../contract/due/due.ts';
import { say } from '../language/say.ts';
import { gaugeOf, isPast, urgency, type BoardRow, type Mark } from '../strip/marks.ts';
import type { GaugeMark } from '../strip/StripGauge.vue';

/** What homes are kept by. */
export type KeptVerdict = StandingVerdict | 'all';

export const KEPT_VERDICTS: readonly KeptVerdict[] = ['all', ...WORST_FIRST];

/** The choices to keep homes by, with how many there are of each. */
export const verdictChoices = (countOf: (kept: KeptVerdict) => number) =>
  KEPT_VERDICTS.map((value) => {
    const count = countOf(value);
    return { value, says: `${say(`standing.${value}`)} ${count}`, disabled: count === 0 };
  });

export interface HomeStanding {
  readonly verdict: StandingVerdict;
  readonly gauge: readonly GaugeMark[];
  readonly today: number;
  /** The part that weighs most of those past the line or without a record. */
  readonly worst: Mark | null;
  readonly past: number;
  readonly unsafe: boolean;
}

/** Each home by its id, on the board's own day. @param rows of that board, in its order */
export function standingsOf(board: BoardAnswer, rows: readonly BoardRow[]): ReadonlyMap<string, HomeStanding> {
  const alarmed = new Set(board.waiting.alarms.map(({ placeId }) => placeId));
  return new Map(
    rows.map(({ id, property, marks }, i) => {
      const points = marks.map(({ state, type }) => ({ state, safetyCritical: type.safetyCritical, evidence: null }));
      const { verdict } = standingOf(points, { count: 0, of: 0 }, alarmed.has(id) ? 1 : 0, board.breachShare);
      const short = marks.filter(({ state }) => isPast({ state }) || state === 'noRecord');
      const worst = short.sort((a, b) => Number(isPast(b)) - Number(isPast(a)) || urgency(b) - urgency(a))[0];
      return [
        id,
        {
          verdict,
          gauge: gaugeOf(board, board.rows[i]!),
          today: board.properties[property]!.today,
          worst: worst ?? null,
          past: marks.filter(isPast).length,
          unsafe: alarmed.has(id),
        },
      ];
    }),
  );
}
