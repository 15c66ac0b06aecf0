/** Thresholds, caps, edges and orders, each with what it means: a test here fails if one moves by a step. */
import { expect } from 'chai';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { checkProof, type CheckedPhoto, type Proof } from '../../core/proof/checks.ts';
import { CLOCK_SLACK_MS } from '../../core/proof/claim.ts';

const MINUTE = 60_000;
const GIVEN = 8 * 60 * MINUTE;
const BEGUN = 10 * 60 * MINUTE;
const good = (slot: string): CheckedPhoto => ({ slot, capturedAt: BEGUN, brightness: 120, sharpness: 300 });
const filter = procedureOf('airHandler.returnFilter');
const honest: Proof = {
  procedure: filter,
  asked: filter.steps.flatMap(({ needs }) => needs),
  observation: {
    grade: 'due',
    cavityGrade: null,
    finds: [],
    readings: {},
    confirmed: ['arrow', 'air'],
    agent: null,
    size: '16x25x1',
  },
  photos: [good('out'), good('in')],
  startedAt: BEGUN,
  doneAt: BEGUN + 6 * MINUTE,
  givenAt: GIVEN,
  work: { handsMinutes: 5, waitMinutes: 0, pace: 1 },
  specification: { filterSize: '16x25x1' },
  agentsNearby: [],
  gradesBefore: ['due', 'light', 'due', 'clean'],
};
const all = (change: Partial<Proof>) => checkProof({ ...honest, ...change });
const named = (change: Partial<Proof>) =>
  all(change)
    .filter(({ weight }) => weight !== 'fine')
    .map(({ check }) => check);
const photo = (change: Partial<CheckedPhoto>) => named({ photos: [good('out'), { ...good('in'), ...change }] });

describe('Thresholds of a proof (our assumptions)', () => {
  it('call a photo dark below a mean grey of 28 of 255', () => {
    expect(photo({ brightness: 27.9 })).to.deep.equal(['tooDark']);
    expect(photo({ brightness: 28 })).to.deep.equal([]);
  });
  it('call a photo blurred below a variance of 12, and a dark one dark alone', () => {
    expect(photo({ sharpness: 11.9 })).to.deep.equal(['blurred']);
    expect(photo({ sharpness: 12 })).to.deep.equal([]);
    expect(photo({ sharpness: 1, brightness: 1 })).to.deep.equal(['tooDark']);
  });
  it('take a photo for one of this job from ten minutes before it was given until ten after it was done', () => {
    expect(photo({ capturedAt: GIVEN - CLOCK_SLACK_MS })).to.deep.equal([]);
    expect(photo({ capturedAt: GIVEN - CLOCK_SLACK_MS - 1 })).to.deep.equal(['capturedOutside']);
    expect(photo({ capturedAt: honest.doneAt + CLOCK_SLACK_MS })).to.deep.equal([]);
    expect(photo({ capturedAt: honest.doneAt + CLOCK_SLACK_MS + 1 })).to.deep.equal(['capturedOutside']);
  });
  it('say how alike two pictures are in whole percent, never more than it is', () => {
    const [it] = all({ photos: [{ ...good('out'), same: { id: 'x', day: '20000', likeness: 0.9987 } }, good('in')] });
    expect(it).to.deep.equal({
      check: 'samePicture',
      weight: 'fail',
      slot: 'out',
      other: 'x',
      values: { day: '20000', percent: 99 },
    });
  });
  it('let a wait be read off a tenth short, and no more', () => {
    const work = { handsMinutes: 0, waitMinutes: 30, pace: 1 };
    const after = (minutes: number) => named({ work, doneAt: BEGUN + minutes * MINUTE });
    expect(after(26.9)).to.deep.equal(['waitSkipped']);
    expect(after(27)).to.deep.equal(['tooFast']);
    expect(after(30)).to.deep.equal([]);
  });
  it('say the time that fits with the shortest that would', () => {
    const fine = all({ doneAt: BEGUN + 6.04 * MINUTE }).find(({ check }) => check === 'timeFits');
    expect(fine).to.deep.equal({ check: 'timeFits', weight: 'fine', values: { minutes: 6, quickest: 1 } });
  });
  it('wonder at the fifth clean part in a row of one person, not at the fourth', () => {
    const clean = (before: number) =>
      named({
        observation: { ...honest.observation, grade: 'clean' },
        gradesBefore: Array.from({ length: before }, () => 'clean'),
      });
    expect(clean(3)).to.deep.equal([]);
    expect(clean(4)).to.deep.equal(['alwaysClean']);
    expect(clean(9)).to.deep.equal(['alwaysClean']);
  });
  it('do not wonder where one of the latest five was not clean', () => {
    const observation = { ...honest.observation, grade: 'clean' as const };
    expect(named({ observation, gradesBefore: ['clean', 'clean', 'clean', 'light', 'clean'] })).to.deep.equal([]);
    expect(named({ observation, gradesBefore: ['clean', 'clean', 'clean', 'clean', 'light'] })).to.deep.equal([
      'alwaysClean',
    ]);
  });
  it('take the ends of what a reading can be for possible', () => {
    const drain = procedureOf('airHandler.condensateDrain');
    const asked = drain.steps.flatMap(({ needs }) => needs).filter(({ kind }) => kind === 'reading');
    const [need] = asked;
    if (need?.kind !== 'reading') throw new Error('The drain is timed.');
    const read = (value: number) =>
      named({
        procedure: drain,
        asked,
        photos: [],
        observation: { ...honest.observation, readings: { [need.key]: value } },
      });
    const [least, most] = need.plausible;
    expect(read(least)).to.not.include('readingImplausible');
    expect(read(least - 0.01)).to.include('readingImplausible');
    expect(read(most)).to.not.include('readingImplausible');
    expect(read(most + 0.01)).to.include('readingImplausible');
  });
  it('put what contradicts the proof first, then what wants an eye, then what was met', () => {
    const weights = all({
      photos: [{ ...good('out'), brightness: 1 }, good('in')],
      observation: { ...honest.observation, size: '20x25x1' },
    }).map(({ weight }) => weight);
    expect(weights).to.deep.equal(['fail', 'look', 'fine', 'fine']);
  });
  it('say how many stop points were confirmed, and only where every one was', () => {
    const confirmed = (keys: readonly string[]) =>
      all({ observation: { ...honest.observation, confirmed: keys } }).find(({ check }) => check === 'confirmed');
    expect(confirmed(['arrow', 'air'])?.values).to.deep.equal({ count: 2 });
    expect(confirmed(['arrow'])).to.equal(undefined);
    expect(all({ asked: [] }).find(({ check }) => check === 'confirmed')).to.equal(undefined);
  });
  it('leave the decision on work that was taken back to a person', () => {
    expect(all({ offered: true })[0]).to.deep.equal({ check: 'offered', weight: 'look', values: {} });
  });
});
