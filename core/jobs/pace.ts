/**
 * The pace of a person: the share of a newcomer's hands-on minutes that they need. Shrunk towards a newcomer's, so that
 * one quick job proves little. Our assumption from common practice: a practised person needs a third to a half.
 */
/** A newcomer's minutes that stand for what is not known yet. */
const PRIOR_MINUTES = 60;
/** Nobody is believed to need less, or more. */
const QUICKEST = 0.25;
const SLOWEST = 1.5;

export interface TimedJob {
  /** A newcomer's hands-on minutes of what was done. */
  readonly expected: number;
  /** Minutes that it took, waits taken off. */
  readonly took: number;
}

/** What of its minutes says something: one job that was left lying over lunch says nothing about the next. */
export const timeThatCounts = ({ took, expected }: TimedJob): number =>
  Math.min(Math.max(took, expected * QUICKEST), expected * SLOWEST);

/** 1 where nothing is known. */
export function paceOf(jobs: readonly TimedJob[]): number {
  const sum = (of: (job: TimedJob) => number) => jobs.reduce((total, job) => total + of(job), PRIOR_MINUTES);
  const took = sum(timeThatCounts);
  return Math.min(SLOWEST, Math.max(QUICKEST, took / sum(({ expected }) => expected)));
}
