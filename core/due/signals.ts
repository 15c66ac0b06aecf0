/**
 * Signals: a lamp, a code, weak flow, a smell. Each names the point that it makes due. One that is waved
 * away carries its own day of looking again, and comes back on it; one that nobody answers stays.
 */
import type { Day } from '../calendar/day.ts';
import { familyOf, pointLike } from '../catalogue/machines.ts';

export const SIGNAL_KINDS = ['lamp', 'code', 'weakFlow', 'smell', 'reading'] as const;
export type SignalKind = (typeof SIGNAL_KINDS)[number];

export interface SignalType {
  /** `machine.<name>`; words at `signal.<key>`. */
  readonly key: string;
  readonly machineType: string;
  readonly kind: SignalKind;
  /** The point that it makes due. */
  readonly point: string;
  /** A person would report it as this symptom of a fault, so it is offered to machines only. */
  readonly symptom?: string;
  /** Raised by the product itself, after a reading. */
  readonly own?: true;
}

const signal = (key: string, kind: SignalKind, point: string, symptom?: string): SignalType => ({
  key,
  machineType: key.split('.')[0]!,
  kind,
  point,
  ...(symptom && { symptom }),
});

const ofReading = (key: string, point: string): SignalType => ({ ...signal(key, 'reading', point), own: true });

export const SIGNALS: readonly SignalType[] = [
  signal('airHandler.lamp', 'lamp', 'airHandler.returnFilter'),
  signal('airHandler.weakFlow', 'weakFlow', 'airHandler.returnFilter', 'airHandler.weak'),
  signal('airHandler.smell', 'smell', 'airHandler.condensateDrain', 'airHandler.musty'),
  signal('airHandler.code', 'code', 'airHandler.condensateDrain'),
  signal('dryer.lamp', 'lamp', 'dryer.lintScreen'),
  signal('dryer.weakFlow', 'weakFlow', 'dryer.duct'),
  signal('dishwasher.code', 'code', 'dishwasher.filter'),
  signal('dishwasher.smell', 'smell', 'dishwasher.filter', 'dishwasher.smell'),
  signal('washer.code', 'code', 'washer.drainPumpFilter'),
  signal('washer.lamp', 'lamp', 'washer.tub'),
  signal('washer.smell', 'smell', 'washer.tub', 'washer.smell'),
  signal('refrigerator.lamp', 'lamp', 'refrigerator.waterFilter'),
  signal('refrigerator.weakFlow', 'weakFlow', 'refrigerator.waterFilter'),
  signal('refrigerator.smell', 'smell', 'refrigerator.waterFilter'),
  signal('refrigerator.ice', 'weakFlow', 'refrigerator.iceMaker'),
  signal('hood.lamp', 'lamp', 'hood.greaseFilter'),
  signal('hood.weakFlow', 'weakFlow', 'hood.greaseFilter', 'hood.smoke'),
  signal('airCleaner.lamp', 'lamp', 'airCleaner.pleatedFilter'),
  signal('airCleaner.code', 'code', 'airCleaner.needles'),
  signal('bathFan.weakFlow', 'weakFlow', 'bathFan.grille', 'bathFan.wet'),
  signal('condenserDryer.lamp', 'lamp', 'condenserDryer.condenser'),
  signal('dishwasher.weakFlow', 'weakFlow', 'dishwasher.drainPump', 'dishwasher.standing'),
  signal('refrigerator.code', 'code', 'refrigerator.coil'),
  ofReading('refrigerator.tuning', 'refrigerator.temperatures'),
  ofReading('freezer.tuning', 'freezer.temperature'),
  // A normal load over an hour: a clogged vent is as likely as a failed heater, and the cheaper one to look at first.
  ofReading('dryer.slow', 'dryer.duct'),
  ofReading('condenserDryer.slow', 'condenserDryer.condenser'),
  ofReading('airHandler.slowDrain', 'airHandler.condensateTrap'),
  ofReading('airHandler.lowDrop', 'airHandler.returnFilter'),
  // Poor cooling: the coil is the first suspect.
  ofReading('refrigerator.drift', 'refrigerator.coil'),
  ofReading('freezer.drift', 'refrigerator.coil'),
];

/** The signals of a machine type, each with the point that it makes due there. */
export const signalsOf = (machineType: string): readonly SignalType[] =>
  SIGNALS.flatMap((it) => {
    const point = it.machineType === familyOf(machineType) ? pointLike(machineType, it.point) : undefined;
    return point ? [{ ...it, point }] : [];
  });

/** Those that a person is offered beside the symptoms of faults. */
export const signalsForPeople = (machineType: string): readonly SignalType[] =>
  signalsOf(machineType).filter(({ symptom, own }) => symptom === undefined && !own);

/** @throws RangeError for a key that is not on the list */
export function signalTypeOf(key: string): SignalType {
  const found = SIGNALS.find((it) => it.key === key);
  if (!found) throw new RangeError(`no such signal: ${key}`);
  return found;
}

export const SIGNAL_STATES = ['open', 'dismissed', 'answered'] as const;
export type SignalState = (typeof SIGNAL_STATES)[number];

export interface Signal {
  readonly day: Day;
  readonly state: SignalState;
  /** The day on which a dismissed one comes back. */
  readonly recheckDay: Day | null;
}

/**
 * The day from which a point is due because of its signals, or null. A service on or after a signal's day
 * answers it; a dismissed one waits for its recheck day, and is due from then.
 */
export function signalDay(signals: readonly Signal[], servedDay: Day | null, today: Day): Day | null {
  const days = signals.flatMap(({ day, state, recheckDay }) => {
    if (state === 'answered' || (servedDay !== null && servedDay > day)) return [];
    if (state === 'open') return [day];
    return recheckDay !== null && recheckDay <= today ? [recheckDay] : [];
  });
  return days.length === 0 ? null : Math.min(...days);
}
