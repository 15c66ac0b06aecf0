import { expect } from 'chai';
import {
  correctBy,
  hearersOf,
  hoursOf,
  REPAIR_HOURS,
  SEVERITIES,
  stageOf,
  urgencyOf,
} from '../../core/faults/clock.ts';
import { seeded } from '../../core/statistics/random.ts';

const HOUR = 3_600_000;
const DAY = 24 * HOUR;
const clock = (days: number, responsibleId: string | null = null) => ({
  openedAt: 0,
  correctBy: days * DAY,
  responsibleId,
});

describe('The clock on a repair', () => {
  it('gives the hours of a published housing inspection standard (HUD NSPIRE, from memory)', () => {
    expect(SEVERITIES.map((it) => hoursOf(it))).to.deep.equal([24, 24, 720, 1440]);
  });

  it('is made shorter by a local rule and never longer, and where the rule is silent the standard holds', () => {
    expect(hoursOf('moderate', { moderate: 72 })).to.equal(72);
    expect(hoursOf('moderate', { moderate: 1000 })).to.equal(720);
    expect(hoursOf('severe', { moderate: 72, severe: null })).to.equal(24);
    const random = seeded(3);
    for (let i = 0; i < 500; i += 1) {
      const severity = SEVERITIES[Math.floor(random() * 4)]!;
      const hours = Math.ceil(random() * 2000);
      const at = Math.floor(random() * 1e12);
      expect(correctBy(severity, at, { [severity]: hours })).to.be.at.most(correctBy(severity, at));
      expect(correctBy(severity, at, { [severity]: hours }) - at).to.be.greaterThan(0);
      expect(hoursOf(severity, { [severity]: hours })).to.be.at.most(REPAIR_HOURS[severity]);
    }
  });

  it('reaches half, three quarters and all of its time, in this order and each at its instant', () => {
    const it30 = clock(30);
    expect(stageOf(it30, 15 * DAY - 1)).to.equal(undefined);
    expect(stageOf(it30, 15 * DAY)).to.equal('half');
    expect(stageOf(it30, 22.5 * DAY - 1)).to.equal('half');
    expect(stageOf(it30, 22.5 * DAY)).to.equal('near');
    expect(stageOf(it30, 30 * DAY - 1)).to.equal('near');
    expect(stageOf(it30, 30 * DAY)).to.equal('over');
    // A finding whose day had passed before anybody entered it.
    expect(stageOf({ openedAt: DAY, correctBy: 0, responsibleId: null }, DAY)).to.equal('over');
  });

  it('never lets everybody be silent: at each stage somebody hears, but for half of the time of what is somebody’s', () => {
    for (const stage of ['half', 'near', 'over'] as const) {
      expect(hearersOf(stage, null, ['m', 'n'])).to.deep.equal(['m', 'n']);
      if (stage !== 'half') expect(hearersOf(stage, 's', ['m'])).to.include('s');
    }
    expect(hearersOf('half', 's', ['m'])).to.deep.equal([]);
    expect(hearersOf('near', 's', ['m'])).to.deep.equal(['s']);
    expect(hearersOf('over', 'm', ['m', 'n']), 'nobody twice').to.deep.equal(['m', 'n']);
  });

  it('is shown as running out in its last quarter or its last two days, and as over from its instant on', () => {
    expect(urgencyOf(clock(1), 0)).to.equal('soon');
    expect(urgencyOf(clock(60), 44 * DAY)).to.equal('running');
    expect(urgencyOf(clock(60), 45 * DAY)).to.equal('soon');
    expect(urgencyOf(clock(4), 2 * DAY - 1)).to.equal('running');
    expect(urgencyOf(clock(4), 2 * DAY)).to.equal('soon');
    expect(urgencyOf(clock(60), 60 * DAY)).to.equal('over');
  });
});
