/**
 * What upkeep by the engine's lines comes to: 400 homes lived through for two years by the truth model, everybody
 * answering, and with a quarter of the households doing nothing. Run by `npm run bench:upkeep`; writes its table of
 * `docs/due.md`.
 */
import { DOOR_MINUTES, liveUpkeep, type UpkeepResult } from '../core/lab/upkeep.ts';
import { met } from './figures.ts';
import { measuredOn, sized, writePart } from './page.ts';

const [HOMES, DAYS, SEED] = [sized(400, 4), sized(730, 60), 20_261_126];
const RUNS = [
  { name: 'everybody answers', silent: 0 },
  { name: 'a quarter of households does nothing', silent: 0.25 },
] as const;
const percent = (share: number) => `${(share * 100).toFixed(2)} %`;

const results = RUNS.map(({ silent }) => liveUpkeep({ seed: SEED, homes: HOMES, days: DAYS, silent }));
const row = (
  what: string,
  say: (result: UpkeepResult) => string,
  bar = '',
  holds?: (result: UpkeepResult) => boolean,
) => `| ${what} | ${results.map((it) => `${say(it)}${holds ? `, ${met(holds(it))}` : ''}`).join(' | ')} | ${bar} |`;
writePart('due.md', 'upkeep', [
  `${HOMES} neutral two-bed flats with ${results[0]!.parts.toLocaleString('en')} kept parts, ${DAYS / 365} years, one`,
  `seed; people take 10 to 14 days. ${measuredOn('bench:upkeep')}`,
  '',
  `| | ${RUNS.map(({ name }) => name).join(' | ')} | bar |`,
  `|---|${RUNS.map(() => '---').join('|')}|---|`,
  row(
    'Past the line, of all part-days',
    (it) => percent(it.past),
    '≤ 3 %',
    (it) => it.past <= 0.03,
  ),
  row(
    'Past the line, safety-critical',
    (it) => percent(it.criticalPast),
    '≤ 0.5 %',
    (it) => it.criticalPast <= 0.005,
  ),
  row(
    'Services on time',
    (it) => `${percent(it.onTime)} of ${it.services.toLocaleString('en')}`,
    '≥ 90 %',
    (it) => it.onTime >= 0.9,
  ),
  row(
    'Requests a month a tenancy, and in the fullest month of any',
    (it) => `${it.requestsAMonth.toFixed(2)}; ${it.mostInAMonth}`,
    '≤ 2',
    (it) => it.mostInAMonth <= 2,
  ),
  row('A tenant’s own minutes a month, of those who answer', (it) => it.tenantMinutesAMonth.toFixed(0)),
  row(`Staff hours a month, ${DOOR_MINUTES} minutes a door among them`, (it) => it.staffHoursAMonth.toFixed(0)),
  row('… in the fullest month', (it) => it.fullestMonthHours.toFixed(0)),
  row('… for a hundred flats', (it) => ((it.staffHoursAMonth * 100) / HOMES).toFixed(0)),
  row('Doors a month', (it) => it.doorsAMonth.toFixed(0)),
]);
