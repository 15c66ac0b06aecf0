/** A new organisation and somebody new, as rows, where nothing is said of how they read. */
import type { Row } from './tables.ts';

/** As `workDays` of a person counts them. */
const MONDAY_TO_FRIDAY = 31;

type Known = Pick<Row<'person'>, 'id' | 'organisationId' | 'name' | 'createdAt'> &
  Partial<Pick<Row<'person'>, 'email' | 'passwordHash' | 'level' | 'hoursAWeek'>>;

/** A person's whole row from what is known of them at first. */
export const personRow = (known: Known): Row<'person'> => ({
  email: null,
  passwordHash: null,
  disabledAt: null,
  formerRoles: '',
  totpSecret: null,
  totpStep: 0,
  limited: 0,
  level: 'staff',
  hoursAWeek: null,
  workDays: MONDAY_TO_FRIDAY,
  basePropertyId: null,
  language: null,
  units: null,
  ...known,
});

/** What an office reads and reckons in until it says. */
export const AT_FIRST = { language: 'en', units: 'metric', currency: 'EUR' } as const;

/** An organisation's whole row from what is known of it at first. */
export const organisationRow = (
  known: Pick<Row<'organisation'>, 'id' | 'name' | 'createdAt'> & Partial<Row<'organisation'>>,
): Row<'organisation'> => ({ ...AT_FIRST, ...known });
