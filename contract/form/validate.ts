/** One way to hold a value against a schema, for forms and for the server alike. */
import { ValidationError, type AnySchema, type InferType } from 'yup';
import type { FieldError, FieldErrors } from './errors.ts';
import { misshapen } from './shape.ts';

export type { FieldError, FieldErrors };

export type CheckResult<T> =
  { readonly value: T; readonly errors: null } | { readonly value: null; readonly errors: FieldErrors };

/** The value as the schema reads it, or what is wrong with each field by its path. */
export function check<S extends AnySchema>(schema: S, input: unknown): CheckResult<InferType<S>> {
  const shape = misshapen(schema, input);
  if (shape) return { value: null, errors: shape };
  try {
    return {
      value: schema.validateSync(input, { abortEarly: false, stripUnknown: true }) as InferType<S>,
      errors: null,
    };
  } catch (error) {
    if (!(error instanceof ValidationError)) throw error;
    const errors: Record<string, FieldError> = {};
    for (const one of error.inner.length > 0 ? error.inner : [error]) {
      // The library passes on whatever our schemas say is wrong: a key, or a key with its values.
      const said: unknown = one.message;
      errors[one.path ?? ''] ??=
        typeof said === 'string' ? { key: said, values: {} } : withPlainValues(said as FieldMessage);
    }
    return { value: null, errors };
  }
}

interface FieldMessage {
  readonly key: string;
  readonly values: Readonly<Record<string, unknown>>;
}

const withPlainValues = ({ key, values }: FieldMessage): FieldError => ({ key, values: plainValues(values) });

function plainValues(values: FieldMessage['values']): Record<string, string | number> {
  return Object.fromEntries(
    Object.entries(values).filter(
      (pair): pair is [string, string | number] => typeof pair[1] === 'string' || typeof pair[1] === 'number',
    ),
  );
}
