/** A small workbook as a spreadsheet program writes it (ECMA-376, Office Open XML): one sheet of texts and days. */
import { buffer } from 'node:stream/consumers';
import { ZipFile } from 'yazl';

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
/** Day 0 of a workbook is 30 December 1899, counted from 1 January 1970. */
const EPOCH_DAYS = 25_569;

const COLUMNS = 'ABCDEFGHIJ';

const cell = (value: string | Date, at: string) =>
  value instanceof Date
    ? `<c r="${at}" s="1"><v>${value.getTime() / 86_400_000 + EPOCH_DAYS}</v></c>`
    : `<c r="${at}" t="inlineStr"><is><t>${value.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</t></is></c>`;

/** The bytes of a workbook with these rows. */
export async function workbook(rows: readonly (readonly (string | Date)[])[]): Promise<Buffer> {
  const zip = new ZipFile();
  const add = (name: string, text: string) => zip.addBuffer(Buffer.from(`${HEAD}${text}`), name);
  const sheet = 'application/vnd.openxmlformats-officedocument.spreadsheetml';
  const part = (name: string, type: string) =>
    `<Override PartName="/xl/${name}.xml" ContentType="${sheet}.${type}+xml"/>`;
  const link = (id: string, type: string, target: string) =>
    `<Relationship Id="${id}" Type="${OFFICE}/${type}" Target="${target}"/>`;
  const links = (...all: readonly string[]) =>
    `<Relationships xmlns="${PACKAGE}/relationships">${all.join('')}</Relationships>`;
  const kinds = [
    '<Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/>',
    '<Default Extension="xml" ContentType="application/xml"/>',
    part('workbook', 'sheet.main'),
    part('worksheets/sheet1', 'worksheet'),
    part('styles', 'styles'),
  ];
  add('[Content_Types].xml', `<Types xmlns="${PACKAGE}/content-types">${kinds.join('')}</Types>`);
  add('_rels/.rels', links(link('r1', 'officeDocument', 'xl/workbook.xml')));
  add(
    'xl/_rels/workbook.xml.rels',
    links(link('r1', 'worksheet', 'worksheets/sheet1.xml'), link('r2', 'styles', 'styles.xml')),
  );
  const sheets = '<sheets><sheet name="Homes" sheetId="1" r:id="r1"/></sheets>';
  add('xl/workbook.xml', `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}">${sheets}</workbook>`);
  const styles = [
    '<fonts count="1"><font/></fonts><fills count="1"><fill/></fills><borders count="1"><border/></borders>',
    '<cellStyleXfs count="1"><xf/></cellStyleXfs>',
    '<cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14" applyNumberFormat="1"/></cellXfs>',
  ];
  add('xl/styles.xml', `<styleSheet xmlns="${MAIN}">${styles.join('')}</styleSheet>`);
  const lines = rows.map(
    (row, r) => `<row r="${r + 1}">${row.map((value, c) => cell(value, `${COLUMNS[c]}${r + 1}`)).join('')}</row>`,
  );
  add('xl/worksheets/sheet1.xml', `<worksheet xmlns="${MAIN}"><sheetData>${lines.join('')}</sheetData></worksheet>`);
  zip.end();
  return buffer(zip.outputStream);
}
