/**
 * Systems: machines that are switched together, what can be switched on them, and in which order. Between the steps of
 * a sitting the planner switches by steps of its own; their words are at `<words>.title` and so on, what they are
 * confirmed by at `confirm.<words>`, and the value in a line at `state.<variable>.<value>`.
 */
import { definedMachine } from './defined.ts';
import type { Isolation } from './definition.ts';
import type { State } from './types.ts';

/** Variables that are switched by steps of their own; the others only by the work itself. */
export const SWITCHES = ['power', 'circuit', 'outdoor', 'tap', 'gas', 'place', 'water'] as const;
export type Switch = (typeof SWITCHES)[number];

/** One way of switching. */
export interface Change {
  readonly variable: Switch;
  readonly to: string;
  /** Where its words are. */
  readonly words: string;
  /** From this value only; from any other where it is null. */
  readonly from: string | null;
  /** What must be so while it is switched. */
  readonly wants: State;
  /** What ends by it. */
  readonly makes: State;
}

export interface System {
  readonly key: string;
  readonly types: readonly string[];
  /** As machines usually stand. */
  readonly usual: State;
  readonly changes: readonly Change[];
  /** Longest time without power at a stretch, minutes; null where none matters. */
  readonly offMinutes: number | null;
}

const change = (
  variable: Switch,
  to: string,
  words: string,
  more: { from?: string; wants?: State; makes?: State } = {},
): Change => ({ variable, to, words, from: more.from ?? null, wants: more.wants ?? {}, makes: more.makes ?? {} });

const power = (machine: string): Change[] => [
  change('power', 'off', `${machine}.off`),
  change('power', 'on', `${machine}.on`),
];
const tap = (machine: string): Change[] => [
  change('tap', 'shut', `${machine}.tapShut`),
  change('tap', 'open', `${machine}.tapOpen`),
];

const system = (
  key: string,
  types: readonly string[],
  usual: State,
  changes: readonly Change[],
  offMinutes: number | null = null,
): System => ({ key, types, usual, changes, offMinutes });

const UNPLUGGED: State = { power: 'off' };

/** Our assumption, from common practice: an hour without power does a shut refrigerator no harm. */
const COLD_MINUTES = 60;

const WASHER: readonly Change[] = [
  ...power('washer'),
  ...tap('washer'),
  change('water', 'drained', 'washer.letOut', { wants: { power: 'off', tap: 'shut' } }),
];

const SYSTEMS: readonly System[] = [
  system(
    'air',
    ['airHandler', 'mediaAirHandler', 'returnGrille', 'outdoorUnit', 'thermostat'],
    { power: 'on', outdoor: 'on' },
    [
      change('power', 'on', 'airHandler.again', { from: 'idle' }),
      ...power('airHandler'),
      change('power', 'idle', 'airHandler.idle'),
      change('outdoor', 'off', 'outdoorUnit.off'),
      change('outdoor', 'on', 'outdoorUnit.on'),
    ],
  ),
  system('airCleaner', ['airCleaner'], { power: 'on' }, power('airCleaner')),
  system('hood', ['hood', 'recirculatingHood'], { power: 'on', circuit: 'on' }, [
    change('power', 'off', 'hood.off'),
    change('power', 'on', 'hood.on', { wants: { circuit: 'on' } }),
    // Behind the filter lie motor, lamp and switch: its own switch does not isolate them.
    change('circuit', 'off', 'hood.circuitOff', { wants: { power: 'off' } }),
    change('circuit', 'on', 'hood.circuitOn', { wants: { power: 'off' } }),
  ]),
  system('bathFan', ['bathFan'], { power: 'on' }, power('bathFan')),
  system('dryer', ['dryer'], { power: 'on', gas: 'open', place: 'home', heat: 'cool' }, [
    ...power('dryer'),
    // Moving one strains its connector: valve shut before, leak check after.
    change('gas', 'shut', 'dryer.gasShut', { wants: UNPLUGGED }),
    change('gas', 'open', 'dryer.gasOpen', { wants: { place: 'home' } }),
    change('place', 'out', 'dryer.pullOut', { wants: { power: 'off', gas: 'shut' } }),
    change('place', 'home', 'dryer.home', { wants: { power: 'off', gas: 'shut' } }),
  ]),
  system('condenserDryer', ['condenserDryer'], { power: 'on', heat: 'cool' }, power('condenserDryer')),
  system('washer', ['washer', 'topWasher', 'washerDryer'], { power: 'on', tap: 'open', water: 'drained' }, WASHER),
  system('dishwasher', ['dishwasher'], { power: 'on' }, power('dishwasher')),
  system(
    'refrigerator',
    ['refrigerator', 'freezer'],
    { power: 'on', place: 'home', settled: 'yes' },
    [
      change('power', 'off', 'refrigerator.off', { makes: { settled: 'no' } }),
      change('power', 'on', 'refrigerator.on'),
      change('place', 'out', 'refrigerator.pullOut', { wants: UNPLUGGED }),
      change('place', 'home', 'refrigerator.home'),
    ],
    COLD_MINUTES,
  ),
  system('disposer', ['disposer'], { power: 'on' }, power('disposer')),
  system('drains', ['drains'], { power: 'on' }, []),
];

/** Machines that an office has defined: each a system of its own, made dead as it says. */
const definedPower = (machine: string): Change[] => [
  change('power', 'on', 'own.again', { from: 'idle' }),
  ...power(machine),
  change('power', 'idle', 'own.idle'),
];
const DEFINED: Readonly<Record<Isolation, System>> = {
  plug: system('plug', [], { power: 'on' }, definedPower('ownPlug')),
  circuit: system('circuit', [], { power: 'on' }, definedPower('ownCircuit')),
  none: system('none', [], { power: 'on' }, []),
};

/** The system of a machine that an office has defined. Gas stays as it is: no step of theirs touches it. */
export const systemFor = (isolation: Isolation): System => DEFINED[isolation];

const BY_TYPE = new Map(SYSTEMS.flatMap((it) => it.types.map((type) => [type, it] as const)));

/**
 * The system that a machine belongs to; without gas it has no valve.
 * @throws RangeError for a type that the catalogue does not know
 */
export function systemOf(type: string, fuel = 'electric'): System {
  const defined = definedMachine(type);
  if (defined) return { ...systemFor(defined.definition.isolation), key: type };
  const found = BY_TYPE.get(type);
  if (!found) throw new RangeError(`no such machine type: ${type}`);
  return fuel === 'gas' || found.usual.gas === undefined ? found : electric(found);
}

function electric(it: System): System {
  const { gas: _gas, ...usual } = it.usual;
  const without = ({ gas: _valve, ...rest }: State): State => rest;
  return {
    ...it,
    usual,
    changes: it.changes
      .filter(({ variable }) => variable !== 'gas')
      .map((one) => ({ ...one, wants: without(one.wants) })),
  };
}

/** Every system, as its machines run on gas where they may. */
export const systems: readonly System[] = SYSTEMS;
