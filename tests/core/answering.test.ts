import { expect } from 'chai';
import fc from 'fast-check';
import jstat from 'jstat';
import { judgeAsking } from '../../core/lab/answering.ts';
import {
  ASSUMED_ANSWERS,
  believeAnswers,
  doneWithin,
  isSilent,
  leadFor,
  learnAnswers,
  LINE_SHARE,
  LONGEST,
  type Asking,
} from '../../core/notices/answering.ts';
import { normalCdf, student4Cdf } from '../../core/statistics/normal.ts';

const done = (days: number): Asking => ({ days, done: true });
const open = (days: number): Asking => ({ days, done: false });
const believe = (askings: readonly Asking[]) => believeAnswers(askings, ASSUMED_ANSWERS);
const asking = fc.record({ days: fc.integer({ min: 1, max: 60 }), done: fc.boolean() });

describe('How long households take to answer', () => {
  it('rests on distribution functions that the package jstat agrees with', () => {
    for (let z = -6; z <= 6; z += 0.25) {
      expect(normalCdf(z), `normal ${z}`).to.be.closeTo(jstat.normal.cdf(z, 0, 1), 1e-7);
      expect(student4Cdf(z), `t4 ${z}`).to.be.closeTo(jstat.studentt.cdf(z, 4), 1e-9);
    }
  });

  it('counts what is still open as Kaplan and Meier do', () => {
    // Weeks of remission under 6-mercaptopurine, Freireich and others 1963, open ones marked; and the published
    // product-limit estimate of what lasts longer (D. R. Cox and D. Oakes, Analysis of Survival Data; from memory).
    const ended = [6, 6, 6, 7, 10, 13, 16, 22, 23];
    const lasting = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35];
    const lasts = { 6: 0.857, 7: 0.807, 10: 0.753, 13: 0.69, 16: 0.627, 22: 0.538, 23: 0.448 };
    const each = [...ended.map(done), ...lasting.map(open)].map((it) => [it]);
    const model = learnAnswers(Array.from({ length: 40 }, () => each).flat(), 60);
    const belief = believeAnswers([], model);
    for (const [weeks, share] of Object.entries(lasts))
      expect(1 - (1 - belief.never) * doneWithin(belief, Number(weeks)), `${weeks} weeks`).to.be.closeTo(share, 0.08);
    // The smooth curve runs through the steps of twenty-one people. Leaving the open ones out makes everybody far
    // too quick.
    const blind = believeAnswers(
      [],
      learnAnswers(Array.from({ length: 40 }, () => ended.map((it) => [done(it)])).flat(), 60),
    );
    expect(1 - doneWithin(blind, 23)).to.be.below(0.15);
  });

  it('follows a household: the quick is asked late, the slow early, and whoever is not known as the others are', () => {
    const [quick, slow] = [believe([2, 1, 3, 2].map(done)), believe([19, 24, 17, 30].map(done))];
    const unknown = leadFor(believe([]), LINE_SHARE)!;
    expect(unknown).to.be.within(11, 20);
    expect(leadFor(quick, LINE_SHARE)).to.be.below(unknown / 2);
    expect(leadFor(slow, LINE_SHARE)).to.be.above(unknown * 1.5);
  });

  it('tells who never answers from who is slow', () => {
    expect(believe([]).never).to.equal(ASSUMED_ANSWERS.never);
    expect(isSilent(believe([open(20), open(20)]))).to.equal(false);
    expect(isSilent(believe([open(23), open(23), open(23), open(23)]))).to.equal(true);
    // Three times not within three days says little: many take a week.
    expect(isSilent(believe([open(3), open(3), open(3)]))).to.equal(false);
    // Once is not never.
    expect(believe([open(30), open(30), open(30), done(12)]).never).to.equal(0);
  });

  it('never thinks better of a household for what it left open, and is sure of sums', () => {
    fc.assert(
      fc.property(fc.array(asking, { maxLength: 6 }), fc.integer({ min: 1, max: 40 }), (askings, days) => {
        const [before, after] = [believe(askings), believe([...askings, open(days)])];
        expect(after.never).to.be.at.least(before.never - 1e-12);
        expect(doneWithin(after, days)).to.be.at.most(doneWithin(before, days) + 1e-9);
        expect(after.ways.reduce((sum, share) => sum + share, 0)).to.be.closeTo(1, 1e-9);
        const lead = leadFor(after, LINE_SHARE);
        if (lead === null) return;
        expect(doneWithin(after, lead)).to.be.at.least(LINE_SHARE);
        expect(doneWithin(after, lead - 1)).to.be.below(LINE_SHARE);
      }),
    );
  });

  it('says so where no lead would do', () => {
    expect(leadFor(believe(Array.from({ length: 8 }, () => open(LONGEST))), LINE_SHARE)).to.equal(null);
  });

  it('meets lines in four cases of five in each fifth by speed, on both truths, and knows who never answers', () => {
    for (const heavy of [false, true]) {
      const figures = judgeAsking({ households: 400, jobs: 10, heavy }, 7);
      const truth = heavy ? 'heavy tails' : 'normal';
      expect(figures.met, truth).to.be.within(0.75, 0.86);
      for (const [i, share] of figures.fifths.entries())
        expect(share, `${truth}, fifth ${i + 1}`).to.be.within(0.68, 0.92);
      // The fixed lead does not: it meets nearly all of the quick and half of the slow.
      expect(figures.fixedFifths[0]! - figures.fixedFifths[4]!, truth).to.be.above(0.25);
      expect(figures.messagesAJob, truth).to.be.at.most(1.35);
      expect(figures.earlinessRatio, truth).to.be.at.most(1.1);
      expect(figures.silentFound, truth).to.be.at.least(0.85);
      expect(figures.wronglyGiven, truth).to.be.at.most(0.035);
    }
  });
});
