/** Remedies: what was decided about a pattern, and whether it held. */
import { dayOfInstant, DAYS_A_MONTH, DAYS_A_YEAR, isoFromDay } from '../../core/calendar/day.ts';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import { judgeRemedy, yearsToHold, type Before, type Verdict } from '../../core/faults/remedies.ts';
import { poissonInterval } from '../../core/statistics/gamma.ts';
import type { DecideRemedy, RemedySummary } from '../../contract/faults/patterns.ts';
import type { Call } from '../context/context.ts';
import { notFound, Problem } from '../context/problem.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Translator } from '../language/translator.ts';
import type { Row } from '../store/tables.ts';
import { readPortfolio, type Portfolio } from './portfolio.ts';
import { actOn, undo, type Done } from './remedyActs.ts';

/**
 * Decides about a pattern, does what that decision says, and keeps what stands against the pattern now.
 * @throws Problem: noPattern (409), where nothing comes back there; noShorter (409), where the interval is the shortest already
 */
export async function decideRemedy(call: Call, form: DecideRemedy): Promise<{ id: string }> {
  const { db, actor, now } = call;
  const { patterns, machines } = await readPortfolio(call);
  const pattern = patterns.find(({ machineId, group }) => machineId === form.machineId && group === form.group);
  if (!pattern) throw new Problem(409, 'noPattern');
  const { probability, rates, peersAYear } = pattern;
  const machine = (await db.machine.one({ id: form.machineId }))!;
  const done = await actOn(call, form.decision, machine, form.group, form.note);
  const before: Before = { chance: 1 - probability, rates, peersAYear };
  await db.remedy.insert({
    id: form.id,
    organisationId: actor.organisationId,
    machineId: form.machineId,
    symptomGroup: form.group,
    decision: form.decision,
    note: form.note,
    decidedDay: dayOfInstant(now, await zoneOfPlace(db, machines.get(form.machineId)!.placeId)),
    decidedAt: now,
    decidedBy: actor.personId,
    before: JSON.stringify(before),
    faultsBefore: pattern.faultIds.length,
    firstDay: pattern.firstDay,
    done: done && JSON.stringify(done),
  });
  return { id: form.id };
}

/**
 * Takes a decision back, and what it did.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function withdrawRemedy(call: Call, id: string): Promise<object> {
  const { db, actor } = call;
  const remedy = await db.remedy.one({ id, organisationId: actor.organisationId });
  if (!remedy) throw notFound();
  if (remedy.done) await undo(call, JSON.parse(remedy.done) as Done);
  await db.remedy.remove({ id });
  return {};
}

const ORDER: readonly Verdict[] = ['failed', 'open', 'held'];

/** Every remedy with what came before and after it: those that did not hold first. */
export async function describeRemedies(call: Call, portfolio: Portfolio): Promise<RemedySummary[]> {
  const { db, actor } = call;
  const remedies = await db.remedy.all({ organisationId: actor.organisationId }, { order: [['decidedAt', 'DESC']] });
  const names = await namesOf(
    db,
    remedies.map(({ decidedBy }) => decidedBy),
  );
  return remedies
    .map((remedy) => describe(call, portfolio, remedy, names.get(remedy.decidedBy)))
    .sort((a, b) => ORDER.indexOf(a.verdict) - ORDER.indexOf(b.verdict));
}

/** What was done by deciding, in words. */
function didOf(say: Translator, done: string | null): string | null {
  if (done === null) return null;
  const it = JSON.parse(done) as Done;
  return say(`remedy.did.${it.kind}`, { practice: it.kind === 'interval' ? say(`practice.${it.practice}`) : 'none' });
}

function describe(
  { env: { say } }: Call,
  { machines, places, byMachine, daysOf }: Portfolio,
  remedy: Row<'remedy'>,
  by: string | undefined,
): RemedySummary {
  const machine = machines.get(remedy.machineId)!;
  const days = daysOf(machine).until - remedy.decidedDay;
  const its = (byMachine.get(remedy.machineId) ?? []).filter(
    ({ symptom, openedDay }) => groupOfSymptom(symptom) === remedy.symptomGroup && openedDay > remedy.decidedDay,
  );
  const before = JSON.parse(remedy.before) as Before;
  const after = { faults: its.length, years: days / DAYS_A_YEAR };
  const verdict = judgeRemedy(before, after);
  const months = (of: number) => Math.max(1, Math.round(of / DAYS_A_MONTH));
  const { low, high } = poissonInterval(after.faults);
  const wait = yearsToHold(before);
  return {
    id: remedy.id,
    machineId: remedy.machineId,
    group: remedy.symptomGroup,
    machineNumber: machine.number,
    machine: machineName(say, machine),
    place: places.get(machine.placeId)!.name,
    symptom: say(`symptom.${remedy.symptomGroup}`),
    decision: remedy.decision,
    note: remedy.note,
    day: isoFromDay(remedy.decidedDay),
    by: by ?? say('story.someone'),
    verdict,
    did: didOf(say, remedy.done),
    rates:
      days > 0
        ? {
            before:
              remedy.faultsBefore / Math.max(1 / DAYS_A_YEAR, (remedy.decidedDay - remedy.firstDay) / DAYS_A_YEAR),
            after: after.faults / after.years,
            low: low / after.years,
            high: high / after.years,
          }
        : null,
    says: [
      say('remedy.before', { count: remedy.faultsBefore, months: months(remedy.decidedDay - remedy.firstDay) }),
      ...(days > 0
        ? [
            say('remedy.after', {
              count: after.faults,
              months: months(days),
              low: low / after.years,
              high: high / after.years,
            }),
          ]
        : []),
      ...(verdict === 'open' && after.faults === 0
        ? [
            wait === null
              ? say('remedy.neverHolds')
              : say('remedy.holds', { months: Math.max(1, months(wait * DAYS_A_YEAR - days)) }),
          ]
        : []),
    ],
  };
}
