/**
 * Stories that a reader of the demo can find, told through the services: what is chosen otherwise, who kept a habit,
 * which machine spoke, who moved out.
 */
import { contractFirm, missOne } from './contractors.ts';
import { dayOfInstant, instantOfDay, isoFromDay } from '../core/calendar/day.ts';
import { habitsOf } from '../core/catalogue/habits.ts';
import { seeded } from '../core/statistics/random.ts';
import { keepRehearsal, readRehearsal } from '../server/jobs/rehearsals.ts';
import { attestHabits, checkHabit } from '../server/due/habits.ts';
import { createEmitter } from '../server/due/inbox.ts';
import { createLook } from '../server/due/looks.ts';
import { changeBudget, changePrices, choosePractice, chooseMethod, changeUpkeepDay } from '../server/due/settings.ts';
import { dismissSignal, raiseSignal, reportSignal } from '../server/due/signals.ts';
import type { Actor, Call, Env } from '../server/context/context.ts';
import { Problem } from '../server/context/problem.ts';
import { acknowledge, raiseAlarm } from '../server/faults/alarms.ts';
import { changeDeficiencyClock } from '../server/faults/clocks.ts';
import { closeDeficiency, reportDeficiency } from '../server/faults/deficiencies.ts';
import { giveJob } from '../server/jobs/jobs.ts';
import { changeDuty, changeNumbers } from '../server/notices/duty.ts';
import { changeEntryRule } from '../server/notices/visits.ts';
import { endTenancy, holdPlace } from '../server/register/turnover.ts';
import type { Db } from '../server/store/db.ts';
import type { Row } from '../server/store/tables.ts';
import type { EmitterKey } from './emitter.ts';
import { keepInTime } from './repairs.ts';
import { MAIL_PORT, ZONE } from './scenario.ts';
import { countShelf } from './shelf.ts';
import { tellDemo } from './telling.ts';

const PRICES = {
  staffHour: 38,
  door: 9,
  call: 95,
  hoursAMonth: 10,
  materials: {
    airFilter: 14,
    thinFilter: 5,
    waterFilter: 39,
    degreaser: 2,
    bleach: 0.5,
    oneAgent: 1.5,
    sodaAndVinegar: 2.5,
  },
};

const placeOf = async (db: Db, name: string): Promise<Row<'place'>> => (await db.place.one({ name }))!;
const machineOf = async (db: Db, place: string, type: string): Promise<Row<'machine'>> =>
  (await db.machine.one({ placeId: (await placeOf(db, place)).id, type }))!;

/** What was chosen before the history begins. */
export async function chooseOtherwise(call: Call): Promise<void> {
  const { db, now } = call;
  const property = async (name: string) => (await db.property.one({ name }))!.id;
  await changePrices(call, PRICES);
  // The dryer whose hose was crushed is watched.
  await choosePractice(call, {
    scope: 'machine',
    subjectId: (await machineOf(db, 'House 16', 'dryer')).id,
    practice: 'watchful',
  });
  await chooseMethod(call, {
    scope: 'property',
    subjectId: await property('Tidemill Court'),
    method: 'dishwasherWash',
    option: 'tablet',
  });
  await changeUpkeepDay(call, {
    scope: 'property',
    subjectId: await property('Samphire Row'),
    rule: 'FREQ=MONTHLY;BYDAY=1SA',
    start: '2024-01-01',
  });
  // Until today nobody wrote down by what right a home was entered.
  for (const { id } of await db.property.all({})) {
    await changeEntryRule(call, id, { hours: 0 });
    await changeEntryRule({ ...call, now: call.env.clock() }, id, { hours: 24 });
  }
  await contractFirm(call, dayOfInstant(now, ZONE));
}

/** What happened lately, up to today. */
export async function tellStories(env: Env, manager: Actor, staff: readonly Actor[]): Promise<EmitterKey> {
  const now = env.clock();
  const today = dayOfInstant(now, ZONE);
  const at = (daysAgo: number, hour = 19) => Math.min(now, instantOfDay(today - daysAgo, hour * 60, ZONE));
  return env.store.write(async (db) => {
    const as = (actor: Actor, when: number): Call => ({ env, db, actor, now: when });
    await answerHabits(db, as, staff[0]!, at);
    for (const [daysAgo, place, procedure, grade] of [
      [6, 'Flat 2A', 'dishwasher.filter', 'light'],
      [3, 'House 12', 'hood.greaseFilter', 'due'],
      [2, 'No. 5', 'washer.tub', 'clean'],
    ] as const) {
      const machine = await machineOf(db, place, procedure.split('.')[0]!);
      const point = (await db.point.one({ machineId: machine.id, procedure }))!;
      const mark = await db.mark.one({ pointId: point.id });
      if (mark && mark.servedDay < today - daysAgo)
        await createLook(as(staff[1]!, at(daysAgo, 11)), {
          id: env.newId(),
          number: point.number,
          grade,
          day: null,
          note: '',
        });
    }
    const fridge = await machineOf(db, 'Flat 3A', 'refrigerator');
    const { id } = await reportSignal(as(manager, at(5)), {
      id: env.newId(),
      machineId: fridge.id,
      type: 'refrigerator.weakFlow',
      note: 'Slow since the weekend.',
      photoIds: [],
    });
    await dismissSignal(as(manager, at(4)), id, {
      reason: 'Supply valve was half shut; opened.',
      recheck: isoFromDay(today + 9),
    });
    const washer = await machineOf(db, 'Flat 1B', 'washer');
    const emitter = await createEmitter(as(manager, at(200)), washer.id);
    await raiseSignal(
      db,
      { id: env.newId(), machine: washer, type: 'washer.lamp', note: '', personId: null, emitterId: emitter.id },
      at(1, 21),
    );
    // Its reminder lamp made the tub due, and the tenant was asked; unless somebody has it in hand already.
    const tenant = (await db.tenancy.one({ placeId: washer.placeId, toDay: null }))!;
    // This household agreed to more than the usual two jobs a month.
    await changeBudget(as(manager, at(200)), { tenancyId: tenant.id, jobs: 6, minutes: 160 });
    for (const procedure of ['washer.tub', 'washer.drainPumpFilter', 'washer.drawer']) {
      const point = (await db.point.one({ machineId: washer.id, procedure }))!;
      if (
        await giveJob(as(manager, at(0, 8)), {
          id: env.newId(),
          pointIds: [point.id],
          assigneeId: tenant.personId,
        }).then(
          () => true,
          (error: unknown) => {
            if (error instanceof Problem) return false;
            throw error;
          },
        )
      )
        break;
    }
    await seeDeficiencies(db, as, manager, staff, at);
    await keepInTime(as, at, manager, staff, (place, type) => machineOf(db, place, type), today);
    await soundAlarm(db, as, manager, staff, at);
    await rehearse(as(staff[1]!, at(20, 8)));
    const empty = await placeOf(db, 'No. 2');
    const tenancy = (await db.tenancy.one({ placeId: empty.id, toDay: null }))!;
    await endTenancy(as(manager, at(8, 10)), tenancy.id, { last: isoFromDay(today - 8), holdUntil: null });
    await holdPlace(as(manager, now), empty.id, {
      until: isoFromDay(today + 45),
      reason: 'painting, then a new tenancy',
    });
    await missOne((daysAgo) => as(manager, at(daysAgo, 10)));
    await countShelf(as(manager, at(10, 16)));
    await tellDemo(as(manager, now));
    return emitter;
  });
}

/** What upkeep will not cure: the hose behind House 16 has somebody on it, a clip has nobody yet, a mesh is gone. */
async function seeDeficiencies(
  db: Db,
  as: (actor: Actor, when: number) => Call,
  manager: Actor,
  staff: readonly Actor[],
  at: (daysAgo: number, hour?: number) => number,
): Promise<void> {
  const report = async (place: string, machine: string, type: string, note: string, daysAgo: number) => {
    const call = as(staff[0]!, at(daysAgo, 11));
    return reportDeficiency(call, {
      id: call.env.newId(),
      machineId: (await machineOf(db, place, machine)).id,
      type,
      note,
      photoIds: [],
    });
  };
  const hose = await report(
    'House 16',
    'dryer',
    'hoseCrushed',
    'Too little room behind the machine; it is crushed again whenever it is pushed back.',
    11,
  );
  const call = as(manager, at(10, 9));
  await changeDeficiencyClock(call, hose.id, {
    severity: 'moderate',
    correctBy: isoFromDay(dayOfInstant(call.now, ZONE) + 21),
    responsibleId: staff[1]!.personId,
  });
  await report('Flat 3A', 'dishwasher', 'noClip', 'Lower spray arm lifts off by hand.', 4);
  const mesh = await report('House 12', 'dryer', 'outletMesh', 'Fly screen over the outlet, felted with lint.', 40);
  await closeDeficiency(as(staff[0]!, at(33, 15)), mesh.id, { done: 'Screen taken off, flap fitted.', photoIds: [] });
}

/**
 * Who is called and what to call, and an alarm of this morning that the office has seen; the machine stands still until
 * its fault is closed.
 */
async function soundAlarm(
  db: Db,
  as: (actor: Actor, when: number) => Call,
  manager: Actor,
  staff: readonly Actor[],
  at: (daysAgo: number, hour?: number) => number,
): Promise<void> {
  const setUp = as(manager, at(300, 9));
  await changeDuty(setUp, {
    people: [manager.personId, ...staff.map(({ personId }) => personId)],
    minutes: 10,
    webhook: null,
    mail: {
      host: '127.0.0.1',
      port: MAIL_PORT,
      secure: 'no',
      user: '',
      password: null,
      from: 'alarm@saltmarsh.example',
    },
  });
  for (const { id } of await db.property.all({}))
    await changeNumbers(setUp, id, { emergency: '555 0111', gas: '555 0122', office: '555 0133' });
  const raised = as(staff[1]!, at(0, 8));
  const { id } = await raiseAlarm(raised, {
    id: raised.env.newId(),
    kind: 'water',
    jobId: null,
    machineId: (await machineOf(db, 'Flat 2A', 'dishwasher')).id,
    note: 'Water under the door while it stands; mat is wet.',
    still: [],
  });
  await acknowledge(as(manager, Math.min(raised.env.clock(), raised.now + 4 * 60_000)), id);
}

/** One of the staff has walked through the work that they did least. */
async function rehearse(call: Call): Promise<void> {
  const seed = 5;
  const { questions } = await readRehearsal(call, 'dryer.duct', { seed });
  const answers = questions.map(({ right }, i) => (i === questions.length - 1 ? (right + 1) % 3 : right));
  await keepRehearsal(call, { id: call.env.newId(), procedure: 'dryer.duct', seed, answers });
}

/** Half a year of monthly answers; one household lapses, and staff saw it. */
async function answerHabits(
  db: Db,
  as: (actor: Actor, when: number) => Call,
  checker: Actor,
  at: (daysAgo: number) => number,
): Promise<void> {
  const random = seeded(77);
  for (const tenancy of await db.tenancy.all({ toDay: null }, { order: [['id', 'ASC']] })) {
    const place = (await db.place.one({ id: tenancy.placeId }))!;
    const person = (await db.person.one({ id: tenancy.personId }))!;
    const actor: Actor = { ...checker, personId: person.id, name: person.name, roles: ['tenant'] };
    const machines = (
      await db.machine.all(
        { placeId: place.id },
        {
          order: [
            ['createdAt', 'ASC'],
            ['id', 'ASC'],
          ],
        },
      )
    ).filter(({ type, createdAt }) => habitsOf(type).length > 0 && createdAt < at(190));
    for (const daysAgo of [170, 138, 105, 74, 41, ...(random() < 0.6 && place.name !== 'Flat 1B' ? [9] : [])]) {
      const call = as(actor, at(daysAgo));
      const answers = machines.flatMap(({ id, type }) =>
        habitsOf(type).map(({ key }) => ({
          id: call.env.newId(),
          machineId: id,
          habit: key,
          kept:
            (place.name === 'No. 4' && key === 'washer.pockets' && daysAgo < 110) || random() < 0.04
              ? ('lapsed' as const)
              : ('kept' as const),
        })),
      );
      if (answers.length > 0) await attestHabits(call, { answers });
    }
    const washer = machines.find(({ type }) => type === 'washer');
    if (washer && place.name === 'No. 4')
      await checkHabit(as(checker, at(33)), {
        id: as(checker, 0).env.newId(),
        machineId: washer.id,
        habit: 'washer.pockets',
        kept: 'lapsed',
        note: 'Three coins and a clip in the filter.',
      });
  }
}
