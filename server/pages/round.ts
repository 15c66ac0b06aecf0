/** Somebody's round of a day: its stops in order, what to know at each door, what to carry, what must not meet. */
import { dayFromIso, dayOfInstant, instantOfDay, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { certainAgents } from '../../core/catalogue/chemistry.ts';
import { materialWords } from '../../core/jobs/amounts.ts';
import { earliestEntry, isLawful } from '../../core/notices/entry.ts';
import { WORK } from '../../contract/due/due.ts';
import type { Mishap } from '../../contract/rounds/mishaps.ts';
import type { RoundAnswer, RoundOn, RoundStop } from '../../contract/rounds/rounds.ts';
import { isManager, type Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import { readHistories } from '../due/history.ts';
import { announced, noticeHours } from '../jobs/entry.ts';
import { agentsToKeepApart } from '../jobs/kit.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { firstZone } from '../lookup/zone.ts';
import { whenAgain } from '../rounds/comeAgain.ts';
import { describeMishap } from '../rounds/mishaps.ts';
import { readAccess } from '../rounds/workingTime.ts';
import { factsOf } from '../store/facts.ts';
import { numbersOfStop } from '../rounds/stops.ts';
import type { Row } from '../store/tables.ts';
import { above } from '../store/where.ts';
import { carried, materialsInWords } from './kitWords.ts';

/** Days back that rounds can be looked at. */
const PAST_DAYS = 30;

/**
 * One's own round, or for a manager of everything anybody's: on a day, else the next that there is.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readRound(call: Call, personId: string, form: RoundOn): Promise<RoundAnswer> {
  const { db, actor, env } = call;
  const readsAll = isManager(actor) && actor.properties === null;
  if (personId !== actor.personId && !readsAll) throw notFound();
  if (!(await db.person.one({ id: personId, organisationId: actor.organisationId }))) throw notFound();
  const { zone, today } = await firstZone(call);
  const all = await db.roundStop.all(
    { personId, day: above(today - PAST_DAYS) },
    {
      order: [
        ['day', 'ASC'],
        ['fromMinute', 'ASC'],
      ],
    },
  );
  const days = [...new Set(all.map(({ day }) => day))];
  const day = form.day === null ? (days.find((it) => it >= today) ?? days.at(-1) ?? today) : dayFromIso(form.day);
  const stops = all.filter((it) => it.day === day);
  const described = await Promise.all(stops.map((stop) => describeStop(call, stop)));
  const placeIds = [...new Set(stops.map(({ placeId }) => placeId))];
  const jobs = await db.job.all({ placeId: placeIds, assigneeId: personId, state: ['given', 'started'] });
  return {
    person: (await namesOf(db, [personId])).get(personId) ?? env.say('story.someone'),
    personId,
    day: isoFromDay(day),
    zone,
    days: days.map(isoFromDay),
    stops: described.flatMap((stop, i) => twice(stop, stops[i]!)).sort((a, b) => a.at - b.at),
    kit: await kitOf(call, stops),
    apart: await agentsToKeepApart(
      call,
      jobs.map(({ id }) => id),
    ),
  };
}

/** A stop, and once more where the home is gone back to. */
function twice(stop: RoundStop, { backMinute, overMinute }: Row<'roundStop'>): RoundStop[] {
  if (backMinute === null) return [stop];
  return [stop, { ...stop, at: backMinute, until: overMinute ?? backMinute, back: true }];
}

async function mishapsOf(call: Call, stop: Row<'roundStop'>, zone: string): Promise<Mishap[]> {
  const rows = await call.db.mishap.all({ stopId: stop.id }, { order: [['at', 'ASC']] });
  return Promise.all(
    rows.map(async (row) => {
      const open = row.settledAt === null && row.kind !== 'late';
      return describeMishap(call, row, zone, open ? await whenAgain(call, row, stop) : null);
    }),
  );
}

async function describeStop(call: Call, stop: Row<'roundStop'>): Promise<RoundStop> {
  const { db, env, now } = call;
  const { say } = env;
  const place = (await db.place.one({ id: stop.placeId }))!;
  const property = (await db.property.one({ id: place.propertyId }))!;
  const marks = await db.mark.all({ placeId: place.id, number: numbersOfStop(stop) });
  const histories = await readHistories(
    db,
    marks.map(({ pointId }) => pointId),
    now,
  );
  const machines = new Map((await db.machine.all({ placeId: place.id })).map((it) => [it.id, it]));
  const photos = await factsOf(
    db,
    marks.map(({ pointId }) => pointId),
    'whereabouts',
  );
  const sizes = await factsOf(
    db,
    marks.map(({ pointId }) => pointId),
    'specification',
  );
  const visit = stop.visitId === null ? undefined : await db.visit.one({ id: stop.visitId });
  return {
    id: stop.id,
    placeId: place.id,
    place: place.name,
    propertyId: property.id,
    property: property.name,
    at: stop.fromMinute,
    until: stop.untilMinute,
    back: false,
    access: await readAccess(call, place.id),
    told: visit?.state === 'announced' ? { from: visit.fromMinute, until: visit.untilMinute } : null,
    mishaps: await mishapsOf(call, stop, property.zone),
    notice: say('rounds.notice', { state: await noticeState(call, property, visit) }),
    done: marks.length > 0 && marks.every((mark) => doneSince(mark, stop.day)),
    parts: histories.map(({ point, procedure, turn, machineId }) => {
      const mark = marks.find(({ pointId }) => pointId === point.id)!;
      const agent = certainAgents(procedure, turn)[0];
      return {
        number: point.number,
        says: say('standing.part', {
          part: say(`point.${procedure.key}`),
          machine: machineName(say, machines.get(machineId)!),
        }),
        where: photos.findLast(({ subjectId }) => subjectId === point.id)?.value.photoId ?? null,
        size: sizes.findLast(({ subjectId }) => subjectId === point.id)?.value.filterSize ?? null,
        agent: agent ? say(`agent.${agent}`) : null,
        done: doneSince(mark, stop.day),
      };
    }),
  };
}

const doneSince = ({ work, servedDay }: Row<'mark'>, day: Day): boolean => work >= WORK.sent || servedDay >= day;

async function noticeState(call: Call, property: Row<'property'>, visit: Row<'visit'> | undefined): Promise<string> {
  if (!visit) return 'free';
  if (visit.state !== 'announced') return visit.state;
  const hours = await noticeHours(call.db, property.id, dayOfInstant(call.now, property.zone));
  if (visit.answer === 'agreed' || visit.answer === 'another') return visit.answer;
  if (isLawful(announced(visit), hours, property.zone)) return 'told';
  const begins = instantOfDay(visit.day, visit.fromMinute, property.zone);
  return visit.deliveredAt === null && earliestEntry(call.now, hours) <= begins ? 'soon' : 'late';
}

/** What to carry for all parts of a round, each thing once. */
async function kitOf(call: Call, stops: readonly Row<'roundStop'>[]): Promise<string[]> {
  const { db, now, env } = call;
  const { say } = env;
  const numbers = stops.flatMap(numbersOfStop);
  if (numbers.length === 0) return [];
  const points = await db.mark.all({ number: numbers, organisationId: call.actor.organisationId });
  const histories = await readHistories(
    db,
    points.map(({ pointId }) => pointId),
    now,
  );
  const counts = new Map<string, number>();
  const units = call.units ?? 'metric';
  for (const { procedure, turn, forbidden } of histories) {
    const tools = procedure.kit.map((key) => say(`kit.${key}`));
    const materials = materialsInWords(say, carried(procedure, turn, forbidden, []), procedure, (material) =>
      materialWords(say, material, {}, units),
    );
    for (const it of new Set(tools)) counts.set(it, Math.max(1, counts.get(it) ?? 0));
    for (const it of materials) counts.set(it, (counts.get(it) ?? 0) + 1);
  }
  return [...counts].map(([what, count]) => (count > 1 ? say('rounds.kit', { count, what }) : what)).sort();
}
