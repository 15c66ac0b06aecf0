/** Routes of who signs in, and who works here. */
import { ANYBODY, MANAGER, passing, read, refusing, write, type Made } from '../route.ts';
import type { FirstRun, NewPerson, Person, SessionAnswer, SignIn } from './people.ts';

export const peopleRoutes = {
  'session.read': passing<{ answer: SessionAnswer }>()(read('/session', 'anyone')),
  'session.open': passing<{ form: SignIn; answer: SessionAnswer }>()(
    refusing(write('POST', '/session', 'anyone', 4, 10), 'wrongPassword'),
  ),
  'session.close': passing<{ answer: object }>()(write('DELETE', '/session', ANYBODY, 0)),
  'install.create': passing<{ form: FirstRun; answer: SessionAnswer }>()(
    refusing(write('POST', '/install', 'anyone', 4, 10), 'emailTaken', 'installed'),
  ),
  'link.exchange': passing<{ form: { readonly token: string }; answer: SessionAnswer }>()(
    refusing(write('POST', '/link', 'anyone', 4, 20), 'linkOver'),
  ),
  'people.read': passing<{ answer: { people: readonly Person[] } }>()(read('/people', MANAGER)),
  'people.create': passing<{ form: NewPerson; answer: Made }>()(
    refusing(write('POST', '/people', MANAGER, 4, 30), 'emailTaken'),
  ),
} as const;
