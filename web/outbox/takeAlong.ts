/** Taking work along: what is given is on the device before one goes down to the basement. */
import type { JobSummary } from '../../contract/jobs/jobs.ts';
import { photoUrl } from '../api/api.ts';
import { getKept } from './kept.ts';

/**
 * Reads every job in hand once, with the photos of its shut-offs, and what else will be wanted; quietly, since it can
 * be read again.
 */
export async function takeAlong(
  jobs: readonly JobSummary[],
  others: readonly (() => Promise<unknown>)[] = [],
): Promise<void> {
  for (const { id } of jobs) {
    const kept = await getKept('jobs.read', { id }).catch(() => null);
    if (!kept || kept.keptAt !== null) return;
    const photos = new Set(kept.answer.steps.flatMap(({ shutoffPhotoId }) => shutoffPhotoId ?? []));
    // The machine's label and a look at its parts, for whoever scans it down there.
    await getKept('machine.read', { number: kept.answer.machineNumber }).catch(() => undefined);
    for (const { pointNumber } of kept.answer.tasks)
      await getKept('look.open', { number: pointNumber }).catch(() => undefined);
    for (const photo of photos) await fetch(photoUrl(photo)).catch(() => undefined);
  }
  for (const read of others) await read().catch(() => undefined);
}

/** The same for one's next round: its stops, and the photos that show where parts are. */
export async function takeRoundAlong(): Promise<void> {
  const { answer } = await getKept('round.mine');
  const photos = new Set(answer.stops.flatMap(({ parts }) => parts.flatMap(({ where }) => where ?? [])));
  for (const photo of photos) await fetch(photoUrl(photo)).catch(() => undefined);
}
