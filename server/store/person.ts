/** Somebody new, as a row: without a second factor, and here. */
import type { Row } from './tables.ts';

type Known = Pick<Row<'person'>, 'id' | 'organisationId' | 'name' | 'createdAt'> &
  Partial<Pick<Row<'person'>, 'email' | 'passwordHash'>>;

/** A person's whole row from what is known of them at first. */
export const personRow = (known: Known): Row<'person'> => ({
  email: null,
  passwordHash: null,
  disabledAt: null,
  formerRoles: '',
  totpSecret: null,
  totpStep: 0,
  limited: 0,
  ...known,
});
