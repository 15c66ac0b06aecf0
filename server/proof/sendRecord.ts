/** A record of one task of a submission, with its photos, checks and what follows from it. */
import { waitsOf } from '../../core/catalogue/catalogue.ts';
import { dayOfInstant, type Day } from '../../core/calendar/day.ts';
import { checkProof, type CheckedPhoto } from '../../core/proof/checks.ts';
import { needsInPlan } from '../../core/jobs/gone.ts';
import { boundedClaim, trueTimes } from '../../core/proof/claim.ts';
import { sameAs } from '../../core/proof/likeness.ts';
import type { Observation, ServiceRecord } from '../../core/proof/record.ts';
import type { SubmittedRecord } from '../../contract/jobs/jobs.ts';
import type { Call } from '../context/context.ts';
import { takeReadings } from '../faults/readings.ts';
import { type EarlierPhoto } from '../photos/lookalikes.ts';
import { claimPhoto } from '../photos/photos.ts';
import { writeRecord } from './records.ts';
import { factsOf, recordFact } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';
import { usedOnBranch } from '../jobs/branch.ts';
import { type JobPassage } from './goneThrough.ts';
import { type PhotoClaims, claim, refuseStrangeSlots, copyAmong } from './sentPhotos.ts';
import type { PointHistory } from '../due/pointHistory.ts';

interface Sending {
  /** As the device says, in server time. */
  readonly times: ReturnType<typeof trueTimes>;
  readonly record: SubmittedRecord;
  readonly job: Row<'job'>;
  readonly task: Row<'task'>;
  readonly history: PointHistory;
  readonly sitting: JobPassage;
  readonly claimed: PhotoClaims;
  readonly zone: string;
  readonly earlier: readonly EarlierPhoto[];
  readonly deviceAt: number;
  /**
   * The office had taken it out, or given it to somebody else: what was done reaches it all the same, and it decides.
   */
  readonly offered: boolean;
}

/** Writes the record of one task with its proof, and what follows from it. */
export async function sendRecord(
  call: Call,
  { record, job, task, history, sitting, claimed, zone, earlier, deviceAt, times, offered }: Sending,
): Promise<string[]> {
  const { db, actor } = call;
  const point = (await db.point.one({ id: task.pointId }))!;
  const {
    procedure,
    edition,
    inputs: { methods },
    lastService,
  } = history;
  refuseStrangeSlots(procedure, record);
  // What a device says is bounded by what the server knows: nobody served it before it was asked for, or before it was
  // last served.
  const from = Math.max(job.givenAt ?? job.createdAt, lastService?.at ?? 0);
  const { startedAt, doneAt, outside } = boundedClaim(times, { from, receivedAt: call.now });
  const photos: CheckedPhoto[] = [];
  const hashes: Record<string, string> = {};
  for (const { slot, photoId } of record.photos) {
    const photo = await claim(call, sitting, claimed, photoId, record, slot);
    const thumb = new Uint8Array(photo.thumb);
    // The same picture under two names in one sitting is a copy too; of an act that two records share there is one
    // photo.
    const same = sameAs(thumb, earlier) ?? copyAmong(photo, thumb, claimed);
    hashes[slot] = photo.hash;
    photos.push({
      slot,
      capturedAt: photo.capturedAt,
      brightness: photo.brightness,
      sharpness: photo.sharpness,
      same: same && {
        id: same.photo.id,
        day: String(dayOfInstant(same.photo.receivedAt, zone)),
        likeness: same.likeness,
      },
    });
  }
  const { grade, cavityGrade, finds, readings, confirmed, agent, size } = record;
  const observation: Observation = { grade, cavityGrade, finds, readings, confirmed, agent, size };
  const specification = (await factsOf(db, [point.id], 'specification')).at(-1)?.value ?? {};
  const before = await db.record.all(
    { personId: actor.personId },
    { order: [['doneAt', 'DESC']], limit: 6, columns: ['canonical'] },
  );
  const asked = needsInPlan(
    sitting.tasks.find(({ id }) => id === task.id)!,
    sitting.steps,
  );
  const nearby = agent === null ? [] : await usedOnBranch(db, job.machineId, dayOfInstant(doneAt, zone));
  const findings = checkProof({
    procedure,
    observation,
    photos,
    planWrong: sitting.wrong,
    offered,
    // Waits of its neighbours in the sitting are no part of its proof.
    work: { ...sitting.work, waitMinutes: waitsOf(asked) },
    asked,
    claimed: outside
      ? { day: call.env.say.day(dayOfInstant(times.doneAt, zone)), from: call.env.say.day(dayOfInstant(from, zone)) }
      : null,
    startedAt,
    doneAt,
    givenAt: job.givenAt ?? job.createdAt,
    agentsNearby: nearby.map((it) => it.agent),
    agentsHere: nearby.filter(({ machineId }) => machineId === job.machineId).map((it) => it.agent),
    specification: {
      filterSize: specification.filterSize,
      airflowCfm: specification.airflowCfm,
      forbiddenAgents: history.forbidden,
    },
    gradesBefore: before.map(({ canonical }) => (JSON.parse(canonical) as ServiceRecord).grade ?? ''),
  });
  await writeRecord(call, {
    id: record.id,
    point,
    methods,
    edition: edition?.number ?? null,
    job: job.id,
    task: task.id,
    zone,
    observation,
    note: record.note,
    after: record.after,
    startedAt,
    doneAt,
    doneDay: dayOfInstant(doneAt, zone),
    deviceAt,
    photos: hashes,
    selfCertified: false,
    gone: sitting.kept,
    findings,
    corrects: null,
  });
  await keepWhereabouts(call, point.id, record.where, dayOfInstant(call.now, zone));
  if (!offered) await db.task.update({ id: task.id }, { state: 'sent' });
  return takeReadings(call, { pointId: point.id, machine: sitting.machine, needs: asked, readings, at: doneAt });
}

/** Where a part is, from the first who photographed it. */
async function keepWhereabouts(call: Call, pointId: string, photoId: string | null, today: Day): Promise<void> {
  if (photoId === null || (await factsOf(call.db, [pointId], 'whereabouts')).length > 0) return;
  await claimPhoto(call, photoId, pointId, 'where');
  await recordFact(call, pointId, 'whereabouts', { photoId }, today);
}
