/**
 * The truth of answering (T3): households that are asked and do it after days, overlook it, or never do anything; and
 * how asking by what was learned fares on it.
 */
import {
  believeAnswers,
  isSilent,
  leadFor,
  learnAnswers,
  LINE_SHARE,
  REMINDER_SHARE,
  type Asking,
} from '../notices/answering.ts';
import { WINDOWS_AHEAD } from '../notices/asking.ts';
import { meanOfKnown } from '../statistics/mean.ts';
import { gammaDraw, normalDraw, seeded, type Random } from '../statistics/random.ts';

export interface AnswerTruth {
  readonly households: number;
  readonly jobs: number;
  /** Heavier tails than the model's own normal: Student's with 4 degrees of freedom. */
  readonly heavy: boolean;
}

interface Household {
  readonly median: number;
  readonly spread: number;
  readonly never: boolean;
}

const NEVER = 0.15;
const OVERLOOKED = 0.03;
/** Line days between two services, and the share of them for which a job may be asked. */
const INTERVALS = [30, 60, 90, 180, 365];
const WINDOW = 0.2;

/** A household, its median lognormal around 6.3 days. */
const drawHousehold = (random: Random): Household => ({
  median: 6.3 * Math.exp(0.7 * normalDraw(random)),
  spread: 0.6 + 0.5 * random(),
  never: random() < NEVER,
});

/** Whole days from asked to done; null where it is overlooked, or nothing is ever answered. */
export function drawAnswer(random: Random, { median, spread, never }: Household, heavy: boolean): number | null {
  const overlooked = random() < OVERLOOKED;
  const z = normalDraw(random) / (heavy ? Math.sqrt(gammaDraw(random, 2, 0.5)) : 1);
  return never || overlooked ? null : Math.max(1, Math.ceil(median * Math.exp(spread * z)));
}

/** From which job of a household on it is judged. */
const LEARNED = 5;
/** The fixed lead that meets four lines of five over all (T3), days. */
const FIXED = 16;

export interface AskingFigures {
  /** Lines met, of answering households whose lead fits the window, from the sixth job on; and by fifth of speed. */
  readonly met: number;
  readonly fifths: readonly number[];
  /** The same with the fixed lead. */
  readonly fixedFifths: readonly number[];
  readonly messagesAJob: number;
  /** Mean days from done to the line over that under the fixed lead, of what was done before it. */
  readonly earlinessRatio: number;
  /** Share of leads longer than the window, by interval in days. */
  readonly doesNotFit: readonly { readonly interval: number; readonly share: number }[];
  /** Households that never answer, with staff after three askings. */
  readonly silentFound: number;
  /** Households that answer, ever given to staff. */
  readonly wronglyGiven: number;
}

interface Judged {
  readonly fifth: number;
  readonly met: boolean;
  readonly fixedMet: boolean;
  readonly early: number | null;
  readonly fixedEarly: number | null;
  readonly messages: number;
}

/** Asks a portfolio again and again, learning after each round, and says how it fared. */
export function judgeAsking({ households: count, jobs, heavy }: AnswerTruth, seed: number): AskingFigures {
  const random = seeded(seed);
  const households = Array.from({ length: count }, () => drawHousehold(random));
  const ranked = households.map((_, i) => i).sort((a, b) => households[a]!.median - households[b]!.median);
  const fifthOf = new Map(ranked.map((i, rank) => [i, Math.floor((rank * 5) / count)]));
  const askings: Asking[][] = households.map(() => []);
  const given = new Map<number, number>();
  const judged: Judged[] = [];
  const fits = new Map(INTERVALS.map((interval) => [interval, { long: 0, of: 0 }]));
  let model = learnAnswers([]);
  for (let job = 0; job < jobs; job += 1) {
    households.forEach((household, i) => {
      if (given.has(i)) return;
      const belief = believeAnswers(askings[i]!, model);
      if (isSilent(belief)) return void given.set(i, job);
      const interval = INTERVALS[Math.floor(random() * INTERVALS.length)]!;
      const window = Math.max(1, Math.round(interval * WINDOW));
      const wanted = leadFor(belief, LINE_SHARE) ?? Infinity;
      // What does not fit is asked for earlier, as far as that goes.
      const lead = Math.min(wanted, WINDOWS_AHEAD * window);
      const days = drawAnswer(random, household, heavy);
      // What is not done by the end of its grace goes to staff, and is open until then.
      const handedOver = lead + Math.min(7, Math.round(interval / 10));
      const done = days !== null && days <= handedOver;
      askings[i]!.push({ days: done ? days : handedOver, done });
      if (job < LEARNED || household.never) return;
      const fit = fits.get(interval)!;
      fit.of += 1;
      if (wanted > window) return void (fit.long += 1);
      const reminded = leadFor(belief, REMINDER_SHARE)!;
      judged.push({
        fifth: fifthOf.get(i)!,
        met: days !== null && days <= lead,
        fixedMet: days !== null && days <= FIXED,
        early: days !== null && days <= lead ? lead - days : null,
        fixedEarly: days !== null && days <= FIXED ? FIXED - days : null,
        messages: 1 + (days === null || days > reminded ? 1 : 0),
      });
    });
    model = learnAnswers(askings, job === 0 ? 10 : 3, model);
  }
  const share = (of: readonly Judged[], is: (it: Judged) => boolean) => of.filter(is).length / of.length;
  const earliness = (of: (it: Judged) => number | null) => meanOfKnown(judged.map(of)) ?? NaN;
  const byFifth = (is: (it: Judged) => boolean) =>
    [0, 1, 2, 3, 4].map((fifth) =>
      share(
        judged.filter((it) => it.fifth === fifth),
        is,
      ),
    );
  const those = (never: boolean) => households.flatMap((it, i) => (it.never === never ? [i] : []));
  return {
    met: share(judged, ({ met }) => met),
    fifths: byFifth(({ met }) => met),
    fixedFifths: byFifth(({ fixedMet }) => fixedMet),
    messagesAJob: judged.reduce((sum, { messages }) => sum + messages, 0) / judged.length,
    earlinessRatio: earliness(({ early }) => early) / earliness(({ fixedEarly }) => fixedEarly),
    doesNotFit: INTERVALS.map((interval) => ({ interval, share: fits.get(interval)!.long / fits.get(interval)!.of })),
    silentFound: those(true).filter((i) => (given.get(i) ?? Infinity) <= 3).length / those(true).length,
    wronglyGiven: those(false).filter((i) => given.has(i)).length / those(false).length,
  };
}
