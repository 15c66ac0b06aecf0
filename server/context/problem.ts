/** Problems: errors with a sentence that a person can act on, answered as RFC 9457 documents. */
import type { FieldError, FieldErrors } from '../../contract/form/validate.ts';
import type { KeyOf, None, Values, ValuesOf } from '../../core/language/values.ts';
import type { ServerText } from '../language/text.ts';
import type { Translator } from '../language/translator.ts';

/** What can be refused, by the key of its sentence without `problem.`. */
export type ProblemKey = keyof ServerText extends infer Key ? (Key extends `problem.${infer Of}` ? Of : never) : never;

/** What a sentence wants, and the fields that are to blame. */
type Detail<Key extends ProblemKey> = ServerText[`problem.${Key}`] extends None
  ? [values?: None, fields?: FieldErrors]
  : [values: ServerText[`problem.${Key}`], fields?: FieldErrors];

export class Problem<Key extends ProblemKey = ProblemKey> extends Error {
  readonly values: Values;
  readonly fields: FieldErrors | null;

  constructor(
    readonly status: number,
    readonly key: Key,
    ...[values, fields]: Detail<Key>
  ) {
    super(`${status} ${key}`);
    this.values = values ?? {};
    this.fields = fields ?? null;
  }
}

export const notFound = () => new Problem(404, 'notFound');

/** 422 for one field that only the server can judge. */
export const fieldProblem = <const Key extends `field.${string}`>(
  path: string,
  key: Key & KeyOf<ServerText, Key>,
  ...[values = {}]: ValuesOf<ServerText, Key>
) => new Problem(422, 'fields', {}, { [path]: { key, values: values as FieldError['values'] } });

const TITLES: Record<number, string> = {
  400: 'Bad request',
  401: 'Not signed in',
  403: 'Not allowed',
  404: 'Not found',
  409: 'Conflict',
  410: 'Gone',
  413: 'Too large',
  415: 'Not a photo',
  422: 'Fields to correct',
  429: 'Too many requests',
  500: 'Server error',
  503: 'Busy',
};

/** The problem document of RFC 9457, with `fields` where a form is to blame. */
export function problemDocument(problem: Problem, say: Translator) {
  return {
    type: `urn:dewline:problem:${problem.key}`,
    title: TITLES[problem.status] ?? 'Error',
    status: problem.status,
    detail: say.text(`problem.${problem.key}`, problem.values),
    ...(problem.fields && {
      fields: Object.fromEntries(
        Object.entries(problem.fields).map(([path, { key, values }]) => [path, say.text(key, values)]),
      ),
    }),
  };
}

/**
 * Why something is refused, in words; null where it was done. For work of which each piece stands by itself: what is
 * refused must have written nothing.
 */
export async function problemOf(
  { env: { say } }: { readonly env: { readonly say: Translator } },
  work: () => Promise<unknown>,
): Promise<string | null> {
  try {
    await work();
    return null;
  } catch (error) {
    if (!(error instanceof Problem)) throw error;
    const { detail, fields } = problemDocument(error, say);
    return fields ? Object.values(fields).join(' ') : detail;
  }
}
