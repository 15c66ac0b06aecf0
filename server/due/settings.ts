/**
 * Choosing practice, methods, assumptions and the calendar: dated facts, after which the lines that follow are drawn
 * anew.
 */
import { dayFromIso, type Day } from '../../core/calendar/day.ts';
import { isOption, optionOf } from '../../core/catalogue/methods.ts';
import { forbiddenAt } from '../../core/catalogue/chemistry.ts';
import { procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import type { MethodKey } from '../../core/catalogue/types.ts';
import { intervalName, isSound, JUDGEMENTS, LONGEST_INTERVAL, type Changes } from '../../core/due/assumptions.ts';
import { BUDGET, type Budget } from '../../core/due/burden.ts';
import { SCHOOLS } from '../../core/catalogue/practice.ts';
import type {
  AnchorForm,
  ChangeAssumptions,
  ChangeBudget,
  ChangePrices,
  ChangeSeasons,
  ChangeUpkeepDay,
  ChooseMethod,
  ChoosePractice,
} from '../../contract/due/practice.ts';
import type { FieldErrors } from '../../contract/form/validate.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, Problem } from '../context/problem.ts';
import type { Db } from '../store/db.ts';
import { factsOf, inForce, nearestFact, recordFact } from '../store/facts.ts';
import { findPoint } from '../lookup/find.ts';
import { recompute } from './recompute.ts';
import { findScope, pointsBelow, type ScopedSubject } from '../lookup/scope.ts';
import type { FactName, FactValues } from '../store/factValues.ts';

/** Writes a fact from today on and recomputes what follows it. */
async function settle<N extends FactName>(
  call: Call,
  found: ScopedSubject,
  name: N,
  value: FactValues[N],
): Promise<object> {
  await recordFact(call, found.subjectId, name, value, found.today);
  await recompute(call.db, await pointsBelow(call, found), call.now);
  return {};
}

/**
 * Chooses a practice for a scope from today; null follows the scope above.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function choosePractice(call: Call, { scope, subjectId, practice }: ChoosePractice): Promise<object> {
  return settle(call, await findScope(call, scope, subjectId), 'practice', practice);
}

/**
 * Chooses how a thing is done in a scope from today.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function chooseMethod(call: Call, { scope, subjectId, method, option }: ChooseMethod): Promise<object> {
  if (option !== null && !isOption(method, option)) throw fieldProblem('option', 'field.oneOf');
  const found = await findScope(call, scope, subjectId);
  if (option !== null && (scope === 'point' || scope === 'machine'))
    await refuseForbidden(call, await pointsBelow(call, found), method as MethodKey, option);
  const chosen = inForce(await factsOf(call.db, [found.subjectId], 'methods'), found.today)?.value ?? {};
  const rest = Object.fromEntries(Object.entries(chosen).filter(([key]) => key !== method));
  return settle(call, found, 'methods', option === null ? rest : { ...rest, [method]: option });
}

/** Refuses, for one machine or part, an option whose agent is forbidden there; wider choices give way by themselves. */
async function refuseForbidden(
  { db, env: { say } }: Call,
  pointIds: readonly string[],
  method: MethodKey,
  option: string,
): Promise<void> {
  const { agents } = optionOf(method, { [method]: option });
  const points = (await db.point.all({ id: [...pointIds] })).filter(({ procedure }) =>
    procedureOf(procedure).follows.includes(method),
  );
  for (const { subjectId, value } of await factsOf(
    db,
    points.map(({ id }) => id),
    'specification',
  )) {
    const forbidden = forbiddenAt(procedureOf(points.find(({ id }) => id === subjectId)!.procedure), value);
    const agent = agents.find((it) => forbidden.includes(it));
    if (agent)
      throw new Problem(422, 'agentForbidden', {
        option: say(`method.${method}.${option}`),
        agent: say(`agent.${agent}`),
        point: say(`point.${points.find(({ id }) => id === subjectId)!.procedure}`),
      });
  }
}

/** The changes in force among the assumptions of an organisation. */
export async function changesOf(db: Db, organisationId: string, today: Day): Promise<Changes> {
  return inForce(await factsOf(db, [organisationId], 'assumptions'), today)?.value ?? {};
}

/**
 * Puts changes over those in force; null takes one back. Each is held against its range, and intervals against each
 * other.
 */
export function withChanges(before: Changes, changes: ChangeAssumptions['changes']): Changes {
  const next = Object.fromEntries(
    [...Object.entries(before), ...Object.entries(changes)].filter(
      (entry): entry is [string, number] => (changes[entry[0]] === undefined ? entry[1] : changes[entry[0]]) !== null,
    ),
  );
  const wrong: Record<string, FieldErrors[string]> = {};
  for (const [name, value] of Object.entries(changes)) {
    if (value === null || isSound(name, value)) continue;
    const judgement = (JUDGEMENTS as Readonly<Record<string, { low: number; high: number }>>)[name];
    const other: FieldErrors[string] = name.startsWith('days/')
      ? { key: 'field.wholeDays', values: { most: LONGEST_INTERVAL } }
      : { key: 'field.unknown', values: {} };
    wrong[`changes.${name}`] = judgement
      ? { key: 'field.range', values: { low: judgement.low, high: judgement.high } }
      : other;
  }
  for (const { key, days } of procedures.values()) {
    const [watchful, steady, light] = SCHOOLS.map((school) => next[intervalName(key, school)] ?? days[school]);
    if (watchful! > steady! || steady! > light!) {
      for (const school of SCHOOLS)
        if (changes[intervalName(key, school)] != null)
          wrong[`changes.${intervalName(key, school)}`] ??= { key: 'field.order', values: {} };
    }
  }
  if (Object.keys(wrong).length > 0) throw new Problem(422, 'fields', {}, wrong);
  return next;
}

/**
 * Changes judgements of the due engine from today, each within its range.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeAssumptions(call: Call, { changes }: ChangeAssumptions): Promise<object> {
  const found = await findScope(call, 'organisation', null);
  return settle(
    call,
    found,
    'assumptions',
    withChanges(await changesOf(call.db, found.subjectId, found.today), changes),
  );
}

/**
 * Says when the cooling season begins in a scope.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeSeasons(call: Call, { scope, subjectId, ...seasons }: ChangeSeasons): Promise<object> {
  return settle(call, await findScope(call, scope, subjectId), 'seasons', seasons);
}

/**
 * Says on which days of the calendar upkeep is done in a scope; without a rule it follows the intervals alone.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeUpkeepDay(call: Call, { scope, subjectId, rule, start }: ChangeUpkeepDay): Promise<object> {
  const found = await findScope(call, scope, subjectId);
  return settle(
    call,
    found,
    'upkeepDay',
    rule === null ? null : { rule, start: start ? dayFromIso(start) : found.today },
  );
}

/**
 * Says what work, doors and materials cost from today.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changePrices(call: Call, prices: ChangePrices): Promise<object> {
  const found = await findScope(call, 'organisation', null);
  await recordFact(call, found.subjectId, 'prices', prices, found.today);
  return {};
}

/** The budget of a tenancy: its own, or the organisation's. */
export async function budgetOf(db: Db, organisationId: string, tenancyId: string | null, today: Day): Promise<Budget> {
  const subjects = tenancyId === null ? [organisationId] : [tenancyId, organisationId];
  return (await nearestFact(db, subjects, 'budget', today))?.value ?? BUDGET;
}

/**
 * Says what a tenancy, or every one, may be asked for in a month.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function changeBudget(call: Call, { tenancyId, ...budget }: ChangeBudget): Promise<object> {
  const { today, subjectId } = await findScope(call, 'organisation', null);
  if (tenancyId !== null && !(await call.db.tenancy.one({ id: tenancyId, organisationId: subjectId })))
    throw fieldProblem('tenancyId', 'field.oneOf');
  await recordFact(call, tenancyId ?? subjectId, 'budget', budget, today);
  return {};
}

/** A form's anchor as the core takes it. */
export function anchorOf({ kind, rule, start, mode }: AnchorForm): NonNullable<FactValues['anchor']> {
  return { mode, choice: kind === 'rule' ? { kind, rule: rule!, start: dayFromIso(start!) } : { kind } };
}

/**
 * Ties a point’s dates to a calendar, or frees them.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function anchorPoint(
  call: Call,
  idOrNumber: string,
  { anchor }: { anchor: AnchorForm | null },
): Promise<object> {
  const point = await findPoint(call, idOrNumber);
  return settle(call, await findScope(call, 'point', point.id), 'anchor', anchor && anchorOf(anchor));
}

/** Switches a point on by itself, or lets it ride along. */
export async function schedulePoint(
  call: Call,
  idOrNumber: string,
  { scheduled }: { scheduled: 'yes' | 'no' },
): Promise<object> {
  const point = await findPoint(call, idOrNumber);
  return settle(call, await findScope(call, 'point', point.id), 'scheduled', scheduled === 'yes');
}
