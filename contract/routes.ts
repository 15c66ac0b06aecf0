/**
 * The door between web and server: every route, who may call it, how often, and how much it takes in.
 * The server mounts nothing that is not here, and a test walks the table as every role.
 */
import { MAX_IMPORT_MB, MAX_PHOTO_MB } from './limits.ts';
import type { Role } from './people.ts';

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

export interface Route<M extends Method = Method, P extends string = string> {
  readonly method: M;
  readonly path: P;
  /** `anyone` needs no session. */
  readonly roles: readonly Role[] | 'anyone';
  /** Requests a minute of one session (or one address, where there is none). */
  readonly perMinute: number;
  /** Largest body in kB; 0 takes none. */
  readonly bodyKb: number;
}

const M: readonly Role[] = ['manager'];
const MS: readonly Role[] = ['manager', 'staff'];
const ALL: readonly Role[] = ['manager', 'staff', 'tenant'];
/** Whoever does jobs. */
const DOERS: readonly Role[] = [...ALL, 'contractor'];

const read = <P extends string>(path: P, roles: Route['roles']): Route<'GET', P> => ({
  method: 'GET',
  path,
  roles,
  perMinute: 600,
  bodyKb: 0,
});
const write = <M extends 'POST' | 'PUT' | 'DELETE', P extends string>(
  method: M,
  path: P,
  roles: Route['roles'],
  bodyKb = 32,
  perMinute = 240,
): Route<M, P> => ({ method, path, roles, perMinute, bodyKb });

export const ROUTES = {
  'lastDone.claim': write('POST', '/last-done', M, 4, 30),
  'list.read': read('/places/:id/list', M),
  'list.give': write('POST', '/lists', M, 16),
  'handBacks.read': read('/hand-backs', M),
  'handBack.settle': write('POST', '/hand-backs/:id/settle', M, 1),
  'session.read': read('/session', 'anyone'),
  'session.open': write('POST', '/session', 'anyone', 4, 10),
  'session.close': write('DELETE', '/session', DOERS, 0),
  'install.create': write('POST', '/install', 'anyone', 4, 10),
  'link.exchange': write('POST', '/link', 'anyone', 4, 20),
  'people.read': read('/people', M),
  'people.create': write('POST', '/people', M, 4, 30),
  'catalogue.read': read('/catalogue', DOERS),
  'homes.read': read('/homes', MS),
  'property.create': write('POST', '/properties', M),
  'property.change': write('POST', '/properties/:id/changes', M),
  'building.create': write('POST', '/buildings', M),
  'place.create': write('POST', '/places', M),
  'place.read': read('/places/:id', MS),
  'tenancy.create': write('POST', '/tenancies', M),
  'tenancy.change': write('PUT', '/tenancies/:id', M),
  'tenancy.withdraw': write('DELETE', '/tenancies/:id', M, 0),
  'tenancy.household': write('POST', '/tenancies/:id/household', M),
  'tenancy.link': write('POST', '/tenancies/:id/links', M, 4, 30),
  'tenancy.revoke': write('DELETE', '/tenancies/:id/links', M, 0),
  'machine.create': write('POST', '/machines', M),
  'machine.change': write('PUT', '/machines/:id', M),
  'point.read': read('/points/:id', M),
  'point.specify': write('PUT', '/points/:id/specification', M),
  'point.working': read('/points/:id/working', M),
  'point.suppose': read('/points/:id/supposed', M),
  'point.anchor': write('PUT', '/points/:id/anchor', M),
  'point.schedule': write('PUT', '/points/:id/scheduled', M),
  'practice.read': read('/practice', M),
  'practice.preview': read('/practice/preview/:scope/:id', M),
  'practice.choose': write('POST', '/practice', M),
  'method.choose': write('POST', '/methods', M),
  'assumptions.change': write('POST', '/assumptions', M),
  'seasons.change': write('POST', '/seasons', M),
  'upkeepDay.change': write('POST', '/upkeep-day', M),
  'prices.change': write('POST', '/prices', M),
  'budget.change': write('POST', '/budgets', M),
  'calendar.read': read('/calendar/:scope/:id', M),
  'look.open': read('/looks/:number', ALL),
  'look.create': write('POST', '/looks', ALL, 8, 30),
  'signals.list': read('/signals', MS),
  'signal.report': write('POST', '/signals', ALL, 32, 30),
  'signal.dismiss': write('POST', '/signals/:id/dismissal', M),
  'inbox.signal': write('POST', '/inbox/signals', 'anyone', 4, 120),
  'emitter.create': write('POST', '/machines/:id/emitters', M, 4, 30),
  'emitter.retire': write('DELETE', '/emitters/:id', M, 0),
  'habits.attest': write('POST', '/habits', ['tenant'], 16, 30),
  'habits.check': write('POST', '/habits/checks', MS),
  'place.hold': write('POST', '/places/:id/hold', M),
  'place.turnover': read('/places/:id/turnover', M),
  'tenancy.end': write('POST', '/tenancies/:id/end', M),
  'machine.contract': write('PUT', '/machines/:id/contract', M),
  'machine.retire': write('POST', '/machines/:id/retirement', M),
  'machine.read': read('/labels/:number', ALL),
  'jobs.begin': write('POST', '/labels/:number/jobs', ALL, 8, 30),
  'machine.remove': write('DELETE', '/machines/:id', M, 0),
  'machine.move': write('PUT', '/machines/:id/place', M),
  'labels.read': { ...read('/labels/:scope/:id', M), perMinute: 60 },
  'templates.list': read('/templates', M),
  'template.create': write('POST', '/templates', M, 64),
  'template.remove': write('DELETE', '/templates/:id', M, 0),
  'template.ofPlace': read('/places/:id/template', M),
  'units.create': write('POST', '/units', M, 128, 60),
  'units.remove': write('POST', '/units/removal', M, 32),
  'machines.createMany': write('POST', '/machines/many', M, 64, 60),
  'register.known': read('/register/known', M),
  'register.export': read('/register/table', M),
  'register.import': write('POST', '/register/table', M, (MAX_IMPORT_MB + 1) * 1024, 12),
  'baseline.read': read('/baseline', M),
  'baseline.plan': write('POST', '/baseline', M),
  'baseline.give': write('POST', '/baseline/weeks', M),
  'procedure.read': read('/procedures/:key', MS),
  'rehearsal.read': read('/procedures/:key/rehearsal', MS),
  'rehearsals.list': read('/rehearsals', MS),
  'rehearsal.keep': write('POST', '/rehearsals', MS, 8, 60),
  'edition.save': write('POST', '/procedures/:key/editions', M, 64),
  'edition.takeOurs': write('POST', '/procedures/:key/ours', M),
  'measurement.keep': write('POST', '/measurements', MS, 8),
  'board.read': read('/board', M),
  'jobs.mine': read('/jobs', MS),
  'jobs.give': write('POST', '/jobs', M),
  'jobs.contract': write('POST', '/jobs/contracted', M, 16, 60),
  'jobs.read': read('/jobs/:id', DOERS),
  'jobs.move': write('POST', '/jobs/:id/moves', DOERS),
  'jobs.send': write('POST', '/jobs/:id/submission', DOERS, 128, 60),
  'jobs.withdraw': write('POST', '/jobs/:id/withdrawal', DOERS, 1, 60),
  'home.read': read('/home', ['tenant', 'contractor']),
  'record.log': write('POST', '/records', MS),
  'photo.create': write('POST', '/photos', DOERS, MAX_PHOTO_MB * 1024, 60),
  'photo.read': read('/photos/:id', DOERS),
  'proof.queue': read('/proof', M),
  'proof.read': read('/proof/:id', M),
  'proof.judge': write('POST', '/proof/:id/verdict', M),
  'proof.undo': write('POST', '/proof/:id/undo', M),
  'faults.list': read('/faults', MS),
  'faults.report': write('POST', '/faults', DOERS, 32, 30),
  'deficiencies.list': read('/deficiencies', MS),
  'deficiencies.report': write('POST', '/deficiencies', DOERS, 32, 30),
  'deficiencies.change': write('PUT', '/deficiencies/:id', M, 8),
  'deficiencies.close': write('POST', '/deficiencies/:id/close', MS, 16),
  'alarms.list': read('/alarms', MS),
  'alarm.raise': write('POST', '/alarms', DOERS, 8, 60),
  'alarm.read': read('/alarms/:id', DOERS),
  'alarm.acknowledge': write('POST', '/alarms/:id/acknowledge', MS, 1),
  'alarm.answer': write('POST', '/alarms/answer', 'anyone', 4, 20),
  'duty.read': read('/duty', M),
  'duty.change': write('POST', '/duty', M, 8),
  'duty.try': write('POST', '/duty/try', M, 1, 10),
  'property.numbers': write('POST', '/properties/:id/numbers', M, 4),
  'faults.close': write('POST', '/faults/:id/close', MS),
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof ROUTES;
