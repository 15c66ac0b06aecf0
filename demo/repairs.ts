/** How the demo's office keeps its repairs in time: a local rule, an inspector's visit, a repair that wants a yes. */
import { isoFromDay, type Day } from '../core/calendar/day.ts';
import type { Actor, Call } from '../server/context/context.ts';
import { askApproval, changeApprovalLimit } from '../server/faults/approvals.ts';
import { changeDeficiencyClock, changeRepairTimes } from '../server/faults/clocks.ts';
import { closeDeficiency } from '../server/faults/deficiencies.ts';
import { reportFault } from '../server/faults/faults.ts';
import { createInspection, enterFinding } from '../server/faults/inspections.ts';
import type { Row } from '../server/store/tables.ts';

type As = (actor: Actor, when: number) => Call;
type At = (daysAgo: number, hour?: number) => number;

/** A third of a year ago the council's rule was entered; twelve days ago its inspector came to one property. */
export async function keepInTime(
  as: As,
  at: At,
  manager: Actor,
  staff: readonly Actor[],
  machineOf: (place: string, type: string) => Promise<Row<'machine'>>,
  today: Day,
): Promise<void> {
  const office = as(manager, at(120, 9));
  const court = (await office.db.property.one({ name: 'Tidemill Court' }))!;
  await changeRepairTimes(office, {
    propertyId: court.id,
    name: 'Harbour district, housing code, section 12',
    hours: { lifeThreatening: null, severe: 12, moderate: 14 * 24, low: 30 * 24 },
  });
  await changeApprovalLimit(office, { amount: 250 });
  const entered = as(manager, at(11, 10));
  const { id } = await createInspection(entered, {
    id: entered.env.newId(),
    propertyId: court.id,
    day: isoFromDay(today - 12),
    inspector: 'Harbour district, housing',
    reference: 'HD 4417',
  });
  const find = async (
    place: string,
    type: string,
    procedure: string | null,
    severity: 'moderate' | 'low',
    note: string,
  ) => {
    const machine = await machineOf(place, type);
    const point = procedure ? await entered.db.point.one({ machineId: machine.id, procedure }) : undefined;
    const pointId = point?.id ?? null;
    const form = { machineId: machine.id, pointId, severity, note, correctBy: null, photoIds: [] };
    return enterFinding(entered, id, { id: entered.env.newId(), ...form });
  };
  const filter = await find(
    'No. 1',
    'dishwasher',
    'dishwasher.filter',
    'low',
    'Dishwasher: filter greasy, stands askew.',
  );
  await find('No. 3', 'refrigerator', 'refrigerator.coil', 'moderate', 'Coil felted; the cabinet is hot at the back.');
  await find('No. 4', 'condenserDryer', null, 'low', 'Dryer stands on its hose.');
  await closeDeficiency(as(staff[0]!, at(5, 14)), filter.id, {
    done: 'Washed, and seated until it locks; the tenant was shown.',
    photoIds: [],
  });
  const [coil] = await entered.db.deficiency.all({ inspectionId: id, closedAt: null, severity: 'moderate' });
  await changeDeficiencyClock(as(manager, at(9, 9)), coil!.id, {
    severity: 'moderate',
    correctBy: isoFromDay(today + 2),
    responsibleId: staff[1]!.personId,
  });
  const noticed = as(staff[1]!, at(3, 15));
  const faultId = noticed.env.newId();
  await reportFault(noticed, {
    id: faultId,
    machineId: (await machineOf('House 14', 'refrigerator')).id,
    symptom: 'refrigerator.warm',
    note: 'Compressor runs without a pause; shelves at 9 °C.',
    noticed: isoFromDay(today - 6),
    photoIds: [],
  });
  const asks = as(staff[1]!, at(1, 16));
  await askApproval(asks, faultId, {
    id: asks.env.newId(),
    amount: 310,
    note: 'Evaporator fan and an hour of the refrigeration trade.',
  });
}
