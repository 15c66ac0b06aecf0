/**
 * Who may do a procedure on this very machine: gas, a roof, a ladder or wiring raise what needs them, never lower it; nor
 * does a tenant do what their household has not agreed to. Local codes and the maker's manual may ask for more.
 */
import { isBelow, LEVELS, type Access, type Level, type Procedure } from './types.ts';

export const RAISES = ['gas', 'roof', 'ladder', 'wired', 'agreed'] as const;
export type Raise = (typeof RAISES)[number];

export interface Siting {
  readonly fuel: string;
  /** Wired in, without a plug. */
  readonly hardWired: boolean;
  /** A switch for it stands in the register, in reach. */
  readonly switchKnown: boolean;
  /** How the part is reached; null where nobody has said, which counts as from the floor. */
  readonly access: Access | null;
  /** Whoever lives there has said that they do not do it. */
  readonly declined: boolean;
}

const above = (level: Level): Level => LEVELS[Math.min(LEVELS.length - 1, LEVELS.indexOf(level) + 1)]!;
const atLeast = (level: Level, least: Level): Level => (isBelow(level, least) ? least : level);

const moves = ({ steps }: Procedure) =>
  steps.some(({ wants, makes }) => wants?.place === 'out' || makes?.place === 'out');
const isolatesPower = ({ steps }: Procedure) => steps.some(({ wants }) => wants?.power === 'off');

/** The level that a procedure wants on a machine, with what raised it. */
export function levelAt(
  procedure: Procedure,
  { fuel, hardWired, switchKnown, access, declined }: Siting,
): { readonly level: Level; readonly raised: readonly Raise[] } {
  const raised: Raise[] = [];
  let { level } = procedure;
  const raise = (to: Level, by: Raise) => {
    if (to === level) return;
    level = to;
    raised.push(by);
  };
  // Moving one strains its connector: one level up, from staff to the licensed trade.
  if (fuel === 'gas' && moves(procedure)) raise(above(level), 'gas');
  if (access === 'roof') raise('licensed', 'roof');
  if (access === 'ladder') raise(atLeast(level, 'staff'), 'ladder');
  if (hardWired && !switchKnown && isolatesPower(procedure)) raise(atLeast(level, 'staff'), 'wired');
  if (declined) raise(atLeast(level, 'staff'), 'agreed');
  return { level, raised };
}
