/**
 * Unit templates to begin with: what usually stands in a home of that kind. Words at `starter.<key>`. Our assumption of
 * what is usual.
 */

export interface StarterMachine {
  readonly type: string;
  /** What usually must match, by procedure. */
  readonly drains?: number;
  /** Parts that such a home usually lacks. */
  readonly leftOut?: readonly string[];
}

export interface Starter {
  readonly key: string;
  readonly machines: readonly StarterMachine[];
}

const noIce = ['refrigerator.waterFilter', 'refrigerator.iceMaker'];
const kitchen: readonly StarterMachine[] = [
  { type: 'recirculatingHood' },
  { type: 'refrigerator', leftOut: noIce },
  { type: 'dishwasher' },
];

export const STARTERS: readonly Starter[] = [
  {
    key: 'studio',
    machines: [
      { type: 'hood' },
      { type: 'refrigerator', leftOut: noIce },
      { type: 'bathFan' },
      { type: 'drains', drains: 4 },
    ],
  },
  { key: 'oneBed', machines: [...kitchen, { type: 'washer' }, { type: 'bathFan' }, { type: 'drains', drains: 5 }] },
  {
    key: 'twoBed',
    machines: [
      { type: 'airHandler' },
      { type: 'thermostat' },
      ...kitchen,
      { type: 'washer' },
      { type: 'condenserDryer' },
      { type: 'bathFan' },
      { type: 'drains', drains: 6 },
    ],
  },
  {
    key: 'house',
    machines: [
      { type: 'airHandler' },
      { type: 'outdoorUnit' },
      { type: 'thermostat' },
      { type: 'hood' },
      { type: 'refrigerator' },
      { type: 'dishwasher' },
      { type: 'disposer' },
      { type: 'washer' },
      { type: 'dryer' },
      { type: 'bathFan' },
      { type: 'drains', drains: 9 },
    ],
  },
  { key: 'bare', machines: [] },
];
