import { expect } from 'chai';
import fc from 'fast-check';
import type { BoardAnswer, BoardType } from '../../contract/due/due.ts';
import { GLYPHS } from '../../web/strip/glyphs.ts';
import { layoutMarks } from '../../web/strip/layoutMarks.ts';
import { foremost, isPast, isSent, rowsOf, standOn, urgency, type Mark } from '../../web/strip/marks.ts';
import { GUTTER_END, LINE_AT, positionOf } from '../../web/strip/scale.ts';
import { POINT_KINDS } from '../../core/catalogue/catalogue.ts';

const FILTER: BoardType = {
  key: 'dishwasher.filter',
  number: 0,
  name: 'Filter',
  kind: 'filter',
  safetyCritical: false,
  riskWeight: 2,
};
const DUCT: BoardType = {
  key: 'dryer.duct',
  number: 1,
  name: 'Duct',
  kind: 'duct',
  safetyCritical: true,
  riskWeight: 5,
};
const TODAY = 20_781;

const countedBy = (share: number | undefined) => {
  if (share === undefined) return 'noRecord';
  return share > 1 ? 'past' : 'soon';
};
const stateBy = (share: number | undefined) => {
  if (share === undefined) return 'noRecord';
  if (share > 1) return 'past';
  return share >= 0.7 ? 'nearing' : 'fresh';
};
const markAt = (share: number | undefined, type = FILTER, work = 0): Mark => ({
  number: 1,
  type,
  work,
  share,
  daysLeft: 0,
  rides: false,
  counted: countedBy(share),
  state: stateBy(share),
});

describe('The strip', () => {
  it('never puts more used before less used, and keeps all within its width', () => {
    const share = fc.double({ min: 0, max: 9, noNaN: true });
    fc.assert(fc.property(share, share, (a, b) => a > b || positionOf(a) <= positionOf(b)));
    fc.assert(fc.property(share, (it) => positionOf(it) > GUTTER_END && positionOf(it) < 1));
  });
  it('has its one line at share 1, and a gutter for no record', () => {
    expect(positionOf(1)).to.equal(LINE_AT);
    expect(positionOf(undefined)).to.be.below(GUTTER_END);
  });
  it('gives what is nearing the line more room than what is fresh', () => {
    expect((positionOf(1) - positionOf(0.7)) / 0.3).to.be.above((positionOf(0.7) - positionOf(0)) / 0.7);
  });
  it('draws colliding marks apart, inside their row, each at its own share', () => {
    const marks = [0.9, 0.905, 0.91, 0.95].map((it) => markAt(it));
    const placed = layoutMarks(marks, 600, 30, 30);
    expect(placed.map(({ mark }) => mark)).to.deep.equal(marks);
    for (const { y } of placed) expect(y).to.be.within(30, 60);
    expect(new Set(placed.slice(0, 3).map(({ y }) => y)).size).to.equal(3);
    placed.slice(0, 3).forEach(({ x, mark }) => expect(x).to.be.closeTo(positionOf(mark.share) * 600, 8));
  });
  it('draws marks apart that are nearer than 14 pixels, and leaves those alone that are not', () => {
    const marks = [0.5, 0.52].map((it) => markAt(it));
    const apart = positionOf(0.52) - positionOf(0.5);
    const crowdedAt = (pixels: number) => layoutMarks(marks, pixels / apart, 0, 30).map(({ crowded }) => crowded);
    expect(crowdedAt(13.9)).to.deep.equal([true, true]);
    expect(crowdedAt(14.1)).to.deep.equal([false, false]);
  });
  it('leaves a lone mark in the middle', () => {
    const [one] = layoutMarks([markAt(0.5)], 600, 0, 30);
    expect(one).to.include({ y: 15, crowded: false });
  });
  it('has a glyph of its own for each kind', () => {
    expect(new Set(POINT_KINDS.map((kind) => GLYPHS[kind].path)).size).to.equal(POINT_KINDS.length);
  });
});

describe('Marks', () => {
  const board: BoardAnswer = {
    types: [FILTER, DUCT],
    properties: [{ id: 'p', name: 'Ropewalk', today: TODAY, says: '' }],
    waiting: { proofs: 0, faults: 0, clockBehindDays: 0, handBacks: 0, alarms: [], clocks: [], baseline: null },
    breachShare: 0.2,
    rows: [
      {
        id: 'r',
        name: 'Flat 1A',
        property: 0,
        held: false,
        marks: [7, 0, TODAY - 90, 60, 30, 0, 0, 8, 1, 0, 0, 0, 0, 1, 9, 1, TODAY - 80, 60, 0, 5 + 50, 0],
      },
    ],
  };
  it('come out of the board’s numbers with share, state and days', () => {
    const [row] = rowsOf(board);
    expect(row!.marks.map(({ number, state }) => [number, state])).to.deep.equal([
      [8, 'noRecord'],
      [9, 'nearing'],
      [7, 'past'],
    ]);
    expect(row!.marks[2]).to.include({ share: 1.5, daysLeft: -30 });
    expect(isPast(row!.marks[2]!)).to.equal(true);
    expect(row!.marks.map(({ rides }) => rides)).to.deep.equal([true, false, false]);
  });
  it('of sent work stand still at the day it was done', () => {
    const sent = { servedDay: TODAY - 80, intervalDays: 60, capSlack: 0, work: 5 + 50 };
    expect(standOn(sent, TODAY).share).to.equal(standOn(sent, TODAY + 20).share);
    expect(isSent(rowsOf(board)[0]!.marks[1]!)).to.equal(true);
  });
  it('of a home on hold are on hold, however long ago they were served', () => {
    const late = { servedDay: TODAY - 66, intervalDays: 60, capSlack: 30, work: 0 };
    expect(standOn(late, TODAY)).to.include({ state: 'past', counted: 'past' });
    expect(standOn(late, TODAY, true)).to.include({ state: 'onHold', counted: 'onHold' });
    expect(standOn({ ...late, work: 4 }, TODAY)).to.include({ state: 'onHold', counted: 'onHold' });
  });
  it('rank by risk times lateness: a duct a little late before a filter a little later', () => {
    expect(foremost([markAt(1.4), markAt(1.2, DUCT)])!.type).to.equal(DUCT);
    expect(urgency(markAt(1.2, DUCT, 60))).to.be.below(urgency(markAt(1.2)));
    expect(urgency(markAt(undefined))).to.equal(urgency(markAt(1)));
    expect(foremost([])).to.equal(undefined);
  });
});
