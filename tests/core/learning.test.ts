import { expect } from 'chai';
import { judgeLearning, RATIOS } from '../../core/lab/learning.ts';

/**
 * The bar: after six services of the truth model, at each true-to-assumed ratio, median under 20 %, nine in ten under
 * 40 %.
 */
describe('Learning on the truth model', function truth() {
  const results = judgeLearning({ seed: 20_261_124, runs: 500, services: 6 });
  for (const method of ['engine', 'engineSafe'] as const) {
    for (const ratio of RATIOS) {
      it(`finds the interval at a ratio of ${ratio.toFixed(2)} (${method})`, () => {
        const { median, ninetieth } = results.find((it) => it.method === method && it.ratio === ratio)!;
        expect(median).to.be.below(0.2);
        expect(ninetieth).to.be.below(0.4);
      });
    }
  }
  it('beats the fixed calendar and the count model wherever the truth is far from what was assumed', () => {
    for (const ratio of RATIOS) {
      const of = (method: string) => results.find((it) => it.method === method && it.ratio === ratio)!.median;
      if (ratio !== 1) expect(of('engine')).to.be.below(of('calendar'));
      if (ratio <= 0.5 || ratio >= 2) expect(of('engine')).to.be.below(of('counts'));
    }
  });
});
