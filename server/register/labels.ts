/** Sheets of labels: a code that opens the machine, and enough words to know it by. */
import QRCode from 'qrcode';
import { SHEETS, type LabelForm } from '../../contract/register/labels.ts';
import { findAddressed } from '../lookup/scope.ts';
import { breather } from '../context/breathe.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { BOLD, pdfOf, PLAIN } from '../words/pdf.ts';
import { machineName } from '../lookup/names.ts';

const POINTS_PER_MM = 72 / 25.4;
const mm = (value: number) => value * POINTS_PER_MM;
const MARGIN_MM = 2.5;

/** The address on a label. */
export const labelUrl = (origin: string, number: number): string => `${origin}/m/${number}`;

/** The sheets of everything under an address, in walking order, as PDF. */
export async function printLabels(
  call: Call,
  scope: string,
  id: string,
  { sheet: key, skip }: LabelForm,
): Promise<Buffer> {
  const {
    db,
    actor: { organisationId },
    env: { say },
  } = call;
  const { scope: kind, subjectId } = await findAddressed(call, scope, id);
  const places = await db.place.all(
    {
      organisationId,
      ...(kind === 'property' && { propertyId: subjectId }),
      ...(kind === 'place' && { id: subjectId }),
    },
    {
      order: [
        ['propertyId', 'ASC'],
        ['sort', 'ASC'],
      ],
    },
  );
  const placeOf = new Map(places.map((place, i) => [place.id, { ...place, at: i }]));
  const machines = (
    await db.machine.all(
      { organisationId, retiredDay: null, ...(kind === 'machine' && { id: subjectId }) },
      { order: [['number', 'ASC']] },
    )
  )
    .filter(({ placeId }) => placeOf.has(placeId))
    .sort((a, b) => placeOf.get(a.placeId)!.at - placeOf.get(b.placeId)!.at || a.number - b.number);
  if (machines.length === 0) throw new Problem(409, 'noLabels');
  const properties = new Map((await db.property.all({ organisationId })).map(({ id: it, name }) => [it, name]));
  const sheet = SHEETS[key as keyof typeof SHEETS];
  const perPage = sheet.columns * sheet.rows;
  const first = Math.min(skip, perPage - 1);
  return pdfOf({ size: sheet.page, margin: 0, info: { Title: say('label.title') } }, async (document) => {
    const breathe = breather();
    for (const [i, machine] of machines.entries()) {
      await breathe();
      const at = (first + i) % perPage;
      if (i > 0 && at === 0) document.addPage();
      const x = mm(sheet.leftMm + (at % sheet.columns) * (sheet.widthMm + sheet.gapXMm) + MARGIN_MM);
      const y = mm(sheet.topMm + Math.floor(at / sheet.columns) * (sheet.heightMm + sheet.gapYMm) + MARGIN_MM);
      const place = placeOf.get(machine.placeId)!;
      await drawLabel(
        document,
        { x, y, width: mm(sheet.widthMm - 2 * MARGIN_MM), height: mm(sheet.heightMm - 2 * MARGIN_MM) },
        labelUrl(call.origin ?? '', machine.number),
        [
          machineName(say, machine),
          `${place.name}, ${properties.get(place.propertyId)}`,
          say('label.number', { number: machine.number }),
          say('label.scan'),
        ],
      );
    }
  });
}

interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The code as squares of ink, so that it prints sharp at any size; the words beside it. */
async function drawLabel(
  document: PDFKit.PDFDocument,
  { x, y, width, height }: Box,
  url: string,
  [name, place, ...small]: readonly string[],
): Promise<void> {
  const { modules } = QRCode.create(url, { errorCorrectionLevel: 'M' });
  const side = Math.min(height, width * 0.45);
  const cell = side / modules.size;
  document.fillColor('#000');
  for (let row = 0; row < modules.size; row += 1)
    for (let column = 0; column < modules.size; column += 1) {
      if (modules.get(row, column)) document.rect(x + column * cell, y + row * cell, cell * 1.02, cell * 1.02);
    }
  document.fill();
  const left = x + side + mm(2.5);
  const room = width - side - mm(2.5);
  const line = { width: room, lineBreak: true, ellipsis: true } as const;
  document
    .font(BOLD)
    .fontSize(height > mm(30) ? 11 : 8.5)
    .text(name!, left, y, { ...line, height: height * 0.36 });
  document
    .font(PLAIN)
    .fontSize(height > mm(30) ? 8.5 : 6.5)
    .text(place!, left, document.y + 1, { ...line, height: height * 0.32 });
  document.fillColor('#444').fontSize(height > mm(30) ? 7.5 : 6);
  for (const text of small)
    if (document.y + 8 < y + height)
      document.text(text, left, document.y + 1, { ...line, height: 8, lineBreak: false });
}
