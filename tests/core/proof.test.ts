import { expect } from 'chai';
import sharp, { type Sharp } from 'sharp';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Agent } from '../../core/catalogue/types.ts';
import { scenePicture } from '../../core/catalogue/picture.ts';
import { checkProof, quickestMinutes, type CheckedPhoto, type Proof } from '../../core/proof/checks.ts';
import {
  correlation,
  gradientHash,
  hashDistance,
  orientations,
  sameAs,
  THUMB_SIDE,
  type Thumb,
} from '../../core/proof/likeness.ts';
import { canonicalText } from '../../core/proof/record.ts';

const HOUR = 3_600_000;
const good = (slot: string): CheckedPhoto => ({ slot, capturedAt: 10 * HOUR, brightness: 120, sharpness: 300 });
const complete: Proof = {
  procedure: procedureOf('airHandler.returnFilter'),
  asked: [
    { kind: 'confirm', key: 'airHandler.off' },
    ...procedureOf('airHandler.returnFilter').steps.flatMap(({ needs }) => needs),
    { kind: 'confirm', key: 'airHandler.on' },
  ],
  observation: {
    grade: 'due',
    cavityGrade: null,
    finds: [],
    readings: {},
    confirmed: ['airHandler.off', 'arrow', 'airHandler.on', 'air'],
    agent: null,
    size: '16x25x1',
  },
  photos: [good('out'), good('in')],
  startedAt: 10 * HOUR,
  doneAt: 10 * HOUR + 6 * 60_000,
  givenAt: 8 * HOUR,
  work: { handsMinutes: 5, waitMinutes: 0, pace: 1 },
  specification: { filterSize: '16 x 25 x 1' },
  agentsNearby: [],
  gradesBefore: ['due', 'light', 'due', 'clean'],
};
const found = (change: Partial<Proof>) =>
  checkProof({ ...complete, ...change })
    .filter(({ weight }) => weight !== 'fine')
    .map(({ check, slot }) => (slot ? `${check} ${slot}` : check));
const seen = (change: Partial<Proof['observation']>) => found({ observation: { ...complete.observation, ...change } });

describe('Checks', () => {
  it('find nothing in complete, honest work', () => expect(found({})).to.deep.equal([]));
  it('name each missing item', () => {
    expect(found({ photos: [good('out')] })).to.deep.equal(['missing']);
    expect(seen({ grade: null, size: null })).to.deep.equal(['missing', 'missing']);
    expect(seen({ confirmed: [] })).to.have.length(4);
  });
  it('know a sitting that cannot have gone as the device says', () => {
    expect(found({ planWrong: ['washer.shortWash'] })).to.deep.equal(['planBroken']);
  });
  it('know work that is faster than it can be done, waits included', () => {
    const weights = (minutes: number, work: Proof['work']) =>
      checkProof({ ...complete, work, doneAt: complete.startedAt! + minutes * 60_000 })
        .filter(({ weight }) => weight !== 'fine')
        .map(({ check, weight }) => `${check} ${weight}`);
    const filter = { handsMinutes: 25, waitMinutes: 30, pace: 1 };
    expect(quickestMinutes(filter)).to.equal(25 / 4 + 30);
    expect(weights(37, filter)).to.deep.equal([]);
    // Hands can be quick: that is looked at and no more. A wait cannot.
    expect(weights(33, filter)).to.deep.equal(['tooFast look']);
    expect(weights(26.9, filter)).to.deep.equal(['waitSkipped fail']);
    // By the person's own history: nobody needs half of what they usually need.
    expect(weights(32, { ...filter, pace: 0.25 })).to.deep.equal(['tooFast look']);
    expect(weights(34, { ...filter, pace: 0.25 })).to.deep.equal([]);
  });
  it('do not call a home’s monthly list in ten practised minutes a lie (common practice)', () => {
    const monthly = [
      'airHandler.returnFilter',
      'hood.greaseFilter',
      'dishwasher.filter',
      'washer.doorBoot',
      'disposer.clean',
      'drains.dose',
    ]
      .map((key) => procedureOf(key).minutes)
      .reduce((sum, it) => sum + it, 0);
    const { findings } = {
      findings: checkProof({
        ...complete,
        work: { handsMinutes: monthly, waitMinutes: 0, pace: 0.25 },
        doneAt: complete.startedAt! + 10 * 60_000,
      }),
    };
    expect(findings.filter(({ weight }) => weight !== 'fine')).to.deep.equal([]);
  });
  it('compare the size on the frame with the register, in any notation', () => {
    expect(seen({ size: '20x25x1' })).to.deep.equal(['wrongSize']);
    expect(seen({ size: '25 × 16 × 1 in' })).to.deep.equal([]);
  });
  it('see photos that are dark, blurred, of another time, or sent before', () => {
    expect(found({ photos: [good('out'), { ...good('in'), brightness: 5 }] })).to.deep.equal(['tooDark in']);
    expect(found({ photos: [good('out'), { ...good('in'), sharpness: 2 }] })).to.deep.equal(['blurred in']);
    expect(found({ photos: [good('out'), { ...good('in'), capturedAt: 2 * HOUR }] })).to.deep.equal([
      'capturedOutside in',
    ]);
    expect(
      found({ photos: [{ ...good('out'), same: { id: 'x', day: '20000', likeness: 0.99 } }, good('in')] }),
    ).to.deep.equal(['samePicture out']);
  });
  it('count a missing capture time neither way', () => {
    expect(found({ photos: [{ ...good('out'), capturedAt: null }, good('in')] })).to.deep.equal([]);
  });
  it('tell a reading that does not pass from one that cannot be', () => {
    const drain: Partial<Proof> = {
      procedure: procedureOf('airHandler.condensateDrain'),
      asked: procedureOf('airHandler.condensateDrain').steps.flatMap(({ needs }) => needs),
      photos: [good('open'), good('done')],
      startedAt: null,
      specification: { forbiddenAgents: ['bleach'] },
    };
    const read = (drainSeconds: number, agent: 'bleach' | 'vinegar' = 'vinegar') =>
      found({
        ...drain,
        observation: { ...complete.observation, confirmed: ['off', 'on', 'runs'], agent, readings: { drainSeconds } },
      });
    expect(read(20)).to.deep.equal([]);
    expect(read(300)).to.deep.equal(['readingFails']);
    expect(read(9999)).to.deep.equal(['readingImplausible']);
    expect(read(20, 'bleach')).to.deep.equal(['forbiddenAgent']);
  });
  it('see bleach and vinegar in one branch on one day', () => {
    const drain: Partial<Proof> = {
      procedure: procedureOf('airHandler.condensateDrain'),
      asked: procedureOf('airHandler.condensateDrain').steps.flatMap(({ needs }) => needs),
      photos: [good('open'), good('done')],
      startedAt: null,
      specification: {},
      agentsNearby: ['dishSoap', 'bleach'],
    };
    const using = (agent: 'bleach' | 'vinegar') =>
      found({
        ...drain,
        observation: {
          ...complete.observation,
          confirmed: ['off', 'on', 'runs'],
          agent,
          readings: { drainSeconds: 20 },
        },
      });
    expect(using('vinegar')).to.deep.equal(['agentsMet']);
    expect(using('bleach')).to.deep.equal([]);
    // Two that want a rinse between are looked at, in the same machine alone.
    const twice = (agentsHere: readonly Agent[]) =>
      found({
        ...drain,
        agentsNearby: ['cleaner'],
        agentsHere,
        observation: {
          ...complete.observation,
          confirmed: ['off', 'on', 'runs'],
          agent: 'vinegar',
          readings: { drainSeconds: 20 },
        },
      });
    expect(twice(['cleaner'])).to.deep.equal(['agentsRinse']);
    expect(twice([])).to.deep.equal([]);
  });
  it('wonder when everything a person finds is clean', () => {
    expect(
      found({
        gradesBefore: ['clean', 'clean', 'clean', 'clean'],
        observation: { ...complete.observation, grade: 'clean' },
      }),
    ).to.deep.equal(['alwaysClean']);
  });
});

async function thumbOf(image: Sharp): Promise<Thumb> {
  return new Uint8Array(await image.resize(THUMB_SIDE, THUMB_SIDE, { fit: 'fill' }).greyscale().raw().toBuffer());
}
const drawn = (seed: number, load = 1) => Buffer.from(scenePicture('dishwasher.filter', load, seed));
const known = (id: string, thumb: Thumb) => ({ id, thumb, hash: gradientHash(thumb) });

describe('Likeness', () => {
  it('knows the same picture again, re-encoded, scaled, turned or mirrored', async () => {
    const original = await thumbOf(sharp(drawn(1)));
    const copies = [
      sharp(await sharp(drawn(1)).jpeg({ quality: 40 }).toBuffer()),
      sharp(await sharp(drawn(1)).resize(320).toBuffer()),
      sharp(drawn(1)).rotate(90),
      sharp(drawn(1)).flop(),
    ];
    for (const copy of copies) expect(sameAs(await thumbOf(copy), [known('a', original)])?.photo.id).to.equal('a');
  });
  it('does not take fresh photos of the same part for copies: none among 4,950 pairs', async () => {
    const thumbs = await Promise.all(
      Array.from({ length: 100 }, (_, i) => thumbOf(sharp(drawn(i + 10, 0.2 + (i % 8) / 4)))),
    );
    const alarms = thumbs.flatMap((thumb, i) =>
      sameAs(
        thumb,
        thumbs.slice(0, i).map((it, j) => known(String(j), it)),
      )
        ? [i]
        : [],
    );
    expect(alarms).to.deep.equal([]);
  });
  it('measures hashes and pixels as it says', () => {
    const ramp = Uint8Array.from({ length: THUMB_SIDE ** 2 }, (_, i) => i % THUMB_SIDE);
    expect(gradientHash(ramp)).to.equal('0'.repeat(16));
    expect(hashDistance('0'.repeat(16), 'f'.repeat(16))).to.equal(64);
    expect(
      correlation(
        ramp,
        ramp.map((value) => 255 - value),
      ),
    ).to.be.closeTo(-1, 1e-12);
    expect(correlation(ramp, new Uint8Array(THUMB_SIDE ** 2))).to.equal(0);
    expect(orientations(ramp)).to.have.length(8);
  });
});

describe('Canonical text', () => {
  it('is that of RFC 8785: sorted names, shortest numbers, no spaces', () => {
    // The object and result of RFC 8785, section 3.2.2 and 3.2.3, in what JSON.parse leaves of it.
    const text = canonicalText(
      JSON.parse(
        '{"numbers":[333333333.33333329,1E30,4.50,2e-3,0.000000000000000000000000001],"string":"\\u20ac$\\u000F\\u000aA\'\\u0042\\u0022\\u005c\\\\\\"\\/","literals":[null,true,false]}',
      ),
    );
    expect(text).to.equal(
      '{"literals":[null,true,false],"numbers":[333333333.3333333,1e+30,4.5,0.002,1e-27],"string":"€$\\u000f\\nA\'B\\"\\\\\\\\\\"/"}',
    );
  });
});
