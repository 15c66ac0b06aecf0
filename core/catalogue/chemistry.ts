/**
 * Chemistry by property: what an agent is, what a surface is made of, and the one table of what never meets, what wants
 * a plain
 * rinse between, and what never touches what. Common practice, but where a line says otherwise.
 */
import type { Agent, Procedure, Surface } from './types.ts';

export type Property = 'acid' | 'chlorine' | 'ammonia' | 'oxygen' | 'enzyme' | 'alkaline' | 'unknown' | 'mild';

interface Nature {
  readonly is: Property;
  /** Bought, with more in it than its name says. */
  readonly commercial: boolean;
}

const NATURE: Readonly<Record<Agent, Nature>> = {
  bleach: { is: 'chlorine', commercial: false },
  vinegar: { is: 'acid', commercial: false },
  citricAcid: { is: 'acid', commercial: false },
  ammonia: { is: 'ammonia', commercial: false },
  dishSoap: { is: 'mild', commercial: false },
  bakingSoda: { is: 'alkaline', commercial: false },
  water: { is: 'mild', commercial: false },
  enzyme: { is: 'enzyme', commercial: true },
  cleaner: { is: 'unknown', commercial: true },
  tablet: { is: 'alkaline', commercial: true },
  degreaser: { is: 'alkaline', commercial: true },
  oxygenBleach: { is: 'oxygen', commercial: true },
  softener: { is: 'unknown', commercial: true },
};

/**
 * `never`: in no machine, container or visit, nor in drains that share a branch on a day. `rinse`: in one machine only
 * with a plain rinse cycle between.
 */
export type Apart = 'never' | 'rinse';

interface Rule {
  readonly apart: Apart;
  /** Text key of the reason. */
  readonly reason: string;
  readonly meets: (one: Nature, other: Nature) => boolean;
}

const are = (one: Property, other: Property) => (a: Nature, b: Nature) => a.is === one && b.is === other;

/** In order: the first that fits decides. */
const RULES: readonly Rule[] = [
  { apart: 'never', reason: 'hazard.chlorine', meets: are('chlorine', 'acid') },
  { apart: 'never', reason: 'hazard.chloramine', meets: are('chlorine', 'ammonia') },
  { apart: 'never', reason: 'hazard.unknown', meets: (one, other) => one.is === 'chlorine' && other.commercial },
  { apart: 'rinse', reason: 'hazard.foam', meets: (one, other) => one.is === 'alkaline' && other.is === 'acid' },
  { apart: 'rinse', reason: 'hazard.two', meets: (one, other) => one.commercial && other.is !== 'mild' },
];

/** How two agents are kept apart; undefined where they may meet. One agent meets itself. */
export function apart(one: Agent, other: Agent): { readonly apart: Apart; readonly reason: string } | undefined {
  if (one === other) return undefined;
  const [a, b] = [NATURE[one], NATURE[other]];
  const rule = RULES.find(({ meets }) => meets(a, b) || meets(b, a));
  return rule && { apart: rule.apart, reason: rule.reason };
}

/** Text key of the reason why two agents must never meet; undefined where they may, or want a rinse at most. */
export function mustNotMeet(one: Agent, other: Agent): string | undefined {
  const found = apart(one, other);
  return found?.apart === 'never' ? found.reason : undefined;
}

/**
 * What never touches what: bleach spoils stainless steel, aluminium and bare metal; near-boiling alkali and oxygen eat
 * aluminium (from memory); no liquid on a catalyst.
 */
const NEVER_ON: Readonly<Record<Surface, readonly Property[]>> = {
  stainless: ['chlorine'],
  aluminium: ['chlorine', 'alkaline', 'oxygen'],
  bareMetal: ['chlorine'],
  catalyst: ['acid', 'chlorine', 'ammonia', 'oxygen', 'enzyme', 'alkaline', 'unknown', 'mild'],
  rubber: [],
  plastic: [],
  steel: [],
};

export const touches = (agent: Agent, surface: Surface): boolean => !NEVER_ON[surface].includes(NATURE[agent].is);

/**
 * Agents that may not be used at a part: those that the register forbids, and those that its surface does not stand; an
 * unknown surface counts as the touchy one.
 */
export function forbiddenAt(
  { surface }: Pick<Procedure, 'surface'>,
  known: { readonly forbiddenAgents?: readonly Agent[] | undefined; readonly surface?: Surface | null | undefined },
): Agent[] {
  const made = known.surface ?? surface?.unknown;
  const spoils = made ? (Object.keys(NATURE) as Agent[]).filter((agent) => !touches(agent, made)) : [];
  return [...new Set([...(known.forbiddenAgents ?? []), ...spoils])];
}

/**
 * The procedure as it may be done where some agents are forbidden, whatever method or edition chose them: they are not
 * offered and not among the materials. Where none is left there is warm water and a brush, unless the work is nothing
 * without its agent.
 */
export function withAllowed(procedure: Procedure, forbidden: readonly Agent[]): Procedure {
  const agents = procedure.steps.some(({ needs }) => needs.some(({ kind }) => kind === 'agent'));
  if (forbidden.length === 0 || !agents) return procedure;
  const may = (agent: Agent) => !forbidden.includes(agent);
  const last: readonly Agent[] = procedure.agentIsAll ? [] : ['water'];
  const left = (choices: readonly Agent[]): readonly Agent[] => (choices.some(may) ? choices.filter(may) : last);
  return {
    ...procedure,
    steps: procedure.steps.map((step) => ({
      ...step,
      needs: step.needs.map((need) => (need.kind === 'agent' ? { ...need, choices: left(need.choices) } : need)),
    })),
    materials: procedure.materials.filter(({ agent }) => agent === undefined || may(agent)),
  };
}

/** Whether the work cannot be done at all: all its agents are forbidden, and it is nothing without one. */
export const lacksAgent = ({ steps, agentIsAll }: Procedure): boolean =>
  agentIsAll === true &&
  steps.some(({ needs }) => needs.some((need) => need.kind === 'agent' && need.choices.length === 0));

const agentNeeds = ({ steps }: Procedure) =>
  steps.flatMap((step) => step.needs).filter((need) => need.kind === 'agent');

/** Agents that a procedure surely uses: the one whose turn it is, else those that leave no choice. */
export function certainAgents(procedure: Procedure, turn: Agent | null): Agent[] {
  return agentNeeds(procedure)
    .flatMap(({ choices }) => {
      if (turn && choices.includes(turn)) return [turn];
      return choices.length === 1 ? choices : [];
    })
    .filter((agent) => agent !== 'water');
}

/** Agents that it may use. */
export function possibleAgents(procedure: Procedure, turn: Agent | null): Agent[] {
  return agentNeeds(procedure)
    .flatMap(({ choices }) => (turn && choices.includes(turn) ? [turn] : choices))
    .filter((agent) => agent !== 'water');
}

/** Every agent of a service: the one that was chosen, and those that its method uses besides. */
export function agentsOf(procedure: Procedure, chosen: Agent | null): Agent[] {
  const asked = agentNeeds(procedure).flatMap(({ choices }) => choices);
  const besides = procedure.materials.flatMap(({ agent }) => (agent && !asked.includes(agent) ? [agent] : []));
  return [...new Set([...besides, ...(chosen && chosen !== 'water' ? [chosen] : [])])];
}

export interface Meeting {
  readonly one: Agent;
  readonly other: Agent;
  /** Text key. */
  readonly reason: string;
}

/** Every pair of two lots of agents that must never meet; with `rinse`, also those that want a rinse between. */
export function meetings(these: readonly Agent[], those: readonly Agent[], rinse = false): Meeting[] {
  return these.flatMap((one) =>
    those.flatMap((other): Meeting[] => {
      const found = apart(one, other);
      return found && (rinse || found.apart === 'never') ? [{ one, other, reason: found.reason }] : [];
    }),
  );
}

/** The first of them. */
export const meetingOf = (these: readonly Agent[], those: readonly Agent[]): Meeting | undefined =>
  meetings(these, those)[0];
