/** What is wrong with a field of a form. */

/** A message key (`field.*`) with its values. */
export interface FieldError {
  readonly key: string;
  readonly values: Readonly<Record<string, string | number>>;
}

export type FieldErrors = Readonly<Record<string, FieldError>>;
