/** A closing in words. */
import { isCause } from '../../core/faults/causes.ts';
import type { FaultClosing } from '../../contract/faults/faults.ts';
import type { Translator } from '../language/translator.ts';
import type { Row } from '../store/tables.ts';

/** A cause in words; one that the catalogue no longer has is told by its key. */
export const causeWords = (say: Translator, cause: string): string => (isCause(cause) ? say(`cause.${cause}`) : cause);

/** How a fault was closed, by code; null where it is open, or was closed in words alone. */
export function closingOf(say: Translator, fault: Row<'fault'>, tenants: ReadonlySet<string>): FaultClosing | null {
  const { cause, remedy, minutes, parts, cost, payer, closedBy } = fault;
  if (cause === null) return null;
  return {
    cause,
    says: causeWords(say, cause),
    remedy,
    minutes,
    parts: parts ?? '',
    cost,
    payer,
    byTenant: closedBy !== null && tenants.has(closedBy),
  };
}

/** What was found and done, in one sentence: the codes, and the words beside them. */
export function closingWords(
  say: Translator,
  { cause, remedy, found }: Pick<Row<'fault'>, 'cause' | 'remedy' | 'found'>,
): string {
  if (cause === null) return found ?? '';
  const coded = say('closing.words', { cause: causeWords(say, cause), remedy: remedy ? say(`remedy.${remedy}`) : '' });
  return found ? `${coded}. ${found}` : coded;
}
