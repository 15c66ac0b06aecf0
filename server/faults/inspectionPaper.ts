/** The answer to an inspection, on paper: every finding with what was done about it, in its photos too. */
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import type { Finding } from '../../contract/faults/inspections.ts';
import type { Call } from '../context/context.ts';
import type { Translator } from '../language/translator.ts';
import { logHead } from '../log/head.ts';
import { firstZone } from '../lookup/zone.ts';
import { photoFile } from '../photos/photos.ts';
import { bold, foot, paperOf, plain, type Paper } from '../words/pdf.ts';
import { readInspection } from './inspections.ts';

/**
 * The answer as PDF.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function printInspection(call: Call, id: string): Promise<Buffer> {
  const { say } = call.env;
  const answer = await readInspection(call, id);
  const { today } = await firstZone(call);
  const log = await logHead(call.env.store, call.actor.organisationId);
  return paperOf(say('inspectionPaper.title'), async (paper) => {
    bold(paper, 18).text(say('inspectionPaper.title'));
    plain(paper).text(
      say('inspectionPaper.of', {
        organisation: call.actor.organisation,
        inspector: answer.inspector,
        property: answer.property,
        day: dayOf(say, answer.day),
        reference: answer.reference || 'none',
        today: dayOf(say, isoFromDay(today)),
      }),
    );
    bold(paper, 12).moveDown(0.6).text(say('inspectionPaper.sum', answer));
    if (answer.list.length === 0) plain(paper).moveDown(0.6).text(say('inspectionPaper.none'));
    for (const [i, finding] of answer.list.entries()) await tell(paper, call, finding, i + 1);
    foot(paper, say, { entries: log.entries, head: log.hash });
  });
}

const dayOf = (say: Translator, iso: string) => say.day(dayFromIso(iso));
/** Height of a photo on paper, in points. */
const PHOTO = 110;

async function tell(paper: Paper, call: Call, finding: Finding, number: number): Promise<void> {
  const { say } = call.env;
  const { answer, served } = finding;
  if (paper.y > paper.page.height - 190) paper.addPage();
  bold(paper, 10.5)
    .moveDown(0.9)
    .text(
      `${number}. ${say('inspectionPaper.where', {
        place: finding.place,
        machine: finding.machine,
        part: finding.part ?? 'none',
      })}`,
    );
  plain(paper).text(`“${finding.note}”`);
  plain(paper, 8.5).text(
    say('inspectionPaper.by', { severity: say(`severity.${finding.severity}`), day: dayOf(say, finding.correctBy) }),
  );
  plain(paper)
    .moveDown(0.3)
    .text(
      answer
        ? say('inspectionPaper.answer', { day: dayOf(say, answer.day), by: answer.by, done: answer.done })
        : say('inspectionPaper.open', { who: finding.responsible ?? 'none' }),
    );
  if (served)
    plain(paper, 8.5).text(say('inspectionPaper.served', { day: dayOf(say, served.day), evidence: served.evidence }));
  await pictures(paper, call, [...finding.photoIds, ...(answer?.photoIds ?? [])]);
}

/** Photos in a row: what was found, then how it is now. */
async function pictures(paper: Paper, call: Call, photoIds: readonly string[]): Promise<void> {
  if (photoIds.length === 0) return;
  if (paper.y > paper.page.height - PHOTO - 80) paper.addPage();
  const top = paper.y + 6;
  for (const [i, photoId] of photoIds.slice(0, 4).entries())
    paper.image(await photoFile(call, photoId), paper.page.margins.left + i * 124, top, { fit: [118, PHOTO] });
  paper.y = top + PHOTO + 4;
}
