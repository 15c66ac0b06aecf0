/** Short forms for procedures that follow no method: what is usual is left out. */
import { SCHOOLS, type PracticeDays, type School } from './practice.ts';
import type { Procedure } from './types.ts';

type Own = Pick<Procedure, 'kind' | 'days' | 'risk' | 'level' | 'minutes' | 'steps'> & Partial<Procedure>;

/** A procedure with the usual values for what it does not say itself. */
export const procedure = (key: string, own: Own): Procedure => ({
  key,
  version: 1,
  assumed: [],
  drivers: [],
  core: false,
  follows: [],
  safetyCritical: false,
  kit: [],
  materials: [],
  stops: [],
  specification: ['position', 'access', 'makerLimitDays', 'localLimitDays', 'note'],
  ...own,
});

export const days = (watchful: number, steady: number, light: number): PracticeDays => ({ watchful, steady, light });

/** No practitioner stated any of the three. */
export const ALL: readonly School[] = SCHOOLS;

/**
 * Where a school waits for a signal, the part is served after so many days at the latest: our assumption, from the air
 * cleaner's.
 */
export const SIGNAL_CAP = 730;
