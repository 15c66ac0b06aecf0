import { expect } from 'chai';
import fc from 'fast-check';
import { DAYS_A_YEAR } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { Choices } from '../../core/catalogue/types.ts';
import { BUDGET, burdenOf } from '../../core/due/burden.ts';
import type { LineInputs } from '../../core/due/inputs.ts';
import { faultsAYear, FILTER_KINDS, filterKindOf, FILTERS, lineInstead } from '../../core/stock/filters.ts';
import { DAY, plain } from './plainLine.ts';

const choicesOf = (kind: (typeof FILTER_KINDS)[number]) =>
  ({ filterMedia: FILTERS[kind].method ?? 'dense' }) as Choices;
const inputsOf = (kind: (typeof FILTER_KINDS)[number], more: Partial<LineInputs> = {}): LineInputs => {
  const { key, days } = procedureOf(FILTERS[kind].procedure, choicesOf(kind));
  return { ...plain, procedure: key, days, ...more };
};
const kinds = fc.constantFrom(...FILTER_KINDS);

describe('Kinds of air filter', () => {
  it('are told apart by part and method, and by nothing else', () => {
    for (const kind of FILTER_KINDS)
      expect(filterKindOf(FILTERS[kind].procedure, choicesOf(kind)), kind).to.equal(kind);
    expect(filterKindOf('airHandler.returnFilter', {})).to.equal('dense');
    expect(filterKindOf('hood.charcoalFilter', { filterMedia: 'thin' })).to.equal(null);
    // What is bought for each is what its procedure uses up.
    for (const kind of FILTER_KINDS)
      expect(procedureOf(FILTERS[kind].procedure, choicesOf(kind)).materials[0]!.what).to.equal(FILTERS[kind].material);
  });

  it('last in a neutral home as the trade has them: monthly, each season, nine months', () => {
    // Common practice for thin and dense; the deep one's interval is from memory.
    const days = FILTER_KINDS.map((kind) => lineInstead(inputsOf(kind), 1, DAY).days);
    expect(days).to.deep.equal([30, 90, 270]);
  });

  it('fill faster where filters were found to, never past their own cap, and keep the order of their intervals', () => {
    const speed = fc.double({ min: 0.2, max: 5, noNaN: true });
    fc.assert(
      fc.property(kinds, speed, speed, (kind, a, b) => {
        const [slow, fast] = [Math.min(a, b), Math.max(a, b)];
        const at = (it: number) => lineInstead(inputsOf(kind), it, DAY).days;
        expect(at(fast)).to.be.at.most(at(slow));
        expect(lineInstead(inputsOf('thin'), a, DAY).days).to.be.at.most(lineInstead(inputsOf('dense'), a, DAY).days);
        expect(lineInstead(inputsOf('dense'), a, DAY).days).to.be.at.most(lineInstead(inputsOf('deep'), a, DAY).days);
      }),
    );
    expect(lineInstead(inputsOf('dense'), 2, DAY).days).to.equal(45);
  });

  it('heed no limit or grade of the one that is there, and every local rule', () => {
    const heavy = [{ day: DAY, kind: 'service' as const, grade: 'blocked' as const, confirmed: true }];
    const caps = [
      { reason: 'maker' as const, days: 20 },
      { reason: 'local' as const, days: 200 },
    ];
    const it = inputsOf('deep', { caps, conditions: heavy, signalDay: DAY });
    expect(lineInstead(it, 1, DAY).days).to.equal(200);
    expect(lineInstead(it, 1, DAY).servedDay).to.equal(DAY);
  });
});

describe('Faults by the kind of filter', () => {
  const assumed = { assumed: 0.3, assumedYears: 20 };
  const none = { years: 0, faults: 0 };

  it('are as assumed where nothing was watched, and as reported where much was', () => {
    expect(faultsAYear({ thin: none, dense: none, deep: none }, assumed)).to.deep.equal({
      thin: 0.3,
      dense: 0.3,
      deep: 0.3,
    });
    const many = faultsAYear(
      { thin: { years: 1000, faults: 100 }, dense: { years: 1000, faults: 900 }, deep: none },
      assumed,
    );
    expect(many.thin).to.be.closeTo(0.1, 0.01);
    expect(many.dense).to.be.closeTo(0.9, 0.01);
    // Of a kind that nobody has, what all of them have.
    expect(many.deep).to.be.closeTo((100 + 900 + 6) / 2020, 1e-9);
  });

  it('lie between what was reported of a kind and the rate of all', () => {
    const watched = fc.record({ years: fc.double({ min: 0.01, max: 200, noNaN: true }), faults: fc.nat(200) });
    fc.assert(
      fc.property(watched, watched, watched, (thin, dense, deep) => {
        const rates = faultsAYear({ thin, dense, deep }, assumed);
        const all = (thin.faults + dense.faults + deep.faults + 6) / (thin.years + dense.years + deep.years + 20);
        for (const [kind, { years, faults }] of Object.entries({ thin, dense, deep })) {
          const rate = rates[kind as keyof typeof rates];
          expect(rate).to.be.within(Math.min(all, faults / years) - 1e-9, Math.max(all, faults / years) + 1e-9);
        }
      }),
    );
  });
});

describe('A burden over several years', () => {
  const deep = {
    placeId: 'a',
    machineId: 'm',
    level: 'staff' as const,
    minutes: 10,
    scheduled: true,
    firstDue: 0,
    intervalDays: 270,
    riskWeight: 1,
    heavy: 0.2,
    materials: 40,
  };
  const over = (years: number) =>
    burdenOf(
      [deep],
      () => true,
      () => BUDGET,
      { staffHour: 40, door: 10 },
      () => 1,
      years,
    );

  it('counts what comes every nine months as it comes: 1.35 times a year, not once or twice', () => {
    expect(over(1).doorsAMonth * 12).to.equal(2);
    // Services on days 0, 270, … 2,700: eleven in eight years.
    expect(over(8).doorsAMonth * 12).to.be.closeTo(11 / 8, 1e-9);
    expect(over(8).cost!.materials * 12).to.be.closeTo((40 * 11) / 8, 1e-9);
    expect(over(8).months).to.have.length(96);
    expect(over(20).doorsAMonth * 12).to.be.closeTo(DAYS_A_YEAR / 270, 0.05);
  });
});
