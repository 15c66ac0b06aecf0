/**
 * The clock on a repair: by when something of a severity is put right, by the published standard or by a local rule that
 * is stricter, and who hears of it as its time runs out. Faults, deficiencies and an inspector's findings share it.
 */

export const SEVERITIES = ['lifeThreatening', 'severe', 'moderate', 'low'] as const;
export type Severity = (typeof SEVERITIES)[number];

/** Hours to put it right, by severity: HUD NSPIRE standards (from memory). A local code may be stricter. */
export const REPAIR_HOURS: Readonly<Record<Severity, number>> = {
  lifeThreatening: 24,
  severe: 24,
  moderate: 30 * 24,
  low: 60 * 24,
};

/** Hours that a local rule gives, where it says so; those that are longer than the standard's do not count. */
export type LocalHours = Readonly<Partial<Record<Severity, number | null>>>;

const HOUR_MS = 3_600_000;

/** Hours that may pass until something of a severity is put right: the standard's or the local rule's, the fewer. */
export const hoursOf = (severity: Severity, local: LocalHours = {}): number =>
  Math.min(REPAIR_HOURS[severity], local[severity] ?? Infinity);

/** By when something of a severity, seen at an instant, is put right; both in milliseconds since 1970. */
export const correctBy = (severity: Severity, openedAt: number, local: LocalHours = {}): number =>
  openedAt + hoursOf(severity, local) * HOUR_MS;

/** A clock that runs: from when, until when, both in milliseconds since 1970; whether somebody answers for it. */
export interface Clock {
  readonly openedAt: number;
  readonly correctBy: number;
  readonly responsibleId: string | null;
}

/** Stages at which somebody hears of it, in order. Our assumptions: half, three quarters and all of its time. */
export const STAGES = ['half', 'near', 'over'] as const;
export type Stage = (typeof STAGES)[number];
const SHARE: Readonly<Record<Stage, number>> = { half: 0.5, near: 0.75, over: 1 };

/** The last stage that a clock has reached; undefined before half of its time is gone. */
export function stageOf({ openedAt, correctBy: until }: Clock, now: number): Stage | undefined {
  const span = Math.max(0, until - openedAt);
  return STAGES.findLast((stage) => now >= openedAt + SHARE[stage] * span);
}

/**
 * Who hears at a stage: at half of the time the managers, where nobody answers for it; near its end whoever answers for
 * it, or else the managers; when it is over, all of them.
 */
export function hearersOf(stage: Stage, responsibleId: string | null, managers: readonly string[]): readonly string[] {
  if (responsibleId === null) return managers;
  if (stage === 'half') return [];
  return stage === 'near' ? [responsibleId] : [...new Set([responsibleId, ...managers])];
}

/** Less time than this is shown as running out, however long it was. Our assumption. */
const SOON_MS = 48 * HOUR_MS;

/** Whether its time is over, runs out soon (its last quarter, or two days), or runs. */
export function urgencyOf(clock: Clock, now: number): 'over' | 'soon' | 'running' {
  const stage = stageOf(clock, now);
  if (stage === 'over') return 'over';
  return stage === 'near' || clock.correctBy - now <= SOON_MS ? 'soon' : 'running';
}
