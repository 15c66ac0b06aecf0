/** The board as the desk holds it: loaded whole, filtered and ordered here. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { BoardAnswer } from '../../contract/due.ts';
import { get } from '../door/door.ts';
import { sentenceOf } from '../door/sentence.ts';
import { foremost, isIdle, isOnHold, isPast, isSent, rowsOf, urgency, type BoardRow, type Mark } from './marks.ts';

export type Focus = 'all' | 'past' | 'nobody' | 'soon' | 'noRecord';

const SOON_DAYS = 14;

/** What each focus keeps of a row's marks. */
export const FOCUS: Readonly<Record<Focus, (mark: Mark) => boolean>> = {
  all: () => true,
  past: (mark) => isPast(mark) && !isSent(mark),
  nobody: (mark) => isPast(mark) && isIdle(mark),
  soon: (mark) => !isPast(mark) && !isSent(mark) && !isOnHold(mark) && mark.share !== undefined && mark.daysLeft <= SOON_DAYS,
  noRecord: (mark) => mark.state === 'noRecord' && !isSent(mark),
};

export const useBoard = defineStore('board', () => {
  const answer = shallowRef<BoardAnswer | null>(null);
  const rows = shallowRef<readonly BoardRow[]>([]);
  const failure = ref('');
  const find = ref('');
  const property = ref<string | null>(null);
  const kind = ref<string | null>(null);
  const order = ref<'property' | 'worst'>('property');
  const focus = ref<Focus>('all');

  let asked: Promise<void> | null = null;
  /** Reads the board; whoever asks while it is on its way waits for the same answer. */
  function load(): Promise<void> {
    return (asked ??= read().finally(() => { asked = null; }));
  }
  async function read(): Promise<void> {
    try {
      const board = await get<BoardAnswer>('/board');
      answer.value = board;
      rows.value = rowsOf(board);
      failure.value = '';
    } catch (error) {
      failure.value = sentenceOf(error);
    }
  }

  const shown = computed<BoardRow[]>(() => {
    const wanted = find.value.trim().toLowerCase();
    const properties = answer.value?.properties ?? [];
    const keeps = (mark: Mark) => FOCUS[focus.value](mark) && (kind.value === null || mark.type.kind === kind.value);
    const narrowed = focus.value !== 'all' || kind.value !== null;
    const kept = rows.value.filter((row) => (property.value === null || properties[row.property]!.id === property.value)
      && (wanted === '' || [row.name, properties[row.property]!.name, ...row.marks.map(({ type }) => type.name)].some((text) => text.toLowerCase().includes(wanted))))
      .map((row) => (narrowed ? { ...row, marks: row.marks.filter(keeps) } : row))
      .filter((row) => !narrowed || row.marks.length > 0);
    if (order.value === 'property') return kept;
    const weight = new Map(kept.map((row) => [row.id, urgencyOf(row)]));
    return kept.sort((a, b) => weight.get(b.id)! - weight.get(a.id)!);
  });

  const counts = computed(() => {
    const marks = rows.value.flatMap((row) => row.marks);
    const past = marks.filter(FOCUS.past);
    return {
      past: past.length,
      homes: rows.value.filter((row) => row.marks.some(FOCUS.past)).length,
      nobody: past.filter(isIdle).length,
      soon: marks.filter(FOCUS.soon).length,
      noRecord: marks.filter(FOCUS.noRecord).length,
      proofs: answer.value?.waiting.proofs ?? 0,
      faults: answer.value?.waiting.faults ?? 0,
    };
  });

  return { answer, rows, failure, find, property, kind, order, focus, shown, counts, load };
});

function urgencyOf({ marks }: BoardRow): number {
  const first = foremost(marks);
  return first ? urgency(first) : -1;
}
