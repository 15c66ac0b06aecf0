/** A small workbook as a spreadsheet program writes it (ECMA-376, Office Open XML): one sheet of texts and days. */
import { buffer } from 'node:stream/consumers';
import { ZipFile } from 'yazl';

const HEAD = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';
const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';
/** Day 0 of a workbook is 30 December 1899, counted from 1 January 1970. */
const EPOCH_DAYS = 25_569;

const cell = (value: string | Date) =>
  value instanceof Date
    ? `<c s="1"><v>${value.getTime() / 86_400_000 + EPOCH_DAYS}</v></c>`
    : `<c t="inlineStr"><is><t>${value.replace(/&/g, '&amp;').replace(/</g, '&lt;')}</t></is></c>`;

/** The bytes of a workbook with these rows. */
export async function workbook(rows: readonly (readonly (string | Date)[])[]): Promise<Buffer> {
  const zip = new ZipFile();
  const add = (name: string, text: string) => zip.addBuffer(Buffer.from(`${HEAD}${text}`), name);
  const sheet = 'application/vnd.openxmlformats-officedocument.spreadsheetml';
  add(
    '[Content_Types].xml',
    `<Types xmlns="${PACKAGE}/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/xl/workbook.xml" ContentType="${sheet}.sheet.main+xml"/><Override PartName="/xl/worksheets/sheet1.xml" ContentType="${sheet}.worksheet+xml"/><Override PartName="/xl/styles.xml" ContentType="${sheet}.styles+xml"/></Types>`,
  );
  add(
    '_rels/.rels',
    `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="r1" Type="${OFFICE}/officeDocument" Target="xl/workbook.xml"/></Relationships>`,
  );
  add(
    'xl/_rels/workbook.xml.rels',
    `<Relationships xmlns="${PACKAGE}/relationships"><Relationship Id="r1" Type="${OFFICE}/worksheet" Target="worksheets/sheet1.xml"/><Relationship Id="r2" Type="${OFFICE}/styles" Target="styles.xml"/></Relationships>`,
  );
  add(
    'xl/workbook.xml',
    `<workbook xmlns="${MAIN}" xmlns:r="${OFFICE}"><sheets><sheet name="Homes" sheetId="1" r:id="r1"/></sheets></workbook>`,
  );
  add(
    'xl/styles.xml',
    `<styleSheet xmlns="${MAIN}"><fonts count="1"><font/></fonts><fills count="1"><fill/></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs><cellXfs count="2"><xf numFmtId="0"/><xf numFmtId="14" applyNumberFormat="1"/></cellXfs></styleSheet>`,
  );
  add(
    'xl/worksheets/sheet1.xml',
    `<worksheet xmlns="${MAIN}"><sheetData>${rows.map((row, r) => `<row r="${r + 1}">${row.map((value, c) => cell(value).replace('<c ', `<c r="${String.fromCharCode(65 + c)}${r + 1}" `)).join('')}</row>`).join('')}</sheetData></worksheet>`,
  );
  zip.end();
  return buffer(zip.outputStream);
}
