/** Routes of machines, procedures, editions, rehearsals. */
import { DOERS, MANAGER, OFFICE, passing, read, refusing, write, wholeOffice } from '../route.ts';
import type { CatalogueAnswer } from './catalogue.ts';
import type { DefinedAnswer, DefinitionFile, SaveDefined, TakeDefined } from './defined.ts';
import type { ProcedureAnswer, SaveEdition, TakeOurs } from './editions.ts';
import type { RehearsalAnswer, RehearsalOf, RehearsalsAnswer, RehearsedForm } from './rehearsals.ts';

export const catalogueRoutes = {
  'catalogue.read': passing<{ answer: CatalogueAnswer }>()(read('/catalogue', DOERS)),
  'procedure.read': passing<{ answer: ProcedureAnswer }>()(read('/procedures/:key', OFFICE)),
  'rehearsal.read': passing<{ form: RehearsalOf; answer: RehearsalAnswer }>()(
    read('/procedures/:key/rehearsal', OFFICE),
  ),
  'rehearsals.list': passing<{ answer: RehearsalsAnswer }>()(read('/rehearsals', OFFICE)),
  'rehearsal.keep': passing<{ form: RehearsedForm; answer: { asked: number; correct: number } }>()(
    write('POST', '/rehearsals', OFFICE, 8, 60),
  ),
  'defined.list': passing<{ answer: DefinedAnswer }>()(read('/machine-definitions', MANAGER)),
  'defined.save': wholeOffice(
    passing<{ form: SaveDefined; answer: { id: string; key: string } }>()(
      refusing(
        write('POST', '/machine-definitions', MANAGER, 128, 60),
        'definition',
        'definitionChanged',
        'machineInWork',
        'nameTaken',
      ),
    ),
  ),
  'defined.take': wholeOffice(
    passing<{ form: TakeDefined; answer: { id: string; key: string } }>()(
      refusing(
        write('POST', '/machine-definitions/taken', MANAGER, 128, 60),
        'definition',
        'definitionChanged',
        'machineInWork',
        'nameTaken',
      ),
    ),
  ),
  'defined.file': wholeOffice(passing<{ answer: DefinitionFile }>()(read('/machine-definitions/:id/file', MANAGER))),
  'defined.remove': wholeOffice(
    passing<{ answer: object }>()(refusing(write('DELETE', '/machine-definitions/:id', MANAGER, 0), 'inUse')),
  ),
  'edition.save': wholeOffice(
    passing<{ form: SaveEdition; answer: { number: number } }>()(
      refusing(write('POST', '/procedures/:key/editions', MANAGER, 64), 'edition', 'editionChanged'),
    ),
  ),
  'edition.takeOurs': wholeOffice(
    passing<{ form: TakeOurs; answer: { number: number } }>()(
      refusing(write('POST', '/procedures/:key/ours', MANAGER), 'editionChanged', 'oursAlready'),
    ),
  ),
} as const;
