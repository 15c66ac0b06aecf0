/** `npm run text`: what each text wants said with it, parsed from the texts into types, one file to each voice. */
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { IntlMessageFormat } from 'intl-messageformat';
import { fieldsText } from '../contract/form/en.ts';
import { coreText } from '../core/en.ts';
import { catalogueWords } from '../core/catalogue/en/words.ts';
import { vocabulary } from '../core/language/vocabulary.ts';
import type { Messages } from '../core/language/message.ts';
import { serverText } from '../server/language/en.ts';
import { catalogueDeskText } from '../web/catalogue/en.ts';
import { deskText } from '../web/desk/en.ts';
import { dueDeskText } from '../web/due/en.ts';
import { measureDeskText } from '../web/measure/en.ts';
import { registerDeskText } from '../web/register/en.ts';
import { doingText } from '../web/tenant/en.ts';

type Ast = ReturnType<IntlMessageFormat['getAst']>;
/** From the loosest to the strictest: a value used in two ways must do for the stricter one. */
const KINDS = ['select', 'plain', 'number'] as const;
type Kind = (typeof KINDS)[number];
const TYPES: Readonly<Record<Kind, string>> = { select: 'Choice', plain: 'string | number', number: 'number' };

/** The kinds of ICU elements, by the numbers that the parser gives them. */
const PLAIN = 1;
const NUMBER = 2;
const SELECT = 5;
const PLURAL = 6;
const TAG = 8;

/** What a parsed text wants, by name. */
export function wantsOf(ast: Ast, wants = new Map<string, Kind>()): Map<string, Kind> {
  const want = (name: string, kind: Kind) =>
    wants.set(name, KINDS[Math.max(KINDS.indexOf(kind), KINDS.indexOf(wants.get(name) ?? 'select'))]!);
  for (const element of ast) {
    if (element.type === PLAIN) want(element.value, 'plain');
    if (element.type === NUMBER || element.type === PLURAL) want(element.value, 'number');
    if (element.type === SELECT) want(element.value, 'select');
    if (element.type === SELECT || element.type === PLURAL)
      for (const { value } of Object.values(element.options)) wantsOf(value, wants);
    if (element.type === TAG) wantsOf(element.children, wants);
  }
  return wants;
}

/** The file of types of one voice. */
export function textTypes(name: string, of: string, messages: Messages): string {
  const lines = Object.keys(messages)
    .sort()
    .map((key) => {
      const wants = wantsOf(new IntlMessageFormat(messages[key]!, 'en-GB').getAst());
      const values = [...wants].map(([value, kind]) => `${value}: ${TYPES[kind]}`);
      return `  '${key}': ${values.length > 0 ? `{ ${values.join('; ')} }` : 'None'};`;
    });
  const needs = ['Choice', 'None'].filter((it) => lines.some((line) => line.includes(it)));
  const from = of === 'core' ? './values.ts' : '../../core/language/values.ts';
  return [
    `/** Every text of the ${of} by its key, with what it wants said with it. Written by \`npm run text\`. */`,
    `import type { ${needs.join(', ')} } from '${from}';`,
    '',
    `export interface ${name} {`,
    ...lines,
    '}',
    '',
  ].join('\n');
}

const said = { ...coreText, ...fieldsText, ...serverText };
export const VOICES: Readonly<Record<string, string>> = {
  'core/language/text.ts': textTypes('CoreText', 'core', coreText),
  'server/language/text.ts': textTypes('ServerText', 'server', said),
  'web/language/text.ts': textTypes('WebText', 'web', {
    ...fieldsText,
    ...vocabulary,
    ...catalogueWords,
    ...doingText,
    ...catalogueDeskText,
    ...registerDeskText,
    ...measureDeskText,
    ...deskText,
    ...dueDeskText,
  }),
};

if (process.argv[1] === import.meta.filename)
  for (const [path, text] of Object.entries(VOICES)) writeFileSync(join(import.meta.dirname, '..', path), text);
