import { expect } from 'chai';
import { standingOf, type StandingPoint } from '../../core/standing/standing.ts';
import type { PointState } from '../../core/due/line.ts';

const point = (
  state: PointState,
  safetyCritical = false,
  evidence: StandingPoint['evidence'] = 'proven',
): StandingPoint => ({ state, safetyCritical, evidence });
const none = { count: 0, of: 0 };
const many = (count: number, state: PointState) => Array.from({ length: count }, () => point(state));

describe('Standing', () => {
  it('is sound when all is in order', () => expect(standingOf(many(5, 'fresh'), none).verdict).to.equal('sound'));
  it('is watched from the first point past the line or without a record', () => {
    expect(standingOf([...many(9, 'fresh'), point('past')], none).verdict).to.equal('watch');
    expect(standingOf([...many(9, 'fresh'), point('noRecord', false, null)], none).verdict).to.equal('watch');
  });
  it('is a breach when a safety-critical point is past, or more than a fifth are', () => {
    expect(standingOf([...many(9, 'fresh'), point('past', true)], none).verdict).to.equal('breach');
    expect(standingOf([...many(7, 'fresh'), ...many(3, 'past')], none).verdict).to.equal('breach');
    expect(standingOf(many(5, 'fresh'), none, 1).verdict).to.equal('breach');
  });
  it('counts each level of evidence on its own, and services on time', () => {
    const standing = standingOf(
      [point('fresh'), point('fresh', false, 'selfCertified'), point('noRecord', false, null)],
      { count: 1, of: 2 },
    );
    expect(standing.evidence.proven).to.deep.equal({ count: 1, of: 3 });
    expect(standing.evidence.selfCertified).to.deep.equal({ count: 1, of: 3 });
    expect(standing.onTime).to.deep.equal({ count: 1, of: 2 });
    expect(standing.inOrder).to.deep.equal({ count: 2, of: 3 });
  });
  it('is not known where nothing counts, or nothing that counts has a record', () => {
    expect(standingOf([], none).verdict).to.equal('unknown');
    expect(standingOf([point('onHold')], none).verdict).to.equal('unknown');
    expect(standingOf(many(3, 'noRecord'), none).verdict).to.equal('unknown');
    expect(standingOf(many(3, 'noRecord'), none, 1).verdict, 'an alarm is a breach all the same').to.equal('breach');
  });
  it('leaves points on hold out', () =>
    expect(standingOf([point('onHold'), point('fresh')], none).inOrder).to.deep.equal({ count: 1, of: 1 }));
});
