/** Photos of a submission: each for what was asked for, used once, and no copy of another. */
import { correlation, sameAs } from '../../core/proof/likeness.ts';
import type { Procedure } from '../../core/catalogue/types.ts';
import type { SubmittedRecord } from '../../contract/jobs/jobs.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem } from '../context/problem.ts';
import type { EarlierPhoto } from '../photos/lookalikes.ts';
import { claimPhoto, sharePhoto } from '../photos/photos.ts';
import type { Row } from '../store/tables.ts';
import { type JobPassage, actOfSlot } from './goneThrough.ts';

/** Photos that this submission has claimed, with the act of the slot that each is for. */
export type PhotoClaims = Map<string, { readonly photo: Row<'photo'>; readonly act: string | null }>;

/** A photo of an act that two records share is one photo; any other is used once. */
export async function claim(
  call: Call,
  sitting: JobPassage,
  claimed: PhotoClaims,
  photoId: string,
  record: SubmittedRecord,
  slot: string,
): Promise<Row<'photo'>> {
  const act = actOfSlot(sitting, record.taskId, slot);
  const before = claimed.get(photoId);
  if (before && before.act !== null && before.act === act) {
    await sharePhoto(call, photoId, record.id, slot);
    return before.photo;
  }
  const photo = await claimPhoto(call, photoId, record.id, slot);
  claimed.set(photoId, { photo, act });
  return photo;
}

/**
 * @throws Problem 422 for a photo of something that the procedure does not ask for, and for two of one thing: only one
 * would be in the record
 */
export function refuseStrangeSlots({ steps }: Procedure, { photos }: SubmittedRecord): void {
  const known = steps
    .flatMap(({ needs }) => needs)
    .filter(({ kind }) => kind === 'photo')
    .map(({ key }) => key);
  const slots = photos.map(({ slot }) => slot);
  if (slots.some((slot, i) => !known.includes(slot) || slots.indexOf(slot) < i))
    throw fieldProblem('records', 'field.photoSlot');
}

/** A photo of this submission that is this very picture, sent a second time. */
export function copyAmong(
  photo: Row<'photo'>,
  thumb: Uint8Array,
  claimed: PhotoClaims,
): ReturnType<typeof sameAs<EarlierPhoto>> {
  const others = [...claimed.values()].map((it) => it.photo).filter(({ id }) => id !== photo.id);
  const copy = others.find(
    (it) =>
      it.hash === photo.hash ||
      (it.gradientHash === photo.gradientHash && correlation(thumb, new Uint8Array(it.thumb)) >= COPY),
  );
  return (
    copy && {
      photo: { id: copy.id, hash: copy.gradientHash, thumb: new Uint8Array(copy.thumb), receivedAt: copy.receivedAt },
      likeness: 1,
    }
  );
}

/**
 * Before and after from one spot may look alike: in one sitting only a picture that does not differ at all is a copy.
 * Ours.
 */
export const COPY = 0.9995;
