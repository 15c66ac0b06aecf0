/** Measurements that are kept with a record. */
import { lazy, mixed, object, string, type InferType } from 'yup';
import { MEASURES, type MeasureInputs } from '../../core/measure/measures.ts';
import { id, line, note } from '../form/fields.ts';

const value = () =>
  mixed<number | string>()
    .test(
      'value',
      'field.type',
      (it) =>
        it === '' || (typeof it === 'string' && it.length <= 60) || (typeof it === 'number' && Number.isFinite(it)),
    )
    .defined();
export const keepMeasurement = object({
  id: id().required(),
  /** A point's id or its number. */
  point: line(40).required(),
  measure: string()
    .oneOf(MEASURES.map(({ key }) => key))
    .required(),
  inputs: lazy((given: unknown) =>
    object(
      Object.fromEntries(
        Object.keys((given as object | undefined) ?? {})
          .slice(0, 12)
          .map((key) => [key, value()]),
      ),
    ).required(),
  ),
  note: note().default(''),
});
export type KeepMeasurement = Omit<InferType<typeof keepMeasurement>, 'inputs'> & { readonly inputs: MeasureInputs };

export interface MeasurementAnswer {
  readonly point: string;
  /** The day of the record that it is kept with; null where there is none yet. */
  readonly record: string | null;
}
