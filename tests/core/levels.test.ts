import { expect } from 'chai';
import { procedures, procedureOf } from '../../core/catalogue/catalogue.ts';
import { levelAt, type Siting } from '../../core/catalogue/levels.ts';
import { systemOf } from '../../core/catalogue/systems.ts';
import { machineTypeOf } from '../../core/catalogue/machines.ts';
import { illustrationOf } from '../../core/catalogue/illustrated.ts';
import { coreText } from '../../core/en.ts';
import { planSitting } from '../../core/jobs/plan.ts';
import { sittingOf } from '../../core/jobs/sitting.ts';

const PLAIN: Siting = { fuel: 'electric', hardWired: false, switchKnown: false, access: null, declined: false };
const at = (key: string, siting: Partial<Siting>) => levelAt(procedureOf(key), { ...PLAIN, ...siting });

/**
 * Gas appliances, fixed wiring, roofs and ladders: licensed or trained people only (common practice; local codes
 * decide).
 */
describe('A level', () => {
  it('is staff’s in a home that has not agreed to it, and never lower for that', () => {
    expect(at('washer.doorBoot', { declined: true })).to.deep.equal({ level: 'staff', raised: ['agreed'] });
    expect(at('airHandler.condensateDrain', { declined: true })).to.deep.equal({ level: 'staff', raised: [] });
    expect(at('washer.doorBoot', { declined: true, access: 'roof' })).to.deep.equal({
      level: 'licensed',
      raised: ['roof'],
    });
  });
  it('is the catalogue’s on a plain machine, and never lower anywhere', () => {
    const order = ['tenant', 'staff', 'licensed'];
    for (const { key, level } of procedures.values()) {
      expect(at(key, {}), key).to.deep.equal({ level, raised: [] });
      for (const fuel of ['electric', 'gas'])
        for (const hardWired of [false, true])
          for (const access of [null, 'floor', 'ladder', 'roof'] as const) {
            expect(order.indexOf(at(key, { fuel, hardWired, access }).level)).to.be.at.least(order.indexOf(level));
          }
    }
  });
  it('is the licensed trade’s for moving a gas dryer, and for a roof', () => {
    for (const key of ['dryer.duct', 'dryer.transitionHose', 'dryer.cabinet'])
      expect(at(key, { fuel: 'gas' }), key).to.deep.equal({ level: 'licensed', raised: ['gas'] });
    expect(at('dryer.lintScreen', { fuel: 'gas' }).level).to.equal('tenant');
    expect(at('dryer.outdoorHood', { access: 'roof' })).to.deep.equal({ level: 'licensed', raised: ['roof'] });
  });
  it('is staff’s from a ladder, and where what must be off is wired in without a known switch', () => {
    expect(at('airHandler.registers', { access: 'ladder' })).to.deep.equal({ level: 'staff', raised: ['ladder'] });
    expect(at('dishwasher.filter', { hardWired: true })).to.deep.equal({ level: 'staff', raised: ['wired'] });
    expect(at('dishwasher.filter', { hardWired: true, switchKnown: true }).level).to.equal('tenant');
    // It stays plugged in: no switch is needed for it.
    expect(at('refrigerator.doorSeals', { hardWired: true }).level).to.equal('tenant');
  });
  it('of a hood’s housing is staff’s, with its circuit off while hands are in it and on again for the test', () => {
    expect(procedureOf('hood.housing')).to.include({ level: 'staff', safetyCritical: true });
    const task = (key: string) => ({ id: key, steps: procedureOf(key).steps, minutes: 10 });
    const { steps } = planSitting(sittingOf(systemOf('hood'), [task('hood.greaseFilter'), task('hood.housing')]));
    for (const { key, act, state } of steps) {
      if (key.startsWith('hood.housing.') && act?.hands === 'inside') expect(state.circuit, key).to.equal('off');
      if (act?.run) expect([state.circuit, state.power]).to.deep.equal(['on', 'on']);
    }
    // A tenant's grease filter alone never goes to the board.
    expect(
      planSitting(sittingOf(systemOf('hood'), [task('hood.greaseFilter')])).steps.map(({ key }) => key),
    ).not.to.include('hood.circuitOff');
  });
  it('keeps impellers, sumps and disconnects from tenants: their air filter is tried by the fan alone', () => {
    const asked = procedureOf('washer.drainPumpFilter')
      .steps.filter(({ staffOnly }) => staffOnly)
      .map(({ text }) => text);
    expect(asked).to.deep.equal(['washer.drainPumpFilter.impeller']);
    expect(procedureOf('dishwasher.sump').level).to.equal('staff');
    expect(
      procedureOf('airHandler.returnFilter')
        .steps.filter(({ run }) => run)
        .map(({ run }) => run),
    ).to.deep.equal(['fan']);
    for (const text of ['airHandler.off.body', 'airHandler.returnFilter.air.body'])
      expect(coreText[text as keyof typeof coreText]).not.to.match(
        /own switch or disconnect|[Tt]urn the heating or cooling on/,
      );
    expect(illustrationOf('refrigerator.coil.brush')).to.equal(undefined);
    expect(coreText['airCleaner.needles.soak.body' as keyof typeof coreText]).to.contain('level, never on its tips');
  });
  it('has the gas shut before a dryer is moved, a leak check after, and no run with the hose off', () => {
    const type = machineTypeOf('dryer');
    const { steps } = planSitting(
      sittingOf(
        systemOf('dryer', 'gas'),
        type.points.map((key) => ({ id: key, steps: procedureOf(key).steps, minutes: 10 })),
      ),
    );
    const keys = steps.map(({ key }) => key);
    expect(keys.indexOf('dryer.gasShut')).to.be.lessThan(keys.indexOf('dryer.pullOut')).and.to.be.greaterThan(-1);
    expect(keys.indexOf('dryer.gasOpen')).to.be.greaterThan(keys.indexOf('dryer.home'));
    for (const { act, state } of steps) if (act?.run) expect(state['part.hose'] ?? 'in', act.key).to.equal('in');
  });
});
