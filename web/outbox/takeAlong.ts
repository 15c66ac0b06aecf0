/** Taking work along: what is given is on the device before one goes down to the basement. */
import type { JobAnswer, JobSummary } from '../../contract/jobs.ts';
import { photoUrl } from '../door/door.ts';
import { getKept } from './kept.ts';

/** Reads every job in hand once, with the photos of its shut-offs, and what else will be wanted; quietly, since it can be read again. */
export async function takeAlong(jobs: readonly JobSummary[], others: readonly string[] = []): Promise<void> {
  for (const { id } of jobs) {
    const kept = await getKept<JobAnswer>(`/jobs/${id}`).catch(() => null);
    if (!kept || kept.keptAt !== null) return;
    const photos = new Set(kept.answer.steps.flatMap(({ shutoffPhotoId }) => shutoffPhotoId ?? []));
    // The machine's label and a look at its parts, for whoever scans it down there.
    for (const path of [
      `/labels/${kept.answer.machineNumber}`,
      ...kept.answer.tasks.map(({ pointNumber }) => `/looks/${pointNumber}`),
    ])
      await getKept(path).catch(() => undefined);
    for (const photo of photos) await fetch(photoUrl(photo)).catch(() => undefined);
  }
  for (const path of others) await getKept(path).catch(() => undefined);
}
