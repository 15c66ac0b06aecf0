/** The shapes of the catalogue: machine types, their service points, and the procedures that serve them. */
import type { Unit } from '../quantities/units.ts';
import type { AnchorChoice } from './anchorChoice.ts';
import type { PracticeDays, School } from './practice.ts';

export const PART_KINDS = ['filter', 'screen', 'seal', 'drain', 'coil', 'duct', 'fan', 'tub', 'sensor'] as const;
/** What a machine is made of, as far as upkeep minds. */
export type PartKind = (typeof PART_KINDS)[number];
/** `visit`: nothing of the machine itself, but that a contractor comes to it. */
export type PointKind = PartKind | 'visit';
export type Risk = 'fire' | 'flood' | 'health' | 'breakage' | 'comfort';
/** Who may do it, from the lowest: a tenant with plain instructions, trained staff, a licensed trade. */
export const LEVELS = ['tenant', 'staff', 'licensed'] as const;
export type Level = (typeof LEVELS)[number];

/** Whether a level is under another: who may the higher may the lower too. */
export const isBelow = (level: Level, other: Level): boolean => LEVELS.indexOf(level) < LEVELS.indexOf(other);
export type Phase = 'isolate' | 'open' | 'look' | 'clean' | 'refit' | 'restore' | 'test';
export const AGENTS = [
  'bleach',
  'vinegar',
  'citricAcid',
  'ammonia',
  'dishSoap',
  'bakingSoda',
  'enzyme',
  'cleaner',
  'tablet',
  'degreaser',
  'oxygenBleach',
  'softener',
  'water',
] as const;
export type Agent = (typeof AGENTS)[number];
/** What a part is made of, as far as an agent minds. */
export const SURFACES = ['stainless', 'aluminium', 'rubber', 'catalyst', 'bareMetal', 'plastic', 'steel'] as const;
export type Surface = (typeof SURFACES)[number];
/** How a part is reached. */
export const ACCESSES = ['floor', 'ladder', 'roof'] as const;
export type Access = (typeof ACCESSES)[number];
/** What in a household, its home or its water makes a part foul faster or slower. */
export type DriverName =
  | 'people'
  | 'condenserPeople'
  | 'laundry'
  | 'pets'
  | 'cooking'
  | 'coolWashes'
  | 'hardness'
  | 'smoking'
  | 'dust'
  | 'detergent'
  | 'newHome';

/** What a step asks for. Keys are unique within a procedure. */
export type Need =
  | { readonly kind: 'confirm'; readonly key: string }
  | { readonly kind: 'photo'; readonly key: string; readonly optional?: boolean }
  | { readonly kind: 'grade'; readonly key: 'part' | 'cavity' }
  | { readonly kind: 'finds'; readonly key: 'finds' }
  | { readonly kind: 'agent'; readonly key: 'agent'; readonly choices: readonly Agent[] }
  | { readonly kind: 'size'; readonly key: 'size' }
  | { readonly kind: 'timer'; readonly key: string; readonly minutes: number }
  | { readonly kind: 'finding'; readonly key: Finding }
  | ReadingNeed;

export interface ReadingNeed {
  readonly kind: 'reading';
  readonly key: string;
  readonly unit: Unit;
  /** A value outside is a slip of the pen. */
  readonly plausible: readonly [number, number];
  /** A value outside means that the job is not proven. */
  readonly pass: readonly [number, number];
  readonly optional?: boolean;
  /**
   * What `pass` is held against in place of the value: its drop from another reading, K; or that reading a minute, for
   * a value in seconds.
   */
  readonly judged?: { readonly as: 'drop' | 'rate'; readonly with: string };
  /** The way it goes when something fails. */
  readonly worse?: 'higher' | 'lower';
  /**
   * What is raised by a figure beyond a limit of its own, and the signal raised by one that drifts from what the
   * machine read at first.
   */
  readonly opens?: {
    readonly beyond?: {
      readonly at: number;
      readonly raises: { readonly signal: string } | { readonly symptom: string };
    };
    readonly drift?: string;
  };
}

export const METHODS = [
  'filterMedia',
  'condensateAgent',
  'condensatePower',
  'tubClean',
  'dishwasherWash',
  'sodaRun',
  'lintWash',
  'hoodClean',
] as const;
export type MethodKey = (typeof METHODS)[number];
/** The option chosen for each question; those left out stand at their first option. */
export type Choices = Readonly<Partial<Record<MethodKey, string>>>;

/** What may be found on the way that changes what is needed; asked where it shows. Words at `finding.<key>`. */
export const FINDINGS = ['crayon', 'crackedRack', 'noWire', 'standingWater'] as const;
export type Finding = (typeof FINDINGS)[number];

/** How the machine runs in a step; what is wet wets the inside. */
export const RUNS = ['fan', 'cool', 'short', 'hot', 'pump', 'warm', 'grind'] as const;
export type Run = (typeof RUNS)[number];

/** The variable of a part that belongs to one point alone. */
export const OWN = 'own';

/** Where the hands are: outside; in the opening of a machine that stands still; at what may move, is hot or live. */
export type Hands = 'outside' | 'opening' | 'inside';

/**
 * Values of the variables of a system: what is switched (`power`, `tap`, …; `systems.ts`) and what steps do themselves:
 * a removable part (`part.<name>`, or `own`: in, out), heat, water, settling.
 */
export type State = Readonly<Record<string, string>>;

/** What a step asks of the system's state; `sittings` are planned from it. */
export interface StepState {
  /** What the system must be like. What is left out may be either way. */
  readonly wants?: State;
  /** What it leaves otherwise than it found it. */
  readonly makes?: State;
  readonly run?: Run;
  /** Parts that need not be back in while it runs. */
  readonly but?: readonly string[];
  readonly hands?: Hands;
  /** One act, done once however many procedures of the sitting ask for it. */
  readonly act?: string;
  /** Only where this was found. */
  readonly when?: Finding;
  /** Where this was found, power may stay on. */
  readonly poweredWhen?: Finding;
  /** Not asked of a tenant, who does the rest. */
  readonly staffOnly?: true;
}

export interface Step extends StepState {
  /** Where its words are: `<text>.title`, `.body`, and, where present, `.caution` and `.button`. Also its identity. */
  readonly text: string;
  readonly phase: Phase;
  readonly needs: readonly Need[];
}

export interface Material {
  /** Words at `material.<what>`. */
  readonly what: string;
  readonly volumeMl?: number;
  /** The volume is for each of so many. */
  readonly each?: 'drain';
  /** It is this agent: not carried where another one is used. */
  readonly agent?: Agent;
}

export type SpecificationField =
  | 'filterSize'
  | 'airflowCfm'
  | 'drainCount'
  | 'duct'
  | 'runMinutes'
  | 'position'
  | 'access'
  | 'airflow'
  | 'rating'
  | 'surface'
  | 'forbiddenAgents'
  | 'makerLimitDays'
  | 'localLimitDays'
  | 'note';

export interface Procedure {
  /** `machine.point`, also the type of the service point it serves. */
  readonly key: string;
  readonly version: number;
  readonly kind: PointKind;
  /** Reference interval and its two neighbours. */
  readonly days: PracticeDays;
  /** Schools whose interval no practitioner stated: the product's own assumption. */
  readonly assumed: readonly School[];
  /** Schools that wait for a signal; their interval is only the longest that it may take. */
  readonly signalled?: readonly School[];
  readonly drivers: readonly DriverName[];
  /** Scheduled from the start; others ride along when their machine is opened anyway. */
  readonly core: boolean;
  /** Questions on which the schools differ and which change this procedure (`methods.ts`). */
  readonly follows: readonly MethodKey[];
  /** The calendar that it keeps unless a manager chooses otherwise. */
  readonly anchor?: { readonly choice: AnchorChoice; readonly mode: 'sets' | 'limits' };
  /** Agents that take turns, one a service, in this order. */
  readonly rotation?: readonly Agent[];
  /** What the part may be made of, and what it counts as where nobody has said. */
  readonly surface?: { readonly choices: readonly Surface[]; readonly unknown: Surface | null };
  /** The work is nothing without its agent. */
  readonly agentIsAll?: true;
  /** Longest interval by where the water comes from, days. */
  readonly waterCapDays?: Readonly<Record<'public' | 'well', number>>;
  readonly risk: Risk;
  readonly safetyCritical: boolean;
  readonly level: Level;
  /** Hands-on minutes for a newcomer; waits come from the steps. */
  readonly minutes: number;
  readonly kit: readonly string[];
  readonly materials: readonly Material[];
  /** Stop points to meet before starting, and cautions; text at `stop.<key>`. */
  readonly stops: readonly string[];
  readonly steps: readonly Step[];
  readonly specification: readonly SpecificationField[];
}

export interface MachineType {
  readonly key: string;
  /** Machines of one family share their symptoms, signals and habits, as far as they have the parts. */
  readonly family: string;
  readonly fuels: readonly ('electric' | 'gas')[];
  /** Keys of the procedures of its service points. */
  readonly points: readonly string[];
  /** Whether it empties into a drain branch that it may share. */
  readonly drains: boolean;
}

const RISK_WEIGHT: Record<Risk, number> = { fire: 5, flood: 4, health: 3, breakage: 2, comfort: 1 };

/** Weight by which lists multiply lateness. Our assumption: fire first, comfort last. */
export function riskWeight(risk: Risk): number {
  return RISK_WEIGHT[risk];
}
