/** The demo's contractor: twice a year at every air handler by contract, and once not at all. */
import { isoFromDay, type Day } from '../core/calendar/day.ts';
import { CONTRACTOR_VISIT } from '../core/catalogue/procedures/contractor.ts';
import { giveContracted } from '../server/jobs/contracted.ts';
import { messageRow } from '../server/notices/planning.ts';
import { createVisit } from '../server/notices/visits.ts';
import { logRecord } from '../server/proof/records.ts';
import { contractMachine } from '../server/register/machines.ts';
import type { Call } from '../server/context/context.ts';
import type { Row } from '../server/store/tables.ts';

export const FIRM = { name: 'Quillback Cooling', email: 'visits@quillback.example' };
/** Where they were expected and did not come. */
const MISSED = 'Flat 1A';
/** Days before a line on which they come. */
const EARLY = 5;

/** Contracts from the first day on; the visits are spread over the weeks before it. */
export async function contractFirm(call: Call, today: Day): Promise<void> {
  const machines = await call.db.machine.all({ type: 'airHandler' });
  for (const [i, { id }] of machines.entries())
    await contractMachine(call, id, {
      contract: { ...FIRM, lastVisit: isoFromDay(today - 10 - ((i * 9) % 60)), everyMonths: 6 },
    });
}

/** They come in time, and the office writes down what they left on paper; of late, not to the one home. */
export async function visitByContract(
  call: Call,
  marks: ReadonlyMap<string, Row<'mark'>>,
  { day, today }: { readonly day: Day; readonly today: Day },
): Promise<void> {
  const { db, env } = call;
  const missed = await db.place.one({ name: MISSED });
  for (const { id: pointId } of await db.point.all({ procedure: CONTRACTOR_VISIT })) {
    const mark = marks.get(pointId);
    if (!mark || mark.servedDay + mark.intervalDays - day > EARLY) continue;
    if (mark.placeId === missed?.id && today - day < 200) continue;
    await logRecord(call, {
      id: env.newId(),
      pointId,
      done: isoFromDay(day),
      grade: null,
      finds: [],
      note: `By ${FIRM.name}; the report is in the folder.`,
      photoId: null,
    });
  }
}

/** They were asked, a day was announced, and nobody came. */
export async function missOne(as: (daysAgo: number) => Call): Promise<void> {
  const { db, env } = as(0);
  const place = (await db.place.one({ name: MISSED }))!;
  const machine = (await db.machine.one({ placeId: place.id, type: 'airHandler' }))!;
  const point = (await db.point.one({ machineId: machine.id, procedure: CONTRACTOR_VISIT }))!;
  const asked = as(20);
  const { id: jobId } = await giveContracted(asked, { id: env.newId(), pointIds: [point.id], ...FIRM });
  const job = (await db.job.one({ id: jobId }))!;
  const { organisationId, placeId } = job;
  const told = { organisationId, placeId, personId: job.assigneeId!, kind: 'contracted', subjectId: jobId } as const;
  await db.message.insert({
    ...messageRow(env, { ...told, notBefore: asked.now + 600_000 }),
    state: 'sent',
    at: asked.now,
    claimedAt: asked.now + 600_000,
    sentAt: asked.now + 600_000,
    way: 'mail',
    address: FIRM.email,
  });
  const day = asked.now + 16 * 86_400_000;
  await createVisit(asked, {
    id: env.newId(),
    placeId: place.id,
    personId: job.assigneeId!,
    day: new Date(day).toISOString().slice(0, 10),
    from: 9 * 60,
    until: 11 * 60,
    purpose: 'Half-yearly service of the air handler',
    agreed: true,
  });
}
