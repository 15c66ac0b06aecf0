/** Paper: a PDF as it is drawn, gathered into one piece. */
import PDFDocument from 'pdfkit';

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
