/**
 * Which steps a drawing helps with. The drawings themselves: `illustrations.ts`; what they show in words:
 * `illustration.<key>`.
 */
import type { IllustrationKey } from './illustrations.ts';

const STEPS: Readonly<Record<IllustrationKey, readonly string[]>> = {
  unlock: ['dishwasher.filter.unlock', 'washer.drainPumpFilter.unscrew', 'refrigerator.waterFilter.out'],
  lock: [
    'dishwasher.filter.lock',
    'washer.drainPumpFilter.lock',
    'dishwasher.sump.back',
    'refrigerator.waterFilter.in',
  ],
  airArrow: ['airHandler.returnFilter.arrow', 'airHandler.mediaFilter.arrow'],
  guides: ['airHandler.returnFilter.out', 'airHandler.mediaFilter.out', 'airCleaner.preFilter.in'],
  fins: ['outdoorUnit.coil.spray'],
  bootFolds: ['washer.doorBoot.folds', 'washerDryer.doorBoot.folds'],
  hoseEnds: ['dryer.transitionHose.ends', 'dryer.transitionHose.strap', 'dryer.duct.hose', 'dryer.duct.refit'],
  sump: ['dishwasher.sump.pick', 'dishwasher.filter.cavity'],
  sprayArmTest: ['dishwasher.sprayArms.pour'],
  condenserLevers: ['condenserDryer.condenser.levers', 'condenserDryer.condenser.lock', 'condenserDryer.bay.close'],
  screenTest: ['dryer.lintScreen.water', 'condenserDryer.fluffFilter.wash'],
  trapAndTee: ['airHandler.condensateDrain.open', 'airHandler.condensateTrap.open', 'airHandler.condensateTrap.brush'],
  springWires: ['bathFan.grille.pull', 'bathFan.grille.in', 'bathFan.motor.close'],
  lightTest: [
    'airHandler.returnFilter.grade',
    'airHandler.mediaFilter.grade',
    'hood.greaseFilter.out',
    'condenserDryer.condenser.grade',
  ],
};

const BY_STEP = new Map(
  Object.entries(STEPS).flatMap(([key, steps]) => steps.map((step) => [step, key as IllustrationKey] as const)),
);

/** The drawing of a step, by the key of its words; undefined where words are enough. */
export const illustrationOf = (step: string): IllustrationKey | undefined => BY_STEP.get(step);
