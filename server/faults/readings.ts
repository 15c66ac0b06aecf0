/** Readings: kept as a series per machine, and what they open: a signal for the next part, or a fault. */
import { dayOfInstant, isoFromDay } from '../../core/calendar/day.ts';
import type { Need, ReadingNeed } from '../../core/catalogue/types.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { ReadingSeries } from '../../contract/pages/machine.ts';
import { baselineOf, judgedValue, openings, type Opening, type Readings } from '../../core/proof/readings.ts';
import { enteredIn, enteredOf } from '../../core/quantities/entered.ts';
import type { UnitSystem } from '../../core/quantities/units.ts';
import type { Translator } from '../language/translator.ts';
import { raiseSignal } from '../due/signals.ts';
import { houseVoice, type Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import type { Row } from '../store/tables.ts';
import { openFault } from './faults.ts';

const readingNeeds = (needs: readonly Need[]): ReadingNeed[] => needs.filter((need) => need.kind === 'reading');

export interface ReadAt {
  readonly pointId: string;
  readonly machine: Row<'machine'>;
  readonly needs: readonly Need[];
  readonly readings: Readings;
  readonly at: number;
}

/** Keeps readings with their machine and opens what they show; returns the sentences for whoever read them. */
export async function takeReadings(call: Call, { pointId, machine, needs, readings, at }: ReadAt): Promise<string[]> {
  const { env, db, actor } = call;
  const figures = readingNeeds(needs).flatMap((need) => {
    const value = judgedValue(need, readings);
    return value === undefined || need.worse === undefined ? [] : [{ name: need.key, value }];
  });
  if (figures.length === 0) return [];
  // An act that two records share was read once.
  if ((await db.reading.count({ machineId: machine.id, at, name: figures.map(({ name }) => name) })) > 0) return [];
  const earlier = await db.reading.all(
    { machineId: machine.id, name: figures.map(({ name }) => name) },
    { order: [['at', 'ASC']] },
  );
  const opened = openings(needs, readings, (name) =>
    earlier.filter((it) => it.name === name).map(({ value }) => value),
  );
  for (const { name, value } of figures)
    await db.reading.insert({
      id: env.newId(),
      organisationId: actor.organisationId,
      machineId: machine.id,
      pointId,
      name,
      value,
      at,
    });
  const told: string[] = [];
  for (const opening of opened) {
    const why = whyOpened(call, call.env.say, needs, opening);
    const note = whyOpened(call, houseVoice(call), needs, opening);
    if ('signal' in opening.raises)
      await raiseSignal(
        db,
        { id: env.newId(), machine, type: opening.raises.signal, note, personId: actor.personId, emitterId: null },
        call.now,
      ).catch(ignoreMissing);
    else await openOnce(call, machine, opening.raises.symptom, note);
    told.push(
      'symptom' in opening.raises && opening.raises.symptom.endsWith('.foodWarm') ? call.env.say('food.first') : why,
    );
  }
  return [...new Set(told)];
}

/** A machine that lacks the part has nothing to make due. */
function ignoreMissing(error: unknown): void {
  if (!(error instanceof Problem)) throw error;
}

/** Opens a fault that a reading shows, once. */
async function openOnce(call: Call, machine: Row<'machine'>, symptom: string, note: string): Promise<void> {
  if (await call.db.fault.one({ machineId: machine.id, symptom, closedAt: null })) return;
  await openFault(call, machine, { id: call.env.newId(), symptom, note });
}

/** Why something was opened: `Minutes to dry a normal load: 75 min`. */
function whyOpened(
  { units }: Call,
  say: Translator,
  needs: readonly Need[],
  { reading, figure, why }: Opening,
): string {
  const need = readingNeeds(needs).find(({ key }) => key === reading)!;
  return say(`opened.${why}`, {
    name: nameOf(say, reading),
    figure: figureWords(say, need, figure, units ?? 'metric'),
  });
}

/** Figures shown of a series at most. */
const SHOWN = 24;

/** The series of a machine, each with its own baseline. */
export async function seriesOf(
  { db, env: { say }, units = 'metric' }: Call,
  machine: Row<'machine'>,
): Promise<ReadingSeries[]> {
  const rows = await db.reading.all({ machineId: machine.id }, { order: [['at', 'ASC']], limit: 2000 });
  if (rows.length === 0) return [];
  const zone = await zoneOfPlace(db, machine.placeId);
  const points = await db.point.all({ machineId: machine.id });
  const needs = readingNeeds(
    points.flatMap(({ procedure }) => procedureOf(procedure).steps.flatMap((step) => step.needs)),
  );
  return [...grouped(rows, ({ name }) => name)].flatMap(([name, of]) => {
    const need = needs.find(({ key }) => key === name);
    if (!need) return [];
    const baseline = baselineOf(of.map(({ value }) => value));
    return [
      {
        name,
        says: nameOf(say, name),
        baseline: baseline ?? null,
        baselineSays: baseline === undefined ? null : figureWords(say, need, baseline, units),
        limit: need.opens?.beyond?.at ?? null,
        figures: of
          .slice(-SHOWN)
          .map(({ value, at }) => ({
            value,
            says: figureWords(say, need, value, units),
            day: isoFromDay(dayOfInstant(at, zone)),
          })),
      },
    ];
  });
}

/** What is judged may be more than what is read: a drop, a rate. */
const nameOf = (say: Translator, reading: string): string =>
  say(say.has(`judged.${reading}`) ? `judged.${reading}` : `reading.${reading}`);

/** A judged figure with its unit, in a person's own. */
export function figureWords(
  say: Translator,
  { judged, unit }: Pick<ReadingNeed, 'judged' | 'unit'>,
  figure: number,
  units: UnitSystem,
): string {
  if (judged?.as === 'drop')
    return say('figure.drop', { kelvin: Math.round(figure * 10) / 10, fahrenheit: Math.round(figure * 18) / 10 });
  if (judged?.as === 'rate') return say('figure.rate', { litres: Math.round(figure * 10) / 10 });
  const entered = enteredIn(unit, units);
  return say('figure.plain', { figure: enteredOf(figure, entered), unit: say(`unit.${entered.unit}`) });
}
