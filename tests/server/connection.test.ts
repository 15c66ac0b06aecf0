import { expect } from 'chai';
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
import { leafHash } from '../../server/log/log.ts';
import { drawn, honestWork, openHouse, registerFlat, type Caller, type Flat, type House } from './house.ts';

const ROUNDS = 200;

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

describe('A connection that drops, doubles, delays and reorders', function connection() {
  let house: House;
  let flat: Flat;
  const random = seeded(20_261_125);
  before(async () => {
    house = await openHouse();
    flat = await registerFlat(house);
  });
  after(() => house.close());

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

  it(`loses nothing, doubles nothing and keeps the order in ${ROUNDS} rounds`, async () => {
    const {
      env: {
        store: { db },
      },
    } = house;
    const phone = new Phone();
    const pictures = await Promise.all([1, 2, 3, 4, 5].map((seed) => drawn('washer.doorBoot', seed)));
    const photos = new Map<string, Buffer>();
    const post = posting(flat.tenant, photos);
    const faults: string[] = [];
    for (let round = 0; round < ROUNDS; round += 1) {
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

    expect(await phone.list()).to.deep.equal([]);
    const rows = await db.fault.all({ machineId: flat.machineId });
    expect(rows.map(({ id }) => id).sort()).to.deep.equal([...faults].sort());
    expect(await db.photo.count({})).to.equal(ROUNDS);
    expect(await db.photoUse.count({ slot: 'fault' })).to.equal(ROUNDS);
    const receipts = (await db.sequelize.query(
      "SELECT device_sequence AS n FROM receipt WHERE device = 'phone' ORDER BY rowid",
      { raw: true },
    )) as unknown as [{ n: number }[]];
    const order = receipts[0].map(({ n }) => n);
    expect(order).to.deep.equal([...order].sort((a, b) => a - b));
    expect(order).to.have.length(2 * ROUNDS);
    console.log(
      `      ${ROUNDS} rounds: ${tries.dropped} dropped, ${tries.unanswered} taken without an answer, ${tries.doubled} doubled, ${tries.late} late`,
    );
    expect(Math.min(...Object.values(tries))).to.be.above(ROUNDS / 20);
  });

  it('takes the same submission five times as one, and keeps one log entry for it', async () => {
    const {
      env: {
        store: { db },
      },
    } = house;
    const jobId = v7();
    await house.manager
      .post('/jobs', { id: jobId, pointIds: [flat.points['washer.doorBoot']], assigneeId: flat.tenantId })
      .expect(200);
    const { body: job } = await flat.tenant.get(`/jobs/${jobId}`).expect(200);
    const form = await honestWork(house, flat.tenant, job);
    const key = v7();
    const answers = [];
    // Each try says anew what the clock shows, as a device does; one of them a year off.
    for (const off of [0, 1000, 90_000, 365 * 86_400_000, 2000])
      answers.push(
        (
          await flat.tenant
            .post(`/jobs/${jobId}/submission`, { ...form, deviceAt: form.deviceAt + off }, key)
            .expect(200)
        ).body,
      );
    expect(new Set(answers.map((it) => JSON.stringify(it)))).to.have.length(1);
    const records = await db.record.all({ jobId });
    expect(records).to.have.length(1);
    const entries = await db.logEntry.all({ subjectId: records[0]!.id });
    expect(entries.map(({ kind, leafHash: leaf, canonical }) => [kind, leaf === leafHash(canonical)])).to.deep.equal([
      ['record', true],
    ]);
  });
});
