import { expect } from 'chai';
import { standingOf, type StandingPoint } from '../../core/standing/standing.ts';
import type { PointState } from '../../core/due/line.ts';

const point = (
  state: PointState,
  safetyCritical = false,
  evidence: StandingPoint['evidence'] = 'proven',
): StandingPoint => ({ state, safetyCritical, evidence });
const many = (count: number, state: PointState) => Array.from({ length: count }, () => point(state));

describe('Standing', () => {
  it('is sound when all is in order', () => expect(standingOf(many(5, 'fresh'), []).verdict).to.equal('sound'));
  it('is watched from the first point past the line or without a record', () => {
    expect(standingOf([...many(9, 'fresh'), point('past')], []).verdict).to.equal('watch');
    expect(standingOf([...many(9, 'fresh'), point('noRecord', false, null)], []).verdict).to.equal('watch');
  });
  it('is a breach when a safety-critical point is past, or more than a fifth are', () => {
    expect(standingOf([...many(9, 'fresh'), point('past', true)], []).verdict).to.equal('breach');
    expect(standingOf([...many(7, 'fresh'), ...many(3, 'past')], []).verdict).to.equal('breach');
    expect(standingOf(many(5, 'fresh'), [], 1).verdict).to.equal('breach');
  });
  it('counts each level of evidence on its own, and services on time', () => {
    const standing = standingOf(
      [point('fresh'), point('fresh', false, 'selfCertified'), point('noRecord', false, null)],
      [{ onTime: true }, { onTime: false }],
    );
    expect(standing.evidence.proven).to.deep.equal({ count: 1, of: 3 });
    expect(standing.evidence.selfCertified).to.deep.equal({ count: 1, of: 3 });
    expect(standing.onTime).to.deep.equal({ count: 1, of: 2 });
    expect(standing.inOrder).to.deep.equal({ count: 2, of: 3 });
  });
  it('leaves points on hold out', () =>
    expect(standingOf([point('onHold'), point('fresh')], []).inOrder).to.deep.equal({ count: 1, of: 1 }));
});
