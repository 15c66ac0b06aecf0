import { expect } from 'chai';
import { GRADES } from '../../core/catalogue/grades.ts';
import { segmentsOf } from '../../core/standing/trace.ts';
import type { TapeAnswer, TapePart } from '../../contract/pages/tape.ts';
import { HEAD, layoutTape, ROW } from '../../web/strip/layoutTape.ts';

const lines = [
  { drawnDay: 100, servedDay: 100, lineDay: 130, capDay: 500 },
  { drawnDay: 145, servedDay: 145, lineDay: 175, capDay: 500 },
];
const part = (number: number): TapePart => ({
  number,
  name: `Part ${number}`,
  machine: 'Dryer',
  machineNumber: 1,
  kind: 'duct',
  safetyCritical: false,
  trace: { sinceDay: 100, untilDay: null, segments: segmentsOf(lines), holds: [], doneDay: null },
  teeth: GRADES.map((grade, i) => ({ day: 100 + i * 10, grade, look: false })),
});
const tape: TapeAnswer = {
  name: 'Dryer',
  place: { id: '', name: 'House 16', property: 'Row' },
  fromDay: 100,
  today: 199,
  zone: 'Europe/Dublin',
  parts: [part(1), part(2)],
  households: [
    { fromDay: 40, toDay: 149, says: 'First' },
    { fromDay: 150, toDay: null, says: 'Second' },
    { fromDay: 0, toDay: 39, says: 'Long gone' },
  ],
  flags: [
    { kind: 'fault', fromDay: 120, toDay: 122, says: 'Damp', group: 'dryer.damp', machineNumber: 1 },
    { kind: 'fault', fromDay: 199, toDay: null, says: 'Damp', group: 'dryer.damp', machineNumber: 1 },
  ],
  deficiencies: [{ fromDay: 130, toDay: null, says: 'Hose crushed' }],
  remedies: [{ day: 160, decision: 'rootCause' }],
  story: [],
};

describe('A tape’s layout', () => {
  const placed = layoutTape(tape, { fromDay: 100, pxPerDay: 4 });
  it('gives each day its width and each part its row', () => {
    expect(placed.width).to.equal(400);
    expect(placed.parts.map(({ y }) => y)).to.deep.equal([HEAD, HEAD + ROW.height]);
  });
  it('draws the line where the share is 1, and the drop at the service', () => {
    const [first] = placed.parts;
    // Served on day 100, due on 130, served again on 145 at one and a half times its interval.
    expect(first!.saw).to.equal(`M0 ${ROW.base}L180 0L180 ${ROW.base}L396 ${ROW.base - 1.5 * (ROW.base - ROW.line)}`);
    expect(first!.area.endsWith(`L0 ${ROW.line}Z`)).to.equal(true);
  });
  it('shows a condition as so many bars, none for clean to four for blocked', () => {
    const bars = (path: string) => path.split('M').length - 1;
    expect(bars(placed.parts[0]!.found)).to.equal(0 + 1 + 2 + 3 + 4);
    expect(bars(placed.parts[0]!.faint)).to.equal(4 + 3 + 2 + 1 + 0);
  });
  it('bands households, flags faults, bars deficiencies until today and posts remedies', () => {
    expect(placed.bands).to.deep.equal([
      { x: 0, width: 200, says: 'First' },
      { x: 200, width: 200, says: 'Second' },
    ]);
    expect(placed.flags.map(({ x, open }) => [x, open])).to.deep.equal([
      [80, false],
      [396, true],
    ]);
    expect(placed.bars.map(({ x, width }) => [x, width])).to.deep.equal([[120, 280]]);
    expect(placed.posts).to.deep.equal([{ x: 240, decision: 'rootCause' }]);
  });
  it('leaves out what was before its first day, and ticks each month', () => {
    const late = layoutTape(tape, { fromDay: 150, pxPerDay: 4 });
    expect(late.bands.map(({ says }) => says)).to.deep.equal(['Second']);
    expect(late.flags).to.have.length(1);
    // 1970: day 151 is 1 June, day 181 is 1 July.
    expect(late.ticks.map(({ day }) => day)).to.deep.equal([151, 181]);
    expect(late.weeks.length).to.be.within(7, 8);
    expect(layoutTape(tape, { fromDay: 150, pxPerDay: 1 }).weeks).to.deep.equal([]);
  });
});
