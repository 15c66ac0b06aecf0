/** How every home stands now, worked out from the board's marks. */
import { standingOf, type StandingVerdict } from '../../core/standing/standing.ts';
import { isPastState } from '../../core/due/line.ts';
import type { BoardAnswer } from '../../contract/due/due.ts';
import { gaugeOf, isPast, rowsOf, urgency, type Mark } from '../strip/marks.ts';
import type { GaugeMark } from '../strip/StripGauge.vue';

export const VERDICTS: readonly StandingVerdict[] = ['breach', 'watch', 'unknown', 'sound'];

export interface HomeStanding {
  readonly verdict: StandingVerdict;
  readonly gauge: readonly GaugeMark[];
  readonly today: number;
  /** The part that weighs most of those past the line or without a record. */
  readonly worst: Mark | null;
  readonly past: number;
  readonly unsafe: boolean;
}

/** Each home by its id, on the board's own day. */
export function standingsOf(board: BoardAnswer): ReadonlyMap<string, HomeStanding> {
  const alarmed = new Set(board.waiting.alarms.map(({ placeId }) => placeId));
  return new Map(
    rowsOf(board).map(({ id, property, marks }, i) => {
      const points = marks.map(({ state, type }) => ({ state, safetyCritical: type.safetyCritical, evidence: null }));
      const { verdict } = standingOf(points, { count: 0, of: 0 }, alarmed.has(id) ? 1 : 0);
      const short = marks.filter(({ state }) => isPastState(state) || state === 'noRecord');
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
