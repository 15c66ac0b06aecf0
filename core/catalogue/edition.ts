/**
 * A manager's own edition of a procedure, beside ours: other words, steps of their own, more minutes, a higher level,
 * another agent. What keeps people safe or proves the work stays: every step of ours that isolates, restores, tests,
 * cautions or asks for something is in every edition, in an order that can be right. A step of one's own is done in the
 * strictest state of its neighbours.
 */
import { meetingOf } from './chemistry.ts';
import { isSwitch } from './state.ts';
import { isBelow, type Agent, type Level, type Phase, type Procedure, type State, type Step } from './types.ts';

export const PHASES: readonly Phase[] = ['isolate', 'open', 'look', 'clean', 'refit', 'restore', 'test'];

export interface EditionStep {
  /** The step of ours that it stands for, by the key of its words; null is a step of one's own. */
  readonly ours: string | null;
  readonly phase: Phase;
  /** Words in place of ours; empty keeps ours. A step of one's own has a title. */
  readonly title: string;
  readonly body: string;
  readonly caution: string;
}

export interface Edition {
  readonly minutes: number;
  readonly level: Level;
  /** Added to our kit and cautions, in words. */
  readonly kit: readonly string[];
  readonly cautions: readonly string[];
  /** In place of ours where the procedure asks for an agent; empty keeps ours. */
  readonly agents: readonly Agent[];
  readonly steps: readonly EditionStep[];
}

/** What is wrong with an edition; words at `edition.<key>`. */
export interface EditionProblem {
  readonly key:
    'stepMissing' | 'stepTwice' | 'stepUnknown' | 'order' | 'untitled' | 'levelLowered' | 'agentsMeet' | 'phase';
  readonly step?: string;
  readonly agents?: { readonly one: Agent; readonly other: Agent; readonly reason: string };
}

/** A step that no edition may leave out. @param cautioned whether its words carry a caution */
export const mustStay = ({ phase, needs }: Step, cautioned: boolean): boolean =>
  needs.length > 0 || cautioned || ['isolate', 'restore', 'test'].includes(phase);

/** Everything wrong with an edition of a procedure; none when it may be saved. */
export function checkEdition(
  ours: Procedure,
  edition: Edition,
  cautioned: (step: string) => boolean,
): EditionProblem[] {
  const problems: EditionProblem[] = [];
  const known = new Map(ours.steps.map((step) => [step.text, step]));
  const stand = edition.steps.flatMap((step) => (step.ours === null ? [] : [step.ours]));
  for (const step of ours.steps)
    if (mustStay(step, cautioned(step.text)) && !stand.includes(step.text))
      problems.push({ key: 'stepMissing', step: step.text });
  stand.forEach((step, i) => {
    if (!known.has(step)) problems.push({ key: 'stepUnknown', step });
    else if (stand.indexOf(step) < i) problems.push({ key: 'stepTwice', step });
  });
  for (const step of edition.steps) {
    if (step.ours === null && step.title.trim() === '') problems.push({ key: 'untitled' });
    if (step.ours !== null && known.has(step.ours) && known.get(step.ours)!.phase !== step.phase)
      problems.push({ key: 'phase', step: step.ours });
  }
  if (!isInOrder(ours, edition.steps)) problems.push({ key: 'order' });
  if (isBelow(edition.level, ours.level)) problems.push({ key: 'levelLowered' });
  const meeting = meetingOf(edition.agents, edition.agents);
  if (meeting) problems.push({ key: 'agentsMeet', agents: meeting });
  return problems;
}

/** Steps of ours of different phases stand as ours do; one's own has the phase of a neighbour. */
function isInOrder(ours: Procedure, steps: readonly EditionStep[]): boolean {
  const place = new Map(ours.steps.map(({ text }, i) => [text, i]));
  const own = steps.filter((step) => step.ours !== null && place.has(step.ours));
  const turned = own.some((step, i) =>
    own.slice(0, i).some((before) => before.phase !== step.phase && place.get(before.ours!)! > place.get(step.ours!)!),
  );
  const astray = steps.some(
    (step, i) => step.ours === null && ![steps[i - 1], steps[i + 1]].some((beside) => beside?.phase === step.phase),
  );
  return !turned && !astray;
}

/**
 * An edition as it was saved, on ours as it is now: what ours no longer has is left out (isolating and putting back
 * come from the sitting's plan), what it gained stands at its place, and an order that ours can no longer have gives
 * way.
 */
export function carriedOver(ours: Procedure, edition: Edition): Edition {
  const known = new Set(ours.steps.map(({ text }) => text));
  const phaseOf = new Map(ours.steps.map(({ text, phase }) => [text, phase]));
  let steps = edition.steps
    .filter((step) => step.ours === null || known.has(step.ours))
    .map((step) => (step.ours === null ? step : { ...step, phase: phaseOf.get(step.ours)! }));
  if (!isInOrder(ours, steps)) steps = inOurOrder(ours, steps);
  for (const [i, step] of ours.steps.entries()) {
    if (steps.some((it) => it.ours === step.text) || step.needs.length === 0) continue;
    const next = ours.steps.slice(i + 1).find(({ text }) => steps.some((it) => it.ours === text));
    steps = steps.toSpliced(next ? steps.findIndex((it) => it.ours === next.text) : steps.length, 0, {
      ours: step.text,
      phase: step.phase,
      title: '',
      body: '',
      caution: '',
    });
  }
  return { ...edition, steps: isInOrder(ours, steps) ? steps : inOurOrder(ours, steps) };
}

/** Ours in our order, each followed by what followed it, with its phase. */
function inOurOrder(ours: Procedure, steps: readonly EditionStep[]): EditionStep[] {
  const following = (index: number) => {
    const rest = steps.slice(index + 1);
    const end = rest.findIndex((step) => step.ours !== null);
    return rest.slice(0, end === -1 ? undefined : end);
  };
  const first = steps.findIndex((step) => step.ours !== null);
  const leading = first === -1 ? steps : steps.slice(0, first);
  const rows = ours.steps.flatMap(({ text, phase }) => {
    const at = steps.findIndex((step) => step.ours === text);
    return at === -1 ? [] : [steps[at]!, ...following(at).map((step) => ({ ...step, phase }))];
  });
  return [...leading.map((step) => ({ ...step, phase: rows[0]?.phase ?? step.phase })), ...rows];
}

/** The key of the words of a step of one's own. */
export const ownStepKey = (procedure: string, index: number): string => `${procedure}.own${index}`;

/** The procedure as an edition makes it. Steps of ours keep their needs, and their words' key. */
export function withEdition(ours: Procedure, edition: Edition | null): Procedure {
  if (!edition) return ours;
  const byText = new Map(ours.steps.map((step) => [step.text, step]));
  const beside = (i: number, by: -1 | 1): Step | undefined => {
    for (let at = i + by; edition.steps[at]; at += by) {
      const { ours: text } = edition.steps[at]!;
      if (text !== null) return byText.get(text);
    }
    return undefined;
  };
  const steps = edition.steps.flatMap((step, i): Step[] => {
    const base =
      step.ours === null
        ? { text: ownStepKey(ours.key, i), phase: step.phase, needs: [], ...strictest(beside(i, -1), beside(i, 1)) }
        : byText.get(step.ours);
    if (!base) return [];
    return [
      {
        ...base,
        needs: base.needs.map((need) =>
          need.kind === 'agent' && edition.agents.length > 0 ? { ...need, choices: edition.agents } : need,
        ),
      },
    ];
  });
  return { ...ours, minutes: edition.minutes, level: edition.level, steps };
}

/** From the loosest to the strictest. */
const STRICTNESS: Readonly<Record<string, readonly string[]>> = {
  power: ['on', 'idle', 'off'],
  circuit: ['on', 'off'],
  outdoor: ['on', 'off'],
  tap: ['open', 'shut'],
  gas: ['open', 'shut'],
  place: ['home', 'out'],
};

/**
 * The strictest state of two neighbours: whatever either wants isolated is, and where both leave power, it is done
 * outside.
 */
function strictest(before: Step | undefined, then: Step | undefined): { wants: State; makes: State } {
  const wants: Record<string, string> = {};
  for (const beside of [before, then]) {
    for (const [variable, value] of Object.entries(beside?.wants ?? {})) {
      if (!isSwitch(variable)) continue;
      const order = STRICTNESS[variable] ?? [];
      if (wants[variable] === undefined || order.indexOf(value) > order.indexOf(wants[variable]))
        wants[variable] = value;
    }
  }
  return { wants, makes: {} };
}

/** Ours, written as an edition to begin from. */
export function editionOf({ minutes, level, steps }: Procedure): Edition {
  return {
    minutes,
    level,
    kit: [],
    cautions: [],
    agents: [],
    steps: steps.map(({ text, phase }) => ({ ours: text, phase, title: '', body: '', caution: '' })),
  };
}

/** One thing that an edition does otherwise than another; words at `changed.<key>`. */
export interface EditionChange {
  readonly key: 'minutes' | 'level' | 'kit' | 'cautions' | 'agents' | 'added' | 'leftOut' | 'reworded' | 'moved';
  readonly values: Readonly<Record<string, string | number>>;
  /** Key of the words of the step. */
  readonly step?: string;
}

/** What changed from one edition to the next. */
export function changesBetween(before: Edition, after: Edition): EditionChange[] {
  const changes: EditionChange[] = [];
  if (before.minutes !== after.minutes)
    changes.push({ key: 'minutes', values: { from: before.minutes, to: after.minutes } });
  if (before.level !== after.level) changes.push({ key: 'level', values: { from: before.level, to: after.level } });
  for (const key of ['kit', 'cautions', 'agents'] as const)
    if (before[key].join('\n') !== after[key].join('\n')) changes.push({ key, values: { to: after[key].join(', ') } });
  const titleOf = (step: EditionStep) => step.ours ?? step.title;
  const old = new Map(before.steps.map((step) => [titleOf(step), step]));
  const fresh = new Map(after.steps.map((step) => [titleOf(step), step]));
  const named = (name: string, { ours, title }: EditionStep) => ({
    values: { title: ours === null ? title : '' },
    ...(ours !== null && { step: name }),
  });
  for (const [name, step] of fresh) {
    const was = old.get(name);
    if (!was) changes.push({ key: 'added', ...named(name, step) });
    else if (was.title !== step.title || was.body !== step.body || was.caution !== step.caution)
      changes.push({ key: 'reworded', ...named(name, step) });
  }
  for (const [name, step] of old) if (!fresh.has(name)) changes.push({ key: 'leftOut', ...named(name, step) });
  const order = (steps: readonly EditionStep[]) =>
    steps
      .map(titleOf)
      .filter((name) => old.has(name) && fresh.has(name))
      .join('\n');
  if (order(before.steps) !== order(after.steps)) changes.push({ key: 'moved', values: {} });
  return changes;
}
