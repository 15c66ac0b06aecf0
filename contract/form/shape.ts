/** Whether a value has a shape that its schema could read at all: told before any schema reads it. */
import type { AnySchema } from 'yup';
import type { FieldError, FieldErrors } from './errors.ts';

/** How much longer than its limit a text may come: what is trimmed away is no reason to refuse it. */
const SLACK = 100;
/** The longest text where the schema names no limit. */
const LONGEST = 400;
const MOST_ITEMS = 1000;

interface Described {
  readonly type: string;
  readonly fields?: Readonly<Record<string, AnySchema>>;
  readonly innerType?: AnySchema;
  readonly tests: readonly {
    readonly OPTIONS?: { readonly name?: string; readonly params?: Record<string, unknown> };
  }[];
  resolve(options: { readonly value: unknown }): AnySchema;
}

/**
 * What of a value its schema could not read but at a cost: a text or a list beyond its limit, an object where a text is
 * asked for, a sign that no text holds. The library reads every item of a list before it counts them.
 * @returns what is wrong by its path; null where the schema may read it
 */
export function misshapen(schema: AnySchema, value: unknown): FieldErrors | null {
  const errors: Record<string, FieldError> = {};
  look(schema, value, '', errors);
  return Object.keys(errors).length > 0 ? errors : null;
}

function look(schema: AnySchema, value: unknown, path: string, errors: Record<string, FieldError>): void {
  if (value === undefined || value === null) return;
  const { type, fields, innerType, tests } = described(schema, value);
  const refuse = (key: string, values: FieldError['values'] = {}) => {
    errors[path] = { key, values };
  };
  const most = limitOf(tests);
  if (type === 'object') {
    if (!plainObject(value)) return refuse('field.type');
    for (const [name, field] of Object.entries(fields ?? {}))
      if (Object.hasOwn(value, name)) look(field, value[name], path ? `${path}.${name}` : name, errors);
    return;
  }
  if (type === 'array') {
    if (!Array.isArray(value)) return refuse('field.type');
    const max = most ?? MOST_ITEMS;
    if (value.length > max) return refuse('field.maxItems', { max });
    if (innerType) value.forEach((item, index) => look(innerType, item, `${path}[${index}]`, errors));
    return;
  }
  const wrong = ofText(type === 'string' ? (most ?? LONGEST) : LONGEST, value);
  if (wrong) errors[path] = wrong;
}

/** What of a text, or of whatever stands for one, no schema could read. */
function ofText(max: number, value: unknown): FieldError | null {
  if (typeof value === 'object') return { key: 'field.type', values: {} };
  if (typeof value !== 'string') return null;
  if (value.length > max + SLACK) return { key: 'field.maxLength', values: { max } };
  return value.includes('\0') ? { key: 'field.invalid', values: {} } : null;
}

/** A schema that is made for its value, made; any other as it stands, since its conditions hang on other fields. */
function described(schema: AnySchema, value: unknown): Described {
  const known = schema as AnySchema & Described;
  return known.type === 'lazy' ? described(known.resolve({ value: plainObject(value) ? value : {} }), value) : known;
}

const plainObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function limitOf(tests: Described['tests']): number | undefined {
  const limit = tests.find(({ OPTIONS }) => OPTIONS?.name === 'max')?.OPTIONS?.params?.max;
  return typeof limit === 'number' ? limit : undefined;
}
