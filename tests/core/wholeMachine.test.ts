/** Sittings of a whole machine, step by step: what is switched in brackets, once where once is enough. */
import { expect } from 'chai';
import { machineTypes } from '../../core/catalogue/machines.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { orderOf, sittingFor } from './sittings.ts';

/**
 * Minutes from beginning to end for a newcomer, and the order: looked at before it is wetted, from the dirty to the clean,
 * the supply off for all that wants it off, runs after all is back (orders of the trade, common practice).
 */
const WHOLE: Readonly<Record<string, readonly [elapsed: number, order: string]>> = {
  washer: [
    246.875,
    'tub.empty tub.grade [washer.off] [washer.tapShut] drainPumpFilter.drain doorBoot.folds doorBoot.grade doorBoot.scrub doorBoot.glass drainPumpFilter.unscrew drainPumpFilter.grade drainPumpFilter.cavity drainPumpFilter.impeller drainPumpFilter.rinse drainPumpFilter.lock drawer.out drawer.grade drawer.bay drawer.brush drawer.back [washer.tapOpen] [washer.on] shortWash tub.soda tub.vinegar tub.open doorBoot.shut',
  ],
  dishwasher: [
    211.80952380952382,
    'interiorWash.empty interiorWash.grade racks.out racks.grade racks.wheels racks.roll [dishwasher.off] sprayArms.out sprayArms.grade sprayArms.holes sprayArms.pour open filter.grade filter.cavity sump.grade sponge filter.soak sump.pick sump.impeller filter.brush lock sprayArms.in doorSeal.edge doorSeal.grade doorSeal.wipe doorSeal.done doorSeal.shut drainPump.fill drainPump.grade drainPump.hose [dishwasher.on] drainPump.pump [dishwasher.off#2] drainPump.back [dishwasher.on#2] short interiorWash.agent interiorWash.clean',
  ],
  airHandler: [
    69.16666666666667,
    '[airHandler.off] returnFilter.out returnFilter.grade returnFilter.size returnFilter.vacuum returnFilter.arrow registers.look registers.grade registers.vacuum tee condensateTrap.grade condensateDrain.grade brush flush condensateTrap.clear pour cap [airHandler.on] fan floatSwitch.find cool coolingCheck.wait coolingCheck.feel floatSwitch.lift back',
  ],
  dryer: [
    118.42857142857142,
    'drumSeal.look drumSeal.grade [dryer.off] [dryer.pullOut] cabinet.look cabinet.grade screenOut lintScreen.grade lintScreen.wash lintScreen.water lintScreen.dry hoseOff duct.grade transitionHose.grade transitionHose.judge transitionHose.vacuum duct.brush slot.grade slot.vacuum slot.brush duct.outlet drumSeal.wipe drumSeal.shut cabinet.vacuum hoseOn outdoorHood.look outdoorHood.grade outdoorHood.clear flap screenIn [dryer.home] [dryer.on] run',
  ],
  hood: [
    67.14285714285714,
    '[hood.off] [hood.circuitOff] down greaseFilter.grade greaseFilter.soak greaseFilter.brush greaseFilter.dry housing.grade housing.apply housing.dwell housing.wipe up [hood.circuitOn] [hood.on] draw',
  ],
  refrigerator: [
    153.33333333333334,
    'temperatures.place temperatures.wait temperatures.read iceMaker.look iceMaker.grade iceMaker.wrap doorSeals.inspect doorSeals.grade doorSeals.wash doorSeals.jelly doorSeals.strip waterFilter.out waterFilter.grade waterFilter.in iceMaker.brush waterFilter.flush iceMaker.throw iceMaker.flow [refrigerator.off] [refrigerator.pullOut] panelOff coil.grade rearFan.grade defrostDrain.grade coil.brush coil.vacuum rearFan.wipe rearFan.valve defrostDrain.tray defrostDrain.flush defrostDrain.drains panelOn [refrigerator.on] listen [refrigerator.home]',
  ],
};

describe('A sitting of a whole machine', () => {
  for (const [type, [elapsed, order]] of Object.entries(WHOLE))
    it(`of a ${type} goes in this order, and takes so long`, () => {
      const plan = planSitting(sittingFor(type, machineTypes.get(type)!.points));
      expect(orderOf(plan.steps).join(' ')).to.equal(order);
      expect(plan.elapsed).to.equal(elapsed);
      expect(plan.left).to.deep.equal([]);
    });
});
