/** Problems: errors with a sentence that a person can act on, answered as RFC 9457 documents. */
import type { FieldErrors } from '../../contract/validate.ts';
import type { Translator, Values } from '../../core/language/message.ts';

export class Problem extends Error {
  constructor(
    readonly status: number,
    /** Message key, without `problem.`. */
    readonly key: string,
    readonly values: Values = {},
    readonly fields: FieldErrors | null = null,
  ) {
    super(`${status} ${key}`);
  }
}

export const notFound = () => new Problem(404, 'notFound');

/** 422 for one field that only the server can judge. */
export const fieldProblem = (path: string, key: string, values: Record<string, string | number> = {}) =>
  new Problem(422, 'fields', {}, { [path]: { key, values } });

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
};

/** The problem document of RFC 9457, with `fields` where a form is to blame. */
export function problemDocument(problem: Problem, say: Translator) {
  return {
    type: `urn:dewline:problem:${problem.key}`,
    title: TITLES[problem.status] ?? 'Error',
    status: problem.status,
    detail: say(`problem.${problem.key}`, problem.values),
    ...(problem.fields && {
      fields: Object.fromEntries(
        Object.entries(problem.fields).map(([path, { key, values }]) => [path, say(key, values)]),
      ),
    }),
  };
}
