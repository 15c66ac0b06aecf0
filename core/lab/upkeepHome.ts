/** A home that upkeep is lived through in: its household, its machines, which parts ride. */
import type { Day } from '../calendar/day.ts';
import { procedureOf } from '../catalogue/catalogue.ts';
import { machineTypeOf } from '../catalogue/machines.ts';
import type { Procedure } from '../catalogue/types.ts';
import { PRACTISED } from '../due/burden.ts';
import { computeLine } from '../due/compute.ts';
import { combinedFactor, COOKING, driverEffects, type Household } from '../due/drivers.ts';
import type { Condition, LineInputs } from '../due/inputs.ts';
import { rides, type Sibling } from '../due/riders.ts';
import { type TimedJob } from '../jobs/pace.ts';
import { normalDraw, shareDraw, type Random } from '../statistics/random.ts';
import { drawSpeed } from './truth.ts';

/** The neutral two-bed flat of common practice: seven machines, 35 parts. */
export const FLAT = ['airHandler', 'hood', 'bathFan', 'dryer', 'washer', 'dishwasher', 'refrigerator'] as const;

/**
 * Our assumption of rented flats: shares of one to five people, of none to two shedding pets, and of how much is
 * cooked.
 */
const HOUSEHOLDS = {
  people: [0.3, 0.34, 0.17, 0.13, 0.06],
  pets: [0.65, 0.25, 0.1],
  cooking: [0.25, 0.5, 0.25],
} as const;

export interface Part {
  readonly procedure: Procedure;
  readonly machine: string;
  readonly speed: number;
  readonly inputs: Omit<LineInputs, 'conditions'>;
  readonly factor: number;
  readonly conditions: Condition[];
  served: Day;
  line: Day;
  /** Nobody else does it before this: staff owe it. */
  owed: boolean;
  first: boolean;
}

export interface Home {
  readonly silent: boolean;
  /** Share of a newcomer's minutes that they will need once practised. */
  readonly gift: number;
  readonly parts: readonly Part[];
  readonly timed: TimedJob[];
  request: { readonly parts: readonly Part[]; readonly answer: Day } | null;
  visit: Day | null;
  lapsed: number;
  month: number;
  requests: number;
  minutes: number;
}

/** A home with its household and machines, drawn by chance. */
export function moveIn(random: Random, silent: boolean): Home {
  const household: Household = {
    people: 1 + shareDraw(random, HOUSEHOLDS.people),
    pets: shareDraw(random, HOUSEHOLDS.pets),
    cooking: COOKING[shareDraw(random, HOUSEHOLDS.cooking)]!,
  };
  const parts = FLAT.flatMap((machine) =>
    machineTypeOf(machine).points.map((key): Part => {
      const procedure = procedureOf(key);
      const effects = driverEffects(procedure.drivers, { household });
      const factor = combinedFactor(effects);
      const inputs: Part['inputs'] = {
        procedure: key,
        version: procedure.version,
        methods: {},
        days: procedure.days,
        assumed: procedure.assumed.includes('steady'),
        critical: procedure.safetyCritical,
        practice: 'steady',
        caps: [],
        changes: {},
        stretches: [{ fromDay: 0, factor }],
        effects,
        newSince: null,
        turnovers: [],
        anchor: null,
        upkeepDay: null,
        signalDay: null,
      };
      const begun = { day: 0, kind: 'service', grade: null, confirmed: true } as const;
      const { days } = computeLine({ ...inputs, conditions: [begun] }, 0);
      const served = -Math.floor(random() * days);
      return {
        procedure,
        machine,
        speed: drawSpeed(random),
        inputs,
        factor,
        conditions: [{ ...begun, day: served }],
        served,
        line: served + days,
        owed: false,
        first: true,
      };
    }),
  );
  return {
    silent,
    gift: Math.min(0.8, PRACTISED * Math.exp(0.25 * normalDraw(random))),
    parts,
    timed: [],
    request: null,
    visit: null,
    lapsed: 0,
    month: -1,
    requests: 0,
    minutes: 0,
  };
}

export const siblingOf = (part: Part): Sibling => ({
  id: part.procedure.key,
  core: part.procedure.core,
  level: part.procedure.level,
  intervalDays: lasts(part),
  lineDay: part.line,
});

export const siblingsOf = (part: Part, home: Home): Sibling[] =>
  home.parts.filter(({ machine }) => machine === part.machine).map(siblingOf);

export const isRider = (part: Part, home: Home): boolean =>
  !part.procedure.core && rides(siblingOf(part), siblingsOf(part, home));

export const lasts = ({ line, served }: Part): number => Math.max(1, line - served);
