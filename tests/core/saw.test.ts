import { expect } from 'chai';
import fc from 'fast-check';
import { sawOf } from '../../core/standing/saw.ts';
import { drawn, trace } from './traces.ts';

const lives = fc
  .array(fc.record({ after: fc.integer({ min: 1, max: 40 }), interval: fc.integer({ min: 1, max: 50 }) }), {
    minLength: 1,
    maxLength: 8,
  })
  .map((services) => {
    let day = 0;
    return services.map(({ after, interval }) => {
      day += after;
      return drawn(day, day, day + interval);
    });
  });

describe('The saw of a part', () => {
  it('rises straight to its line and drops to nothing at a service', () => {
    expect(sawOf(trace([drawn(10, 10, 30), drawn(40, 40, 60)]), 0, 50)).to.deep.equal([
      [
        { day: 10, share: 0 },
        { day: 40, share: 1.5 },
        { day: 40, share: 0 },
        { day: 50, share: 0.5 },
      ],
    ]);
  });
  it('steps where a line was moved without a service', () => {
    expect(sawOf(trace([drawn(0, 0, 40), drawn(20, 0, 20)]), 0, 20)[0]).to.deep.equal([
      { day: 0, share: 0 },
      { day: 20, share: 0.5 },
      { day: 20, share: 1 },
      { day: 20, share: 1 },
    ]);
  });
  it('is not drawn before there is a record or after the machine went, and rises no further than work that was done', () => {
    expect(sawOf(trace([]), 0, 100)).to.deep.equal([]);
    expect(sawOf(trace([drawn(10, 10, 30)], { untilDay: 20 }), 0, 100)[0]!.at(-1)).to.deep.equal({
      day: 20,
      share: 0.5,
    });
    expect(sawOf(trace([drawn(10, 10, 30)], { doneDay: 25 }), 0, 100)[0]!.at(-1)!.day).to.equal(25);
    expect(sawOf(trace([drawn(10, 10, 30)], { sinceDay: 200 }), 0, 100)).to.deep.equal([]);
  });
  it('never goes back in time, is never below nothing, and starts each service anew', () => {
    fc.assert(
      fc.property(lives, fc.integer({ min: 0, max: 100 }), fc.integer({ min: 101, max: 400 }), (lines, from, to) => {
        const its = trace(lines);
        for (const stroke of sawOf(its, from, to)) {
          for (let i = 1; i < stroke.length; i += 1) expect(stroke[i]!.day).to.be.at.least(stroke[i - 1]!.day);
          expect(stroke.every(({ share }) => share >= 0)).to.equal(true);
          const drops = stroke.filter(({ share }) => share === 0).length;
          expect(drops).to.be.at.least(lines.filter(({ servedDay }) => from <= servedDay! && servedDay! <= to).length);
        }
      }),
    );
  });
});
