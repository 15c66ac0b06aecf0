import { expect } from 'chai';
import fc from 'fast-check';
import { believeAnswers, doneWithin, learnAnswers, type Asking } from '../../core/notices/answering.ts';
import { askedOn, askingLead, GATHERED_DAYS, WINDOWS_AHEAD } from '../../core/notices/asking.ts';

/** What is assumed of all, before a portfolio has shown anything. */
const model = learnAnswers([]);
const after = (...askings: Asking[]) => believeAnswers(askings, model);
const done = (days: number): Asking => ({ days, done: true });
const open = (days: number): Asking => ({ days, done: false });
const quick = after(done(1), done(1), done(2), done(1), done(1), done(2));
const slow = after(done(35), done(40), done(38), done(45), done(36), done(42));

describe('The day on which a household is asked', () => {
  it('lies so early that the line is met in four cases of five, where its window is long enough', () => {
    const { fit, lead, met } = askingLead(after(), 73);
    expect(fit).to.equal('window');
    expect(met).to.be.within(0.8, 0.83);
    expect(doneWithin(after(), lead - 1)).to.be.below(0.805);
  });

  it('leaves a week however quick they are, and no more than the window has', () => {
    expect(askingLead(quick, 18)).to.include({ fit: 'window', lead: 7 });
    expect(askingLead(quick, 3)).to.include({ fit: 'window', lead: 3 });
  });

  it('comes before the window where they need longer, and goes to staff where that would hardly help', () => {
    // A monthly part: its window is six days.
    const early = askingLead(after(), 6);
    expect(early).to.include({ fit: 'earlier', lead: 12 });
    expect(early.met).to.be.within(0.5, 0.8);
    expect(askingLead(slow, 6)).to.include({ fit: 'staff', lead: 0 });
    expect(askingLead(slow, 73).fit).to.equal('window');
    // Three that were left open for three weeks each.
    const never = after(open(28), open(28), open(28), open(28));
    expect(askingLead(never, 73)).to.deep.equal({ fit: 'staff', lead: 0, met: 0 });
  });

  it('is never further ahead than two windows, nor later with a longer window, whoever they are', () => {
    const asking = fc.record({ days: fc.integer({ min: 0, max: 90 }), done: fc.boolean() });
    fc.assert(
      fc.property(fc.array(asking, { maxLength: 8 }), fc.integer({ min: 1, max: 80 }), (askings, window) => {
        const belief = after(...askings);
        const { fit, lead, met } = askingLead(belief, window);
        expect(lead).to.be.at.most(WINDOWS_AHEAD * window);
        if (fit === 'window') expect(lead).to.be.at.most(window);
        if (fit !== 'staff') expect(met).to.be.at.least(0.5);
        const longer = askingLead(belief, window + 10);
        if (fit !== 'staff') expect(longer.fit).to.not.equal('staff');
        if (fit === 'window') expect(longer.lead).to.be.at.least(lead);
      }),
      { numRuns: 60 },
    );
  });

  it('takes along what would follow within a week, and asks for nothing whose day has not come', () => {
    const parts = fc.array(fc.record({ number: fc.nat(999), askDay: fc.integer({ min: 90, max: 130 }) }), {
      maxLength: 12,
    });
    fc.assert(
      fc.property(parts, (its) => {
        const asked = new Set(askedOn(its, 100));
        const due = its.filter(({ askDay }) => askDay <= 100);
        for (const { number } of due) expect(asked.has(number)).to.equal(true);
        if (due.length === 0) expect(asked.size).to.equal(0);
        for (const { number } of its.filter((it) => asked.has(it.number)))
          expect(Math.min(...its.filter((it) => it.number === number).map((it) => it.askDay))).to.be.at.most(
            100 + GATHERED_DAYS,
          );
      }),
    );
    expect(
      askedOn(
        [
          { number: 1, askDay: 100 },
          { number: 2, askDay: 107 },
          { number: 3, askDay: 108 },
        ],
        100,
      ),
    ).to.deep.equal([1, 2]);
  });
});
