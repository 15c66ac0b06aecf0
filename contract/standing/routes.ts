/** Routes of standing. */
import { MANAGER, passing, read } from '../route.ts';
import type { StandingAnswer, StandingOn } from './standing.ts';

export const standingRoutes = {
  'standing.read': passing<{ form: StandingOn; answer: StandingAnswer }>()(read('/standing', MANAGER)),
} as const;
