/** Rounds over a connection that drops, doubles, delays and reorders, and what the server then has of them. */
import { v7 } from 'uuid';
import {
  deliver,
  deliveryOf,
  type Content,
  type Delivery,
  type Parcel,
  type Queue,
} from '../../core/outbox/deliver.ts';
import { seeded } from '../../core/statistics/random.ts';
import { drawn, openHouse, registerFlat, type Caller, type House } from './house.ts';

export interface Dropped {
  readonly tries: { dropped: number; unanswered: number; doubled: number; late: number };
  /** Ids of the faults that were sent, and of those that the server has; sorted. */
  readonly sent: readonly string[];
  readonly had: readonly string[];
  readonly photos: number;
  readonly usedPhotos: number;
  /** Parcels that the device still has. */
  readonly left: number;
  /** The device's sequence numbers in the order in which they were taken. */
  readonly order: readonly number[];
}

/** A device: its queue outlives whatever runs on it, as a database on a phone does. */
class Phone implements Queue {
  private order = 0;
  private stored: string[] = [];
  put(subject: string, content: Content, key = v7()): void {
    this.stored.push(
      JSON.stringify({
        order: (this.order += 1),
        key,
        personId: 'me',
        subject,
        content,
        at: 0,
        refused: null,
      } satisfies Parcel),
    );
  }
  async list(): Promise<Parcel[]> {
    return this.stored.map((it) => JSON.parse(it) as Parcel);
  }
  async taken({ order }: Parcel): Promise<void> {
    this.stored = this.stored.filter((it) => (JSON.parse(it) as Parcel).order !== order);
  }
  async refused({ order }: Parcel, says: string): Promise<void> {
    throw new Error(`${order} was refused: ${says}`);
  }
}

/** Reports so many faults, each with a photo. */
export async function sendOverABadConnection(rounds: number): Promise<Dropped> {
  const house = await openHouse();
  try {
    return await sendFrom(house, rounds);
  } finally {
    await house.close();
  }
}

async function sendFrom(house: House, rounds: number): Promise<Dropped> {
  const flat = await registerFlat(house);
  const random = seeded(20_261_125);
  /** Whatever was sent once may arrive again, long after others. */
  const stray: (() => Promise<unknown>)[] = [];
  const tries = { dropped: 0, unanswered: 0, doubled: 0, late: 0 };

  const posting = (caller: Caller, photos: Map<string, Buffer>) => {
    const send = async ({ key, order, content }: Parcel) => {
      const request =
        content.kind === 'photo'
          ? caller.photo(photos.get(content.id)!, 'photo.jpg', content.id, key)
          : caller.post(
              content.path,
              content.stamped ? { ...content.form, deviceAt: house.clock.now } : content.form,
              key,
            );
      const { status, body } = await request.set('x-device', 'phone').set('x-device-sequence', String(order));
      return deliveryOf(status, body, String(body.detail));
    };
    return async (parcel: Parcel): Promise<Delivery> => {
      const luck = random();
      if (luck < 0.15) {
        tries.dropped += 1;
        return { ended: 'later', why: 'connection' };
      }
      if (luck < 0.3) {
        tries.unanswered += 1;
        await send(parcel);
        return { ended: 'later', why: 'connection' };
      }
      if (luck < 0.4) {
        tries.late += 1;
        stray.push(() => send(parcel));
      }
      if (luck < 0.5) {
        tries.doubled += 1;
        const [first] = await Promise.all([send(parcel), send(parcel)]);
        return first;
      }
      if (stray.length > 0 && luck > 0.85) await stray.splice(Math.floor(random() * stray.length), 1)[0]!();
      return send(parcel);
    };
  };
  const { db } = house.env.store;
  const phone = new Phone();
  const pictures = await Promise.all([1, 2, 3, 4, 5].map((seed) => drawn('washer.doorBoot', seed)));
  const photos = new Map<string, Buffer>();
  const post = posting(flat.tenant, photos);
  const faults: string[] = [];
  for (let round = 0; round < rounds; round += 1) {
    const [photoId, faultId] = [v7(), v7()];
    photos.set(photoId, pictures[round % pictures.length]!);
    faults.push(faultId);
    phone.put(faultId, { kind: 'photo', id: photoId, source: 'camera', capturedAt: house.clock.now }, photoId);
    phone.put(
      faultId,
      {
        kind: 'form',
        path: '/faults',
        form: {
          id: faultId,
          machineId: flat.machineId,
          symptom: 'washer.puddle',
          note: `round ${round}`,
          photoIds: [photoId],
        },
      },
      faultId,
    );
    // The line comes and goes; the device may be switched off in the middle, which leaves the queue as it is stored.
    if (random() < 0.6) await deliver(phone, 'me', post);
  }
  for (let i = 0; i < 5000 && (await phone.list()).length > 0; i += 1) await deliver(phone, 'me', post);
  for (const again of stray) await again();

  const receipts = (await db.sequelize.query(
    "SELECT device_sequence AS n FROM receipt WHERE device = 'phone' ORDER BY rowid",
    { raw: true },
  )) as unknown as [{ n: number }[]];
  return {
    tries,
    sent: faults.sort(),
    had: (await db.fault.all({ machineId: flat.machineId })).map(({ id }) => id).sort(),
    photos: await db.photo.count({}),
    usedPhotos: await db.photoUse.count({ slot: 'fault' }),
    left: (await phone.list()).length,
    order: receipts[0].map(({ n }) => n),
  };
}
