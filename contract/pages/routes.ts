/** Routes of screens that gather from every capability. */
import { MANAGER, OFFICE, RESIDENTS, passing, read, refusing } from '../route.ts';
import type { MachineAnswer } from './machine.ts';
import type { PlaceAnswer, TurnoverAnswer } from './place.ts';
import type { Search, SearchAnswer } from './search.ts';
import type { TapeAnswer, TapeForm } from './tape.ts';

export const pageRoutes = {
  'place.read': passing<{ answer: PlaceAnswer }>()(read('/places/:id', OFFICE)),
  'place.turnover': passing<{ answer: TurnoverAnswer }>()(read('/places/:id/turnover', MANAGER)),
  'machine.read': passing<{ answer: MachineAnswer }>()(refusing(read('/labels/:number', RESIDENTS), 'labelElsewhere')),
  'search.find': passing<{ form: Search; answer: SearchAnswer }>()(read('/search', OFFICE)),
  'history.paper': { ...read('/tapes/:scope/:id/history', OFFICE), perMinute: 30 },
  'tape.read': passing<{ form: TapeForm; answer: TapeAnswer }>()(read('/tapes/:scope/:id', OFFICE)),
  /** How far long work is, as server-sent events for as long as it goes on. */
  'progress.watch': read('/progress', OFFICE),
} as const;
