/** Every measurement by its name: what is entered, in metric, and what is worked out. */
import { actualSize, formatFilterSize, parseFilterSize } from '../quantities/filterSize.ts';
import { HARDNESS_UNITS, type HardnessUnit } from '../quantities/hardness.ts';
import { dilutionWorking, doseWorking } from './dilution.ts';
import { ductWorking, ELBOW_RADII, type ElbowRadius } from './ductRun.ts';
import { faceWorking } from './faceVelocity.ts';
import { detergentWorking } from './detergent.ts';
import { dryingTime, hardnessWorking, pumpOut, temperatureDrop, waterUsed } from './readings.ts';
import { coldWorking } from './tuning.ts';
import type { Working } from './working.ts';

/** What a field holds, and so in which units it may be entered. */
export type FieldKind = 'number' | 'celsius' | 'ml' | 'litres' | 'mm' | 'text' | 'choice';

export interface MeasureField {
  readonly key: string;
  readonly kind: FieldKind;
  readonly start: number | string;
  /** Of a choice. */
  readonly choices?: readonly string[];
  /** May stay empty. */
  readonly optional?: true;
}

export type MeasureInputs = Readonly<Record<string, number | string>>;

export interface Measure {
  readonly key: string;
  readonly fields: readonly MeasureField[];
  /** @throws RangeError where an input is no value that can be */
  readonly work: (inputs: MeasureInputs) => Working;
  /** Kinds of service point that it may be kept with; empty means any. */
  readonly of: readonly string[];
  /** Fields that are a reading of the parts that it is kept with, by the reading's key. */
  readonly reads?: Readonly<Record<string, string>>;
}

const field = (
  key: string,
  kind: FieldKind,
  start: number | string,
  more: Partial<MeasureField> = {},
): MeasureField => ({ key, kind, start, ...more });

function numberIn(inputs: MeasureInputs, key: string): number {
  const value = typeof inputs[key] === 'number' ? inputs[key] : NaN;
  if (!Number.isFinite(value)) throw new RangeError(`${key} must be a number`);
  return value;
}

function choiceIn<T extends string>(inputs: MeasureInputs, key: string, choices: readonly T[]): T {
  const found = choices.find((it) => it === inputs[key]);
  if (!found) throw new RangeError(`${key} must be one of ${choices.join(', ')}`);
  return found;
}

function sizeIn(inputs: MeasureInputs) {
  const size = parseFilterSize(String(inputs.size ?? ''));
  if (!size) throw new RangeError('size must be a filter size');
  return size;
}

export const MEASURES: readonly Measure[] = [
  {
    key: 'face',
    of: ['airHandler.returnFilter', 'airHandler.mediaFilter'],
    fields: [field('size', 'text', '16 x 25 x 1'), field('cfm', 'number', 1000)],
    work: (inputs) => {
      const size = sizeIn(inputs);
      const working = faceWorking(size, numberIn(inputs, 'cfm'));
      return {
        ...working,
        terms: [
          { key: 'fit.nominal', values: { size: formatFilterSize(size) } },
          { key: 'fit.actual', values: { size: formatFilterSize(actualSize(size)) } },
          ...working.terms,
        ],
      };
    },
  },
  {
    key: 'duct',
    of: ['dryer.duct', 'dryer.transitionHose', 'dryer.outdoorHood'],
    fields: [
      field('straight', 'mm', 6096),
      field('radius', 'choice', 'mitred4', { choices: ELBOW_RADII }),
      field('bends90', 'number', 2),
      field('bends45', 'number', 0),
      field('maker', 'mm', '', { optional: true }),
    ],
    work: (inputs) => {
      const radius = choiceIn<ElbowRadius>(inputs, 'radius', ELBOW_RADII);
      const elbows = ([90, 45] as const).map((degrees) => ({
        radius,
        degrees,
        count: numberIn(inputs, `bends${degrees}`),
      }));
      const maker = inputs.maker === '' || inputs.maker === undefined ? undefined : numberIn(inputs, 'maker');
      return ductWorking({ straightMm: numberIn(inputs, 'straight'), elbows }, maker);
    },
  },
  {
    key: 'drop',
    reads: { return: 'returnCelsius', supply: 'supplyCelsius' },
    of: ['airHandler.coolingCheck', 'airHandler.returnFilter', 'airHandler.mediaFilter', 'outdoorUnit.coil'],
    fields: [field('return', 'celsius', 24), field('supply', 'celsius', 15)],
    work: (inputs) => temperatureDrop(numberIn(inputs, 'return'), numberIn(inputs, 'supply')),
  },
  {
    key: 'drying',
    reads: { minutes: 'dryMinutes' },
    of: [
      'dryer.duct',
      'dryer.lintScreen',
      'dryer.transitionHose',
      'dryer.outdoorHood',
      'dryer.slot',
      'condenserDryer.fluffFilter',
      'condenserDryer.condenser',
    ],
    fields: [field('minutes', 'number', 55)],
    work: (inputs) => dryingTime(numberIn(inputs, 'minutes')),
  },
  {
    key: 'pump',
    reads: { pumped: 'pumpedLitres', seconds: 'pumpSeconds' },
    of: ['dishwasher.drainPump', 'dishwasher.sump', 'dishwasher.filter'],
    fields: [field('poured', 'litres', 7.5), field('pumped', 'litres', 7.3), field('seconds', 'number', 35)],
    work: (inputs) => pumpOut(numberIn(inputs, 'poured'), numberIn(inputs, 'pumped'), numberIn(inputs, 'seconds')),
  },
  {
    key: 'cold',
    reads: { fridge: 'fridgeCelsius', freezer: 'freezerCelsius' },
    of: ['refrigerator.temperatures', 'freezer.temperature', 'refrigerator.doorSeals'],
    fields: [field('fridge', 'celsius', 6), field('freezer', 'celsius', -18)],
    work: (inputs) => coldWorking(numberIn(inputs, 'fridge'), numberIn(inputs, 'freezer')),
  },
  {
    key: 'dilution',
    of: [],
    fields: [field('total', 'ml', 236.5882365), field('parts', 'number', 3)],
    work: (inputs) => dilutionWorking(numberIn(inputs, 'total'), numberIn(inputs, 'parts')),
  },
  {
    key: 'dose',
    of: ['drains.dose'],
    fields: [field('each', 'ml', 59.147), field('count', 'number', 7)],
    work: (inputs) => doseWorking(numberIn(inputs, 'each'), numberIn(inputs, 'count')),
  },
  {
    key: 'hardness',
    of: [],
    fields: [field('value', 'number', 10), field('unit', 'choice', 'gpg', { choices: HARDNESS_UNITS })],
    work: (inputs) =>
      hardnessWorking(numberIn(inputs, 'value'), choiceIn<HardnessUnit>(inputs, 'unit', HARDNESS_UNITS)),
  },
  {
    key: 'detergent',
    of: [],
    fields: [
      field('hardness', 'number', 120),
      field('load', 'choice', 'full', { choices: ['half', 'full'] }),
      field('age', 'choice', 'now', { choices: ['now', 'old'] }),
    ],
    work: (inputs) =>
      detergentWorking(
        numberIn(inputs, 'hardness'),
        choiceIn(inputs, 'load', ['half', 'full'] as const),
        choiceIn(inputs, 'age', ['now', 'old'] as const),
      ),
  },
  {
    key: 'water',
    of: [],
    fields: [field('cycles', 'number', 5), field('age', 'choice', 'now', { choices: ['now', 'old'] })],
    work: (inputs) => waterUsed(numberIn(inputs, 'cycles'), choiceIn(inputs, 'age', ['now', 'old'] as const)),
  },
];

/** @throws RangeError for a name that is no measurement */
export function measureOf(key: string): Measure {
  const found = MEASURES.find((it) => it.key === key);
  if (!found) throw new RangeError(`no such measurement: ${key}`);
  return found;
}
