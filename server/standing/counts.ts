/** What of the time looked at is rather drawn than read: who was on time, what was found, what faults came of. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { onTimeOf, type ServicesBy, type Window } from '../../core/standing/figures.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { wilsonInterval } from '../../core/statistics/proportion.ts';
import type { StandingAnswer } from '../../contract/standing/standing.ts';
import type { Call } from '../context/context.ts';
import type { Translator } from '../language/translator.ts';
import { causeWords } from '../faults/words.ts';
import { countCauses, countGrades } from '../sql/standing.ts';

type Drawn = Pick<StandingAnswer, 'people' | 'conditions' | 'causes'>;

/** Counts within a window. @param names of people, by id */
export async function countsOf(
  { db, actor: { organisationId }, env: { say } }: Call,
  services: readonly ServicesBy[],
  { fromDay, toDay }: Window,
  names: ReadonlyMap<string, string>,
): Promise<Drawn> {
  const [grades, causes] = await Promise.all([
    countGrades(db, organisationId, fromDay, toDay),
    countCauses(db, organisationId, fromDay, toDay),
  ]);
  const total = (rows: readonly { readonly count: number }[]) => rows.reduce((sum, { count }) => sum + count, 0);
  const uncoded = causes.filter(({ cause }) => cause === null);
  return {
    people: peopleOf(say, services, names),
    conditions: [...grouped(grades, ({ procedure }) => procedureOf(procedure).kind)].map(([, its]) => ({
      kind: procedureOf(its[0]!.procedure).kind,
      grades: GRADES.map((grade) => total(its.filter((it) => it.grade === grade))),
    })),
    causes: {
      coded: causes.flatMap(({ cause, count }) => (cause === null ? [] : [{ says: causeWords(say, cause), count }])),
      open: total(uncoded.filter(({ open }) => open === 1)),
      uncoded: total(uncoded.filter(({ open }) => open === 0)),
    },
  };
}

/** So many are drawn by name; the others together. */
const NAMED = 15;

function peopleOf(
  say: Translator,
  services: readonly ServicesBy[],
  names: ReadonlyMap<string, string>,
): Drawn['people'] {
  const people = [...grouped(services, ({ by }) => by)]
    .map(([by, its]) => ({ name: names.get(by) ?? say('story.someone'), its }))
    .sort((a, b) => onTimeOf(b.its).of - onTimeOf(a.its).of);
  const others = people.slice(NAMED);
  const shown = [
    ...people.slice(0, NAMED),
    ...(others.length > 0
      ? [{ name: say('standing.others', { count: others.length }), its: others.flatMap(({ its }) => its) }]
      : []),
  ];
  return shown.map(({ name, its }) => {
    const { count, of } = onTimeOf(its);
    return { name, count: of, onTime: wilsonInterval(count, of) };
  });
}
