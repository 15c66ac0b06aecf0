/** Standing as paper, with the same figures as the screen, its date, its definitions and the end of the log. */
import { dayFromIso } from '../../core/calendar/day.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { worstFirst } from '../../core/standing/figures.ts';
import type {
  FiguresAnswer,
  PlaceStanding,
  ReportKind,
  StandingAnswer,
  StandingOn,
} from '../../contract/standing/standing.ts';
import { REPORTS } from '../../contract/standing/standing.ts';
import type { Call } from '../context/context.ts';
import { notFound } from '../context/problem.ts';
import type { Translator } from '../language/translator.ts';
import { bold, foot, paperOf, plain, row, type Paper } from '../words/pdf.ts';
import { readStanding } from './standing.ts';

/** What an insurer asks about: what may burn, and what may flood. */
const INSURED = ['fire', 'flood'];
/** So many homes are named on paper, the worst first; the rest is counted. */
const NAMED = 24;

/**
 * A report as PDF.
 * @throws Problem: no such report (404), a day that has not come (422), linkOver (401)
 */
export async function printReport(call: Call, kind: string, form: StandingOn): Promise<Buffer> {
  if (!REPORTS.some((known) => known === kind)) throw notFound();
  const { say } = call.env;
  const answer = await readStanding(
    call,
    form,
    kind === 'insurer' ? (procedure) => INSURED.includes(procedureOf(procedure).risk) : undefined,
  );
  const title = say(`report.${kind}`);
  return paperOf(title, (paper) => {
    heading(paper, call, answer, kind as ReportKind);
    figures(paper, say, answer);
    homes(paper, say, answer);
    months(paper, say, answer);
    definitions(paper, say, answer);
    foot(paper, say, answer.log);
  });
}

const dayOf = (say: Translator, iso: string) => say.day(dayFromIso(iso));

function heading(paper: Paper, { env: { say }, actor }: Call, answer: StandingAnswer, kind: ReportKind): void {
  bold(paper, 18).text(say(`report.${kind}`));
  plain(paper).text(
    say('report.of', {
      organisation: actor.organisation,
      properties: say.list(answer.properties.map(({ name }) => name)),
      day: dayOf(say, answer.day),
      from: dayOf(say, answer.from),
    }),
  );
  if (answer.cut && answer.began) paper.text(say('standing.cut', { day: dayOf(say, answer.began) }));
  if (kind === 'insurer') paper.text(say('report.insured'));
  const { sound, watch, breach, unknown } = answer.whole.homes;
  bold(paper, 12).moveDown(0.6).text(say('report.homes', { sound, watch, breach, unknown }));
  paper.moveDown(0.4);
}

const percent = (share: number | null) => (share === null ? '–' : `${(share * 100).toFixed(1)} %`);
const counted = ({ count, of }: { readonly count: number; readonly of: number }) => `${count} / ${of}`;

function figures(paper: Paper, say: Translator, { whole, properties }: StandingAnswer): void {
  const tell = (name: string, { standing, days, pastShare, onTime }: FiguresAnswer) => {
    bold(paper, 11).moveDown(0.3).text(name);
    paper.moveDown(0.2);
    row(paper, say('report.inOrder'), counted(standing.inOrder));
    row(paper, say('report.critical'), counted(standing.safetyCritical));
    row(paper, say('report.past', { past: days.past, known: days.known }), percent(pastShare));
    row(paper, say('report.left'), say('report.left.value', { unknown: days.unknown, held: days.held }));
    row(
      paper,
      say('report.onTime', { count: standing.onTime.of }),
      onTime ? `${percent(onTime.share)} (${percent(onTime.low)} – ${percent(onTime.high)})` : '–',
    );
    row(
      paper,
      say('report.evidence'),
      say('report.evidence.value', {
        proven: standing.evidence.proven.count,
        spotChecked: standing.evidence.spotChecked.count,
        checked: standing.evidence.checked.count,
        selfCertified: standing.evidence.selfCertified.count,
        attested: standing.evidence.attested.count,
      }),
    );
  };
  tell(say('report.all'), whole.figures);
  if (properties.length > 1) for (const { name, figures: its } of properties) tell(name, its);
}

function homes(paper: Paper, say: Translator, { places, properties }: StandingAnswer): void {
  const names = new Map(properties.map(({ id, name }) => [id, name]));
  const sorted = [...places].sort(worstFirst);
  bold(paper, 11).moveDown(0.6).text(say('report.byHome'));
  paper.moveDown(0.2);
  for (const place of sorted.slice(0, NAMED)) {
    const { verdict, inOrder } = place.figures.standing;
    row(
      paper,
      `${place.name}, ${names.get(place.propertyId)}${why(say, place)}`,
      `${say(`report.${verdict}`)}, ${counted(inOrder)}`,
    );
  }
  if (sorted.length > NAMED) plain(paper).text(say('report.more', { count: sorted.length - NAMED }));
}

function why(say: Translator, { shortfalls, alarms }: PlaceStanding): string {
  const [worst] = shortfalls;
  const reasons = [
    ...(alarms > 0 ? [say('report.unsafe')] : []),
    ...(worst
      ? [
          worst.daysPast === null
            ? say('report.noRecord', { part: worst.says })
            : say('report.daysPast', { part: worst.says, days: worst.daysPast }),
        ]
      : []),
  ];
  return reasons.length === 0 ? '' : `: ${reasons.join('; ')}`;
}

function months(paper: Paper, say: Translator, answer: StandingAnswer): void {
  if (answer.months.length < 2) return;
  bold(paper, 11).moveDown(0.6).text(say('report.byMonth'));
  paper.moveDown(0.2);
  for (const { month, days } of answer.months)
    row(
      paper,
      `${say.month(dayFromIso(`${month}-01`))} ${month.slice(0, 4)}`,
      say('report.month', { past: days.past, known: days.known }),
    );
}

function definitions(paper: Paper, say: Translator, { breachShare: share }: StandingAnswer): void {
  if (paper.y > paper.page.height - 190) paper.addPage();
  bold(paper, 11).moveDown(0.6).text(say('report.how'));
  const told = [
    say('standing.how.verdict', { share }),
    ...(['past', 'then', 'onTime', 'levels', 'risk'] as const).map((key) => say(`standing.how.${key}`)),
  ];
  for (const sentence of told) plain(paper, 8.5).moveDown(0.2).text(sentence);
}
