/** The world of the demo while it is lived: whose parts foul, who does what, what waits. */
import type { Day } from '../core/calendar/day.ts';
import type { Procedure } from '../core/catalogue/types.ts';
import type { Random } from '../core/statistics/random.ts';
import { Problem } from '../server/context/problem.ts';
import type { Actor, Call, Env } from '../server/context/context.ts';
import type { Db } from '../server/store/db.ts';
import type { Habits } from './scenario.ts';

export interface LivedPoint {
  readonly id: string;
  readonly procedure: Procedure;
  readonly placeName: string;
  readonly machineId: string;
  readonly sinceDay: Day;
  /** How much faster this part fouls than the scenario's spread. */
  readonly fast: number;
  readonly tenant: Actor | null;
  readonly habits: Habits;
}

export interface Cast {
  readonly manager: Actor;
  readonly staff: readonly Actor[];
}

export interface Pending {
  readonly jobId: string;
  readonly points: readonly PointLife[];
  readonly doer: Actor;
  doOn: Day;
}

export interface PointLife extends LivedPoint {
  readonly speed: number;
  load: number;
  /** Fouling factor of the home, read when it begins. */
  perDay: number;
  busy: boolean;
  /** Services done, for agents that take turns. */
  washes: number;
  lastPhoto: Buffer | null;
}

export interface Waiting {
  readonly recordId: string;
  readonly judgeOn: Day;
  readonly cheat: boolean;
  readonly pending: Pending;
}

export interface World {
  readonly env: Env;
  readonly cast: Cast;
  readonly zone: string;
  readonly today: Day;
  readonly random: Random;
  readonly lived: PointLife[];
  pending: Pending[];
  waiting: Waiting[];
  readonly faults: Map<string, { id: string; closeOn: Day; symptom: string }>;
}

export const callAs = (world: World, db: Db, actor: Actor, now: number): Call => ({ env: world.env, db, actor, now });

/** Two agents would meet in one branch today: another day. */
export function metOnBranch(error: unknown): null {
  if (error instanceof Problem && error.key === 'agentsBranch') return null;
  throw error;
}

/** One tenant sends the photo of one service again at the next; the point is kept free for it. */
export const RESENT = { procedure: 'washer.doorBoot', daysAgo: [24, 2], reservedDays: 45 };

export const isResent = ({ habits, procedure }: PointLife) =>
  habits.resends === true && procedure.key === RESENT.procedure;
