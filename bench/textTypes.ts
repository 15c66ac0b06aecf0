/** The types of all texts: each key with the values that its text needs, parsed from the texts. */
import { IntlMessageFormat } from 'intl-messageformat';
import { fieldsText } from '../contract/form/en.ts';
import { coreText } from '../core/en.ts';
import type { Messages } from '../core/language/message.ts';
import { serverText } from '../server/language/en.ts';
import { deskVoice } from '../web/desk/voice.ts';

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

/** An interface of these texts, beside those of the ones that it extends. */
function interfaceOf(name: string, messages: Messages, ...extended: readonly string[]): string {
  const lines = Object.keys(messages)
    .sort()
    .map((key) => {
      const wants = wantsOf(new IntlMessageFormat(messages[key]!, 'en-GB').getAst());
      const values = [...wants].map(([value, kind]) => `${value}: ${TYPES[kind]}`);
      return `  '${key}': ${values.length > 0 ? `{ ${values.join('; ')} }` : 'None'};`;
    });
  const above = extended.length > 0 ? ` extends ${extended.join(', ')}` : '';
  return [`export interface ${name}${above} {`, ...lines, '}', ''].join('\n');
}

/** A file of interfaces, with the imports that they need. */
function fileOf(imports: readonly string[], ...interfaces: readonly string[]): string {
  const needs = ['Choice', 'None'].filter((it) => interfaces.some((text) => new RegExp(`: ${it}\\b`).test(text)));
  return [
    '/** Every text by its key, with what it wants said with it. Written by `npm run text`. */',
    ...imports.map((it) => it.replace('NEEDS', needs.join(', '))),
    '',
    ...interfaces,
  ].join('\n');
}

const without = (messages: Messages, others: Messages): Messages =>
  Object.fromEntries(Object.entries(messages).filter(([key, text]) => others[key] !== text));

/** What core and web both say stands once, and so does what the contract says on either side. */
const web = without(deskVoice, fieldsText);
const shared = without(coreText, without(coreText, web));
const VALUES = "import type { NEEDS } from '../../core/language/values.ts';";
const FIELDS = "import type { FieldsText } from '../../contract/form/text.ts';";
export const VOICES: Readonly<Record<string, string>> = {
  'core/language/text.ts': fileOf(
    ["import type { NEEDS } from './values.ts';"],
    interfaceOf('SharedText', shared),
    interfaceOf('CoreText', without(coreText, shared), 'SharedText'),
  ),
  'contract/form/text.ts': fileOf([VALUES], interfaceOf('FieldsText', fieldsText)),
  'server/language/text.ts': fileOf(
    [FIELDS, "import type { CoreText } from '../../core/language/text.ts';", VALUES],
    interfaceOf('ServerText', serverText, 'CoreText', 'FieldsText'),
  ),
  'web/language/text.ts': fileOf(
    [FIELDS, "import type { SharedText } from '../../core/language/text.ts';", VALUES],
    interfaceOf('WebText', without(web, shared), 'SharedText', 'FieldsText'),
  ),
};
