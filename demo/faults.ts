/** What breaks in the demo, and how it is put right. */
import { type Day } from '../core/calendar/day.ts';
import { causeOf } from '../core/faults/causes.ts';
import { usualRemedy } from '../core/faults/closing.ts';
import { closeFault } from '../server/faults/closing.ts';
import { reportFault } from '../server/faults/faults.ts';
import type { Db } from '../server/store/db.ts';
import { callAs, type World } from './world.ts';

const FAULTS: readonly { procedure: string; symptom: string; chance: number; cause: string; found: string }[] = [
  {
    procedure: 'airHandler.condensateDrain',
    symptom: 'airHandler.water',
    chance: 0.016,
    cause: 'airHandler.line',
    found: 'Line was slimed up; brushed and flushed, runs freely.',
  },
  {
    procedure: 'dishwasher.filter',
    symptom: 'dishwasher.gritty',
    chance: 0.0012,
    cause: 'dishwasher.filter',
    found: 'Filter film; cleaned and locked.',
  },
  {
    procedure: 'washer.drainPumpFilter',
    symptom: 'washer.full',
    chance: 0.0014,
    cause: 'washer.impeller',
    found: 'Coins and hair at the impeller.',
  },
  {
    procedure: 'washer.doorBoot',
    symptom: 'washer.puddle',
    chance: 0.0009,
    cause: 'washer.glassFoot',
    found: 'Hair at the foot of the glass; wiped.',
  },
];

/** The hose behind this dryer is crushed, whatever is done about its duct. */
const CRUSHED = { place: 'House 16', procedure: 'dryer.duct', everyDays: 78 };

export async function breakThings(world: World, db: Db, day: Day, now: number): Promise<void> {
  if (now > world.env.clock()) return;
  for (const point of world.lived) {
    if (world.faults.has(point.machineId) || day < point.sinceDay) continue;
    const crushed =
      point.placeName === CRUSHED.place &&
      point.procedure.key === CRUSHED.procedure &&
      (world.today - 12 - day) % CRUSHED.everyDays === 0;
    const rule = FAULTS.find(({ procedure }) => procedure === point.procedure.key);
    const happens =
      crushed || (rule !== undefined && point.load > 1.35 && world.random() < rule.chance * point.load ** 2);
    if (!happens) continue;
    const id = world.env.newId();
    const reporter = point.tenant ?? world.cast.staff[0]!;
    const symptom = crushed ? 'dryer.damp' : rule!.symptom;
    await reportFault(callAs(world, db, reporter, now), {
      id,
      machineId: point.machineId,
      symptom,
      note: crushed ? 'Second load in a row still damp.' : '',
      noticed: null,
      photoIds: [],
    });
    world.faults.set(point.machineId, {
      id,
      symptom,
      closeOn: day + 2 + Math.floor(world.random() * 4) + (day > world.today - 14 ? 90 : 0),
    });
  }
}

/** For so many days the office has named causes. */
const CODED_DAYS = 300;

export async function answerFaults(world: World, db: Db, day: Day, now: number): Promise<void> {
  for (const [machineId, { id, closeOn, symptom }] of world.faults) {
    if (day < closeOn || now > world.env.clock()) continue;
    const { cause, found } =
      symptom === 'dryer.damp'
        ? {
            cause: 'dryer.hose',
            found: 'Hose crushed behind the machine; pulled straight. Too little room back there.',
          }
        : FAULTS.find((it) => it.symptom === symptom)!;
    await closeFault(callAs(world, db, world.cast.staff[0]!, now), id, {
      cause,
      remedy: usualRemedy(causeOf(cause)),
      found,
      minutes: causeOf(cause).minutes,
      parts: '',
      cost: null,
      payer: 'landlord',
      photoIds: [],
    });
    // Older closings are words alone.
    if (day < world.today - CODED_DAYS) await db.fault.update({ id }, { cause: null, remedy: null, minutes: null });
    world.faults.delete(machineId);
  }
}
