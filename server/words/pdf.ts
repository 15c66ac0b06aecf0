/** Paper: a PDF as it is drawn, gathered into one piece, in letters that have more than Western Europe's. */
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import PDFDocument from 'pdfkit';
import type { Translator } from '../language/translator.ts';

export type Paper = PDFKit.PDFDocument;

const FONTS = dirname(createRequire(import.meta.url).resolve('dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf'));
/** The paper's two letters: with a built-in font a name such as Żółć comes out wrong. */
export const PLAIN = join(FONTS, 'DejaVuSansCondensed.ttf');
export const BOLD = join(FONTS, 'DejaVuSansCondensed-Bold.ttf');

/** Draws a PDF and gives its bytes. */
export async function pdfOf(
  options: PDFKit.PDFDocumentOptions,
  draw: (document: PDFKit.PDFDocument) => void | Promise<void>,
): Promise<Buffer> {
  const document = new PDFDocument(options);
  const chunks: Buffer[] = [];
  const finished = new Promise<Buffer>((resolve) => {
    document.on('data', (chunk: Buffer) => chunks.push(chunk));
    document.on('end', () => resolve(Buffer.concat(chunks)));
  });
  await draw(document);
  document.end();
  return finished;
}

/** A report on A4, page by page. */
export const paperOf = (title: string, draw: (paper: Paper) => void | Promise<void>): Promise<Buffer> =>
  pdfOf({ size: 'A4', margin: 50, bufferPages: true, info: { Title: title } }, draw);

/** Begins a heading. */
export const bold = (paper: Paper, size: number) => paper.font(BOLD).fontSize(size).fillColor('#111');
/** Begins plain text. */
export const plain = (paper: Paper, size = 9.5) => paper.font(PLAIN).fontSize(size).fillColor('#222');

/** A line of two columns, over a hair. @param share of the width that the name takes */
export function row(paper: Paper, name: string, value: string, share = 0.62): void {
  const { left, right } = paper.page.margins;
  const width = paper.page.width - left - right;
  if (paper.y > paper.page.height - 90) paper.addPage();
  const top = paper.y;
  plain(paper).text(name, left, top, { width: width * share });
  const bottom = paper.y;
  paper.font(BOLD).text(value, left + width * share, top, { width: width * (1 - share), align: 'right' });
  paper.y = Math.max(bottom, paper.y) + 2;
  paper
    .moveTo(left, paper.y)
    .lineTo(left + width, paper.y)
    .lineWidth(0.4)
    .strokeColor('#ccc')
    .stroke();
  paper.y += 3;
  paper.x = left;
}

/** The foot of every page: which it is, and the end of the log when it was printed. */
export function foot(paper: Paper, say: Translator, log: { readonly entries: number; readonly head: string }): void {
  const { count } = paper.bufferedPageRange();
  for (let i = 0; i < count; i += 1) {
    paper.switchToPage(i);
    const { left, right } = paper.page.margins;
    // Below the margin, where the text would else begin a page of its own.
    paper.page.margins.bottom = 0;
    plain(paper, 7.5).text(
      say('report.foot', { page: i + 1, pages: count, entries: log.entries, head: log.head }),
      left,
      paper.page.height - 36,
      { width: paper.page.width - left - right, lineBreak: false },
    );
  }
}
