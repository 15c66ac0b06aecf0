import { expect } from 'chai';
import fc from 'fast-check';
import { stateOf } from '../../core/due/line.ts';
import { figuresOf, shortfallsOf, soundUntil, trendOf, type StoodPoint } from '../../core/standing/figures.ts';
import {
  daysOf,
  lineOn,
  segmentsOf,
  stateOn,
  wasThere,
  type DrawnLine,
  type Trace,
} from '../../core/standing/trace.ts';
import { clusteredInterval, wilsonInterval } from '../../core/statistics/proportion.ts';
import { drawn, trace } from './traces.ts';

/** A life of a part: a few services, each drawn late or on its day, redrawn, now and then taken back. */
const life = fc
  .record({
    services: fc.array(
      fc.record({
        after: fc.integer({ min: 1, max: 40 }),
        interval: fc.integer({ min: 1, max: 60 }),
        provenAfter: fc.integer({ min: 0, max: 10 }),
        moves: fc.array(
          fc.record({ after: fc.integer({ min: 0, max: 30 }), interval: fc.integer({ min: 1, max: 60 }) }),
          { maxLength: 3 },
        ),
      }),
      { maxLength: 6 },
    ),
    since: fc.integer({ min: 0, max: 20 }),
    until: fc.option(fc.integer({ min: 60, max: 200 })),
    holds: fc.array(fc.record({ from: fc.integer({ min: 0, max: 150 }), days: fc.integer({ min: 0, max: 40 }) }), {
      maxLength: 2,
    }),
    doneDay: fc.option(fc.integer({ min: 100, max: 200 })),
  })
  .map(({ services, since, until, holds, doneDay }) => {
    const lines: DrawnLine[] = [];
    let served = since;
    for (const { after, interval, provenAfter, moves } of services) {
      served += after;
      let at = Math.max(served + provenAfter, lines.at(-1)?.drawnDay ?? 0);
      lines.push(drawn(at, served, served + interval));
      for (const move of moves) {
        at += move.after;
        lines.push(drawn(at, served, served + move.interval));
      }
    }
    // One hold at a time, as facts have it.
    const held = holds
      .map(({ from, days }) => ({ fromDay: from, toDay: from + days }))
      .sort((a, b) => a.fromDay - b.fromDay)
      .filter(({ fromDay }, i, all) => i === 0 || all[i - 1]!.toDay < fromDay);
    return { lines, its: trace(lines, { sinceDay: since, untilDay: until, holds: held, doneDay }) };
  });

describe('The trace of a part', () => {
  it('has the line of the latest service done by then, as it was drawn by then', () => {
    const its = trace([drawn(10, 10, 40), drawn(20, 10, 30), drawn(37, 35, 60)]);
    expect([9, 10, 19, 20, 34, 35, 36, 99].map((day) => lineOn(its, day).lineDay)).to.deep.equal([
      0, 40, 40, 30, 30, 60, 60, 60,
    ]);
    // A service that is proven on day 37 ended the lateness on day 35, when it was done.
    expect(daysOf(its, 10, 36)).to.deep.equal({ known: 27, past: 4, unknown: 0, held: 0 });
  });
  it('takes a service back whose proof did not stand', () => {
    const its = trace([drawn(10, 10, 40), drawn(50, 50, 80), drawn(55, 10, 40)]);
    expect(lineOn(its, 60).servedDay).to.equal(10);
    expect(stateOn(its, 60)).to.equal('longPast');
    expect(segmentsOf([drawn(10, 10, 40), drawn(50, null, 0)])).to.deep.equal([]);
  });
  it('keeps what an assumption of today moves from rewriting last month', () => {
    const before = trace([drawn(10, 10, 40)]);
    const after = trace([drawn(10, 10, 40), drawn(30, 10, 15)]);
    for (let day = 0; day < 30; day += 1) expect(stateOn(after, day), `day ${day}`).to.equal(stateOn(before, day));
    expect(stateOn(after, 30)).to.equal('longPast');
  });
  it('is not there before it is registered nor from the day its machine is out of service', () => {
    const its = trace([drawn(10, 10, 40)], { sinceDay: 5, untilDay: 20 });
    expect([4, 5, 19, 20].map((day) => stateOn(its, day))).to.deep.equal([undefined, 'noRecord', 'fresh', undefined]);
  });

  /** Day by day, with nothing clever: the reference for every sum. */
  const counted = (its: Trace, from: number, to: number) => {
    const days = { known: 0, past: 0, unknown: 0, held: 0 };
    for (let day = from; day <= to; day += 1) {
      if (!wasThere(its, day)) continue;
      const line = lineOn(its, day);
      if (its.holds.some(({ fromDay, toDay }) => fromDay <= day && day <= toDay)) days.held += 1;
      else if (line.servedDay === null) days.unknown += 1;
      else {
        days.known += 1;
        if (day > line.lineDay && (its.doneDay === null || day <= its.doneDay)) days.past += 1;
      }
    }
    return days;
  };
  it('sums its days as one would count them day by day, each as exactly one', () => {
    const window = fc.tuple(fc.integer({ min: 0, max: 220 }), fc.integer({ min: 0, max: 220 }));
    fc.assert(
      fc.property(life, window, ({ its }, [a, b]) => {
        const [from, to] = [Math.min(a, b), Math.max(a, b)];
        expect(daysOf(its, from, to)).to.deep.equal(counted(its, from, to));
      }),
      { numRuns: 400 },
    );
  });
  it('adds up over any split of a window', () => {
    fc.assert(
      fc.property(life, fc.integer({ min: 0, max: 199 }), ({ its }, cut) => {
        const [whole, first, rest] = [daysOf(its, 0, 200), daysOf(its, 0, cut), daysOf(its, cut + 1, 200)];
        for (const key of ['known', 'past', 'unknown', 'held'] as const)
          expect(first[key] + rest[key]).to.equal(whole[key]);
      }),
    );
  });
  it('stands today as its latest line says', () => {
    fc.assert(
      fc.property(life, ({ lines, its }) => {
        const last = lines.at(-1);
        const [today, doneDay] = [300, null];
        const line = last ?? { servedDay: null, lineDay: 0, capDay: 0 };
        expect(stateOn({ ...its, untilDay: null, holds: [], doneDay }, today)).to.equal(stateOf(line, { today }));
      }),
    );
  });
});

describe('Figures of standing', () => {
  const point = (lines: readonly DrawnLine[], more: Partial<StoodPoint> = {}): StoodPoint => ({
    trace: trace(lines),
    safetyCritical: false,
    riskWeight: 1,
    evidence: 'proven',
    ...more,
  });
  const window = { fromDay: 0, toDay: 99 };
  it('weigh a past-line day by its risk, and leave days without a record out by name', () => {
    // 50 of 100 known days past at weight 1; none of 100 at weight 4; 100 days unknown.
    const points = [point([drawn(0, 0, 49)]), point([drawn(0, 0, 200)], { riskWeight: 4 }), point([])];
    const { days, pastShare, onTime } = figuresOf(points, [], 0, window);
    expect(days).to.deep.equal({ known: 200, past: 50, unknown: 100, held: 0 });
    expect(pastShare).to.equal(50 / 500);
    expect(onTime).to.equal(null);
  });
  it('say nothing of a home without a record, or with nothing that counts', () => {
    expect(figuresOf([], [], 0, window).standing.verdict).to.equal('unknown');
    expect(figuresOf([point([]), point([])], [], 0, window).standing.verdict).to.equal('unknown');
    expect(figuresOf([], [], 0, window).pastShare).to.equal(null);
    const held = point([drawn(0, 0, 10)], { trace: trace([drawn(0, 0, 10)], { holds: [{ fromDay: 5, toDay: 120 }] }) });
    expect(figuresOf([held], [], 0, window).standing.verdict).to.equal('unknown');
  });
  it('name what keeps a home from being sound: safety first, then what is past, then what is not known', () => {
    const names = new Map<StoodPoint, string>([
      [point([drawn(0, 0, 98)], { safetyCritical: true, riskWeight: 5 }), 'detector'],
      [point([drawn(0, 0, 10)], { riskWeight: 1 }), 'comfort, 89 days'],
      [point([drawn(0, 0, 60)], { riskWeight: 4 }), 'flood, 39 days'],
      [point([], { riskWeight: 5 }), 'no record'],
      [point([drawn(0, 0, 140)]), 'in order'],
    ]);
    const found = shortfallsOf([...names.keys()], 99);
    expect(found.map((it) => [names.get(it.point), it.daysPast])).to.deep.equal([
      ['detector', 1],
      ['flood, 39 days', 39],
      ['comfort, 89 days', 89],
      ['no record', 0],
    ]);
    expect(soundUntil([...names.keys()], 99)).to.equal(140);
    expect(soundUntil([], 99)).to.equal(null);
  });
  it('count services on time with the interval of the people who did them', () => {
    const services = [
      { by: 'a', count: 40, onTime: 40 },
      { by: 'b', count: 40, onTime: 28 },
      { by: 'a', count: 10, onTime: 10 },
    ];
    const { onTime, standing } = figuresOf([point([drawn(0, 0, 200)])], services, 0, window);
    expect(standing.onTime).to.deep.equal({ count: 78, of: 90 });
    expect(onTime!.share).to.be.closeTo(78 / 90, 1e-12);
    // Two people who are that far apart tell less than ninety services would.
    expect(onTime!.low).to.be.lessThan(wilsonInterval(78, 90).low - 0.1);
  });
  it('tell the past-line days of each month', () => {
    const months = [
      { fromDay: 0, toDay: 30 },
      { fromDay: 31, toDay: 58 },
    ];
    expect(trendOf([point([drawn(0, 0, 24)])], months).map(({ past }) => past)).to.deep.equal([6, 28]);
  });
});

describe('Intervals of a share', () => {
  it('are Wilson’s', () => {
    // R. G. Newcombe, Statistics in Medicine 17 (1998), table I: method 3, four examples.
    for (const [successes, trials, low, high] of [
      [81, 263, 0.2553, 0.3662],
      [15, 148, 0.0624, 0.1605],
      [0, 20, 0, 0.1611],
      [1, 29, 0.0061, 0.1718],
    ] as const) {
      const found = wilsonInterval(successes, trials);
      expect(found.low, `${successes} of ${trials}`).to.be.closeTo(low, 5e-5);
      expect(found.high, `${successes} of ${trials}`).to.be.closeTo(high, 5e-5);
    }
    expect(() => wilsonInterval(0, 0)).to.throw(RangeError);
  });
  it('are wider where people differ, never narrower than of independent trials, and shrink with people', () => {
    const alike = Array.from({ length: 8 }, () => ({ successes: 9, trials: 10 }));
    const apart = Array.from({ length: 8 }, (_, i) => ({ successes: i < 2 ? 6 : 10, trials: 10 }));
    const width = ({ low, high }: { low: number; high: number }) => high - low;
    expect(width(clusteredInterval(alike))).to.be.closeTo(width(wilsonInterval(72, 80)), 1e-12);
    expect(width(clusteredInterval(apart))).to.be.greaterThan(1.3 * width(wilsonInterval(72, 80)));
    fc.assert(
      fc.property(
        fc.array(
          fc
            .integer({ min: 1, max: 30 })
            .chain((trials) =>
              fc.record({ trials: fc.constant(trials), successes: fc.integer({ min: 0, max: trials }) }),
            ),
          { minLength: 1, maxLength: 12 },
        ),
        (clusters) => {
          const sum = (key: 'successes' | 'trials') => clusters.reduce((total, it) => total + it[key], 0);
          const [found, free] = [clusteredInterval(clusters), wilsonInterval(sum('successes'), sum('trials'))];
          expect(found.share).to.be.closeTo(free.share, 1e-12);
          expect(width(found)).to.be.at.least(width(free) - 1e-9);
        },
      ),
    );
  });
});
