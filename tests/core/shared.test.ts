import { expect } from 'chai';
import { claimable } from '../../core/statistics/falseDiscovery.ts';
import { atLeastByChance } from '../../core/statistics/fisher.ts';
import { seeded } from '../../core/statistics/random.ts';
import { comparable, sharedPatterns, type Sharing } from '../../core/faults/shared.ts';

describe('Fisher’s exact test', () => {
  it('gives one in seventy to a lady who tells all eight cups (Fisher, The Design of Experiments, 1935, chapter 2)', () => {
    const cups = (markedDrawn: number) => atLeastByChance({ all: 8, marked: 4, drawn: 4, markedDrawn });
    expect(cups(4)).to.be.closeTo(1 / 70, 1e-12);
    expect(cups(3)).to.be.closeTo(17 / 70, 1e-12);
    expect(cups(0)).to.be.closeTo(1, 1e-12);
  });

  it('is what counting every draw gives', () => {
    const random = seeded(11);
    for (let i = 0; i < 60; i += 1) {
      const all = 4 + Math.floor(random() * 8);
      const marked = Math.floor(random() * (all + 1));
      const drawn = Math.floor(random() * (all + 1));
      let [hits, draws] = [0, 0];
      const least = Math.floor(random() * (Math.min(marked, drawn) + 1));
      for (let mask = 0; mask < 1 << all; mask += 1) {
        const bits = [...Array(all).keys()].filter((bit) => mask & (1 << bit));
        if (bits.length !== drawn) continue;
        draws += 1;
        if (bits.filter((bit) => bit < marked).length >= least) hits += 1;
      }
      expect(atLeastByChance({ all, marked, drawn, markedDrawn: least })).to.be.closeTo(hits / draws, 1e-10);
    }
    expect(() => atLeastByChance({ all: 4, marked: 5, drawn: 1, markedDrawn: 1 })).to.throw(RangeError);
  });
});

describe('Many tests at once', () => {
  /** The fifteen p-values of the paper's own example, section 3.2. */
  const PAPER = [
    0.0001, 0.0004, 0.0019, 0.0095, 0.0201, 0.0278, 0.0298, 0.0344, 0.0459, 0.324, 0.4262, 0.5719, 0.6528, 0.759, 1,
  ];

  it('claims four of fifteen, as Benjamini and Hochberg did in 1995', () => {
    expect(claimable(PAPER, 0.05)).to.deep.equal([0, 1, 2, 3]);
    expect(claimable([...PAPER].reverse(), 0.05).sort((a, b) => a - b)).to.deep.equal([11, 12, 13, 14]);
    expect(claimable([], 0.05)).to.deep.equal([]);
    expect(claimable([0.9], 0.05)).to.deep.equal([]);
  });
});

describe('What several machines share', () => {
  const portfolio = (machines: number, seed: number, chanceOf: (building: number) => number): Sharing[] => {
    const random = seeded(seed);
    return [...Array(machines).keys()].map((i) => {
      const building = i % 10;
      const model = `M${Math.floor(random() * 4)}`;
      return {
        machineId: `${i}`,
        group: 'dryer.damp',
        faulty: random() < chanceOf(building),
        has: { building: `B${building}`, model, assignee: `P${Math.floor(random() * 5)}` },
      };
    });
  };

  it('is seldom claimed where nothing is shared: in at most one of twenty portfolios', () => {
    let claimed = 0;
    for (let seed = 1; seed <= 400; seed += 1)
      if (sharedPatterns(comparable(portfolio(120, seed, () => 0.15))).length > 0) claimed += 1;
    expect(claimed / 400).to.be.at.most(0.05);
  });

  it('is found where one building has it, under that building’s name, and named with its counts', () => {
    let found = 0;
    for (let seed = 1; seed <= 100; seed += 1) {
      const patterns = sharedPatterns(comparable(portfolio(120, seed, (building) => (building === 3 ? 0.8 : 0.1))));
      if (patterns.some(({ by, value }) => by === 'building' && value === 'B3')) found += 1;
      for (const it of patterns) {
        expect(it.faulty.length).to.be.at.most(it.machines);
        expect(it.machines + it.elsewhere).to.equal(120);
        expect(it.chance).to.be.within(0, 0.05);
      }
    }
    expect(found).to.be.at.least(90);
  });

  it('counts machines and not faults, and says nothing about a handful', () => {
    const few = portfolio(12, 5, () => 1).map((it, i) => ({
      ...it,
      has: { building: i < 3 ? 'A' : 'B' },
      faulty: i < 3,
    }));
    expect(sharedPatterns(comparable(few)), 'three machines are no group').to.deep.equal([]);
  });

  it('names the same machines once, by what is surest', () => {
    const all = [...Array(60).keys()].map((i) => ({
      machineId: `${i}`,
      group: 'washer.smell',
      faulty: i < 6,
      has: { building: i < 6 ? 'A' : `B${i % 3}`, property: i < 12 ? 'P' : 'Q', branch: i < 6 ? 'R' : 'S' },
    }));
    expect(sharedPatterns(comparable(all)).map(({ by, value }) => [by, value])).to.deep.equal([['building', 'A']]);
  });
});
