/**
 * Methods: questions on which practitioners differ in how a thing is done, with the options that they
 * stand for. The first option of each is ours. Words and reasons: `method.<key>.<option>`, `.for`, `.against`.
 */
import { METHODS, type Choices, type MethodKey } from './types.ts';

export interface MethodOption {
  readonly key: string;
  /** False for what people do and we do not hand to tenants. */
  readonly forTenants: boolean;
}

export interface Method {
  readonly key: MethodKey;
  readonly options: readonly MethodOption[];
}

const open = (...keys: string[]): MethodOption[] => keys.map((key) => ({ key, forTenants: true }));
const staffOnly = (...keys: string[]): MethodOption[] => keys.map((key) => ({ key, forTenants: false }));

const OPTIONS: Readonly<Record<MethodKey, readonly MethodOption[]>> = {
  filterMedia: open('dense', 'thin'),
  condensateAgent: open('bleach', 'vinegar'),
  condensatePower: open('always', 'whenWired'),
  tubClean: open('sodaThenVinegar', 'vinegar', 'tablets', 'citricAcid'),
  dishwasherWash: open('rotation', 'tablet'),
  lintWash: open('dishSoap', 'softener'),
  hoodClean: [...open('soak', 'hose'), ...staffOnly('steam', 'dishwasher', 'bake')],
};

export const methods: ReadonlyMap<MethodKey, Method> = new Map(METHODS.map((key) => [key, { key, options: OPTIONS[key] }]));

/** The option in force. An unknown one counts as not chosen. */
export function optionOf(method: MethodKey, choices: Choices): MethodOption {
  const { options } = methods.get(method)!;
  return options.find(({ key }) => key === choices[method]) ?? options[0]!;
}

/** Whether an option belongs to a method. */
export function isOption(method: string, option: string): boolean {
  return methods.get(method as MethodKey)?.options.some(({ key }) => key === option) ?? false;
}
