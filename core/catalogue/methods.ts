/**
 * Methods: questions on which practitioners differ in how a thing is done, with the options that they
 * stand for. The first option of each is ours. Words and reasons: `method.<key>.<option>`, `.for`, `.against`.
 */
import { METHODS, type Agent, type Choices, type MethodKey, type Procedure } from './types.ts';

export interface MethodOption {
  readonly key: string;
  /** False for what people do and we do not hand to tenants. */
  readonly forTenants: boolean;
  /** Agents that it uses, where the method is about agents. */
  readonly agents: readonly Agent[];
}

export interface Method {
  readonly key: MethodKey;
  readonly options: readonly MethodOption[];
}

const open = (...keys: string[]): MethodOption[] => keys.map((key) => ({ key, forTenants: true, agents: [] }));
const staffOnly = (...keys: string[]): MethodOption[] => keys.map((key) => ({ key, forTenants: false, agents: [] }));
const using = (key: string, ...agents: Agent[]): MethodOption => ({ key, forTenants: true, agents });

const OPTIONS: Readonly<Record<MethodKey, readonly MethodOption[]>> = {
  filterMedia: open('dense', 'thin'),
  condensateAgent: [using('bleach', 'bleach'), using('vinegar', 'vinegar'), ...open('jug')],
  condensatePower: open('always', 'whenWired'),
  tubClean: [
    using('sodaThenVinegar', 'bakingSoda', 'vinegar'),
    using('vinegar', 'vinegar'),
    using('tablets', 'tablet'),
    ...open('machineCycle'),
  ],
  dishwasherWash: [
    ...open('rotation'),
    using('tablet', 'tablet'),
    using('overnight', 'vinegar'),
    using('bleach', 'bleach'),
  ],
  sodaRun: open('longest', 'short'),
  lintWash: [using('dishSoap', 'dishSoap'), using('softener', 'softener')],
  hoodClean: [...open('soak', 'soakShort', 'hose'), ...staffOnly('steam', 'dishwasher', 'bake')],
};

export const methods: ReadonlyMap<MethodKey, Method> = new Map(
  METHODS.map((key) => [key, { key, options: OPTIONS[key] }]),
);

/** Every agent that some way of doing a procedure uses, and bleach, which somebody may bring. */
export function agentsInUse({ steps, follows }: Procedure): Agent[] {
  const offered = steps.flatMap(({ needs }) => needs.flatMap((need) => (need.kind === 'agent' ? need.choices : [])));
  const others = follows.flatMap((method) => methods.get(method)!.options.flatMap(({ agents }) => agents));
  return [...new Set<Agent>([...offered, ...others, 'bleach'])].filter((agent) => agent !== 'water');
}

/** The option in force. An unknown one counts as not chosen. */
export function optionOf(method: MethodKey, choices: Choices): MethodOption {
  const { options } = methods.get(method)!;
  return options.find(({ key }) => key === choices[method]) ?? options[0]!;
}

/** Whether an option belongs to a method. */
export function isOption(method: string, option: string): boolean {
  return methods.get(method as MethodKey)?.options.some(({ key }) => key === option) ?? false;
}

/** The choices, each option that uses a forbidden agent replaced by the first that uses none. */
export function withoutAgents(choices: Choices, forbidden: readonly Agent[]): Choices {
  if (forbidden.length === 0) return choices;
  const allowed = (option: MethodOption) => !option.agents.some((agent) => forbidden.includes(agent));
  const replaced = [...methods.values()]
    .filter(({ key }) => !allowed(optionOf(key, choices)))
    .flatMap(({ key, options }) => {
      const other = options.find(allowed);
      return other ? [[key, other.key] as const] : [];
    });
  return { ...choices, ...Object.fromEntries(replaced) };
}
