/**
 * History as paper: of one machine, of one home with everything that an inspector may ask, or of one tenancy at its end.
 * The same traces, events and figures as the tape shows, from a day to a day.
 */
import { dayFromIso, isoFromDay, type Day } from '../../core/calendar/day.ts';
import { addDays, daysOf, lineOn, NO_DAYS, stateOn, wasThere } from '../../core/standing/trace.ts';
import type { HistoryForm, TapeAnswer } from '../../contract/pages/tape.ts';
import type { Call } from '../context/context.ts';
import { fieldProblem, notFound } from '../context/problem.ts';
import type { Translator } from '../language/translator.ts';
import { namesOf } from '../lookup/find.ts';
import { machineName } from '../lookup/names.ts';
import { logHead } from '../log/head.ts';
import { closingWords } from '../faults/words.ts';
import { readEvidenceOn } from '../sql/standing.ts';
import { readTraced, type TracedPoint } from '../standing/stood.ts';
import type { Row } from '../store/tables.ts';
import { bold, foot, paperOf, plain, row, type Paper } from '../words/pdf.ts';
import { readTape } from './tape.ts';
import { findTapeSubject, type TapeSubject } from './tapeSubject.ts';

/** The days that a paper is about, both included, and whose tenancy they are where it is of one. */
interface Window {
  readonly fromDay: Day;
  readonly toDay: Day;
  readonly tenant: string | null;
  readonly cut: boolean;
}

/**
 * Prints the history of a machine or of a home.
 * @throws Problem: what is not there or not theirs (404), days that cannot be (422)
 */
export async function printHistory(call: Call, scope: string, id: string, form: HistoryForm): Promise<Buffer> {
  const { db, env, actor } = call;
  const { say } = env;
  const subject = await findTapeSubject(call, scope, id);
  const tape = await readTape(call, scope, id, { story: true });
  const window = await windowOf(call, subject, tape, form);
  const log = await logHead(env.store, actor.organisationId);
  const machineIds = new Set(subject.machines.map((machine) => machine.id));
  const zones = new Map([[subject.place.id, subject.property.zone]]);
  const points = (await readTraced(db, actor.organisationId, zones, subject.place.id)).filter(
    ({ machineId, trace }) => machineIds.has(machineId) && wasThere(trace, window.toDay),
  );
  const evidence = new Map(
    (await readEvidenceOn(db, actor.organisationId, window.toDay)).map((it) => [it.pointId, it.evidence]),
  );
  const faults = await db.fault.all({ machineId: [...machineIds] }, { order: [['openedAt', 'ASC']] });
  const title = titleOf(say, scope, tape, window);
  return paperOf(title, (paper) => {
    heading(paper, call, title, tape, window);
    figures(paper, say, points, window);
    parts(paper, say, subject, points, evidence, window);
    repairs(paper, call, subject, faults, window);
    story(paper, say, tape, window);
    plain(paper, 8.5).moveDown(0.6).text(say('history.how'));
    foot(paper, say, { entries: log.entries, head: log.hash });
  });
}

/** Held to what is known: not before the register began, not after today. */
async function windowOf({ db }: Call, { place }: TapeSubject, tape: TapeAnswer, form: HistoryForm): Promise<Window> {
  const tenancy = form.tenancyId ? await db.tenancy.one({ id: form.tenancyId, placeId: place.id }) : undefined;
  if (form.tenancyId && !tenancy) throw notFound();
  const tenant = tenancy ? ((await namesOf(db, [tenancy.personId])).get(tenancy.personId) ?? null) : null;
  const asked = tenancy
    ? { from: tenancy.fromDay, to: Math.min(tenancy.toDay ?? tape.today, tape.today) }
    : {
        from: form.from === null ? tape.fromDay : dayFromIso(form.from),
        to: form.to === null ? tape.today : dayFromIso(form.to),
      };
  if (asked.to > tape.today) throw fieldProblem('to', 'field.future');
  if (asked.from > asked.to) throw fieldProblem('from', 'field.windowEnds');
  return { fromDay: Math.max(asked.from, tape.fromDay), toDay: asked.to, tenant, cut: asked.from < tape.fromDay };
}

function titleOf(say: Translator, scope: string, tape: TapeAnswer, { tenant }: Window): string {
  if (tenant !== null) return say('history.tenancy', { tenant, home: tape.name });
  return say(scope === 'machine' ? 'history.machine' : 'history.home', { name: tape.name });
}

function heading(paper: Paper, { env: { say }, actor }: Call, title: string, tape: TapeAnswer, window: Window): void {
  const { fromDay, toDay, cut } = window;
  bold(paper, 18).text(title);
  plain(paper).text(
    say('history.of', {
      organisation: actor.organisation,
      place: tape.place.name,
      property: tape.place.property,
      from: say.day(fromDay),
      to: say.day(toDay),
      today: say.day(tape.today),
    }),
  );
  if (cut) plain(paper).text(say('standing.cut', { day: say.day(tape.fromDay) }));
  const there = tape.households.filter((it) => it.fromDay <= toDay && (it.toDay ?? toDay) >= fromDay);
  for (const it of there)
    plain(paper).text(
      say('history.household', {
        name: it.says,
        from: say.day(it.fromDay),
        to: it.toDay === null ? 'none' : say.day(it.toDay),
      }),
    );
}

function figures(paper: Paper, say: Translator, points: readonly TracedPoint[], { fromDay, toDay }: Window): void {
  const days = points.reduce((sum, { trace }) => addDays(sum, daysOf(trace, fromDay, toDay)), NO_DAYS);
  const late = points.filter(({ trace }) => stateOn(trace, toDay) === 'past').length;
  const unknown = points.filter(({ trace }) => stateOn(trace, toDay) === 'noRecord').length;
  bold(paper, 12)
    .moveDown(0.6)
    .text(say('history.sum', { parts: points.length, late, unknown, day: say.day(toDay) }));
  paper.moveDown(0.2);
  row(paper, say('history.days', { known: days.known }), say('history.past', { past: days.past }));
  row(paper, say('report.left'), say('report.left.value', { unknown: days.unknown, held: days.held }));
}

function parts(
  paper: Paper,
  say: Translator,
  { machines }: TapeSubject,
  points: readonly TracedPoint[],
  evidence: ReadonlyMap<string, string | null>,
  { toDay }: Window,
): void {
  for (const machine of machines) {
    const its = points.filter(({ machineId }) => machineId === machine.id);
    if (its.length === 0) continue;
    bold(paper, 11)
      .moveDown(0.5)
      .text(
        [machineName(say, machine), [machine.maker, machine.model].filter(Boolean).join(' ')]
          .filter(Boolean)
          .join(', '),
      );
    paper.moveDown(0.2);
    for (const { pointId, procedure, trace } of its) {
      const { servedDay, lineDay } = lineOn(trace, toDay);
      const level = evidence.get(pointId);
      row(
        paper,
        say(`point.${procedure}`),
        servedDay === null
          ? say('history.noRecord')
          : say('history.part', {
              served: isoFromDay(servedDay),
              evidence: level ? say(`evidence.${level}`) : 'none',
              line: isoFromDay(lineDay),
              days: Math.max(0, toDay - lineDay),
            }),
        0.45,
      );
    }
  }
}

/** Faults of the window with what they were, what was done and who paid. */
function repairs(
  paper: Paper,
  { env: { say }, actor: { currency } }: Call,
  { machines, dayOf }: TapeSubject,
  faults: readonly Row<'fault'>[],
  { fromDay, toDay }: Window,
): void {
  const its = faults.filter(({ openedDay }) => openedDay >= fromDay && openedDay <= toDay);
  bold(paper, 11)
    .moveDown(0.6)
    .text(say('history.faults', { count: its.length }));
  paper.moveDown(0.2);
  for (const fault of its) {
    const machine = machineName(
      say,
      machines.find(({ id }) => id === fault.machineId)!,
    );
    const closed = fault.closedAt === null ? null : isoFromDay(dayOf(fault.closedAt));
    row(
      paper,
      `${isoFromDay(fault.openedDay)} ${machine}: ${say(`symptom.${fault.symptom}`)}. ${closingWords(say, fault)}`,
      say('history.fault', {
        closed: closed ?? 'none',
        cost: fault.cost === null || !fault.payer ? 'none' : say.money(fault.cost, currency),
        payer: fault.payer ? say(`payer.${fault.payer}`) : 'none',
      }),
    );
  }
  const byTenant = its.filter(({ payer, cost }) => payer === 'tenant' && cost !== null);
  if (byTenant.length > 0)
    plain(paper).text(
      say('history.damage', {
        count: byTenant.length,
        sum: say.money(
          byTenant.reduce((sum, { cost }) => sum + cost!, 0),
          currency,
        ),
      }),
    );
}

function story(paper: Paper, say: Translator, tape: TapeAnswer, { fromDay, toDay }: Window): void {
  const events = tape.story.filter(({ day }) => day >= fromDay && day <= toDay);
  bold(paper, 11)
    .moveDown(0.6)
    .text(say('history.story', { count: events.length }));
  paper.moveDown(0.2);
  // A line each, small: years of a home are thousands of them.
  for (const { day, of, says, by } of events)
    plain(paper, 7.5).text(`${isoFromDay(day)}  ${of}: ${says}${by ? `  · ${by}` : ''}`);
}
