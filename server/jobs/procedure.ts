/** A procedure as it is gone through by itself, in words. */
import {
  carriedOver,
  editionOf,
  mustStay,
  ownStepKey,
  withEdition,
  type Edition,
} from '../../core/catalogue/edition.ts';
import { waitMinutes, waitsOf } from '../../core/catalogue/catalogue.ts';
import { illustrationOf } from '../../core/catalogue/illustrated.ts';
import { machineTypesOf } from '../../core/catalogue/machines.ts';
import type { Need, Procedure, Step } from '../../core/catalogue/types.ts';
import { stepsOfAct } from '../../core/jobs/gone.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { agentWords, materialWords, stepAmounts } from '../../core/jobs/amounts.ts';
import type { Translator } from '../language/translator.ts';
import type { ProcedureAnswer, ProcedureStep } from '../../contract/catalogue/editions.ts';
import type { Call } from '../context/context.ts';
import { sittingOn, stateLines } from './jobSitting.ts';
import { describeChange, needLabel } from '../words/steps.ts';
import { oursOf, editionsOf, summariesOf } from '../catalogue/editions.ts';

/** A procedure as this office has it, beside ours. */
export async function readProcedure(call: Call, key: string): Promise<ProcedureAnswer> {
  const {
    env: { say },
  } = call;
  const ours = await oursOf(call, key);
  const rows = await editionsOf(call, key);
  const last = rows.at(-1);
  const own = last?.content ? carriedOver(ours, JSON.parse(last.content) as Edition) : null;
  const now = withEdition(ours, own);
  const units = call.units ?? 'metric';
  const summaries = await summariesOf(call, ours, rows);
  return {
    key,
    name: say(`point.${key}`),
    task: say(`task.${key}`),
    why: say(`why.${key}`),
    mistakes: say(`mistakes.${key}`),
    kind: ours.kind,
    machines: machineTypesOf(call.actor.organisationId)
      .filter(({ points }) => points.includes(key))
      .map((type) => say(`machine.${type.key}`)),
    level: now.level,
    levelSays: say(`level.${now.level}`),
    ourLevel: ours.level,
    minutes: now.minutes,
    waitMinutes: waitMinutes(now),
    days: ours.days,
    assumed: ours.assumed,
    signalled: ours.signalled ?? [],
    stops: [...(own?.cautions ?? []), ...ours.stops.map((stop) => say(`stop.${stop}`))],
    kit: [
      ...ours.kit.map((item) => say(`kit.${item}`)),
      ...ours.materials.map((material) => materialWords(say, material, {}, units)),
      ...(own?.kit ?? []),
    ],
    agents: [
      ...new Set(
        now.steps.flatMap(({ needs }) => needs.flatMap((need) => (need.kind === 'agent' ? need.choices : []))),
      ),
    ],
    steps: flowWords(call, now, ours, own),
    ourSteps: flowWords(call, ours, ours, null),
    version: ours.version,
    number: own ? last!.number : 0,
    content: own ?? editionOf(ours),
    editions: [
      { number: 0, at: null, by: null, note: '', changes: [], inForce: own === null, ours: true },
      ...summaries.map((it) => ({ ...it, inForce: it.inForce && own !== null })),
    ],
    improved: own !== null && last!.ours < ours.version,
  };
}

/** The procedure as it is gone through by itself, with what is isolated for it and put back. */
export function flowWords(call: Call, now: Procedure, ours: Procedure, own: Edition | null): ProcedureStep[] {
  const {
    env: { say },
  } = call;
  // What belongs to no kind of machine, a contractor's visit, is gone through alike at any.
  const types = machineTypesOf(call.actor.organisationId);
  const type = types.find(({ points }) => points.includes(now.key)) ?? types[0]!;
  const task = { id: '', steps: now.steps, minutes: now.minutes };
  const sitting = sittingOn({ type: type.key, fuel: type.fuels[0]! }, [task]);
  const { steps } = planSitting(sitting, { found: now.steps.flatMap(({ when }) => when ?? []) });
  const lines = stateLines(say, sitting, steps);
  return steps.map((planned, i) => {
    if (!planned.change)
      return { ...stepWords(call, stepsOfAct([task], planned)[0]!.step, ours, own), stateSays: lines[i]! };
    const { title, body, caution, phase, needs } = describeChange(say, planned.change, null);
    return {
      key: planned.key,
      phase,
      title,
      body,
      caution,
      asks: needs.map(({ label }) => label),
      waitMinutes: 0,
      illustration: null,
      stays: true,
      own: false,
      stateSays: lines[i]!,
    };
  });
}

/** A step in words: the office’s own where it has some, ours else. */
export function stepWords(
  { env: { say }, units }: Call,
  step: Step,
  ours: Procedure,
  own: Edition | null,
): Omit<ProcedureStep, 'stateSays'> {
  const amounts = { ...stepAmounts(say, ours, {}, units ?? 'metric'), agents: agentWords(say, step) };
  const words = own?.steps.find((it, i) => (it.ours ?? ownStepKey(ours.key, i)) === step.text);
  const said = (part: string) => (say.has(`${step.text}.${part}`) ? say(`${step.text}.${part}`, amounts) : '');
  const drawing = illustrationOf(step.text);
  return {
    key: step.text,
    phase: step.phase,
    title: words?.title || said('title'),
    body: words?.body || said('body'),
    caution: [words?.caution, said('caution')].filter(Boolean).join(' ') || null,
    asks: step.needs.map((need) => askWords(say, need, ours.key)).filter(Boolean),
    waitMinutes: waitsOf(step.needs),
    illustration: drawing ? { key: drawing, says: say(`illustration.${drawing}`) } : null,
    stays: mustStay(step, said('caution') !== ''),
    own: !say.has(`${step.text}.title`),
  };
}

/** What a step asks for, in words. */
export function askWords(say: Translator, need: Need, procedure: string): string {
  if (need.kind === 'finds') return say('item.finds');
  if (need.kind === 'timer') return say('item.timer', { minutes: need.minutes });
  if (need.kind === 'reading' && need.judged) return needLabel(say, need, procedure);
  if (need.kind === 'reading')
    return say('item.reading', {
      name: needLabel(say, need, procedure),
      low: need.pass[0],
      high: need.pass[1],
      unit: say(`unit.${need.unit}`),
    });
  return needLabel(say, need, procedure);
}
