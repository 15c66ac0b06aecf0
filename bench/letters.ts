/** `npm run bench:letters`: a server killed again and again in the middle of sending; written to docs/rounds.md. */
import { killWhileTelling } from '../tests/server/killingLetters.ts';
import { met } from './figures.ts';
import { measuredOn, sized, tableRow, writePart } from './page.ts';

const KILLS = sized(100, 3);
const { reminders, safety, twice, lost, wrong, unsure, unsureTaken, again } = await killWhileTelling(KILLS);

writePart('rounds.md', 'letters', [
  `${KILLS} times SIGKILL while letters go out to a mail server that keeps everything and answers after up to 8 ms.`,
  measuredOn('bench:letters'),
  '',
  tableRow('', 'letters', 'result'),
  '|---|---|---|',
  tableRow('asked and reminders, taken twice (0)', String(reminders), `${twice.length} (${met(twice.length === 0)})`),
  tableRow('about safety, never taken (0)', String(safety), `${lost.length} (${met(lost.length === 0)})`),
  tableRow(
    'books that say sent or not sent against the mail server (0)',
    '',
    `${wrong.length} (${met(wrong.length === 0)})`,
  ),
  tableRow('asked and reminders of which nobody can say, of these taken', '', `${unsure}, ${unsureTaken}`),
  tableRow('about safety, taken more than once under one id', '', String(again)),
]);
