/** Inputs of a line about which nothing is special: one service, no household, sixty days at Steady. */
import { NO_CHANGES } from '../../core/due/assumptions.ts';
import type { LineInputs } from '../../core/due/inputs.ts';

/** The day of its service. */
export const DAY = 20_000;

export const plain: LineInputs = {
  procedure: 'dishwasher.filter',
  version: 1,
  methods: {},
  days: { watchful: 30, steady: 60, light: 90 },
  assumed: false,
  critical: false,
  practice: 'steady',
  caps: [],
  changes: NO_CHANGES,
  stretches: [{ fromDay: 0, factor: 1 }],
  effects: [],
  conditions: [{ day: DAY, kind: 'service', grade: null, confirmed: true }],
  newSince: null,
  turnovers: [],
  anchor: null,
  upkeepDay: null,
  signalDay: null,
};
