/** Routes of measurements. */
import { OFFICE, passing, write } from '../route.ts';
import type { KeepMeasurement, MeasurementAnswer } from './measure.ts';

export const measureRoutes = {
  'measurement.keep': passing<{ form: KeepMeasurement; answer: MeasurementAnswer }>()(
    write('POST', '/measurements', OFFICE, 8),
  ),
} as const;
