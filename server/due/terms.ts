/** The terms of a line in words. */
import type { Day } from '../../core/calendar/day.ts';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { Term } from '../../core/due/computeTerms.ts';
import type { Translator } from '../language/translator.ts';
import { ruleWithin, ruleWords } from '../../core/language/calendar.ts';
import { nextAnchorDay, ruleOf } from '../../core/due/anchor.ts';
import type { AnchorChoice } from '../../core/catalogue/anchorChoice.ts';
import { assumptionsWith } from '../../core/due/assumptions.ts';
import { dayOfCivil, civilOf } from '../../core/calendar/civil.ts';
import type { TermLine } from '../../contract/due/due.ts';
import type { PointHistory } from './pointHistory.ts';

/** A term of a line in words: what it is, why it counts, how many days it comes to. */
export function termLine(say: Translator, term: Term, { inputs, signals, faults }: PointHistory): TermLine {
  const days = Math.round(term.days);
  switch (term.term) {
    case 'reference':
      return { days, says: say('term.reference'), why: say('term.reference.why', { assumed: String(term.assumed) }) };
    case 'practice':
      return {
        days,
        says: say('term.practice', { practice: say(`practice.${term.practice}`) }),
        why: term.signalled
          ? say('term.practice.signalled')
          : say('term.practice.why', {
              known: term.known && Math.round(term.days) === inputs.days.steady ? 'same' : String(term.known),
              load: term.days / inputs.days.steady,
            }),
      };
    case 'contract':
      return { days, says: say('term.contract', { months: term.months }), why: say('term.contract.why') };
    case 'driver':
      return {
        days,
        says: say.text(`term.driver.${term.effect.from}`, { given: term.effect.given }),
        why: say('term.driver.why', {
          factor: term.effect.factor,
          since: term.effect.since === undefined ? 'none' : say.day(term.effect.since),
        }),
      };
    case 'held':
      return { days, says: say('term.held'), why: say('term.held.why', { low: term.low, high: term.high }) };
    case 'changed':
      return { days, says: say('term.changed', { day: say.shortDay(term.fromDay) }), why: say('term.changed.why') };
    case 'found':
      return {
        days,
        says: say('term.found', { count: term.count, last: say(`grade.${term.last}`) }),
        why: say('term.found.why', { pace: paceOf(term.speed), speed: term.speed, waiting: term.unconfirmed }),
      };
    case 'quarter':
      return { days, says: say('term.quarter'), why: say('term.quarter.why') };
    case 'floor':
      return { days, says: say('term.floor'), why: say('term.floor.why') };
    case 'cap':
      return {
        days,
        says: say('term.cap'),
        why: say(`term.cap.${term.reason}`, { critical: String(inputs.critical) }),
      };
    case 'anchor':
      return {
        days,
        says: say('term.anchor', { anchor: say(`anchor.${term.kind}`), day: say.shortDay(term.day) }),
        why: say(`term.anchor.${term.mode}`),
      };
    case 'snapped':
      return {
        days,
        says: say('term.snapped', { day: say.shortDay(term.day) }),
        why: say('term.snapped.why', { far: Math.abs(term.by), late: String(term.by > 0) }),
      };
    case 'paused':
      return { days, says: say('term.paused', { by: term.by }), why: say('term.paused.why') };
    case 'seen':
      return {
        days,
        says: say('term.seen', { grade: say(`grade.${term.grade}`), day: say.shortDay(term.day) }),
        why: say('term.seen.why'),
      };
    case 'signal': {
      const fault = faults[0];
      const signal = signals.find(({ day, recheckDay }) => day === term.day || recheckDay === term.day) ?? signals[0];
      const told = fault ? say(`symptom.${fault.symptom}`) : '';
      const what = signal && (!fault || fault.day > term.day) ? say(`signal.${signal.type}`) : told;
      return { days, says: say('term.signal'), why: say('term.signal.why', { what, day: say.shortDay(term.day) }) };
    }
  }
}

/** Whether a learned speed is told as faster, slower or the same. */
export function paceOf(speed: number): 'faster' | 'slower' | 'same' {
  if (speed > 1.05) return 'faster';
  return speed < 0.95 ? 'slower' : 'same';
}

/** The calendar that a point keeps, in words. */
export function anchorWords(say: Translator, choice: AnchorChoice, { calendar, inputs, today }: PointHistory): string {
  const { year } = civilOf(today);
  const cooling = (lead: number): Day => dayOfCivil(year, calendar.cooling.month, calendar.cooling.date) - lead;
  switch (choice.kind) {
    case 'none':
      return say('anchor.none');
    case 'rule':
      return ruleWords(say, ruleOf(choice.rule), choice.start);
    case 'seasonTurn':
      return say('anchor.seasonTurn.says');
    case 'beforeCooling':
      return say('anchor.beforeCooling.says', {
        day: say.dayOfYear(cooling(calendar.leadDays)),
        lead: calendar.leadDays,
      });
    case 'firstWarm':
      return say('anchor.firstWarm.says', { threshold: calendar.warmCelsius, day: say.dayOfYear(cooling(0)) });
    case 'betweenVisits': {
      const next = inputs.anchor
        ? nextAnchorDay(inputs.anchor, today, assumptionsWith(inputs.changes).answered)
        : undefined;
      return say('anchor.betweenVisits.says', {
        known: String(calendar.contract !== null),
        day: next === undefined ? '' : say.day(next),
      });
    }
  }
}

/** The two sentences that a tenant could read: how often, and why so. */
export function plainWords(
  say: Translator,
  history: PointHistory,
  line: { readonly servedDay: Day | null; readonly days: number; readonly terms: readonly Term[] },
): string {
  if (line.servedDay === null) return say('due.says.noRecord');
  const { terms } = line;
  const last = terms.at(-1)!;
  if (history.inputs.everyMonths !== undefined)
    return say('due.says.contract', { months: history.inputs.everyMonths, held: String(last.term === 'cap') });
  // Reported after it was due already, a signal moves no date, but it is why somebody should come.
  const reported = history.inputs.signalDay !== null && history.inputs.signalDay >= line.servedDay;
  if (reported) return say('due.says.signal');
  if (last.term === 'seen') return say('due.says.seen', { grade: say(`grade.${last.grade}`) });
  if (terms.some(({ term }) => term === 'anchor')) {
    return say('due.says.anchored', { words: anchorWords(say, history.anchorChoice, history) });
  }
  const first = say('due.says.interval', { days: line.days });
  const reasons = new Set<string>();
  const [reference] = terms;
  for (const term of terms) {
    if (term.term === 'driver') reasons.add(term.effect.driver);
    if (term.term === 'practice' && Math.round(term.days) !== reference!.days) reasons.add('practice');
    if (term.term === 'found' && paceOf(term.speed) !== 'same') reasons.add('found');
  }
  const plain = terms.findLast(({ term }) =>
    ['reference', 'practice', 'driver', 'held', 'changed', 'found', 'quarter', 'floor', 'cap'].includes(term),
  )!;
  const moved = plain.days < reference!.days ? 'sooner' : 'later';
  const direction = reasons.size === 0 || Math.round(plain.days) === reference!.days ? 'same' : moved;
  const given = say.list([...reasons].map((reason) => say(`due.reason.${reason}`)));
  return `${first} ${say('due.why.reasons', { direction, reasons: given })}`;
}

/**
 * A calendar that lets a part go far past what was learned there, with the rule that would fit; null where it does not.
 */
export function beyondWords(say: Translator, days: number, learned: number | null): string | null {
  return learned === null
    ? null
    : say('due.beyond', { days, learned, fits: ruleWords(say, ruleOf(ruleWithin(learned)), 0) });
}

export const isoOrNull = (day: Day | null) => (day === null ? null : isoFromDay(day));
