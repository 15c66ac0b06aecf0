/** The board as the desk holds it: loaded whole, filtered and ordered here. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef, watch } from 'vue';
import type { BoardAnswer } from '../../contract/due/due.ts';
import { urgencyOf as clockUrgency } from '../../core/faults/clock.ts';
import { api } from '../api/api.ts';
import { sentenceOf } from '../api/sentence.ts';
import { COUNTED_AS, type CountedAs } from '../../core/due/line.ts';
import { foremost, isIdle, rowsOf, urgency, type BoardRow, type Mark } from '../strip/marks.ts';

export type Focus = 'all' | 'nobody' | CountedAs;

/** What each focus keeps of a row's marks. */
export const FOCUS: Readonly<Record<Focus, (mark: Mark) => boolean>> = {
  all: () => true,
  nobody: (mark) => mark.counted === 'past' && isIdle(mark),
  ...(Object.fromEntries(COUNTED_AS.map((key) => [key, (mark: Mark) => mark.counted === key])) as Record<
    CountedAs,
    (mark: Mark) => boolean
  >),
};

const RIDERS = 'dewline.riders';

export const useBoard = defineStore('board', () => {
  const answer = shallowRef<BoardAnswer | null>(null);
  const rows = shallowRef<readonly BoardRow[]>([]);
  const failure = ref('');
  const find = ref('');
  const property = ref<string | null>(null);
  const kind = ref<string | null>(null);
  const order = ref<'property' | 'worst'>('property');
  const focus = ref<Focus>('all');
  /** Whether parts that ride stand on the board beside those that ask; a count has them always. */
  const riders = ref(localStorage.getItem(RIDERS) === 'shown');
  watch(riders, (shown) => localStorage.setItem(RIDERS, shown ? 'shown' : 'hidden'));

  /** Parts that are chosen one by one, by their numbers; null while nobody chooses. */
  const chosen = ref<ReadonlySet<number> | null>(null);
  function choose(number: number): void {
    const next = new Set(chosen.value);
    if (!next.delete(number)) next.add(number);
    chosen.value = next;
  }
  /** The chosen parts that are still there, home by home. */
  const chosenIn = computed(() =>
    rows.value.flatMap(({ id, name, marks }) => {
      const own = marks.filter(({ number }) => chosen.value?.has(number));
      return own.length === 0 ? [] : [{ id, name, marks: own }];
    }),
  );

  let asked: Promise<void> | null = null;
  /** Reads the board; whoever asks while it is on its way waits for the same answer. */
  function load(): Promise<void> {
    return (asked ??= read().finally(() => {
      asked = null;
    }));
  }
  async function read(): Promise<void> {
    try {
      const board = await api('board.read');
      answer.value = board;
      rows.value = rowsOf(board);
      failure.value = '';
    } catch (error) {
      failure.value = sentenceOf(error);
    }
  }

  /** What the filters leave, riders and all: what is counted is what can be shown. */
  const within = computed<BoardRow[]>(() => {
    const wanted = find.value.trim().toLowerCase();
    const properties = answer.value?.properties ?? [];
    const kept = rows.value
      .filter(
        (row) =>
          (property.value === null || properties[row.property]!.id === property.value) &&
          (wanted === '' ||
            [row.name, properties[row.property]!.name, ...row.marks.map(({ type }) => type.name)].some((text) =>
              text.toLowerCase().includes(wanted),
            )),
      )
      .map((row) =>
        kind.value === null ? row : { ...row, marks: row.marks.filter((mark) => mark.type.kind === kind.value) },
      );
    return kind.value === null ? kept : kept.filter((row) => row.marks.length > 0);
  });

  const shown = computed<BoardRow[]>(() => {
    // Asked for by a count, a rider is shown like any other; else it may hide.
    const keeps = (mark: Mark) => FOCUS[focus.value](mark) && (focus.value !== 'all' || riders.value || !mark.rides);
    const kept = within.value
      .map((row) => ({ ...row, marks: row.marks.filter(keeps) }))
      .filter((row) => focus.value === 'all' || row.marks.length > 0);
    if (order.value === 'property') return kept;
    const weight = new Map(kept.map((row) => [row.id, urgencyOf(row)]));
    return kept.sort((a, b) => weight.get(b.id)! - weight.get(a.id)!);
  });

  const counts = computed(() => {
    const marks = within.value.flatMap((row) => row.marks);
    const count = (keeps: (mark: Mark) => boolean) => marks.filter(keeps).length;
    return {
      ...(Object.fromEntries(COUNTED_AS.map((key) => [key, count(FOCUS[key])])) as Record<CountedAs, number>),
      all: marks.length,
      homes: within.value.filter((row) => row.marks.some(FOCUS.past)).length,
      nobody: count(FOCUS.nobody),
      riders: count(({ rides }) => rides),
      hiddenLate: count((mark) => mark.rides && FOCUS.past(mark)),
      proofs: answer.value?.waiting.proofs ?? 0,
      faults: answer.value?.waiting.faults ?? 0,
      ...runsOut(answer.value?.waiting.clocks ?? []),
    };
  });

  const filters = { find, property, kind, order, focus, riders };
  return { answer, rows, failure, ...filters, within, shown, counts, chosen, chosenIn, choose, load };
});

/** How many repairs are past their time, and how many run out soon. */
function runsOut(clocks: BoardAnswer['waiting']['clocks']) {
  const now = Date.now();
  const urgencies = clocks.map(([openedAt, correctBy]) =>
    clockUrgency({ openedAt, correctBy, responsibleId: null }, now),
  );
  const count = (urgency: string) => urgencies.filter((it) => it === urgency).length;
  return { repairsOver: count('over'), repairsSoon: count('soon') };
}

function urgencyOf({ marks }: BoardRow): number {
  const first = foremost(marks);
  return first ? urgency(first) : -1;
}
