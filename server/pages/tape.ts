/** The tape of a machine or of a home: saws, teeth, flags, bars, bands and posts, and all of it as a story. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { TapeAnswer, TapeBar, TapeFlag, TapeForm, TapePart } from '../../contract/pages/tape.ts';
import type { Call } from '../context/context.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { readTeeth } from '../sql/tape.ts';
import { readTraced } from '../standing/stood.ts';
import { tapeStory } from './tapeStory.ts';
import { findTapeSubject } from './tapeSubject.ts';

/**
 * The tape of a machine or of a place.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readTape(call: Call, scope: string, id: string, { story }: TapeForm): Promise<TapeAnswer> {
  const {
    db,
    now,
    actor: { organisationId },
    env: { say },
  } = call;
  const subject = await findTapeSubject(call, scope, id);
  const { place, property, machines, dayOf } = subject;
  const today = dayOf(now);
  const known = new Map(machines.map((machine) => [machine.id, machine]));
  const machineIds = [...known.keys()];
  const traced = (await readTraced(db, organisationId, new Map([[place.id, property.zone]]), place.id)).filter(
    ({ machineId }) => known.has(machineId),
  );
  const [teeth, faults, signals, deficiencies, tenancies, remedies] = await Promise.all([
    readTeeth(
      db,
      traced.map(({ pointId }) => pointId),
    ),
    db.fault.all({ machineId: machineIds }, { order: [['openedAt', 'ASC']] }),
    db.signal.all({ machineId: machineIds }, { order: [['at', 'ASC']] }),
    db.deficiency.all({ machineId: machineIds }, { order: [['openedAt', 'ASC']] }),
    db.tenancy.all({ placeId: place.id }, { order: [['fromDay', 'ASC']] }),
    db.remedy.all({ machineId: machineIds }, { order: [['decidedAt', 'ASC']] }),
  ]);
  const teethOf = grouped(teeth, ({ pointId }) => pointId);
  const numberOf = (machineId: string) => known.get(machineId)!.number;
  const endOf = (at: number | null) => (at === null ? null : dayOf(at));
  const tenants = await namesOf(
    db,
    tenancies.map(({ personId }) => personId),
  );
  const parts = traced.map(({ pointId, number, procedure, machineId, safetyCritical, trace }): TapePart => {
    const machine = known.get(machineId)!;
    return {
      number,
      name: say(`point.${procedure}`),
      machine: machineName(say, machine),
      machineNumber: machine.number,
      kind: procedureOf(procedure).kind,
      safetyCritical,
      trace,
      teeth: (teethOf.get(pointId) ?? []).map(({ day, grade, kind }) => ({ day, grade, look: kind === 'look' })),
    };
  });
  const flags = [
    ...faults.map((fault): TapeFlag => ({
      kind: 'fault',
      fromDay: fault.openedDay,
      toDay: endOf(fault.closedAt),
      says: say(`symptom.${fault.symptom}`),
      group: groupOfSymptom(fault.symptom),
      machineNumber: numberOf(fault.machineId),
    })),
    ...signals.map((signal): TapeFlag => ({
      kind: 'signal',
      fromDay: signal.day,
      toDay: endOf(signal.settledAt),
      says: say(`signal.${signal.type}`),
      group: '',
      machineNumber: numberOf(signal.machineId),
    })),
  ];
  const bars = deficiencies.map((it): TapeBar => ({
    fromDay: dayOf(it.openedAt),
    toDay: endOf(it.closedAt),
    says: say(`deficiency.${it.type}`),
  }));
  const days = [
    ...parts.map(({ trace, teeth: its }) => Math.min(trace.sinceDay, its[0]?.day ?? today)),
    ...flags.map(({ fromDay }) => fromDay),
    today,
  ];
  return {
    name: scope === 'machine' ? machineName(say, machines[0]!) : place.name,
    place: { id: place.id, name: place.name, property: property.name },
    fromDay: Math.max(Math.min(...days), today - MOST_DAYS),
    today,
    zone: property.zone,
    parts,
    households: tenancies.map(({ personId, fromDay, toDay }) => ({
      fromDay,
      toDay,
      says: tenants.get(personId) ?? say('story.someone'),
    })),
    flags,
    deficiencies: bars,
    remedies: remedies.map(({ decidedDay, decision }) => ({ day: decidedDay, decision })),
    story: story ? await tapeStory(call, subject, { faults, signals, deficiencies, tenancies, remedies }, traced) : [],
  };
}

/** No tape reaches further back than ten years. */
const MOST_DAYS = 3660;
