/** What several machines share: read for the whole portfolio, compared with the rest of it, said in sentences. */
import { DAYS_A_MONTH, MS_PER_DAY } from '../../core/calendar/day.ts';
import { groupOfSymptom } from '../../core/faults/groups.ts';
import { comparable, sharedPatterns, type SharedPattern, type Sharing } from '../../core/faults/shared.ts';
import { symptomsOf } from '../../core/faults/symptoms.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { SharedAnswer, SharedSummary } from '../../contract/faults/shared.ts';
import type { Call } from '../context/context.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { readCommon, readFaulty, type CommonRow } from '../sql/sharing.ts';

/** Faults of two years count, of machines that are known for half a year. Our assumptions. */
const [COUNTED_DAYS, KNOWN_DAYS] = [730, 182];
/** Nothing is surer than this in words. */
const MOST_TO_ONE = 1000;

/** What machines share, the surest first. */
export async function listShared(call: Call): Promise<SharedAnswer> {
  const { db, now, actor } = call;
  const [rows, faulty] = await Promise.all([
    readCommon(db, actor.organisationId),
    readFaulty(db, actor.organisationId, now - COUNTED_DAYS * MS_PER_DAY),
  ]);
  const known = rows.filter(({ createdAt }) => createdAt <= now - KNOWN_DAYS * MS_PER_DAY);
  const compared = comparable(sharingOf(known, faulty));
  return {
    shared: await tell(call, sharedPatterns(compared), new Map(rows.map((row) => [row.id, row]))),
    compared: compared.length,
    months: Math.round(COUNTED_DAYS / DAYS_A_MONTH),
  };
}

function sharingOf(rows: readonly CommonRow[], faulty: readonly { machineId: string; symptom: string }[]): Sharing[] {
  const had = new Set(faulty.map(({ machineId, symptom }) => `${groupOfSymptom(symptom)} ${machineId}`));
  const groups = new Set(faulty.map(({ symptom }) => groupOfSymptom(symptom)));
  return [...grouped(rows, ({ type }) => type)].flatMap(([type, its]) => {
    const possible = [...new Set(symptomsOf(type).map(({ key }) => groupOfSymptom(key)))].filter((it) =>
      groups.has(it),
    );
    return possible.flatMap((group) =>
      its.map((row) => ({ machineId: row.id, group, faulty: had.has(`${group} ${row.id}`), has: commonOf(row) })),
    );
  });
}

const commonOf = ({ propertyId, buildingId, drainBranch, maker, model, personId, lot }: CommonRow): Sharing['has'] => ({
  property: propertyId,
  ...(buildingId && { building: buildingId }),
  ...(drainBranch && { branch: JSON.stringify([propertyId, drainBranch]) }),
  ...(maker && model && { model: `${maker} ${model}` }),
  ...(lot && { lot }),
  ...(personId && { assignee: personId }),
});

async function tell(
  call: Call,
  patterns: readonly SharedPattern[],
  rowOf: ReadonlyMap<string, CommonRow>,
): Promise<SharedSummary[]> {
  const { db, env } = call;
  const { say } = env;
  const faulty = patterns.flatMap((it) => it.faulty);
  const valuesOf = (by: SharedPattern['by']) => patterns.filter((it) => it.by === by).map(({ value }) => value);
  const branches = valuesOf('branch').map((value) => JSON.parse(value) as [string, string]);
  const [machines, places, properties, buildings, people] = await Promise.all([
    db.machine.all({ id: faulty }),
    db.place.all({ id: faulty.map((id) => rowOf.get(id)!.placeId) }),
    db.property.all({ id: [...valuesOf('property'), ...branches.map(([propertyId]) => propertyId)] }),
    db.building.all({ id: valuesOf('building') }),
    namesOf(db, valuesOf('assignee')),
  ]);
  const nameOf = (rows: readonly { readonly id: string; readonly name: string }[], id: string) =>
    rows.find((row) => row.id === id)?.name ?? '';
  const whatOf = ({ by, value }: SharedPattern): string => {
    if (by === 'property') return nameOf(properties, value);
    if (by === 'building') return nameOf(buildings, value);
    if (by === 'assignee') return people.get(value) ?? say('story.someone');
    if (by === 'model' || by === 'lot') return value;
    const [propertyId, branch] = JSON.parse(value) as [string, string];
    return `${branch}, ${nameOf(properties, propertyId)}`;
  };
  return patterns.map((it) => {
    const what = whatOf(it);
    return {
      by: it.by,
      group: it.group,
      what,
      symptom: say(`symptom.${it.group}`),
      says: say('shared.says', {
        by: it.by,
        what,
        faulty: it.faulty.length,
        machines: it.machines,
        faultyElsewhere: it.faultyElsewhere,
        elsewhere: it.elsewhere,
        times: Math.min(MOST_TO_ONE, Math.round(1 / it.chance)),
      }),
      machines: it.faulty.map((id) => {
        const machine = machines.find((row) => row.id === id)!;
        return {
          number: machine.number,
          machine: machineName(say, machine),
          placeId: machine.placeId,
          place: nameOf(places, machine.placeId),
        };
      }),
    };
  });
}
