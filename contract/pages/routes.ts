/** Routes of screens that gather from every capability. */
import { MANAGER, OFFICE, RESIDENTS, passing, read, refusing, write } from '../route.ts';
import type { FeedMade, FeedsAnswer, NewFeed } from './feeds.ts';
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
  'feeds.list': passing<{ answer: FeedsAnswer }>()(read('/feeds', RESIDENTS)),
  'feed.create': passing<{ form: NewFeed; answer: FeedMade }>()(
    refusing(write('POST', '/feeds', RESIDENTS, 1, 20), 'tooManyFeeds'),
  ),
  'feed.revoke': passing<{ answer: object }>()(write('DELETE', '/feeds/:id', RESIDENTS, 0, 60)),
  /** A calendar program asks again and again, and has no session: its address is the key. */
  'feed.read': { ...read('/feeds/:token', 'anyone'), perMinute: 60 },
  /** How far long work is, as server-sent events for as long as it goes on. */
  'progress.watch': read('/progress', OFFICE),
} as const;
