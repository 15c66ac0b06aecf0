import { expect } from 'chai';
import fc from 'fast-check';
import { machineTypes, procedureOf, procedures } from '../../core/catalogue/catalogue.ts';
import { checkEdition, editionOf, withEdition, type Edition } from '../../core/catalogue/edition.ts';
import { methods } from '../../core/catalogue/methods.ts';
import { systemOf, systems } from '../../core/catalogue/systems.ts';
import { FINDINGS, type Choices } from '../../core/catalogue/types.ts';
import { needsInPlan, replaySitting } from '../../core/jobs/gone.ts';
import { planSitting, REST } from '../../core/jobs/plan.ts';
import { rideAlong, sittingOf } from '../../core/jobs/sitting.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { orderOf, searched, sittingFor, taskOf, walk } from './sittings.ts';

const say = translator('en-GB', coreText);
const pointsOf = (type: string) => machineTypes.get(type)!.points;
const planFor = (type: string, points: readonly string[], situation = {}, choices: Choices = {}, fuel = 'electric') =>
  planSitting(sittingFor(type, points, choices, fuel), situation, 0.4);
const changesIn = (type: string, ...points: string[]) =>
  orderOf(
    planFor(
      type,
      points.map((point) => (point.includes('.') ? point : `${type}.${point}`)),
    ).steps,
  ).filter((it) => it.startsWith('['));

/** Every machine on every fuel it may have, with the points of its whole system. */
const KINDS = [...machineTypes.values()].flatMap((type) =>
  type.fuels.map((fuel) => {
    const { types } = systemOf(type.key);
    // An air handler is served with its outdoor unit and thermostat.
    const points =
      types.includes('thermostat') && type.key.endsWith('irHandler')
        ? [...type.points, ...pointsOf('outdoorUnit'), ...pointsOf('thermostat')]
        : type.points;
    return { type: type.key, fuel, points };
  }),
);

function subsets<T>(of: readonly T[], most: number): T[][] {
  return of
    .reduce<T[][]>((sets, it) => [...sets, ...sets.filter((set) => set.length < most).map((set) => [...set, it])], [[]])
    .filter((set) => set.length > 0);
}

/** Every combination of options that a set of procedures follows. */
function choicesOf(points: readonly string[]): Choices[] {
  const asked = [...new Set(points.flatMap((key) => procedures.get(key)!.follows))];
  return asked.reduce<Choices[]>(
    (all, method) =>
      methods.get(method)!.options.flatMap(({ key }) => all.map((choices) => ({ ...choices, [method]: key }))),
    [{}],
  );
}

describe('A sitting, in the orders of the trade (common practice)', () => {
  it('serves an air handler in season: one opened tee, one flush, water out before it cools, cooling before the float', () => {
    expect(orderOf(planFor('airHandler', pointsOf('airHandler')).steps).join(' ')).to.equal(
      '[airHandler.off] returnFilter.out returnFilter.grade returnFilter.size returnFilter.vacuum returnFilter.arrow registers.look registers.grade registers.vacuum ' +
        'tee condensateTrap.grade condensateDrain.grade brush flush condensateTrap.clear pour cap [airHandler.on] fan floatSwitch.find cool coolingCheck.wait coolingCheck.feel floatSwitch.lift back',
    );
  });
  it('serves a washer: drained before its door, boot before the filter locks, one leak test before hot water, soda before vinegar', () => {
    expect(orderOf(planFor('washer', pointsOf('washer')).steps).join(' ')).to.equal(
      'tub.empty tub.grade [washer.off] [washer.tapShut] drainPumpFilter.drain doorBoot.folds doorBoot.grade doorBoot.scrub doorBoot.glass ' +
        'drainPumpFilter.unscrew drainPumpFilter.grade drainPumpFilter.cavity drainPumpFilter.impeller drainPumpFilter.rinse drainPumpFilter.lock drawer.out drawer.grade drawer.bay drawer.brush drawer.back [washer.tapOpen] [washer.on] shortWash tub.soda tub.vinegar tub.open doorBoot.shut',
    );
  });
  it('serves a dishwasher: grades first, filter locked before the pump test, that before the wash, the hottest cycle with power on', () => {
    expect(orderOf(planFor('dishwasher', pointsOf('dishwasher')).steps).join(' ')).to.equal(
      'interiorWash.empty interiorWash.grade racks.out racks.grade racks.wheels racks.roll [dishwasher.off] sprayArms.out sprayArms.grade sprayArms.holes sprayArms.pour open filter.grade filter.cavity ' +
        'sump.grade sponge filter.soak sump.pick sump.impeller filter.brush lock sprayArms.in doorSeal.edge doorSeal.grade doorSeal.wipe doorSeal.done doorSeal.shut drainPump.fill drainPump.grade drainPump.hose [dishwasher.on] drainPump.pump [dishwasher.off#2] drainPump.back [dishwasher.on#2] ' +
        'short interiorWash.agent interiorWash.clean',
    );
  });
  it('serves a refrigerator: temperatures before any door, the wrap’s half hour used, one panel, heard before it goes home', () => {
    expect(orderOf(planFor('refrigerator', pointsOf('refrigerator')).steps).join(' ')).to.equal(
      'temperatures.place temperatures.wait temperatures.read iceMaker.look iceMaker.grade iceMaker.wrap doorSeals.inspect doorSeals.grade doorSeals.wash doorSeals.jelly doorSeals.strip ' +
        'waterFilter.out waterFilter.grade waterFilter.in iceMaker.brush waterFilter.flush iceMaker.throw iceMaker.flow [refrigerator.off] [refrigerator.pullOut] panelOff coil.grade rearFan.grade defrostDrain.grade coil.brush coil.vacuum rearFan.wipe rearFan.valve ' +
        'defrostDrain.tray defrostDrain.flush defrostDrain.drains panelOn [refrigerator.on] listen [refrigerator.home]',
    );
  });
  it('serves a vented dryer: drum looked at first, run before slot before outlet, hose and outdoor flap once, one warm run', () => {
    expect(orderOf(planFor('dryer', pointsOf('dryer')).steps).join(' ')).to.equal(
      'drumSeal.look drumSeal.grade [dryer.off] [dryer.pullOut] cabinet.look cabinet.grade screenOut lintScreen.grade lintScreen.wash lintScreen.water lintScreen.dry hoseOff duct.grade transitionHose.grade transitionHose.judge transitionHose.vacuum ' +
        'duct.brush slot.grade slot.vacuum slot.brush duct.outlet drumSeal.wipe drumSeal.shut cabinet.vacuum hoseOn outdoorHood.look outdoorHood.grade outdoorHood.clear flap screenIn [dryer.home] [dryer.on] run',
    );
  });
  it('switches as little as the trade does', () => {
    for (const alone of ['floatSwitch', 'coolingCheck'])
      expect(changesIn('airHandler', alone), alone).to.deep.equal([]);
    expect(changesIn('airHandler', 'registers')).to.deep.equal(['[airHandler.idle]', '[airHandler.again]']);
    for (const off of ['returnFilter', 'condensateTrap', 'condensateDrain'])
      expect(changesIn('airHandler', 'registers', off), off).to.deep.equal(['[airHandler.off]', '[airHandler.on]']);
    expect(changesIn('washer', 'tub')).to.deep.equal([]);
    expect(changesIn('washer', 'doorBoot')).to.deep.equal(['[washer.off]', '[washer.on]']);
    for (const wet of ['drainPumpFilter', 'drawer'])
      expect(changesIn('washer', wet), wet).to.deep.equal([
        '[washer.off]',
        '[washer.tapShut]',
        '[washer.tapOpen]',
        '[washer.on]',
      ]);
    for (const still of ['racks', 'doorSeal', 'interiorWash'])
      expect(changesIn('dishwasher', still), still).to.deep.equal([]);
    for (const off of ['filter', 'sump', 'sprayArms'])
      expect(changesIn('dishwasher', off, 'interiorWash').length, off).to.equal(2);
    expect(changesIn('dishwasher', 'drainPump', 'filter').length).to.equal(4);
    for (const on of ['doorSeals', 'waterFilter', 'iceMaker', 'temperatures'])
      expect(changesIn('refrigerator', on), on).to.deep.equal([]);
    for (const behind of ['coil', 'rearFan', 'defrostDrain'])
      expect(changesIn('refrigerator', behind).length, behind).to.equal(4);
    for (const place of ['duct', 'transitionHose', 'cabinet'])
      expect(changesIn('dryer', place), place).to.deep.equal([
        '[dryer.off]',
        '[dryer.pullOut]',
        '[dryer.home]',
        '[dryer.on]',
      ]);
    for (const front of ['lintScreen', 'slot', 'outdoorHood'])
      expect(changesIn('dryer', front).length, front).to.equal(2);
  });
  it('shuts a gas dryer’s valve before it moves and checks for leaks before it runs; a valve that does not move is left alone', () => {
    expect(
      orderOf(planFor('dryer', ['dryer.duct'], {}, {}, 'gas').steps).filter((it) => it.startsWith('[')),
    ).to.deep.equal([
      '[dryer.off]',
      '[dryer.gasShut]',
      '[dryer.pullOut]',
      '[dryer.home]',
      '[dryer.gasOpen]',
      '[dryer.on]',
    ]);
    expect(say('confirm.dryer.gasOpen')).to.contain('bubble');
    expect(
      orderOf(planFor('dryer', ['dryer.lintScreen'], {}, {}, 'gas').steps).filter((it) => it.startsWith('[')),
    ).to.deep.equal(['[dryer.off]', '[dryer.on]']);
  });
});

describe('What was seen to go wrong', () => {
  const at = (type: string, points: readonly string[], key: string, situation = {}) =>
    planFor(type, points, situation).steps.find((step) => step.key === key)!.state;
  it('a dishwasher’s hottest cycle, a washer’s hot runs and an air handler’s cooling have power; none runs with its tap shut', () => {
    expect(
      at('dishwasher', ['dishwasher.filter', 'dishwasher.interiorWash'], 'dishwasher.interiorWash.agent').power,
    ).to.equal('on');
    for (const run of ['soda', 'vinegar'])
      expect(at('washer', ['washer.drainPumpFilter', 'washer.doorBoot', 'washer.tub'], `washer.tub.${run}`)).to.include(
        { power: 'on', tap: 'open' },
      );
    expect(
      at('airHandler', ['airHandler.returnFilter', 'airHandler.coolingCheck'], 'airHandler.coolingCheck.wait').power,
    ).to.equal('on');
  });
  it('a refrigerator settles for its temperatures plugged in, before its coil is reached', () => {
    const order = orderOf(planFor('refrigerator', ['refrigerator.coil', 'refrigerator.temperatures']).steps);
    expect(order.indexOf('temperatures.read')).to.be.below(order.indexOf('[refrigerator.off]'));
    expect(
      at('refrigerator', ['refrigerator.coil', 'refrigerator.temperatures'], 'refrigerator.temperatures.wait').power,
    ).to.equal('on');
  });
  it('a hood’s charcoal filter is changed while the grease filter is down, and no test stands twice', () => {
    const order = orderOf(planFor('recirculatingHood', pointsOf('recirculatingHood')).steps);
    for (const it of ['charcoalFilter.out', 'charcoalFilter.in'])
      expect([order.indexOf('down') < order.indexOf(it), order.indexOf(it) < order.indexOf('up')], it).to.deep.equal([
        true,
        true,
      ]);
    expect(order.filter((it) => it === 'draw')).to.have.length(1);
  });
  it('the condensate line is tried and capped before power is back', () => {
    for (const key of ['airHandler.pour', 'airHandler.cap'])
      expect(at('airHandler', ['airHandler.condensateDrain'], key).power).to.equal('off');
  });
  it('a washer that stopped full is drained before its door opens, with whatever part is served', () => {
    for (const part of ['washer.doorBoot', 'washer.tub']) {
      const { steps } = planFor('washer', [part], { begin: { water: 'holds' } });
      expect(walk(steps, { power: 'on', tap: 'open', water: 'holds' })).to.deep.equal([]);
      expect(orderOf(steps).indexOf('[washer.letOut]'), part).to.be.within(
        0,
        orderOf(steps).findIndex((it) => /folds|empty/.test(it)) - 1,
      );
    }
    expect(
      orderOf(planFor('washer', ['washer.drainPumpFilter', 'washer.doorBoot'], { begin: { water: 'holds' } }).steps),
    ).not.to.include('[washer.letOut]');
  });
  it('a crayon is warmed with power, cooled and wiped without', () => {
    const { steps } = planFor('dryer', pointsOf('dryer'), { found: ['crayon'] });
    expect(steps.find(({ key }) => key === 'dryer.crayonWarm')!.state.power).to.equal('on');
    expect(steps.find(({ key }) => key === 'dryer.crayonWipe')!.state).to.include({ power: 'off', heat: 'cool' });
  });
  it('drains that rest until the morning are tried after the night', () => {
    const { steps, elapsed } = planFor('drains', ['drains.dose']);
    expect(orderOf(steps).slice(-2)).to.deep.equal(['dose.rest', 'dose.run']);
    expect(elapsed).to.be.at.least(480);
  });
  it('two return filters in one job are two filters: graded, photographed and refitted each', () => {
    const sitting = sittingFor('airHandler', ['airHandler.returnFilter', 'airHandler.returnFilter']);
    const { steps } = planSitting(sitting);
    expect(orderOf(steps)).to.include.members([
      'returnFilter.grade',
      'returnFilter.grade@2',
      'returnFilter.out@2',
      'returnFilter.arrow@2',
    ]);
    expect(steps.filter(({ key }) => key === 'airHandler.fan')).to.have.length(1);
    expect(walk(steps, { power: 'on', outdoor: 'on' })).to.deep.equal([]);
  });
});

describe('Any sitting', () => {
  it('of up to four parts and of the whole system, by every choice of methods, can be done as written and ends as it began', () => {
    for (const { type, fuel, points } of KINDS) {
      for (const set of [...subsets(points, 4), points]) {
        // Methods change few of the steps' states: all of them for pairs and singles, ours and the last option for the
        // others.
        const all = choicesOf(set);
        for (const choices of set.length <= 2 ? all : [all[0]!, all.at(-1)!]) {
          const { steps, left } = planFor(type, set, {}, choices, fuel);
          expect(left, `${type} ${set}`).to.deep.equal([]);
          const { usual } = systemOf(type, fuel);
          expect(walk(steps, usual), `${type} ${fuel} ${set.join()} ${JSON.stringify(choices)}`).to.deep.equal([]);
          const sitting = sittingFor(type, set, choices, fuel);
          for (const { key } of sitting.acts.filter((act) => act.when === null))
            expect(
              steps.some((step) => step.key === key),
              key,
            ).to.equal(true);
        }
      }
    }
  });
  it('with two of a kind, found in any state, with anything found on the way, is sound too', () => {
    const kind = fc.constantFrom(...KINDS);
    fc.assert(
      fc.property(
        kind,
        fc.infiniteStream(fc.nat(40)),
        fc.subarray([...FINDINGS]),
        fc.boolean(),
        fc.boolean(),
        fc.boolean(),
        ({ type, fuel, points }, picks, found, off, shut, holds) => {
          const some = Array.from({ length: 3 }, () => points[(picks.next().value as number) % points.length]!);
          const { usual } = systemOf(type, fuel);
          const begin = {
            ...(off && { power: 'off' }),
            ...(shut && usual.tap && { tap: 'shut' }),
            ...(holds && usual.water && { water: 'holds' }),
          };
          const choices = choicesOf(some);
          const sitting = sittingFor(
            type,
            [...new Set([...some])].flatMap((it) => some.filter((one) => one === it).slice(0, 2)),
            choices[(picks.next().value as number) % choices.length],
            fuel,
          );
          const { steps, left } = planSitting(sitting, { begin, found }, 0.4);
          // A refrigerator that was found without power has not settled.
          if (left.length > 0)
            expect(
              left.every((task) => /temperature/.test(task)),
              left.join(),
            ).to.equal(true);
          expect(walk(steps, { ...usual, ...begin, ...(off && usual.settled && { settled: 'yes' }) })).to.deep.equal(
            [],
          );
        },
      ),
      { numRuns: 1500 },
    );
  });
  it('with a manager’s own steps among ours keeps them in the strictest state beside them', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...KINDS.filter(({ points }) => points.length > 1)),
        fc.nat(100),
        fc.nat(100),
        fc.nat(100),
        ({ type, fuel, points }, first, second, place) => {
          const [one, other] = [points[first % points.length]!, points[second % points.length]!];
          const ours = procedureOf(one);
          const begin = editionOf(ours);
          const after = place % begin.steps.length;
          const own = { ours: null, phase: begin.steps[after]!.phase, title: 'One more thing', body: '', caution: '' };
          const edition: Edition = { ...begin, steps: begin.steps.toSpliced(after + 1, 0, own) };
          expect(checkEdition(ours, edition, () => false)).to.deep.equal([]);
          const tasks = [taskOf(withEdition(ours, edition)), ...(other === one ? [] : [taskOf(procedureOf(other))])];
          const sitting = sittingOf(systemOf(type, fuel), tasks);
          const { steps, left } = planSitting(sitting, {}, 0.4);
          expect(left).to.deep.equal([]);
          expect(walk(steps, sitting.usual)).to.deep.equal([]);
          const mine = steps.find(({ key }) => key.includes('.own'))!;
          const off = [after, after + 1].some((i) => ours.steps[i]?.wants?.power === 'off');
          if (off) expect(mine.state.power, one).to.equal('off');
        },
      ),
      { numRuns: 600 },
    );
  });
  it('of three parts switches and takes no more than an independent search finds', () => {
    for (const { type, fuel, points } of KINDS.filter(
      ({ type: it, fuel: on }) => on === 'electric' && !['mediaAirHandler', 'recirculatingHood'].includes(it),
    )) {
      for (const set of subsets(points, 3).filter(({ length }) => length === Math.min(3, points.length))) {
        const sitting = sittingFor(type, set, {}, fuel);
        const { steps, elapsed } = planSitting({ ...sitting, offMinutes: null });
        const least = searched(sitting);
        expect(steps.filter(({ change }) => change).length, `${type} ${set}`).to.equal(least.changes);
        expect(elapsed, `${type} ${set}`).to.be.closeTo(least.minutes, 0.01);
      }
    }
  });
});

describe('A sitting on the way', () => {
  it('is planned again when something is found, and what was done stays done', () => {
    const sitting = sittingFor('dryer', ['dryer.drumSeal', 'dryer.slot']);
    const before = planSitting(sitting);
    const done = before.steps.slice(0, 2).map(({ key }) => key);
    expect(done).to.deep.equal(['dryer.drumSeal.look', 'dryer.drumSeal.grade']);
    const again = planSitting(sitting, { done, found: ['crayon'] });
    expect(again.steps.slice(0, 2).map(({ key }) => key)).to.deep.equal(done);
    expect(again.steps.map(({ key }) => key)).to.include.members([
      'dryer.crayonWarm',
      'dryer.crayonCool',
      'dryer.crayonWipe',
    ]);
    expect(walk(again.steps, sitting.usual)).to.deep.equal([]);
  });
  it('seals a cracked rack after every wet run, and leaves a wireless tee’s power on only once nobody saw a wire', () => {
    expect(orderOf(planFor('dishwasher', pointsOf('dishwasher'), { found: ['crackedRack'] }).steps).at(-1)).to.equal(
      'racks.seal',
    );
    const drain = (found: readonly string[]) =>
      orderOf(planFor('airHandler', ['airHandler.condensateDrain'], { found }, { condensatePower: 'whenWired' }).steps);
    expect(drain([]).slice(0, 3)).to.deep.equal(['wire', '[airHandler.off]', 'tee']);
    expect(drain(['noWire'])).not.to.include('[airHandler.off]');
  });
  it('leaves what cannot be done any more, and says so: temperatures once a door was open', () => {
    const sitting = sittingFor('refrigerator', ['refrigerator.doorSeals', 'refrigerator.temperatures']);
    const plan = planSitting(sitting, { done: ['refrigerator.doorSeals.inspect'] });
    expect(plan.left).to.deep.equal(['refrigerator.temperatures']);
    expect(orderOf(plan.steps).at(-1)).to.equal('doorSeals.strip');
  });
  it('gives power back for an hour where a slow doer would leave a refrigerator without it for longer', () => {
    const sitting = sittingFor('refrigerator', [
      'refrigerator.coil',
      'refrigerator.rearFan',
      'refrigerator.defrostDrain',
    ]);
    expect(planSitting(sitting, {}, 0.4).steps.map(({ key }) => key)).not.to.include(REST);
    const slow = planSitting(sitting, {}, 1.5);
    expect(slow.steps.map(({ key }) => key)).to.include(REST);
    expect(walk(slow.steps, sitting.usual)).to.deep.equal([]);
  });
  it('that was gone through otherwise than it can be is known: a step too early, one left out, power never given back', () => {
    const sitting = sittingFor('washer', ['washer.drainPumpFilter']);
    const keys = planSitting(sitting).steps.map(({ key }) => key);
    expect(replaySitting(sitting, { done: keys }).wrong).to.deep.equal([]);
    const without = (gone: string) => replaySitting(sitting, { done: keys.filter((key) => key !== gone) }).wrong;
    expect(without('washer.tapShut')).to.include('washer.drainPumpFilter.drain');
    expect(without('washer.drainPumpFilter.rinse')).to.deep.equal([
      'washer.drainPumpFilter.lock',
      'washer.drainPumpFilter.rinse',
    ]);
    expect(without('washer.on')).to.include.members(['washer.shortWash']);
    expect(
      replaySitting(sitting, { done: [...keys.slice(0, 2), 'toaster.crumbs', ...keys.slice(2)] }).wrong,
    ).to.deep.equal(['toaster.crumbs']);
  });
  it('asks each task for its own steps, and for every change that was for it', () => {
    const sitting = sittingFor('washer', ['washer.drainPumpFilter', 'washer.doorBoot']);
    const { steps } = planSitting(sitting);
    const asked = (key: string) =>
      needsInPlan(taskOf(procedureOf(key)), steps)
        .filter(({ kind }) => kind === 'confirm')
        .map((need) => need.key);
    expect(asked('washer.doorBoot')).to.include.members(['washer.off', 'washer.on']).and.not.to.include('locked');
    expect(asked('washer.drainPumpFilter')).to.include.members([
      'washer.off',
      'washer.tapShut',
      'washer.tapOpen',
      'washer.on',
      'locked',
      'noDrip',
    ]);
  });
  it('has words for whatever is switched, found and shared', () => {
    for (const { changes } of systems)
      for (const { words } of changes)
        for (const key of [`${words}.title`, `${words}.body`, `confirm.${words}`, `state.${words}`]) say.text(key);
    for (const found of FINDINGS) say(`finding.${found}`);
    for (const { type, points } of KINDS)
      for (const { key, of } of sittingFor(type, points).acts) if (of.length > 1) say(`${key}.title`);
  });
  it('takes along what is near its line or would pass before the next one, the most used first', () => {
    const day = (share: number) => Math.round(1000 + (1 - share) * 100);
    const others = [
      { pointId: 'fresh', share: 0.2, lineDay: day(0.2) },
      { pointId: 'near', share: 0.75, lineDay: day(0.75) },
      { pointId: 'past', share: 1.4, lineDay: day(1.4) },
      { pointId: 'never', share: undefined, lineDay: null },
    ];
    expect(rideAlong(others, 1010).map(({ pointId }) => pointId)).to.deep.equal(['past', 'never', 'near']);
    // What would pass before the machine is opened again comes along though it is fresh.
    expect(rideAlong(others, 1090).map(({ pointId }) => pointId)).to.deep.equal(['past', 'never', 'near', 'fresh']);
  });
});
