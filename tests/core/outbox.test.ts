import { expect } from 'chai';
import exifReader from 'exif-reader';
import fc from 'fast-check';
import sharp from 'sharp';
import { deliver, deliveryOf, type Delivery, type Parcel, type Queue } from '../../core/outbox/deliver.ts';
import { exifOf, upright, withExif } from '../../core/proof/exif.ts';
import { fitted, PHOTO_SIDE, TRIES } from '../../core/proof/shrink.ts';

const parcel = (order: number, personId = 'a', extra: Partial<Parcel> = {}): Parcel => ({
  order,
  key: `k${order}`,
  personId,
  subject: 's',
  content: { kind: 'form', path: '/faults', form: {} },
  at: 0,
  refused: null,
  ...extra,
});

function queueOf(parcels: Parcel[]): Queue & { parcels: Parcel[] } {
  return {
    parcels,
    async list() {
      return [...this.parcels];
    },
    async taken({ order }) {
      this.parcels = this.parcels.filter((it) => it.order !== order);
    },
    async refused({ order }, says) {
      this.parcels = this.parcels.map((it) => (it.order === order ? { ...it, refused: says } : it));
    },
  };
}

describe('The outbox', () => {
  it('sends in order and stops at the first thing in the way, which stays first', async () => {
    const queue = queueOf([parcel(1), parcel(2), parcel(3)]);
    const sent: number[] = [];
    const post = async ({ order }: Parcel): Promise<Delivery> => {
      if (order === 2 && sent.length === 1) return { ended: 'later', why: 'connection' };
      sent.push(order);
      return { ended: 'taken', answer: {} };
    };
    expect(await deliver(queue, 'a', post)).to.equal('connection');
    expect(queue.parcels.map(({ order }) => order)).to.deep.equal([2, 3]);
    sent.push(0);
    expect(await deliver(queue, 'a', post)).to.equal(null);
    expect(sent).to.deep.equal([1, 0, 2, 3]);
  });

  it('lets others pass what was refused, keeps it with its reason, and forgets what only told how far one was', async () => {
    const passing = parcel(1, 'a', { content: { kind: 'form', path: '/jobs/1/moves', form: {}, passing: true } });
    const queue = queueOf([passing, parcel(2), parcel(3)]);
    const post = async ({ order }: Parcel): Promise<Delivery> =>
      order === 3 ? { ended: 'taken', answer: {} } : { ended: 'refused', says: 'taken back' };
    expect(await deliver(queue, 'a', post)).to.equal(null);
    expect(queue.parcels.map(({ order, refused }) => [order, refused])).to.deep.equal([[2, 'taken back']]);
  });

  it('never sends under somebody else’s session', async () => {
    const queue = queueOf([parcel(1, 'b'), parcel(2, 'a')]);
    const sent: number[] = [];
    await deliver(queue, 'a', async ({ order }) => {
      sent.push(order);
      return { ended: 'taken', answer: {} };
    });
    expect(sent).to.deep.equal([2]);
    expect(queue.parcels.map(({ order }) => order)).to.deep.equal([1]);
  });

  it('takes no answer, a busy server and a lost session for later, and a server’s no for a no (RFC 9110)', () => {
    const ended = (status: number) => {
      const it = deliveryOf(status, {}, 'no');
      return it.ended === 'later' ? it.why : it.ended;
    };
    expect([0, 200, 401, 408, 429, 500, 503].map(ended)).to.deep.equal([
      'connection',
      'taken',
      'session',
      'busy',
      'busy',
      'busy',
      'busy',
    ]);
    expect([400, 403, 404, 409, 413, 415, 422].map(ended)).to.deep.equal(Array(7).fill('refused'));
  });

  it('delivers every parcel exactly once in order, whatever fails before', async () => {
    await fc.assert(
      fc.asyncProperty(
        fc.integer({ min: 1, max: 12 }),
        fc.array(fc.boolean(), { maxLength: 60 }),
        async (count, luck) => {
          const queue = queueOf(Array.from({ length: count }, (_, i) => parcel(i + 1)));
          const sent: number[] = [];
          const fate = [...luck];
          for (let run = 0; run < 100 && queue.parcels.length > 0; run += 1) {
            await deliver(queue, 'a', async ({ order }) => {
              if (fate.shift() === false) return { ended: 'later', why: 'connection' };
              sent.push(order);
              return { ended: 'taken', answer: {} };
            });
          }
          expect(sent).to.deep.equal(Array.from({ length: count }, (_, i) => i + 1));
        },
      ),
    );
  });
});

describe('A photo made small', () => {
  it('fits its side and is never enlarged', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 12_000 }), fc.integer({ min: 1, max: 12_000 }), (width, height) => {
        const to = fitted(width, height, PHOTO_SIDE);
        expect(Math.max(to.width, to.height)).to.be.at.most(Math.max(PHOTO_SIDE, 1));
        expect(to.width).to.be.at.most(width);
        expect(to.height).to.be.at.most(height);
        if (width > 100 && height > 100 && width / height < 8 && height / width < 8)
          expect(Math.abs(to.width / to.height / (width / height) - 1)).to.be.below(0.02);
      }),
    );
    expect(
      TRIES.every(({ side, quality }, i) => i === 0 || side < TRIES[i - 1]!.side || quality < TRIES[i - 1]!.quality),
    ).to.equal(true);
  });

  it('keeps when it was taken and forgets which way it lay (read by exif-reader and sharp)', async () => {
    const plain = () => sharp({ create: { width: 60, height: 40, channels: 3, background: '#456' } });
    const camera = await plain()
      .withExif({
        IFD0: { Make: 'Tidesse' },
        IFD2: { DateTimeOriginal: '2026:11:20 18:05:00', OffsetTimeOriginal: '+01:00' },
      })
      .withMetadata({ orientation: 6 })
      .jpeg()
      .toBuffer();
    const exif = exifOf(camera)!;
    const drawn = Buffer.from(withExif(await plain().jpeg().toBuffer(), upright(exif)));
    const { exif: kept, orientation, width, height } = await sharp(drawn).metadata();
    expect(orientation).to.equal(1);
    expect([width, height]).to.deep.equal([60, 40]);
    expect(exifReader(kept!).Photo?.DateTimeOriginal?.toISOString()).to.equal('2026-11-20T18:05:00.000Z');
    expect((await sharp(camera).metadata()).orientation, 'the camera’s own is left alone').to.equal(6);
  });

  it('finds nothing where there is nothing, and never reads past the end', () => {
    expect(exifOf(new Uint8Array([0xff, 0xd8, 0xff, 0xda, 0, 0, 0, 0, 0, 0]))).to.equal(null);
    expect(exifOf(new TextEncoder().encode('%PDF-1.7'))).to.equal(null);
    fc.assert(
      fc.property(fc.uint8Array({ maxLength: 80 }), (bytes) => {
        const exif = exifOf(new Uint8Array([0xff, 0xd8, ...bytes]));
        expect(exif === null || exif.length <= bytes.length).to.equal(true);
      }),
    );
  });
});
