/**
 * Whether machines fault oftener while a part is past its line: the ratio of the two rates, by the likelihood of counts
 * with a gamma frailty of the machine and, as a covariate, how late the household serves its other parts.
 *
 * A fault makes its part due, so what comes after it is no longer what it was: the comparison within one machine is
 * biased upwards by that. The likelihood here takes each day's state as it stood strictly before, which is all that it
 * needs; and a covariate that no fault can move stands for what late households and frail machines have in common.
 */

/** Time at risk in one of two states, and the faults that began in it. */
export interface AtRisk {
  readonly years: number;
  readonly faults: number;
}

export interface MachineExposure {
  readonly inOrder: AtRisk;
  readonly past: AtRisk;
  /** How late the household is at scheduled services of its other parts, in shares of their intervals. */
  readonly lateness: number;
}

export interface UpkeepEffect {
  /** Fault rate past the line over that in order, with its 95 % interval. */
  readonly ratio: number;
  readonly low: number;
  readonly high: number;
  /** Faults a machine-year in order, of a machine and household in the middle. */
  readonly perYear: number;
  readonly inOrder: AtRisk;
  readonly past: AtRisk;
}

/** A fault with the state of the part as it was known on a day. */
export interface StatedFault {
  readonly onsetDay: number;
  readonly asOfDay: number;
  readonly past: boolean;
}

/**
 * Whether a fault began past the line.
 * @throws RangeError where the state was read on the day of the onset or after it: the fault itself moves the line, and
 *   a state read late turns a ratio of 1 into one of 4
 */
export function beganPast({ onsetDay, asOfDay, past }: StatedFault): boolean {
  if (asOfDay >= onsetDay) throw new RangeError(`state of day ${asOfDay} for a fault of day ${onsetDay}`);
  return past;
}

/** Our assumption: with fewer faults, or without a fault or half a year on either side, nothing is said. */
export const LEAST_FAULTS = 8;
const LEAST_YEARS = 0.5;

/** Priors, ours: the frailty's shape around 4, a coefficient of variation of one half; the covariate's slope around 0. */
const SHAPE = { middle: Math.log(4), spread: 1 };
const SLOPE = { middle: 0, spread: 2 };
const ROUNDS = 60;
/** In logarithms: a hundred-thousandth of a ratio is nothing to anybody. */
const CLOSE = 1e-5;
const Z95 = 1.959_963_984_540_054;

/** Logarithms of the base rate and the ratio, the slope of the covariate, and the logarithm of the frailty's shape. */
type Parameters = readonly [rate: number, ratio: number, slope: number, shape: number];

const each = ([a, b, c, d]: Parameters, of: (value: number, i: number) => number): Parameters => [
  of(a, 0),
  of(b, 1),
  of(c, 2),
  of(d, 3),
];

/** Machines as columns: the sums below run over tens of thousands of them, dozens of times. */
interface Columns {
  readonly count: Float64Array;
  readonly pastFaults: Float64Array;
  readonly inOrderYears: Float64Array;
  readonly pastYears: Float64Array;
  readonly lateness: Float64Array;
}

function columnsOf(machines: readonly MachineExposure[]): Columns {
  const middle = machines.reduce((sum, { lateness }) => sum + lateness, 0) / machines.length;
  const column = (of: (machine: MachineExposure) => number) => Float64Array.from(machines, of);
  return {
    count: column(({ inOrder, past }) => inOrder.faults + past.faults),
    pastFaults: column(({ past }) => past.faults),
    inOrderYears: column(({ inOrder }) => inOrder.years),
    pastYears: column(({ past }) => past.years),
    lateness: column(({ lateness }) => lateness - middle),
  };
}

/** The gradient of the penalised log likelihood. */
function gradient(of: Columns, [a, b, slope, c]: Parameters): number[] {
  const [ratio, shape] = [Math.exp(b), Math.exp(c)];
  let [byRate, byRatio, bySlope, byShape] = [0, 0, 0, 0];
  for (let i = 0; i < of.count.length; i += 1) {
    const rate = Math.exp(a + slope * of.lateness[i]!);
    const count = of.count[i]!;
    const pastExpected = rate * ratio * of.pastYears[i]!;
    const expected = rate * of.inOrderYears[i]! + pastExpected;
    const share = (shape + count) / (shape + expected);
    const beyond = count - share * expected;
    byRate += beyond;
    byRatio += of.pastFaults[i]! - share * pastExpected;
    bySlope += of.lateness[i]! * beyond;
    byShape += Math.log(shape / (shape + expected)) + 1 - share;
    for (let j = 0; j < count; j += 1) byShape += 1 / (shape + j);
  }
  return [
    byRate,
    byRatio,
    bySlope - (slope - SLOPE.middle) / SLOPE.spread ** 2,
    shape * byShape - (c - SHAPE.middle) / SHAPE.spread ** 2,
  ];
}

/** Minus the second derivatives, by central differences of the gradient. */
function information(of: Columns, at: Parameters): number[][] {
  const step = 1e-4;
  const columns = at.map((_, i) => {
    const moved = (by: number) => each(at, (value, j) => (i === j ? value + by : value));
    const [up, down] = [gradient(of, moved(step)), gradient(of, moved(-step))];
    return up.map((value, j) => -(value - down[j]!) / (2 * step));
  });
  return columns.map((column, i) => column.map((value, j) => (value + columns[j]![i]!) / 2));
}

/** Solves a small symmetric system by Gaussian elimination with pivoting. */
function solve(matrix: readonly (readonly number[])[], right: readonly number[]): number[] {
  const rows = matrix.map((row, i) => [...row, right[i]!]);
  const size = rows.length;
  for (let i = 0; i < size; i += 1) {
    const pivot = rows
      .slice(i)
      .reduce((best, row, j) => (Math.abs(row[i]!) > Math.abs(rows[best]![i]!) ? i + j : best), i);
    [rows[i], rows[pivot]] = [rows[pivot]!, rows[i]!];
    for (let j = i + 1; j < size; j += 1) {
      const factor = rows[j]![i]! / rows[i]![i]!;
      for (let k = i; k <= size; k += 1) rows[j]![k]! -= factor * rows[i]![k]!;
    }
  }
  const found = Array<number>(size).fill(0);
  for (let i = size - 1; i >= 0; i -= 1) {
    const known = found.reduce((sum, value, k) => (k > i ? sum + rows[i]![k]! * value : sum), 0);
    found[i] = (rows[i]![size]! - known) / rows[i]![i]!;
  }
  return found;
}

/** Newton's step; where the surface is not arched there, each coordinate up its own slope. */
function stepFrom(of: Columns, at: Parameters): number[] {
  const [slopes, curves] = [gradient(of, at), information(of, at)];
  const step = solve(curves, slopes);
  const arched = curves.every((row, i) => row[i]! > 0);
  return arched && step.reduce((sum, value, i) => sum + value * slopes[i]!, 0) > 0
    ? step
    : slopes.map((slope, i) => slope / Math.max(1, Math.abs(curves[i]![i]!)));
}

const total = (machines: readonly MachineExposure[], of: 'inOrder' | 'past'): AtRisk => ({
  years: machines.reduce((sum, machine) => sum + machine[of].years, 0),
  faults: machines.reduce((sum, machine) => sum + machine[of].faults, 0),
});

/** The effect of being past the line on faults; null where there is too little to say anything. */
export function upkeepEffect(machines: readonly MachineExposure[]): UpkeepEffect | null {
  const [inOrder, past] = [total(machines, 'inOrder'), total(machines, 'past')];
  if (inOrder.faults + past.faults < LEAST_FAULTS || Math.min(inOrder.faults, past.faults) < 1) return null;
  if (Math.min(inOrder.years, past.years) < LEAST_YEARS) return null;
  const columns = columnsOf(machines);
  const rateOf = ({ faults, years }: AtRisk) => (faults + 0.5) / years;
  let at: Parameters = [Math.log(rateOf(inOrder)), Math.log(rateOf(past) / rateOf(inOrder)), 0, SHAPE.middle];
  const longest = [1, 1, 1, 1];
  let before = [0, 0, 0, 0];
  for (let round = 0; round < ROUNDS; round += 1) {
    const step = stepFrom(columns, at);
    // No stride longer than one in a logarithm, and half as long where the last one overshot.
    for (const i of step.keys()) if (step[i]! * before[i]! < 0) longest[i]! /= 2;
    before = step.map((value, i) => Math.sign(value) * Math.min(longest[i]!, Math.abs(value)));
    at = each(at, (value, i) => value + before[i]!);
    if (Math.max(...before.map(Math.abs)) < CLOSE) break;
  }
  const variance = solve(information(columns, at), [0, 1, 0, 0])[1]!;
  const half = Z95 * Math.sqrt(Math.max(0, variance));
  return {
    ratio: Math.exp(at[1]),
    low: Math.exp(at[1] - half),
    high: Math.exp(at[1] + half),
    perYear: Math.exp(at[0]),
    inOrder,
    past,
  };
}
