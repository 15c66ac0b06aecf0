/** Edges that a mutation run found nobody watching, each with what it means. */
import { expect } from 'chai';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { checkEdition, editionOf } from '../../core/catalogue/edition.ts';
import { assumptionsWith } from '../../core/due/assumptions.ts';
import { computeLine } from '../../core/due/compute.ts';
import { driverEffects } from '../../core/due/drivers.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { nextTuning } from '../../core/measure/tuning.ts';
import { baselineOf } from '../../core/proof/readings.ts';
import { parseFilterSize } from '../../core/quantities/filterSize.ts';
import { volumeWords } from '../../core/quantities/words.ts';
import { neutralised, plainCell } from '../../core/register/columns.ts';
import { DAY, plain } from './plainLine.ts';

describe('Edges', () => {
  it('say minutes as people do: hours from the sixtieth on', () => {
    const say = translator('en-GB', { ...coreText, took: 'It took {minutes, number, duration}.' });
    const words = (minutes: number) => say.text('took', { minutes });
    expect([0, 59, 59.4, 59.6, 60, 61, 150, 2400, 90_001].map(words)).to.deep.equal(
      ['0 min', '59 min', '59 min', '1 h', '1 h', '1 h 01', '2 h 30', '40 h', '1,500 h 01'].map(
        (it) => `It took ${it}.`,
      ),
    );
  });
  it('say which step an edition has put into another part of the work', () => {
    const ours = procedureOf('dishwasher.filter');
    const begin = editionOf(ours);
    const moved = begin.steps.map((step) =>
      step.ours === 'dishwasher.filter.brush' ? { ...step, phase: 'look' as const } : step,
    );
    expect(checkEdition(ours, { ...begin, steps: moved }, () => false)).to.deep.include({
      key: 'phase',
      step: 'dishwasher.filter.brush',
    });
  });
  it('name the people behind a condenser’s interval as what they are', () => {
    const [effect] = driverEffects(['condenserPeople'], { household: { people: 4 } } as never, assumptionsWith());
    expect(effect).to.include({ from: 'condenserPeople', given: 4 });
  });
  it('say by how many days an empty home put a date off', () => {
    const stretches = [
      { fromDay: 0, factor: 1 },
      { fromDay: DAY + 10, factor: 0 },
      { fromDay: DAY + 30, factor: 1 },
    ];
    const line = computeLine({ ...plain, stretches }, DAY);
    expect(line.days).to.equal(80);
    expect(line.terms.at(-1)).to.deep.equal({ term: 'paused', by: 20, days: 80 });
  });
  it('leave a refrigerator at exactly its coldest good temperature alone', () => {
    const at = (fridgeC: number) => nextTuning([{ at: 0, fridgeC, freezerC: -20 } as never], 0).do;
    expect(at(0)).to.equal('done');
    expect(at(-1)).not.to.equal('done');
  });
  it('take a machine’s baseline from its first three readings, whatever comes later', () => {
    expect(baselineOf([10, 20, 30, 1, 1])).to.equal(20);
    expect(baselineOf([10, 20])).to.equal(undefined);
  });
  it('know no filter over 48 inches, in either unit', () => {
    expect(parseFilterSize('48 x 25 x 1 in')).to.include({ widthIn: 48 });
    expect(parseFilterSize('49 x 25 x 1 in')).to.equal(undefined);
    expect(parseFilterSize('1300 x 625 x 25 mm')).to.equal(undefined);
  });
  it('write litres in figures, and cups in fractions', () => {
    const say = translator('en-GB', coreText);
    expect(volumeWords(say, 1500, 'metric')).to.equal('1.5 L');
    expect(volumeWords(say, 355, 'us')).to.equal('1½ cups');
  });
  it('give a cell back as it was, and cut nothing from one that was never marked', () => {
    for (const cell of ['=1+1', '-1', '@x']) expect(plainCell(neutralised(cell)), cell).to.equal(cell);
    expect(plainCell('=-1')).to.equal('=-1');
  });
});
