/** What a contractor left on paper: a photo of it, held against all earlier ones. */
import { dayOfInstant } from '../../core/calendar/day.ts';
import { checkPictures, type CheckFinding } from '../../core/proof/checks.ts';
import { sameAs } from '../../core/proof/likeness.ts';
import type { Call } from '../context/context.ts';
import { earlierPhotos } from '../photos/lookalikes.ts';
import { claimPhoto } from '../photos/photos.ts';

/** The slot of a report's photo; the step of a contractor's visit asks for it by that name. */
const REPORT = 'report';

export interface Report {
  readonly photos: Readonly<Record<string, string>>;
  readonly findings: readonly CheckFinding[];
}

/**
 * Takes the photo of a report for a record.
 * @throws Problem: a photo that is not theirs, or that serves something else already (422)
 */
export async function takeReport(call: Call, photoId: string, recordId: string, zone: string): Promise<Report> {
  const { db, actor } = call;
  const { hash, capturedAt, brightness, sharpness, thumb } = await claimPhoto(call, photoId, recordId, REPORT);
  const same = sameAs(new Uint8Array(thumb), await earlierPhotos(db, actor.organisationId, [photoId]));
  const findings = checkPictures({
    photos: [
      {
        slot: REPORT,
        capturedAt,
        brightness,
        sharpness,
        same: same && {
          id: same.photo.id,
          day: String(dayOfInstant(same.photo.receivedAt, zone)),
          likeness: same.likeness,
        },
      },
    ],
  });
  return { photos: { [REPORT]: hash }, findings };
}
