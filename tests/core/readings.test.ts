/** What readings open, by their own limits and by what the machine read before. */
import { expect } from 'chai';
import fc from 'fast-check';
import { procedures, procedureOf } from '../../core/catalogue/catalogue.ts';
import { signalsOf } from '../../core/due/signals.ts';
import { symptomsOf } from '../../core/faults/symptoms.ts';
import { machineTypes } from '../../core/catalogue/machines.ts';
import { SOUND_PUMP, temperatureDrop, pumpOut, USUAL_DROP_K } from '../../core/measure/readings.ts';
import { coldWorking, nextTuning } from '../../core/measure/tuning.ts';
import { baselineOf, hasDrifted, judgedValue, openings, passes } from '../../core/proof/readings.ts';
import type { Need, ReadingNeed } from '../../core/catalogue/types.ts';

const needsOf = (key: string): Need[] => procedureOf(key).steps.flatMap(({ needs }) => needs);
const readingOf = (procedure: string, key: string) =>
  needsOf(procedure).find((need) => need.kind === 'reading' && need.key === key) as ReadingNeed;
const none = () => [];

describe('A reading', () => {
  it('over 60 minutes at the lint screen makes the duct due, and does not fail the screen', () => {
    const need = readingOf('dryer.lintScreen', 'dryMinutes');
    expect(passes(need, { dryMinutes: 75 })).to.equal(true);
    expect(openings(needsOf('dryer.lintScreen'), { dryMinutes: 75 }, none)).to.deep.equal([
      { reading: 'dryMinutes', figure: 75, why: 'beyond', raises: { signal: 'dryer.slow' } },
    ]);
    expect(openings(needsOf('dryer.lintScreen'), { dryMinutes: 60 }, none)).to.deep.equal([]);
    expect(signalsOf('dryer').find(({ key }) => key === 'dryer.slow')!.point).to.equal('dryer.duct');
    // With the duct just cleaned it is the heater's turn, and the job is not proven.
    expect(passes(readingOf('dryer.duct', 'dryMinutes'), { dryMinutes: 75 })).to.equal(false);
    expect(openings(needsOf('dryer.duct'), { dryMinutes: 75 }, none)[0]!.raises).to.deep.equal({
      symptom: 'dryer.stillSlow',
    });
  });
  it('of cooling passes on the drop, whatever the register itself reads (15 to 20 °F, from memory), by the limit of the measurement', () => {
    const need = readingOf('airHandler.coolingCheck', 'supplyCelsius');
    for (const [returnCelsius, supplyCelsius, met] of [
      [32, 23, true],
      [24, 15, true],
      [24, 16.1, false],
      [24, 12.9, false],
    ] as const) {
      expect(passes(need, { returnCelsius, supplyCelsius }), `${returnCelsius} ${supplyCelsius}`).to.equal(met);
      expect(temperatureDrop(returnCelsius, supplyCelsius).limits.every((limit) => limit.met)).to.equal(met);
    }
    expect(judgedValue(need, { supplyCelsius: 15 })).to.equal(undefined);
    expect(passes(need, { supplyCelsius: 15 })).to.equal(true);
  });
  it('of the pump test passes by the limits of the measurement', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.5, max: 20, noNaN: true }),
        fc.integer({ min: 5, max: 600 }),
        (litres, seconds) => {
          const rate = Math.round((litres / seconds) * 60 * 1000) / 1000;
          fc.pre(Math.abs(rate - SOUND_PUMP.litresPerMinute) > 0.001 && rate <= 60);
          const [one, other] = pumpOut(7.5, litres, seconds).limits;
          expect(
            passes(readingOf('dishwasher.drainPump', 'pumpSeconds'), { pumpedLitres: litres, pumpSeconds: seconds }),
          ).to.equal(one!.met);
          expect(passes(readingOf('dishwasher.drainPump', 'pumpedLitres'), { pumpedLitres: litres })).to.equal(
            other!.met,
          );
        },
      ),
    );
  });
  it('of the flush is required, eleven litres or three gallons (common practice)', () => {
    const need = readingOf('refrigerator.waterFilter', 'flushLitres');
    expect(need.optional).to.equal(undefined);
    expect([10.9, 11, 11.4].map((flushLitres) => passes(need, { flushLitres }))).to.deep.equal([false, true, true]);
  });
  it('of warm food is a fault now, and near its target a matter of single degrees (from memory)', () => {
    const at = (fridgeCelsius: number, freezerCelsius: number) =>
      openings(needsOf('refrigerator.temperatures'), { fridgeCelsius, freezerCelsius }, none).map(
        ({ raises }) => raises,
      );
    expect(at(7, -12)).to.deep.equal([]);
    expect(at(7.1, -18)).to.deep.equal([{ symptom: 'refrigerator.foodWarm' }]);
    expect(at(4, -11.9)).to.deep.equal([{ symptom: 'refrigerator.foodWarm' }]);
    expect(openings(needsOf('freezer.temperature'), { freezerCelsius: -10 }, none)[0]!.raises).to.deep.equal({
      symptom: 'freezer.foodWarm',
    });
    expect(nextTuning([{ at: 0, fridgeC: 8, freezerC: -17 }], 0)).to.deep.equal({
      do: 'foodFirst',
      compartment: 'fridge',
    });
    expect(nextTuning([{ at: 0, fridgeC: 7, freezerC: -18 }], 0)).to.deep.equal({
      do: 'turn',
      compartment: 'fridge',
      direction: 'colder',
    });
    expect(coldWorking(4, -10).terms.at(-1)!.key).to.equal('cold.foodFirst');
  });
  it('is held against what this very machine read at first, worse by three tenths or two at the least', () => {
    expect(baselineOf([40, 50])).to.equal(undefined);
    expect(baselineOf([50, 40, 45, 99])).to.equal(45);
    expect(hasDrifted([40, 40, 40], 52, 'higher')).to.equal(false);
    expect(hasDrifted([40, 40, 40], 52.1, 'higher')).to.equal(true);
    expect(hasDrifted([3, 3, 3], 5, 'higher')).to.equal(false);
    expect(hasDrifted([10, 10, 10], 6.9, 'lower')).to.equal(true);
    expect(hasDrifted([40, 40, 40], 10, 'higher')).to.equal(false);
    // Half way to its limit at the least: a good drain that is slower than it was is still a good one.
    expect(openings(needsOf('airHandler.condensateDrain'), { drainSeconds: 36 }, () => [14, 14, 14])).to.deep.equal([]);
    expect(openings(needsOf('airHandler.condensateDrain'), { drainSeconds: 38 }, () => [14, 14, 14])[0]).to.include({
      why: 'drift',
    });
    expect(openings(needsOf('dryer.lintScreen'), { dryMinutes: 55 }, () => [38, 40, 41])[0]).to.deep.include({
      why: 'drift',
      raises: { signal: 'dryer.slow' },
    });
  });
  it('opens only what the machines of its part have', () => {
    for (const procedure of procedures.values()) {
      const types = [...machineTypes.values()].filter(({ points }) => points.includes(procedure.key));
      for (const need of procedure.steps.flatMap(({ needs }) => needs)) {
        if (need.kind !== 'reading') continue;
        const raised = [need.opens?.beyond?.raises, need.opens?.drift && { signal: need.opens.drift }].filter(
          (it) => it !== undefined && it !== '',
        );
        for (const type of types)
          for (const it of raised as ({ signal: string } | { symptom: string })[]) {
            const known =
              'signal' in it
                ? signalsOf(type.key).some(({ key }) => key === it.signal)
                : symptomsOf(type.key).some(({ key }) => key === it.symptom);
            expect(known, `${type.key} ${need.key} ${JSON.stringify(it)}`).to.equal(true);
          }
      }
    }
    expect(USUAL_DROP_K).to.deep.equal([8, 11]);
  });
});
