/**
 * The due engine's promises: recomputing and storing many lines against reading and writing the same rows by
 * sqlite3 alone; how that grows; expanding recurrence rules against the package `rrule`; learning on the
 * truth model. Run by `npm run bench:due` (with `-- --learning`, learning alone); writes `docs/due-figures.md`, and its
 * table and chart of `docs/due.md`.
 */
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import rrulePackage from 'rrule';
import sqlite3 from 'sqlite3';
import { v7 } from 'uuid';
import { MS_PER_DAY } from '../core/calendar/day.ts';
import { expand } from '../core/calendar/recurrence.ts';
import { parseRule } from '../core/calendar/rule.ts';
import { judgeLearning, METHODS_JUDGED, RATIOS } from '../core/lab/learning.ts';
import { dayOfInstant } from '../core/calendar/day.ts';
import { recomputeNow } from '../server/due/recompute.ts';
import { median, met, quantile, spread } from './figures.ts';
import { RATIOS_IN_TURNS, measuredOn, sized, writePage, writePart } from './page.ts';
import { ZONE, type Large, largeRegister } from './dueRegister.ts';

const ROUNDS = sized(5, 1);

const [MANY, FEW] = [sized(100_000, 600), sized(10_000, 300)];

const TURNS = sized(9, 1);

/** Changes the practice of the whole, so that every line moves, and times recomputing and storing them. */
async function ours({ store, organisationId, personId, ids }: Large, round: number): Promise<number> {
  const now = Date.now();
  await store.write(async (db) => {
    await db.fact.insert({
      id: v7(),
      organisationId,
      subjectId: organisationId,
      name: 'practice',
      value: round % 2 ? '"light"' : '"watchful"',
      fromDay: dayOfInstant(now, ZONE),
      recordedAt: now + round,
      recordedBy: personId,
    });
  });
  const before = await store.db.line.count({});
  const start = performance.now();
  await store.write((db) => recomputeNow(db, ids, now));
  const took = performance.now() - start;
  const changed = (await store.db.line.count({})) - before;
  if (changed !== ids.length) throw new Error(`${changed} of ${ids.length} lines changed`);
  return took;
}

/**
 * The same rows by sqlite3 alone: read what the lines come from, write as many lines and marks in multi-row statements.
 */
async function bare({ folder, ids }: Large): Promise<number> {
  const db = await new Promise<sqlite3.Database>((resolve, reject) => {
    const opened = new sqlite3.Database(join(folder, 'dewline.sqlite'), (error) =>
      error ? reject(error) : resolve(opened),
    );
  });
  const all = (sql: string) =>
    new Promise<Record<string, unknown>[]>((resolve, reject) =>
      db.all(sql, (error, rows) => (error ? reject(error) : resolve(rows as Record<string, unknown>[]))),
    );
  const exec = (sql: string, values: readonly unknown[] = []) =>
    new Promise<void>((resolve, reject) => db.run(sql, values, (error) => (error ? reject(error) : resolve())));
  await exec('PRAGMA synchronous = FULL');
  const start = performance.now();
  await all(
    `SELECT point.id, point.number, point.procedure, point.organisation_id, machine.id AS machine,
  machine.installed_day, machine.created_at, machine.retired_day, place.id AS place, property.id AS property,
  property.zone
FROM point
JOIN machine ON machine.id = point.machine_id
JOIN place ON place.id = machine.place_id
JOIN property ON property.id = place.property_id`,
  );
  await all('SELECT point_id, kind, day, at, grade, confirmed, agent, evidence, id, person_id FROM condition');
  await all('SELECT id, subject_id, name, from_day, recorded_at, value FROM fact');
  await all('SELECT place_id, id, from_day, to_day FROM tenancy');
  const lines = await all(
    `SELECT line.organisation_id, line.point_id, line.computed_at, line.served_day, line.line_day, line.cap_day,
  line.inputs, line.terms
FROM mark
JOIN line ON line.id = mark.line_id`,
  );
  const marks = await all(
    `SELECT point_id, organisation_id, place_id, number, type, served_day, interval_days, cap_slack, work,
  evidence, line_id, scheduled
FROM mark`,
  );
  await exec('BEGIN IMMEDIATE');
  const write = async (table: string, rows: readonly Record<string, unknown>[], end: string) => {
    const names = Object.keys(rows[0]!);
    const marks = `(${names.map(() => '?').join()})`;
    const size = Math.floor(32_000 / names.length / 8);
    for (let i = 0; i < rows.length; i += size) {
      const part = rows.slice(i, i + size);
      await exec(
        `INSERT INTO ${table} (${names.join()}) VALUES ${part.map(() => marks).join()} ${end}`,
        part.flatMap((row) => Object.values(row)),
      );
    }
  };
  await write('line', lines, '');
  await write(
    'mark',
    marks,
    `ON CONFLICT (point_id)
DO UPDATE SET interval_days = excluded.interval_days, cap_slack = excluded.cap_slack, work = excluded.work,
  line_id = excluded.line_id`,
  );
  await exec('COMMIT');
  const took = performance.now() - start;
  if (lines.length !== ids.length || marks.length !== ids.length)
    throw new Error('the bare rows are not those of the register');
  await new Promise((resolve) => db.close(resolve));
  return took;
}

async function lines(points: number) {
  const large = await largeRegister(points);
  const [mine, alone]: number[][] = [[], []];
  for (let round = 0; round < ROUNDS; round += 1) {
    mine!.push(await ours(large, round));
    alone!.push(await bare(large));
  }
  await large.store.close();
  rmSync(large.folder, { recursive: true, force: true });
  return { mine: mine!, alone: alone! };
}

const { RRule } = rrulePackage as unknown as typeof import('rrule');

const RULES = [
  'FREQ=MONTHLY;BYDAY=1SA',
  'FREQ=MONTHLY;INTERVAL=2;BYMONTHDAY=1',
  'FREQ=YEARLY;BYMONTH=3,6,9,12;BYMONTHDAY=1',
  'FREQ=WEEKLY;INTERVAL=2;BYDAY=FR',
  'FREQ=MONTHLY;BYDAY=-1FR',
];

/** Five years of each rule, the rule read beforehand on both sides, in turns. */
function expansion() {
  const from = 20_400;
  return RULES.map((text) => {
    const rule = parseRule(text);
    const theirs = new RRule({ ...RRule.parseString(text), dtstart: new Date(from * MS_PER_DAY) }, true);
    const ratios = Array.from({ length: TURNS }, () => {
      const timed = (times: number, work: () => unknown) => {
        const start = performance.now();
        for (let i = 0; i < times; i += 1) work();
        return (performance.now() - start) / times;
      };
      const mine = timed(2000, () => expand(rule, from, from, from + 1825));
      const other = timed(40, () =>
        theirs.between(new Date(from * MS_PER_DAY), new Date((from + 1825) * MS_PER_DAY), true),
      );
      return other / mine;
    });
    return { text, ratio: median(ratios), low: quantile(ratios, 0.1), high: quantile(ratios, 0.9) };
  });
}

/** Lines and rules, written to their page. */
async function speeds(): Promise<string> {
  const hundred = await lines(MANY);
  const ten = await lines(FEW);
  const ratio = median(hundred.mine) / median(hundred.alone);
  const growth = median(hundred.mine) / median(ten.mine);
  const rules = expansion();
  const slowest = Math.min(...rules.map((it) => it.ratio));
  return [
    '# Figures of the due engine',
    '',
    `${measuredOn('bench:due')} ${RATIOS_IN_TURNS}`,
    '',
    '| what | measured | bar | |',
    '|---|---|---|---|',
    `| Recompute and store 100,000 lines, all changed ÷ reading and writing the same rows by sqlite3 alone, median of ${ROUNDS} | ${ratio.toFixed(2)} (${Math.round(median(hundred.mine))} ms, ${spread(hundred.mine)} ms ÷ ${Math.round(median(hundred.alone))} ms, ${spread(hundred.alone)} ms) | ≤ 2 | ${met(ratio <= 2)} |`,
    `| 100,000 lines ÷ 10,000 lines | ${growth.toFixed(1)} (${Math.round(median(ten.mine))} ms, ${spread(ten.mine)} ms) | ≤ 12 | ${met(growth <= 12)} |`,
    `| Expanding five years of a rule, times as fast as \`rrule\`, the least of ${RULES.length} rules | ${slowest.toFixed(0)} (${rules.map((it) => `${it.text}: ${it.ratio.toFixed(0)}, ${it.low.toFixed(0)}–${it.high.toFixed(0)}`).join('; ')}) | ≥ 30 | ${met(slowest >= 30)} |`,
    '',
    'How well it learns stands in [due.md](due.md).',
    '',
  ].join('\n');
}

const RUNS = sized(4000, 20);

const learned = judgeLearning({ seed: 20_261_124, runs: RUNS, services: 6 });

const percent = (share: number) => `${Math.round(share * 100)} %`;

const NAMES = {
  engine: 'engine',
  engineSafe: 'engine with its safety bound',
  engineHeld: 'interval of a safety-critical part',
  counts: 'conjugate count model',
  calendar: 'fixed calendar',
} as const;

const ownWithinBar = learned
  .filter(({ method }) => method === 'engine' || method === 'engineSafe')
  .every((it) => it.median < 0.2 && it.ninetieth < 0.4);

const learning = [
  'Parts of the truth model (process variation 0.35, one grade in ten wrong), served six times, each time when the',
  `method says; ${RUNS.toLocaleString('en')} parts a cell. The error is |believed interval ÷ true interval − 1|,`,
  'before floors and caps; median / nine in ten.',
  '',
  `| true ÷ assumed | ${RATIOS.map((it) => it.toFixed(2)).join(' | ')} |`,
  `|---|${RATIOS.map(() => '---').join('|')}|`,
  ...METHODS_JUDGED.map(
    (method) =>
      `| ${NAMES[method]} | ${RATIOS.map((at) => {
        const it = learned.find((one) => one.method === method && one.ratio === at)!;
        return `${percent(it.median)} / ${percent(it.ninetieth)}`;
      }).join(' | ')} |`,
  ),
  '',
  `Bar: median under 20 %, nine in ten under 40 %, of the belief, at each ratio: ${met(ownWithinBar)}, with and`,
  'without the safety bound. The interval of a safety-critical part is no belief: it may shorten at once, and grows by',
  'a quarter at a service at most.',
];

if (!process.argv.includes('--learning')) writePage('due-figures.md', await speeds());

writePage('due-learning.svg', chart());

writePart('due.md', 'learning', learning);

process.exit(0);

/** Median errors as a chart: a group of bars a ratio, a line at the bar. */
function chart(): string {
  const colours = {
    engine: '#0b6b66',
    engineSafe: '#7fb3ae',
    engineHeld: '#c58a3a',
    counts: '#8d8577',
    calendar: '#d0c9ba',
  } as const;
  const [height, top, group, bar] = [180, 24, 112, 19];
  const y = (share: number) => top + height * (1 - Math.min(1, share));
  const bars = RATIOS.flatMap((at, g) =>
    METHODS_JUDGED.map((method, i) => {
      const { median: error } = learned.find((it) => it.method === method && it.ratio === at)!;
      const x = 60 + g * group + i * bar;
      const [from, tall] = [y(error).toFixed(1), (top + height - y(error)).toFixed(1)];
      const off = `<text x="${x + 9}" y="${top - 4}" font-size="10" text-anchor="middle">${percent(error)}</text>`;
      const drawn = `<rect x="${x}" y="${from}" width="${bar - 3}" height="${tall}" fill="${colours[method]}"/>`;
      return error > 1 ? drawn + off : drawn;
    }),
  );
  const labels = RATIOS.map(
    (at, g) =>
      `<text x="${60 + g * group + 42}" y="${top + height + 18}" text-anchor="middle">× ${at.toFixed(2)}</text>`,
  );
  const places = [20, 90, 255, 440, 20];
  const legend = METHODS_JUDGED.map((method, i) => {
    const [at, down] = [places[i]!, top + height + 34 + (i === 4 ? 18 : 0)];
    return (
      `<rect x="${at}" y="${down}" width="12" height="12" fill="${colours[method]}"/>` +
      `<text x="${at + 17}" y="${down + 10}" font-size="11">${NAMES[method]}</text>`
    );
  });
  const scale = [0, 0.2, 0.5, 1].map(
    (share) =>
      `<path d="M52 ${y(share)}H610" stroke="${share === 0.2 ? '#a8391f' : '#dcd9cf'}"/>` +
      `<text x="46" y="${y(share) + 4}" text-anchor="end" font-size="11">${percent(share)}</text>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 640 280" font-family="sans-serif" font-size="12" fill="#18262b"><rect width="640" height="280" fill="#fbfaf6"/>
<text x="8" y="16">median error of the interval</text>${scale.join('')}
${bars.join('')}${labels.join('')}${legend.join('')}</svg>\n`;
}
