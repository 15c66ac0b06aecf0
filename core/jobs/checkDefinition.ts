/**
 * What may be wrong with a machine that an office defines: what ours are held to, before anybody is sent to one. Every
 * set of its parts must be a sitting that can be planned.
 */
import { meetingOf } from '../catalogue/chemistry.ts';
import { isRemovable, procedureProblem } from '../catalogue/catalogue.ts';
import { buildMachine, procedureKey } from '../catalogue/defined.ts';
import type { MachineDefinition, PartDefinition, StepDefinition } from '../catalogue/definition.ts';
import { systemFor } from '../catalogue/systems.ts';
import { planSitting } from './plan.ts';
import { sittingOf } from './sitting.ts';
import type { Values } from '../language/values.ts';

/** What is wrong, of which part; words at `definition.<key>`. */
export interface DefinitionProblem {
  readonly key:
    | 'interval'
    | 'gradeLate'
    | 'noGrade'
    | 'noPhotoOut'
    | 'noTest'
    | 'partLeftOut'
    | 'partTwice'
    | 'runsOpen'
    | 'openLive'
    | 'stepTwice'
    | 'tenantCircuit'
    | 'tenantTrade'
    | 'noCaution'
    | 'agentsMeet'
    | 'sameWords'
    | 'noPlan';
  readonly part: string;
  readonly values: Values;
}

/** What no tenant is asked to touch, whatever the words around it; an office writes in any language that we speak. */
const TRADE = new RegExp(
  [
    '\\b(?:breaker|fuse|wire|wiring|mains|refrigerant|gas (?:valve|pipe|line|connector)|solder|live part)',
    'sicherung(?:en|skasten)?\\b|verdrahtung|elektrik\\b|netzspannung|kältemittel|stromführend|klemmleiste|kabel(?!binder)',
    'gas(?:hahn|ventil|rohr|leitung|anschluss|schlauch)|\\blöte',
  ].join('|'),
  'i',
);

/** Sets of parts that are planned one by one; of more parts, each pair and all together. */
const ALL_SETS = 5;

/**
 * Checks a definition a piece at a time, so that others can be answered between two: what is wrong, or null. First its
 * parts; where they are right, every set of them that must be planned. None but null where it may be used.
 */
export function* checkDefinition(definition: MachineDefinition): Generator<DefinitionProblem | null, void> {
  const problems = checkParts(definition);
  yield* problems;
  // Only what is right by itself can be planned.
  if (problems.length === 0) yield* planSets(definition);
}

/** What is wrong with the parts of a definition, one by one and beside each other. */
function checkParts(definition: MachineDefinition): DefinitionProblem[] {
  const problems: DefinitionProblem[] = [];
  for (const part of definition.parts)
    for (const [key, values] of wrongWith(part, definition)) problems.push({ key, part: part.name, values });
  const agents = definition.parts.flatMap(({ name, steps }) =>
    steps.flatMap((step) => step.agents.map((agent) => ({ agent, name }))),
  );
  const all = agents.map(({ agent }) => agent);
  const meeting = meetingOf(all, all);
  if (meeting)
    problems.push({
      key: 'agentsMeet',
      part: agents.find(({ agent }) => agent === meeting.one)!.name,
      values: { one: meeting.one, other: meeting.other, reason: meeting.reason },
    });
  const names = definition.parts.map(({ name }) => name.toLowerCase());
  names.forEach((name, i) => {
    if (names.indexOf(name) < i) problems.push({ key: 'sameWords', part: definition.parts[i]!.name, values: {} });
  });
  return problems;
}

type Wrong = readonly [key: DefinitionProblem['key'], values: Values];

type Rule = (part: PartDefinition, machine: MachineDefinition) => boolean;

/** Rules of one part, each with what it finds wrong. */
const RULES: readonly (readonly [DefinitionProblem['key'], Rule])[] = [
  ['interval', ({ days }) => days.watchful > days.steady || days.steady > days.light],
  ['stepTwice', ({ steps }) => new Set(steps.map(({ key }) => key)).size < steps.length],
  ['stepTwice', ({ steps }) => steps.filter(({ grade }) => grade).length > 1],
  ['noGrade', ({ kind, steps }) => kind !== 'sensor' && !steps.some(({ grade }) => grade)],
  ['gradeLate', ({ steps }) => steps.some(({ grade }, i) => grade && steps.slice(0, i + 1).some(isCleaning))],
  ['noTest', ({ steps }) => !steps.slice(-2).some(({ phase }) => phase === 'test')],
  ['noPhotoOut', ({ kind, steps }) => isRemovable(kind) && !steps.some((it) => it.part === 'out' && it.photo !== '')],
  [
    'openLive',
    ({ steps }, { isolation }) =>
      isolation !== 'none' && steps.some(({ phase, wants }) => phase === 'open' && wants === 'either'),
  ],
  [
    'tenantCircuit',
    ({ level, steps }, { isolation }) =>
      isolation === 'circuit' && level === 'tenant' && steps.some(({ wants }) => wants === 'off'),
  ],
  [
    'noCaution',
    ({ safetyCritical, risk, cautions, steps }) =>
      (safetyCritical || risk === 'fire') && cautions.length === 0 && steps.every(({ caution }) => caution === ''),
  ],
  ['runsOpen', ({ steps }) => steps.some(({ wants, part }) => wants === 'runs' && part !== null)],
];

const isCleaning = ({ phase }: StepDefinition) => phase === 'clean';

function wrongWith(part: PartDefinition, machine: MachineDefinition): Wrong[] {
  const found = RULES.filter(([, isWrong]) => isWrong(part, machine)).map(([key]): Wrong => [key, {}]);
  return [...found, ...wrongInOrder(part), ...tradeWork(part)];
}

/** Words of a licensed trade in what a tenant is asked to do. */
function tradeWork({ level, steps }: PartDefinition): Wrong[] {
  if (level !== 'tenant') return [];
  return steps.flatMap(({ title, body }): Wrong[] => {
    const [found] = TRADE.exec(`${title} ${body}`) ?? [];
    return found ? [['tenantTrade', { word: found }]] : [];
  });
}

/** The part out and in again, in turn, and in whenever it runs. */
function wrongInOrder({ steps }: PartDefinition): Wrong[] {
  const wrong: Wrong[] = [];
  let out = false;
  for (const { part, wants } of steps) {
    if (part !== null && (part === 'out') === out) wrong.push(['partTwice', {}]);
    if (part !== null) out = part === 'out';
    if (wants === 'runs' && out) wrong.push(['runsOpen', {}]);
  }
  if (out) wrong.push(['partLeftOut', {}]);
  return wrong;
}

function subsets<T>(of: readonly T[]): T[][] {
  if (of.length > ALL_SETS) return [[...of], ...of.flatMap((a, i) => of.slice(i).map((b) => (a === b ? [a] : [a, b])))];
  return of.reduce<T[][]>((sets, it) => [...sets, ...sets.map((set) => [...set, it])], [[]]).slice(1);
}

/** Plans the sets of parts of a definition whose parts are right; ends with the first that can not be planned. */
function* planSets(definition: MachineDefinition): Generator<DefinitionProblem | null, void> {
  const { procedures } = buildMachine({ key: 'own00000000', owner: '', number: 1, version: 1, definition });
  for (const procedure of procedures) {
    const problem = procedureProblem(procedure);
    if (problem !== null) return yield { key: 'noPlan', part: procedure.key, values: { why: problem } };
  }
  for (const set of subsets(procedures)) {
    const tasks = set.map(({ key, steps, minutes }) => ({ id: key, steps, minutes }));
    try {
      planSitting(sittingOf(systemFor(definition.isolation), tasks));
    } catch (error) {
      const named = definition.parts.filter((part) => set.some(({ key }) => key === procedureKey('own00000000', part)));
      return yield { key: 'noPlan', part: named.map(({ name }) => name).join(', '), values: { why: String(error) } };
    }
    yield null;
  }
}
