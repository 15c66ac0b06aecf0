/** One's own round on its day: what is said of a stop goes out or waits on the phone, and an order is proposed. */
import { computed, ref, type Ref } from 'vue';
import { dayFromIso, dayOfInstant, instantOfDay } from '../../core/calendar/day.ts';
import { BETWEEN_MINUTES, DOOR_MINUTES } from '../../core/rounds/instance.ts';
import { bestOrder, legsOf, timesOf } from '../../core/rounds/onTheDay.ts';
import type { MishapKind, NewMishap, OrderRound, RoundOrdered } from '../../contract/rounds/mishaps.ts';
import type { RoundAnswer, RoundStop } from '../../contract/rounds/rounds.ts';
import { pathOf } from '../../contract/calls.ts';
import { newId } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import { sendOrKeep, waiting } from '../outbox/outbox.ts';

/** A stop at the time at which an order would have it. */
export interface InOrder {
  readonly stop: RoundStop;
  readonly from: number;
  readonly missed: boolean;
}

export interface Proposed {
  /** The order in which they stand, and the one that is proposed; the same where that is the best. */
  readonly stands: readonly InOrder[];
  readonly best: readonly InOrder[];
  readonly same: boolean;
}

const OUT: readonly MishapKind[] = ['nobodyHome', 'noKey'];

export function useOnTheDay(round: Ref<RoundAnswer | null | undefined>, reload: () => Promise<unknown>) {
  const { busy, failure, run } = useSending();
  const told = ref('');
  /** Where somebody is, and when they can go on; null while nothing came between. */
  const held = ref<{ readonly at: string; readonly begins: number; readonly leaving: string | null } | null>(null);
  /** Times as they were put on this phone, until the office has said the same. */
  const put = ref<ReadonlyMap<string, number>>(new Map());
  const keyOf = ({ id, back }: Pick<RoundStop, 'id' | 'back'>): string => `${id} ${back}`;

  /** What was said of a stop and waits on this phone. */
  const waits = (stop: RoundStop): MishapKind[] =>
    waiting.value.flatMap(({ content, refused }) =>
      refused === null && content.kind === 'form' && content.path === pathOf('mishap.create', { id: stop.id })
        ? [(content.form as NewMishap).kind]
        : [],
    );
  const keptOut = (stop: RoundStop): boolean =>
    [...waits(stop), ...stop.mishaps.map(({ kind }) => kind)].some((kind) => OUT.includes(kind));
  const minuteNow = (): number => {
    const { day, zone } = round.value!;
    return Math.floor((Date.now() - instantOfDay(dayFromIso(day), 0, zone)) / 60_000);
  };
  const isToday = computed(
    () => round.value != null && dayOfInstant(Date.now(), round.value.zone) === dayFromIso(round.value.day),
  );
  /** Stops in their order, as it was put last. */
  const stops = computed(() =>
    [...(round.value?.stops ?? [])]
      .map((stop) => ({ ...stop, at: put.value.get(keyOf(stop)) ?? stop.at }))
      .sort((a, b) => a.at - b.at),
  );

  const proposed = computed((): Proposed | null => {
    if (!held.value || !isToday.value) return null;
    const { at, begins, leaving } = held.value;
    const left = stops.value.filter((it) => !it.done && !keptOut(it) && !(it.id === leaving && !it.back));
    if (left.length === 0) return null;
    const legs = legsOf(left);
    const terms = { now: begins, at, door: DOOR_MINUTES, between: BETWEEN_MINUTES };
    const inOrder = (order: readonly number[]): InOrder[] =>
      timesOf(legs, order, terms).map(({ leg, from, missed }) => ({ stop: left[leg]!, from, missed }));
    const best = bestOrder(legs, terms);
    return { stands: inOrder([...legs.keys()]), best: inOrder(best), same: best.every((leg, i) => leg === i) };
  });

  /** Says what came between at a stop. */
  async function tell(
    stop: RoundStop,
    kind: MishapKind,
    more: { part?: number; minutes?: number } = {},
  ): Promise<void> {
    const id = newId();
    const form = { id, kind, part: more.part ?? null, minutes: more.minutes ?? 0, at: Date.now() };
    const went = await run(async () => {
      const content = { kind: 'form', path: pathOf('mishap.create', { id: stop.id }), form, stamped: true } as const;
      const { ended } = await sendOrKeep(stop.id, content, id);
      told.value = say(ended === 'kept' ? 'mishap.kept' : 'mishap.sent');
    });
    if (!went) return;
    if (kind !== 'partWrong')
      held.value = {
        at: stop.propertyId,
        begins: minuteNow() + (more.minutes ?? 0),
        leaving: kind === 'late' ? stop.id : null,
      };
    await reload();
  }

  /** Takes an order, the proposed one or the one that stands. */
  async function take(order: readonly InOrder[]): Promise<void> {
    const { at, begins } = held.value!;
    const form: OrderRound = {
      day: round.value!.day,
      begins: Math.min(1439, begins),
      at,
      stops: order.map(({ stop: { id, back } }) => ({ id, back })),
    };
    const went = await run(async () => {
      const outcome = await sendOrKeep(newId(), { kind: 'form', path: pathOf('round.order', {}), form });
      told.value =
        outcome.ended === 'kept'
          ? say('mishap.kept')
          : say('mishap.ordered', { homes: (outcome.answer as RoundOrdered).told });
    });
    if (!went) return;
    put.value = new Map(order.map(({ stop, from }) => [keyOf(stop), from]));
    held.value = null;
    await reload();
  }
  const leave = (): void => {
    held.value = null;
  };
  return { stops, isToday, proposed, waits, keptOut, busy, failure, told, tell, take, leave };
}
