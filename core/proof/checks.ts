/**
 * Checks of a proof: named findings, each with a weight and two sentences (the reviewer's, the
 * assignee's). A finding never decides by itself; it says what to look at.
 */
import { apart, mustNotMeet } from '../catalogue/chemistry.ts';
import type { Agent, Need, Procedure } from '../catalogue/types.ts';
import { faceWorking } from '../measure/faceVelocity.ts';
import { isActualOf, parseFilterSize, sameFilterSize } from '../quantities/filterSize.ts';
import type { Values } from '../language/values.ts';
import { judgedValue, passes } from './readings.ts';
import { CLOCK_SLACK_MS } from './claim.ts';
import type { Observation } from './record.ts';

/** `fail` contradicts the proof, `look` wants a person's eye, `fine` is a check that was met. */
export type Weight = 'fail' | 'look' | 'fine';

export const CHECKS = [
  'missing',
  'offered',
  'planBroken',
  'readingFails',
  'readingImplausible',
  'waitSkipped',
  'tooFast',
  'timeFits',
  'claimedOutside',
  'samePicture',
  'capturedOutside',
  'tooDark',
  'blurred',
  'wrongSize',
  'sizeFits',
  'faceHigh',
  'forbiddenAgent',
  'agentsMet',
  'agentsRinse',
  'alwaysClean',
  'confirmed',
] as const;
export type Check = (typeof CHECKS)[number];

export interface CheckFinding {
  readonly check: Check;
  readonly weight: Weight;
  /** Values for the sentences at `finding.<check>.reviewer` and `.assignee`. */
  readonly values: Values;
  /** Photo slot that it is about. */
  readonly slot?: string;
  /** Earlier photo it is compared with. */
  readonly other?: string;
}

export interface CheckedPhoto {
  readonly slot: string;
  readonly capturedAt: number | null;
  /** Mean grey, 0–255. */
  readonly brightness: number;
  /** Variance of the Laplacian of the grey picture. */
  readonly sharpness: number;
  readonly same?: { readonly id: string; readonly day: string; readonly likeness: number } | undefined;
}

export interface Proof {
  readonly procedure: Procedure;
  /** What was asked of this task: by its steps in the sitting, and the confirmation of each change that was for it. */
  readonly asked: readonly Need[];
  /** Steps of the sitting that cannot have been done as the device says. */
  readonly planWrong?: readonly string[];
  /** It was not theirs any more when it was sent. */
  readonly offered?: boolean;
  readonly observation: Observation;
  readonly photos: readonly CheckedPhoto[];
  /**
   * A newcomer's hands-on minutes for all that was done between start and end, the waits and runs of this part, and the
   * person's own pace.
   */
  readonly work: { readonly handsMinutes: number; readonly waitMinutes: number; readonly pace: number };
  readonly startedAt: number | null;
  readonly doneAt: number;
  /**
   * The day on which the device says it was done, where that cannot be believed, and the first that could be; both in
   * words.
   */
  readonly claimed?: { readonly day: string; readonly from: string } | null;
  /** When the job was given: a photo taken before it is not of this job. */
  readonly givenAt: number;
  readonly specification: {
    readonly filterSize?: string | undefined;
    readonly airflowCfm?: number | null | undefined;
    readonly forbiddenAgents?: readonly Agent[] | undefined;
  };
  /** Agents used the same day in this machine or in drains that share its branch. */
  readonly agentsNearby: readonly Agent[];
  /** Those of them that were used in this very machine. */
  readonly agentsHere?: readonly Agent[];
  /** Grades of this person's latest services of any point, newest first. */
  readonly gradesBefore: readonly string[];
}

/**
 * Our assumption: a practised person needs a quarter of a newcomer's minutes at the least, and nobody half of what they
 * usually need.
 */
const QUICKEST_SHARE = 0.25;
const OF_USUAL = 0.5;
/** Timers are read off a phone, and a run ends when it ends. */
const WAIT_SLACK = 0.9;
const DARK = 28;
const BLURRED = 12;
const ALWAYS_CLEAN = 5;

/** All findings of a proof, contradictions first. */
export function checkProof(proof: Proof): CheckFinding[] {
  const found = [
    missing,
    offered,
    sitting,
    readings,
    claim,
    pace,
    checkPictures,
    captureTimes,
    size,
    face,
    agents,
    sameGradeAlways,
    confirmations,
  ].flatMap((check) => check(proof));
  const order: Weight[] = ['fail', 'look', 'fine'];
  return found.sort((a, b) => order.indexOf(a.weight) - order.indexOf(b.weight));
}

const needsOf = ({ asked }: Proof): readonly Need[] => asked;

function missing(proof: Proof): CheckFinding[] {
  return needsOf(proof).flatMap((need): CheckFinding[] => {
    if (isAnswered(need, proof)) return [];
    return [{ check: 'missing', weight: 'fail', values: { what: need.kind, key: need.key } }];
  });
}

/** Done although the office had taken it back: it decides. */
function offered({ offered: was = false }: Proof): CheckFinding[] {
  return was ? [{ check: 'offered', weight: 'look', values: {} }] : [];
}

/** An order of steps in which the machine cannot have been as the work wants it. */
function sitting({ planWrong = [] }: Proof): CheckFinding[] {
  return planWrong.length > 0 ? [{ check: 'planBroken', weight: 'fail', values: { steps: planWrong.length } }] : [];
}

function isAnswered(need: Need, { observation, photos }: Proof): boolean {
  switch (need.kind) {
    case 'photo':
      return need.optional === true || photos.some(({ slot }) => slot === need.key);
    case 'grade':
      return (need.key === 'part' ? observation.grade : observation.cavityGrade) !== null;
    case 'reading':
      return need.optional === true || observation.readings[need.key] !== undefined;
    case 'confirm':
      return observation.confirmed.includes(need.key);
    case 'agent':
      return observation.agent !== null;
    case 'size':
      return observation.size !== null;
    case 'timer':
    case 'finds':
    case 'finding':
      return true;
  }
}

function readings(proof: Proof): CheckFinding[] {
  return needsOf(proof).flatMap((need): CheckFinding[] => {
    const value = need.kind === 'reading' ? proof.observation.readings[need.key] : undefined;
    if (need.kind !== 'reading' || value === undefined) return [];
    const values = {
      key: need.key,
      value,
      unit: need.unit,
      judged: need.judged?.as ?? 'none',
      figure: judgedValue(need, proof.observation.readings) ?? value,
    };
    if (value < need.plausible[0] || value > need.plausible[1])
      return [{ check: 'readingImplausible', weight: 'look', values }];
    // Where measuring is the work, a bad reading tells of the machine, not against the proof.
    return passes(need, proof.observation.readings)
      ? []
      : [{ check: 'readingFails', weight: proof.procedure.kind === 'sensor' ? 'look' : 'fail', values }];
  });
}

/** What cannot have been then: before it was asked for, or before the part was last served. */
function claim({ claimed }: Proof): CheckFinding[] {
  return claimed ? [{ check: 'claimedOutside', weight: 'fail', values: { day: claimed.day, from: claimed.from } }] : [];
}

/** Shortest time in which the work can be done by this person, waits included, minutes. */
export function quickestMinutes({ handsMinutes, waitMinutes, pace }: Proof['work']): number {
  return handsMinutes * Math.min(QUICKEST_SHARE, pace * OF_USUAL) + waitMinutes;
}

/** Waits cannot be hurried; hands can, so quick hands are looked at and no more. */
function pace({ procedure, work, startedAt, doneAt }: Proof): CheckFinding[] {
  // Of a contractor's visit the phone sees the report alone.
  if (startedAt === null || procedure.kind === 'visit') return [];
  const minutes = Math.round(((doneAt - startedAt) / 60_000) * 10) / 10;
  if (minutes < work.waitMinutes * WAIT_SLACK)
    return [{ check: 'waitSkipped', weight: 'fail', values: { minutes, waits: work.waitMinutes } }];
  const quickest = Math.round(quickestMinutes(work));
  const fast = minutes < quickest;
  return [{ check: fast ? 'tooFast' : 'timeFits', weight: fast ? 'look' : 'fine', values: { minutes, quickest } }];
}

/** What the pictures of a proof tell against it. */
export function checkPictures({ photos }: Pick<Proof, 'photos'>): CheckFinding[] {
  return photos.flatMap(({ slot, same, brightness, sharpness }) => {
    const findings: CheckFinding[] = [];
    if (same)
      findings.push({
        check: 'samePicture',
        weight: 'fail',
        slot,
        other: same.id,
        values: { day: same.day, percent: Math.floor(same.likeness * 100) },
      });
    if (brightness < DARK) findings.push({ check: 'tooDark', weight: 'look', slot, values: {} });
    else if (sharpness < BLURRED) findings.push({ check: 'blurred', weight: 'look', slot, values: {} });
    return findings;
  });
}

function captureTimes({ photos, givenAt, doneAt }: Proof): CheckFinding[] {
  // A missing capture time counts neither way.
  return photos
    .filter(
      ({ capturedAt }) =>
        capturedAt !== null && (capturedAt < givenAt - CLOCK_SLACK_MS || capturedAt > doneAt + CLOCK_SLACK_MS),
    )
    .map(({ slot }) => ({ check: 'capturedOutside' as const, weight: 'look' as const, slot, values: {} }));
}

function size({ observation, specification }: Proof): CheckFinding[] {
  if (observation.size === null || !specification.filterSize) return [];
  const [found, wanted] = [observation.size, specification.filterSize];
  const [a, b] = [parseFilterSize(found), parseFilterSize(wanted)];
  const fits = a !== undefined && b !== undefined && (sameFilterSize(a, b) || isActualOf(a, b));
  return [{ check: fits ? 'sizeFits' : 'wrongSize', weight: fits ? 'fine' : 'fail', values: { found, wanted } }];
}

/** The filter that was really put in, against the air that goes through it. */
function face({ observation, specification: { airflowCfm } }: Proof): CheckFinding[] {
  const chosen = observation.size === null ? undefined : parseFilterSize(observation.size);
  if (!chosen || !airflowCfm) return [];
  const { velocityFpm, limits } = faceWorking(chosen, airflowCfm);
  const over = limits.find(({ met }) => !met);
  return over
    ? [{ check: 'faceHigh', weight: 'look', values: { fpm: Math.round(velocityFpm), limit: over.values.fpm } }]
    : [];
}

function agents({ observation: { agent }, specification, agentsNearby, agentsHere = [] }: Proof): CheckFinding[] {
  if (agent === null) return [];
  const findings: CheckFinding[] = [];
  if (specification.forbiddenAgents?.includes(agent))
    findings.push({ check: 'forbiddenAgent', weight: 'fail', values: { agent } });
  const other = agentsNearby.find((it) => mustNotMeet(agent, it));
  const rinse = other ? undefined : agentsHere.find((it) => apart(agent, it)?.apart === 'rinse');
  if (rinse)
    findings.push({
      check: 'agentsRinse',
      weight: 'look',
      values: { agent, other: rinse, reason: apart(agent, rinse)!.reason },
    });
  if (other)
    findings.push({ check: 'agentsMet', weight: 'fail', values: { agent, other, reason: mustNotMeet(agent, other) } });
  return findings;
}

function sameGradeAlways({ observation: { grade }, gradesBefore }: Proof): CheckFinding[] {
  const latest = [grade, ...gradesBefore].slice(0, ALWAYS_CLEAN);
  if (latest.length < ALWAYS_CLEAN || latest.some((it) => it !== 'clean')) return [];
  return [{ check: 'alwaysClean', weight: 'look', values: { count: ALWAYS_CLEAN } }];
}

function confirmations(proof: Proof): CheckFinding[] {
  const asked = needsOf(proof).filter(({ kind }) => kind === 'confirm');
  const all = asked.every(({ key }) => proof.observation.confirmed.includes(key));
  return all && asked.length > 0 ? [{ check: 'confirmed', weight: 'fine', values: { count: asked.length } }] : [];
}
