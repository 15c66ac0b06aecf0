const HOT_RUNS = ['soda', 'vinegarOnly', 'tablets', 'machineCycle'].map((run) => `washer.tub.${run}`);
const WASH_RUNS = ['agent', 'agentShort', 'tablet', 'overnight', 'bleach'].map((run) => `dishwasher.interiorWash.${run}`);

/**
 * The trade's order within a machine: what comes before what when both are in one sitting, by the text of the step or the
 * act. Common practice; a reason beside each.
 */
export const BEFORE: readonly (readonly [first: string, then: string])[] = [
  // A front door opened below the water level floods.
  ['washer.drainPumpFilter.drain', 'washer.doorBoot.folds'], ['washer.drainPumpFilter.drain', 'washerDryer.doorBoot.folds'],
  // What is scrubbed from the folds falls towards the filter.
  ['washer.doorBoot.glass', 'washer.drainPumpFilter.lock'], ['washerDryer.doorBoot.glass', 'washer.drainPumpFilter.lock'],
  // A grade comes before any cleaning near it.
  ['washer.tub.grade', 'washer.doorBoot.scrub'], ['washer.tub.grade', 'washerDryer.doorBoot.lint'], ['washer.tub.grade', 'washer.shortWash'],
  ['dishwasher.interiorWash.grade', 'dishwasher.open'], ['dishwasher.interiorWash.grade', 'dishwasher.doorSeal.wipe'], ...WASH_RUNS.map((run) => ['dishwasher.doorSeal.grade', run] as const),
  ['dishwasher.sprayArms.grade', 'dishwasher.short'], ['dishwasher.doorSeal.grade', 'dishwasher.short'],
  ['refrigerator.rearFan.grade', 'refrigerator.coil.brush'], ['refrigerator.defrostDrain.grade', 'refrigerator.coil.brush'],
  ['dryer.cabinet.grade', 'dryer.hoseOff'], ['dryer.cabinet.grade', 'dryer.screenOut'], ['dryer.transitionHose.grade', 'dryer.duct.brush'], ['hood.greaseFilter.grade', 'hood.housing.apply'],
  ['airHandler.registers.grade', 'airHandler.fan'],
  // A drip shows before hot water and an agent run.
  ...HOT_RUNS.map((run) => ['washer.shortWash', run] as const),
  ...['washer.drainPumpFilter.lock', 'washer.doorBoot.glass', 'washerDryer.doorBoot.glass'].flatMap((it) => HOT_RUNS.map((run) => [it, run] as const)),
  // The arm lies over the filter; the filter is locked before the pump is tried, and both before the wash.
  ['dishwasher.sprayArms.out', 'dishwasher.open'], ['dishwasher.lock', 'dishwasher.sprayArms.in'],
  ['dishwasher.lock', 'dishwasher.drainPump.fill'], ['dishwasher.sprayArms.in', 'dishwasher.drainPump.fill'],
  ...WASH_RUNS.flatMap((run) => ['dishwasher.lock', 'dishwasher.short', 'dishwasher.doorSeal.done'].map((it) => [it, run] as const)),
  // A sealed rack wants to dry: no wet run after it.
  ['dishwasher.short', 'dishwasher.racks.seal'], ['dishwasher.drainPump.pump', 'dishwasher.racks.seal'], ['dishwasher.interiorWash.clean', 'dishwasher.racks.seal'],
  // Lint falls: the run, the slot above it, then the outlet once more; what the brush pushes out lands in the hood.
  ['dryer.duct.brush', 'dryer.slot.brush'], ['dryer.slot.brush', 'dryer.duct.outlet'], ['dryer.duct.brush', 'dryer.outdoorHood.look'], ['dryer.outdoorHood.clear', 'dryer.flap'],
  ['dryer.cabinet.vacuum', 'dryer.hoseOn'],
  // Water runs out before the unit cools, and it cools before the float is lifted.
  ['airHandler.cap', 'airHandler.cool'], ['airHandler.cap', 'airHandler.fan'], ['airHandler.fan', 'airHandler.cool'], ['airHandler.coolingCheck.feel', 'airHandler.floatSwitch.lift'],
  ['outdoorUnit.coil.straight', 'airHandler.cool'],
  // Scale and carbon leave together, and the first ice is thrown away after the flush.
  ['refrigerator.iceMaker.brush', 'refrigerator.waterFilter.flush'], ['refrigerator.waterFilter.flush', 'refrigerator.iceMaker.throw'],
  // Temperatures are read before any door or plug.
  ...['refrigerator.temperatures.read', 'freezer.temperature.read'].flatMap((read) =>
    ['refrigerator.doorSeals.inspect', 'refrigerator.waterFilter.out', 'refrigerator.iceMaker.look', 'refrigerator.panelOff'].map((it) => [read, it] as const)),
  // The charcoal sits behind the grease filter, the housing behind both.
  ['hood.housing.wipe', 'hood.charcoalFilter.in'],
];

/** Steps and acts in the order in which the trade does a whole machine; a procedure's name stands for its further steps. */
export const SCORE: readonly string[] = [
  'airHandler.wire', 'airHandler.returnFilter', 'airHandler.mediaFilter', 'airHandler.registers', 'airHandler.tee', 'airHandler.condensateTrap.grade', 'airHandler.condensateDrain.grade',
  'airHandler.brush', 'airHandler.flush', 'airHandler.condensateTrap', 'airHandler.pour', 'airHandler.cap', 'thermostat.battery', 'outdoorUnit.coil', 'airHandler.fan', 'airHandler.floatSwitch.find',
  'airHandler.cool', 'airHandler.coolingCheck', 'airHandler.floatSwitch', 'airHandler.back',
  'dryer.drumSeal.look', 'dryer.drumSeal.grade', 'dryer.crayonWarm', 'dryer.crayonCool', 'dryer.crayonWipe', 'dryer.cabinet.look', 'dryer.cabinet.grade', 'dryer.screenOut', 'dryer.lintScreen', 'dryer.hoseOff', 'dryer.duct.grade', 'dryer.transitionHose',
  'dryer.duct.brush', 'dryer.slot', 'dryer.duct.outlet', 'dryer.drumSeal.wipe', 'dryer.cabinet', 'dryer.hoseOn', 'dryer.outdoorHood', 'dryer.flap', 'dryer.duct', 'dryer.screenIn', 'dryer.run', 'dryer.drumSeal',
  'washer.tub.empty', 'washer.tub.grade', 'washer.drainPumpFilter.drain', 'washer.doorBoot.folds', 'washer.doorBoot.grade', 'washer.doorBoot.scrub', 'washer.doorBoot.glass', 'washerDryer.doorBoot',
  'washer.drainPumpFilter', 'washer.lintTrap', 'washer.drawer', 'washerDryer.condenser', 'washer.shortWash', 'washer.tub', 'washer.doorBoot',
  'dishwasher.interiorWash.empty', 'dishwasher.interiorWash.grade', 'dishwasher.racks', 'dishwasher.sprayArms.out', 'dishwasher.sprayArms.grade', 'dishwasher.open', 'dishwasher.filter.grade', 'dishwasher.filter.cavity',
  'dishwasher.sump.grade', 'dishwasher.sponge', 'dishwasher.filter.soak', 'dishwasher.sump', 'dishwasher.sprayArms.holes', 'dishwasher.sprayArms.pour', 'dishwasher.filter', 'dishwasher.lock', 'dishwasher.sprayArms', 'dishwasher.doorSeal',
  'dishwasher.drainPump', 'dishwasher.short', 'dishwasher.interiorWash', 'dishwasher.racks.seal',
  'refrigerator.temperatures', 'freezer.temperature', 'refrigerator.iceMaker.look', 'refrigerator.iceMaker.grade', 'refrigerator.iceMaker.wrap', 'refrigerator.doorSeals', 'refrigerator.waterFilter.out', 'refrigerator.waterFilter.grade', 'refrigerator.waterFilter.in',
  'refrigerator.iceMaker.brush', 'refrigerator.waterFilter', 'refrigerator.iceMaker', 'refrigerator.panelOff', 'refrigerator.coil.grade', 'refrigerator.rearFan.grade', 'refrigerator.defrostDrain.grade', 'refrigerator.coil',
  'refrigerator.rearFan', 'refrigerator.defrostDrain', 'refrigerator.panelOn', 'refrigerator.listen',
];
