/** The working of a date, whole; and the same with something supposed otherwise, before it is saved. */
import { isoFromDay } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { methods } from '../../core/catalogue/methods.ts';
import type { Choices, MethodKey } from '../../core/catalogue/types.ts';
import { anchorDays, ruleOf } from '../../core/due/anchor.ts';
import {
  assumptionsWith,
  intervalName,
  JUDGEMENTS,
  LONGEST_INTERVAL,
  learningWith,
  type AssumptionName,
} from '../../core/due/assumptions.ts';
import { bandOf, computeLine } from '../../core/due/compute.ts';
import { believeSpeed, speedQuantile } from '../../core/due/learning.ts';
import { contradictions, lessonsOf, taughtConditions } from '../../core/due/lessons.ts';
import { SCHOOLS } from '../../core/catalogue/practice.ts';
import { ruleWords } from '../../core/language/calendar.ts';
import type { Translator } from '../language/translator.ts';
import type { WorkingAnswer } from '../../contract/due/due.ts';
import type { Suppose } from '../../contract/due/practice.ts';
import type { Call } from '../context/context.ts';
import { findPoint, namesOf } from '../lookup/find.ts';
import { practiceScope, readHistory } from '../due/history.ts';
import { anchorOf, changesOf, withChanges } from '../due/settings.ts';
import { anchorWords, beyondWords, isoOrNull, plainWords, termLine } from '../due/terms.ts';
import type { PointHistory, Supposition } from '../due/pointHistory.ts';

/** How sure the speed is, by the highest that it may be over the lowest. */
function spreadWord(ratio: number): 'alone' | 'some' | 'sure' {
  if (ratio > 2.6) return 'alone';
  return ratio > 1.7 ? 'some' : 'sure';
}

/**
 * The working of a point’s date, with what may be tried otherwise.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readWorking(call: Call, idOrNumber: string): Promise<WorkingAnswer> {
  const point = await findPoint(call, idOrNumber);
  return describeWorking(call, await readHistory(call.db, point.id, call.now));
}

/** The working as it would be. Nothing is written. */
export async function supposeWorking(call: Call, idOrNumber: string, form: Suppose): Promise<WorkingAnswer> {
  const {
    db,
    now,
    actor: { organisationId },
  } = call;
  const point = await findPoint(call, idOrNumber);
  const history = await readHistory(db, point.id, now);
  const supposed: Supposition = {
    practice: form.practice,
    changes:
      Object.keys(form.changes).length > 0
        ? withChanges(await changesOf(db, organisationId, history.today), form.changes)
        : undefined,
    choices:
      form.methods.length > 0
        ? ({
            ...history.choices,
            ...Object.fromEntries(form.methods.map(({ method, option }) => [method, option])),
          } as Choices)
        : undefined,
    anchor: form.anchor ? anchorOf(form.anchor) : undefined,
  };
  return describeWorking(call, await readHistory(db, point.id, now, supposed));
}

async function describeWorking(call: Call, history: PointHistory): Promise<WorkingAnswer> {
  const {
    db,
    env: { say },
  } = call;
  const { inputs, today, procedure } = history;
  const line = computeLine(inputs, today);
  const assumed = assumptionsWith(inputs.changes);
  const place = (await db.place.one({ id: history.placeId }))!;
  const names = await namesOf(
    db,
    history.conditions.map(({ personId }) => personId),
  );
  const upkeep = inputs.upkeepDay;
  return {
    id: history.point.id,
    number: history.point.number,
    name: say(`point.${procedure.key}`),
    place: { id: place.id, name: place.name, today },
    says: plainWords(say, history, line),
    served: isoOrNull(line.servedDay),
    line: line.servedDay === null ? null : isoFromDay(line.lineDay),
    days: line.days,
    terms: line.terms.map((term) => termLine(say, term, history)),
    band:
      line.servedDay === null || line.fixed
        ? null
        : {
            early: isoFromDay(line.servedDay + bandOf(line).early),
            late: isoFromDay(line.servedDay + bandOf(line).late),
          },
    beyond: beyondWords(say, line.days, line.beyondLearned),
    speed: { ...line.speed, says: say(`spread.${spreadWord(line.speed.high / line.speed.low)}`) },
    conditions: conditionsOf(say, history, names),
    contradictions: contradictions(inputs.conditions).map(({ earlier, later }) =>
      say('due.contradiction', {
        earlier: say(`grade.${earlier.grade}`),
        earlierDay: say.shortDay(earlier.day),
        later: say(`grade.${later.grade}`),
        laterDay: say.shortDay(later.day),
      }),
    ),
    chosen: {
      practice: inputs.practice,
      practiceScope: practiceScope(history),
      anchor: {
        kind: history.anchorChoice.kind,
        mode: history.anchorMode,
        says: anchorWords(say, history.anchorChoice, history),
        rule: history.anchorChoice.kind === 'rule' ? history.anchorChoice.rule : null,
        start: history.anchorChoice.kind === 'rule' ? isoFromDay(history.anchorChoice.start) : null,
      },
      next: inputs.anchor
        ? anchorDays(inputs.anchor, today, today + 760)
            .slice(0, 4)
            .map(isoFromDay)
        : [],
      upkeepDay: upkeep && ruleWords(say, ruleOf(upkeep.rule), upkeep.start),
      methods: procedureOf(procedure.key).follows.map((key) => ({
        key,
        name: say(`method.${key}`),
        option: inputs.methods[key]!,
        options: methods
          .get(key as MethodKey)!
          .options.map((option) => ({ key: option.key, name: say(`method.${key}.${option.key}`) })),
      })),
      scheduled: history.scheduled,
      turn: history.turn && say(`agent.${history.turn}`),
    },
    assumptions: [
      ...SCHOOLS.map((school) => ({
        name: intervalName(procedure.key, school),
        says: say(`practice.${school}`),
        value: inputs.days[school],
        low: 1,
        high: LONGEST_INTERVAL,
      })),
      ...behind(history).map((name) => ({
        name,
        says: say(`assumption.${name}`),
        value: assumed[name],
        low: JUDGEMENTS[name].low,
        high: JUDGEMENTS[name].high,
      })),
    ],
  };
}

/** Assumptions that this point's line stands on. */
function behind({ procedure, inputs }: PointHistory): AssumptionName[] {
  const names = Object.keys(JUDGEMENTS) as AssumptionName[];
  const drivers: ReadonlySet<string> = new Set(
    procedure.drivers.map((driver) => (driver === 'laundry' ? 'people' : driver)),
  );
  return names.filter((name) => {
    if (drivers.has(name.split('.')[0]!)) return true;
    if (name === 'newHomeDays') return drivers.has('newHome');
    if (name.startsWith('factor')) return procedure.drivers.length > 0;
    if (['spread', 'variation', 'misgraded'].includes(name)) return true;
    if (name === 'certainty') return inputs.critical;
    if (name === 'floorShare' || (name === 'capShare' && !inputs.critical)) return true;
    if (name.startsWith('snap')) return inputs.upkeepDay !== null;
    return name === 'answered' ? inputs.anchor !== null : name === 'widening' && inputs.turnovers.length > 0;
  });
}

/** Each condition with who found it, its weight, and the speed believed after it; newest first. */
function conditionsOf(
  say: Translator,
  { inputs, conditions }: PointHistory,
  names: ReadonlyMap<string, string>,
): WorkingAnswer['conditions'] {
  const taught = taughtConditions(inputs);
  const model = learningWith(assumptionsWith(inputs.changes));
  const after = taught.map((_, i) =>
    speedQuantile(
      believeSpeed(
        lessonsOf(
          taught.slice(0, i + 1),
          inputs.turnovers.filter((day) => day <= taught[i]!.condition.day),
        ),
        model,
      ),
      0.5,
    ),
  );
  return inputs.conditions
    .map((condition, i) => {
      const at = taught.findIndex((it) => it.condition === condition);
      const by = conditions[i]!.personId;
      return {
        day: isoFromDay(condition.day),
        kind: condition.kind,
        confirmed: condition.confirmed,
        by: (by && names.get(by)) ?? say('story.someone'),
        says: condition.grade === null ? say('working.notGraded') : say(`grade.${condition.grade}`),
        loads: at === -1 ? null : taught[at]!.exposure,
        weight: at === -1 ? 0 : taught[at]!.weight,
        speedAfter: at === -1 ? null : after[at]!,
      };
    })
    .reverse();
}
