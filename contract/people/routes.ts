/** Routes of who signs in, and who works here. */
import { ANYBODY, MANAGER, OFFICE, passing, read, refusing, write, type Made, wholeOffice } from '../route.ts';
import type {
  AccountAnswer,
  ChangeOffice,
  ChangePassword,
  Confirmed,
  EndSession,
  FirstRun,
  NewPerson,
  OpenAccess,
  FindPeople,
  PeopleAnswer,
  PersonChange,
  PersonChanged,
  Preferences,
  SecondFactor,
  SessionAnswer,
  SignIn,
  ToldLink,
} from './people.ts';
import type { NewToken, TokensAnswer } from './tokens.ts';

export const peopleRoutes = {
  'session.read': passing<{ answer: SessionAnswer }>()(read('/session', 'anyone')),
  'session.open': passing<{ form: SignIn; answer: SessionAnswer }>()(
    refusing(write('POST', '/session', 'anyone', 4, 10), 'wrongPassword', 'waitFirst', 'codeNeeded', 'wrongCode'),
  ),
  'session.close': passing<{ answer: object }>()(write('DELETE', '/session', ANYBODY, 0)),
  'install.create': passing<{ form: FirstRun; answer: SessionAnswer }>()(
    refusing(write('POST', '/install', 'anyone', 4, 10), 'emailTaken', 'installed'),
  ),
  'link.exchange': passing<{ form: { readonly token: string }; answer: SessionAnswer }>()(
    refusing(write('POST', '/link', 'anyone', 4, 20), 'linkOver', 'waitFirst'),
  ),
  'people.read': wholeOffice(passing<{ form: FindPeople; answer: PeopleAnswer }>()(read('/people', MANAGER))),
  'people.create': wholeOffice(
    passing<{ form: NewPerson; answer: Made }>()(refusing(write('POST', '/people', MANAGER, 4, 30), 'emailTaken')),
  ),
  'people.change': wholeOffice(
    passing<{ form: PersonChange; answer: PersonChanged }>()(
      refusing(write('PUT', '/people/:id', MANAGER, 4, 60), 'emailTaken', 'lastManager', 'notOffice'),
    ),
  ),
  'people.disable': wholeOffice(
    passing<{ answer: object }>()(
      refusing(write('POST', '/people/:id/disable', MANAGER, 1, 60), 'lastManager', 'notOffice'),
    ),
  ),
  'people.restore': wholeOffice(
    passing<{ answer: object }>()(refusing(write('POST', '/people/:id/restore', MANAGER, 1, 60), 'notOffice')),
  ),
  'people.link': wholeOffice(
    passing<{ answer: ToldLink }>()(refusing(write('POST', '/people/:id/link', MANAGER, 1, 30), 'notOffice')),
  ),
  'people.secondFactorOff': wholeOffice(
    passing<{ answer: object }>()(
      refusing(write('POST', '/people/:id/second-factor/off', MANAGER, 1, 30), 'notOffice'),
    ),
  ),
  'access.open': passing<{ form: OpenAccess; answer: SessionAnswer }>()(
    refusing(write('POST', '/access', 'anyone', 4, 10), 'linkOver', 'waitFirst', 'codeNeeded', 'wrongCode'),
  ),
  'access.ask': passing<{ form: { readonly email: string }; answer: object }>()(
    write('POST', '/access/letters', 'anyone', 1, 4),
  ),
  'tokens.list': wholeOffice(passing<{ answer: TokensAnswer }>()(read('/tokens', MANAGER))),
  'token.create': wholeOffice(
    passing<{ form: NewToken; answer: { readonly token: string } }>()(write('POST', '/tokens', MANAGER, 2, 30)),
  ),
  'token.revoke': wholeOffice(passing<{ answer: object }>()(write('DELETE', '/tokens/:id', MANAGER, 0, 60))),
  'openapi.read': read('/openapi.json', 'anyone'),
  'me.read': passing<{ answer: AccountAnswer }>()(read('/me', OFFICE)),
  'me.password': passing<{ form: ChangePassword; answer: object }>()(
    refusing(write('PUT', '/me/password', OFFICE, 4, 10), 'wrongPassword', 'waitFirst'),
  ),
  'me.prefer': passing<{ form: Preferences; answer: object }>()(write('PUT', '/me/preferences', ANYBODY, 1, 60)),
  'office.read': passing<{ answer: ChangeOffice }>()(read('/office', MANAGER)),
  'office.change': wholeOffice(
    passing<{ form: ChangeOffice; answer: object }>()(write('PUT', '/office', MANAGER, 1, 60)),
  ),
  'me.endSession': passing<{ form: EndSession; answer: { readonly ended: number } }>()(
    write('POST', '/me/sessions/end', OFFICE, 1, 60),
  ),
  'me.newSecret': passing<{ answer: { readonly secret: string; readonly uri: string } }>()(
    read('/me/second-factor/secret', OFFICE),
  ),
  'me.secondFactor': passing<{ form: SecondFactor; answer: { readonly codes: readonly string[] } }>()(
    refusing(write('POST', '/me/second-factor', OFFICE, 4, 10), 'wrongPassword', 'waitFirst', 'wrongCode'),
  ),
  'me.secondFactorOff': passing<{ form: Confirmed; answer: object }>()(
    refusing(write('POST', '/me/second-factor/off', OFFICE, 4, 10), 'wrongPassword', 'waitFirst'),
  ),
} as const;
