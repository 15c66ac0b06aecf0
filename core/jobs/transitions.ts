/** The states of a job, and who may move it from which to which. */

export const JOB_STATES = [
  'open',
  'given',
  'started',
  'awaitingTest',
  'sent',
  'accepted',
  'cancelled',
  'logged',
] as const;
export type JobState = (typeof JOB_STATES)[number];

export const MOVES = ['give', 'start', 'workDone', 'send', 'accept', 'sendBack', 'notAble', 'cancel'] as const;
export type Move = (typeof MOVES)[number];

/** The assignee does the work, the manager gives and judges it. */
export type Mover = 'manager' | 'assignee';

interface Transition {
  readonly from: readonly JobState[];
  readonly to: JobState;
  readonly by: Mover;
  /** The move says why. */
  readonly reason?: true;
}

const TRANSITIONS: Readonly<Record<Move, Transition>> = {
  give: { from: ['open', 'given', 'started'], to: 'given', by: 'manager' },
  start: { from: ['given'], to: 'started', by: 'assignee' },
  workDone: { from: ['started'], to: 'awaitingTest', by: 'assignee' },
  send: { from: ['given', 'started', 'awaitingTest'], to: 'sent', by: 'assignee' },
  accept: { from: ['sent'], to: 'accepted', by: 'manager' },
  sendBack: { from: ['sent'], to: 'given', by: 'manager', reason: true },
  notAble: { from: ['given', 'started', 'awaitingTest'], to: 'open', by: 'assignee', reason: true },
  cancel: { from: ['open', 'given', 'started', 'awaitingTest'], to: 'cancelled', by: 'manager' },
};

/** A job in one of these still has its points taken. */
export const LIVE_STATES: readonly JobState[] = ['open', 'given', 'started', 'awaitingTest', 'sent'];

/** A job in one of these is in somebody's hands. */
export const DOING_STATES: readonly JobState[] = TRANSITIONS.send.from;

/** The state a move leads to; undefined where it is not allowed from here. */
export function stateAfter(state: JobState, move: Move): JobState | undefined {
  const transition = TRANSITIONS[move];
  return transition.from.includes(state) ? transition.to : undefined;
}

/** Who may make a move. */
export function moverOf(move: Move): Mover {
  return TRANSITIONS[move].by;
}

/** Whether a move must say why. */
export function needsReason(move: Move): boolean {
  return TRANSITIONS[move].reason === true;
}
