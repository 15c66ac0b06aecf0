/** Reading a PDF that the server gave: its words, its pages, whether pictures stand in it. */
import type { Test } from 'supertest';

export interface ReadPaper {
  readonly status: number;
  readonly type: string;
  readonly pages: number;
  /** All of its text, pages one after the other. */
  readonly text: string;
  readonly pictures: number;
}

/** Asks for a PDF and reads it. */
export async function readPaper(test: Test): Promise<ReadPaper> {
  const { status, headers, body } = await test.buffer(true).parse((response, done) => {
    const chunks: Buffer[] = [];
    response.on('data', (chunk: Buffer) => chunks.push(chunk));
    response.on('end', () => done(null, Buffer.concat(chunks)));
  });
  const type = String(headers['content-type']);
  if (type !== 'application/pdf') return { status, type, pages: 0, text: '', pictures: 0 };
  const bytes = body as Buffer;
  const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
  const paper = await getDocument({ data: new Uint8Array(bytes), verbosity: 0 }).promise;
  const pages: string[] = [];
  for (let i = 1; i <= paper.numPages; i += 1) {
    const { items } = await (await paper.getPage(i)).getTextContent();
    pages.push(items.map((item) => ('str' in item ? item.str : '')).join(' '));
  }
  const text = pages.join('\n').replace(/ +/g, ' ');
  const pictures = bytes.toString('latin1').match(/\/Subtype \/Image/g)?.length ?? 0;
  await paper.destroy();
  return { status, type, pages: pages.length, text, pictures };
}
