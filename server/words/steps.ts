/** Steps and what they ask for, in the words of whoever does them. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { findsOf } from '../../core/catalogue/finds.ts';
import { ownStepKey } from '../../core/catalogue/edition.ts';
import { illustrationOf } from '../../core/catalogue/illustrated.ts';
import type { Change } from '../../core/catalogue/systems.ts';
import type { Need, Procedure, ReadingNeed, Step } from '../../core/catalogue/types.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { isolates } from '../../core/catalogue/state.ts';
import { agentWords } from '../../core/jobs/amounts.ts';
import { baseKey } from '../../core/jobs/stepKeys.ts';
import type { Translator } from '../language/translator.ts';
import type { Values } from '../../core/language/values.ts';
import { enteredIn, enteredOf } from '../../core/quantities/entered.ts';
import type { UnitSystem } from '../../core/quantities/units.ts';
import type { StepNeed } from '../../contract/jobs/jobs.ts';
import type { StepWords } from '../../contract/jobs/steps.ts';
import type { EditionInForce } from '../lookup/editions.ts';

/** A step of an act, with the task that asks for it. */
export interface StepOfTask {
  readonly taskId: string;
  readonly step: Step;
  readonly procedure: Procedure;
  readonly edition: EditionInForce | null;
  readonly amounts: Values;
}

/**
 * An act in words. Several tasks share one screen: what all of them ask for is asked once, the body says each of them.
 * @param several whether the sitting has more tasks than this act serves, so that it says whose it is
 */
export function describeAct(
  say: Translator,
  key: string,
  steps: readonly StepOfTask[],
  units: UnitSystem,
  several: boolean,
): StepWords {
  const [first] = steps as [StepOfTask];
  const words = steps.map((it) => wordsOf(say, it));
  const shared = steps.length > 1 && say.has(`${key}.title`) ? say(`${key}.title`) : null;
  const joined = (parts: readonly (string | null)[]) => [...new Set(parts.filter(Boolean))].join(' ');
  const drawing = steps.map(({ step }) => illustrationOf(step.text)).find((it) => it !== undefined);
  return {
    key,
    phase: first.step.phase,
    title: shared ?? words[0]!.title,
    body: joined(words.map(({ body }) => body)),
    caution: joined(words.map(({ caution }) => caution)) || null,
    button: steps.length === 1 ? words[0]!.button : null,
    illustration: drawing ? { key: drawing, says: say(`illustration.${drawing}`) } : null,
    taskIds: steps.map(({ taskId }) => taskId),
    taskName: steps.length === 1 && several ? say(`point.${first.procedure.key}`) : null,
    needs: needsOfAct(say, steps, units),
    shutoffPhotoId: null,
  };
}

function needsOfAct(say: Translator, steps: readonly StepOfTask[], units: UnitSystem): StepNeed[] {
  const needs = new Map<string, StepNeed>();
  for (const { taskId, step, procedure } of steps) {
    for (const need of step.needs) {
      const described = describeNeed(say, need, procedure.key, units, [taskId]);
      // A grade and what was found are of one part alone; an assurance in the same words, a reading or an agent is of
      // the act.
      const key = ['grade', 'finds', 'size'].includes(need.kind)
        ? `${need.kind} ${need.key} ${taskId}`
        : `${need.kind} ${need.key} ${described.label}`;
      const known = needs.get(key);
      needs.set(key, known ? { ...known, taskIds: [...known.taskIds, taskId] } : described);
    }
  }
  return [...needs.values()];
}

/** A change in words: its title is its confirmation's button. */
export function describeChange(say: Translator, { words, to }: Change, shutoffPhotoId: string | null): StepWords {
  const has = (part: string) => (say.has(`${words}.${part}`) ? say(`${words}.${part}`) : null);
  return {
    key: words,
    phase: isolates(to) ? 'isolate' : 'restore',
    title: has('title') ?? '',
    body: has('body') ?? '',
    caution: has('caution'),
    button: has('button'),
    illustration: null,
    taskIds: [],
    taskName: null,
    needs: [
      {
        need: { kind: 'confirm', key: words },
        taskIds: [],
        label: say(`confirm.${words}`),
        help: null,
        reading: null,
        choices: [],
      },
    ],
    shutoffPhotoId,
  };
}

/** Power back for a while, between two stretches without it. */
export function describeRest(say: Translator, key: string, minutes: number): StepWords {
  return {
    key,
    phase: 'restore',
    title: say(`${key}.title`),
    body: say(`${key}.body`),
    caution: null,
    button: null,
    illustration: null,
    taskIds: [],
    taskName: null,
    needs: [
      { need: { kind: 'timer', key: 'rest', minutes }, taskIds: [], label: '', help: null, reading: null, choices: [] },
    ],
    shutoffPhotoId: null,
  };
}

function wordsOf(say: Translator, { step, procedure, edition, amounts }: StepOfTask) {
  const own = edition?.content.steps.find((it, i) => (it.ours ?? ownStepKey(procedure.key, i)) === step.text);
  const values = { ...amounts, agents: agentWords(say, step) };
  const ours = (part: string) => (say.has(`${step.text}.${part}`) ? say(`${step.text}.${part}`, values) : null);
  return {
    title: own?.title || ours('title') || '',
    body: own?.body || ours('body') || '',
    caution: [own?.caution, ours('caution')].filter(Boolean).join(' ') || null,
    button: ours('button'),
  };
}

function describeReading(
  say: Translator,
  { unit: kept, pass, plausible, judged, opens, worse }: ReadingNeed,
  units: UnitSystem,
): StepNeed['reading'] {
  const entered = enteredIn(kept, units);
  const unit = say(`unit.${entered.unit}`);
  const range = ([from, to]: readonly [number, number]) => ({
    from: enteredOf(from, entered),
    to: enteredOf(to, entered),
    unit,
  });
  const [from, to] = pass;
  const wanted = judged
    ? say(`reading.wanted.${judged.as}`, { from, to, fromF: Math.round(from * 1.8), toF: Math.round(to * 1.8) })
    : say('reading.wanted', range(pass));
  const food = opens?.beyond && 'symptom' in opens.beyond.raises && opens.beyond.raises.symptom.endsWith('.foodWarm');
  return {
    unit,
    factor: entered.factor,
    offset: entered.offset,
    wanted,
    urgent: food && worse ? { beyond: opens.beyond.at, says: say('food.first') } : null,
    likely: say('reading.likely', range(plausible)),
  };
}

function choicesOf(say: Translator, need: Need, procedure: string): StepNeed['choices'] {
  switch (need.kind) {
    case 'grade':
      return GRADES.map((value) => ({ value, label: say(`grade.${value}`) }));
    case 'finds':
      return findsOf(procedure, procedureOf(procedure).kind).map((value) => ({ value, label: say(`find.${value}`) }));
    case 'agent':
      return need.choices.map((value) => ({ value, label: say(`agent.${value}`) }));
    default:
      return [];
  }
}

function describeNeed(
  say: Translator,
  need: Need,
  procedure: string,
  units: UnitSystem,
  taskIds: readonly string[],
): StepNeed {
  const choices = choicesOf(say, need, procedure);
  const reading = need.kind === 'reading' ? need : null;
  return {
    need,
    taskIds,
    choices,
    label: needLabel(say, need, procedure),
    help: reading && say(`reading.${reading.key}.fails`),
    reading: reading && describeReading(say, reading, units),
  };
}

/** What a need is called, on the step and in findings. */
export function needLabel(say: Translator, need: Pick<Need, 'kind' | 'key'>, procedure: string): string {
  switch (need.kind) {
    // The confirmation of a change is the system's, not the procedure's.
    case 'confirm':
      return say(need.key.includes('.') ? `confirm.${baseKey(need.key)}` : `confirm.${procedure}.${need.key}`);
    case 'finding':
      return say(`finding.${need.key}`);
    case 'photo':
      return say(`photo.${procedure}.${need.key}`);
    case 'reading':
      return say(`reading.${need.key}`);
    case 'grade':
      return say(`item.grade.${need.key}`);
    case 'agent':
    case 'size':
      return say(`item.${need.kind}`);
    default:
      return '';
  }
}
