/** A place: its machines, its people, its standing. */
import { dayOfInstant, DAYS_A_YEAR, isoFromDay } from '../../core/calendar/day.ts';
import { machineTypeOf, procedureOf } from '../../core/catalogue/catalogue.ts';
import { stateOf } from '../../core/due/line.ts';
import { onTimeOf } from '../../core/standing/figures.ts';
import { breachShareOn } from '../standing/verdict.ts';
import { standingOf } from '../../core/standing/standing.ts';
import type { PlaceAnswer } from '../../contract/pages/place.ts';
import type { MachineSummary } from '../../contract/register/machines.ts';
import { doneDayOf, lineOfMark } from '../../contract/due/due.ts';
import { habitsAt } from '../due/habits.ts';
import { holdOf } from '../lookup/hold.ts';
import { listSignals } from '../due/signals.ts';
import { budgetUse } from '../jobs/budget.ts';
import type { Call } from '../context/context.ts';
import { openAlarms } from '../faults/alarms.ts';
import { openHandBacks } from '../jobs/handBacks.ts';
import { listFaults } from '../faults/faults.ts';
import { readServices } from '../sql/standing.ts';
import type { Db } from '../store/db.ts';
import { factsOf, inForce } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { machineName } from '../lookup/names.ts';
import { namesOf } from '../lookup/find.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { findProperty, findPlace } from '../lookup/places.ts';
import { markDates } from '../lookup/markDates.ts';
import type { FactValues } from '../store/factValues.ts';

/**
 * A home as the office sees it.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readPlace(call: Call, id: string): Promise<PlaceAnswer> {
  const { db, now } = call;
  const place = await findPlace(call, id);
  const property = await findProperty(call, place.propertyId);
  const today = dayOfInstant(now, property.zone);
  const tenancy = await tenancyOn(db, id, now);
  const tenancies = await db.tenancy.all({ placeId: id }, { order: [['fromDay', 'ASC']] });
  const coming = tenancies.find(({ fromDay }) => fromDay > today);
  const gone = tenancies.filter(({ toDay }) => toDay !== null && toDay < today);
  const last = tenancy ? undefined : gone.at(-1);
  const marks = await db.mark.all({ placeId: id });
  const hold = await holdOf(db, id, today);
  const alarms = await openAlarms(call, call.actor.organisationId, { placeId: id });
  const services = await readServices(db, call.actor.organisationId, id, today - DAYS_A_YEAR, today);
  const machines = await machinesOf(call, id);
  const critical = new Set(
    machines.flatMap(({ points }) => points.filter(({ safetyCritical }) => safetyCritical).map((point) => point.id)),
  );
  return {
    id,
    name: place.name,
    kind: place.kind,
    buildingId: place.buildingId,
    property: { id: property.id, name: property.name, zone: property.zone, today },
    tenancy: tenancy ? await describeTenancy(db, tenancy, today) : null,
    former: last
      ? { id: last.id, name: (await db.person.one({ id: last.personId }))!.name, to: isoFromDay(last.toDay!) }
      : null,
    earlier: await earlierOf(db, last ? gone.slice(0, -1) : gone),
    coming: coming ? await describeTenancy(db, coming, today) : null,
    machines,
    hold: hold && { until: isoFromDay(hold.until), reason: hold.reason },
    habits: await habitsAt(call, id, tenancy),
    budget: tenancy ? await budgetUse(db, tenancy, now, property.zone) : null,
    signals: await listSignals(call, { placeId: id }),
    standing: standingOf(
      marks.map((mark) => ({
        state: stateOf(lineOfMark(mark), { today, doneDay: doneDayOf(mark), onHold: hold !== null }),
        safetyCritical: critical.has(mark.pointId),
        evidence: mark.evidence,
      })),
      onTimeOf(services),
      alarms.length,
      await breachShareOn(db, property.organisationId, today),
    ),
    faults: await listFaults(call, { placeId: id }),
    alarms,
    handBacks: await openHandBacks(call, id),
  };
}

/** Tenancies that are over, the latest first. */
async function earlierOf(db: Db, gone: readonly Row<'tenancy'>[]): Promise<PlaceAnswer['earlier']> {
  const names = await namesOf(
    db,
    gone.map(({ personId }) => personId),
  );
  return gone
    .map(({ id, personId, fromDay, toDay }) => ({
      id,
      name: names.get(personId)!,
      from: isoFromDay(fromDay),
      to: isoFromDay(toDay!),
    }))
    .reverse();
}

/** A tenancy with the household of a day. */
export async function describeTenancy(db: Db, tenancy: Row<'tenancy'>, today: number) {
  const [person, households, contacts, links] = await Promise.all([
    db.person.one({ id: tenancy.personId }),
    factsOf(db, [tenancy.id], 'household'),
    factsOf(db, [tenancy.id], 'contact'),
    db.link.count({ tenancyId: tenancy.id, revokedAt: null }),
  ]);
  return {
    id: tenancy.id,
    name: person!.name,
    from: isoFromDay(tenancy.fromDay),
    to: tenancy.toDay === null ? null : isoFromDay(tenancy.toDay),
    language: person!.language,
    household: inForce(households, Math.max(today, tenancy.fromDay))!.value,
    hasLink: links > 0,
    contact: contacts.at(-1)?.value ?? null,
  };
}

export const contractWords = (contract: FactValues['contract']) =>
  contract && {
    lastVisit: isoFromDay(contract.lastVisit),
    everyMonths: contract.everyMonths,
    name: contract.name ?? '',
    email: contract.email ?? '',
  };

const claimWords = (claim: FactValues['lastDone'] | undefined) =>
  claim ? { ...claim, day: isoFromDay(claim.day) } : null;

/** The machines of a place with their points. */
export async function machinesOf({ db, env: { say } }: Call, placeId: string): Promise<MachineSummary[]> {
  const machines = await db.machine.all(
    { placeId },
    {
      order: [
        ['createdAt', 'ASC'],
        ['id', 'ASC'],
      ],
    },
  );
  const ids = machines.map(({ id }) => id);
  const [points, serves, emitters, contracts, claims] = await Promise.all([
    db.point.all({ machineId: ids }, { order: [['number', 'ASC']] }),
    db.machineServes.all({ machineId: ids }),
    db.emitter.all({ machineId: ids }),
    factsOf(db, ids, 'contract'),
    factsOf(db, ids, 'lastDone'),
  ]);
  const [marks, specifications, places] = await Promise.all([
    db.mark.all({ pointId: points.map(({ id }) => id) }),
    factsOf(
      db,
      points.map(({ id }) => id),
      'specification',
    ),
    db.place.all({ id: serves.map((it) => it.placeId) }),
  ]);
  return machines.map((machine) => ({
    id: machine.id,
    type: machineTypeOf(machine.type).key,
    name: machineName(say, machine),
    label: machine.label,
    maker: machine.maker,
    model: machine.model,
    installed: machine.installedDay === null ? null : isoFromDay(machine.installedDay),
    fuel: machine.fuel,
    owner: machine.owner,
    drainBranch: machine.drainBranch,
    hardWired: machine.hardWired === 1,
    shutoffPhotoId: machine.shutoffPhotoId,
    platePhotoId: machine.platePhotoId,
    number: machine.number,
    leftOut: JSON.parse(machine.leftOut) as string[],
    retired: machine.retiredDay === null ? null : isoFromDay(machine.retiredDay),
    contract: contractWords(contracts.findLast(({ subjectId }) => subjectId === machine.id)?.value ?? null),
    claim: claimWords(claims.findLast(({ subjectId }) => subjectId === machine.id)?.value),
    emitters: emitters
      .filter(({ machineId }) => machineId === machine.id)
      .map(({ id, retiredAt }) => ({ id, retired: retiredAt !== null })),
    serves: serves
      .filter(({ machineId }) => machineId === machine.id)
      .map((it) => places.find(({ id }) => id === it.placeId)!)
      .map(({ id, name }) => ({ id, name })),
    points: points
      .filter(({ id, machineId }) => machineId === machine.id && marks.some(({ pointId }) => pointId === id))
      .map((point) => {
        const { key, kind, safetyCritical, specification } = procedureOf(point.procedure);
        const latest = specifications.findLast(({ subjectId }) => subjectId === point.id);
        return {
          id: point.id,
          number: point.number,
          procedure: key,
          name: say(`point.${key}`),
          kind,
          safetyCritical,
          fields: specification,
          specification: latest?.value ?? {},
          specificationId: latest?.id ?? null,
          mark: markDates(marks.find(({ pointId }) => pointId === point.id)!),
          scheduled: marks.find(({ pointId }) => pointId === point.id)!.scheduled === 1,
        };
      }),
  }));
}
