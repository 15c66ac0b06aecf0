import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FaultsAnswer } from '../../contract/faults/faults.ts';
import type { HomeAnswer } from '../../contract/jobs/jobs.ts';
import { type Flat, type House, letDaysPass, openFlat } from './house.ts';

describe('A week after a fault was closed', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('dryer'));
  });
  afterEach(() => house.close());
  const report = async (who = flat.tenant) => {
    const { body } = await who
      .post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'dryer.damp' })
      .expect(200);
    return body.id as string;
  };
  const close = (id: string) =>
    house.manager.post(`/faults/${id}/close`, { cause: 'dryer.hose', remedy: 'setRight' }).expect(200);
  const questions = async () => ((await flat.tenant.get('/home').expect(200)).body as HomeAnswer).gone;
  const answer = (id: string, gone: string) => flat.tenant.post(`/faults/${id}/gone`, { id: v7(), gone });
  const faults = async () => (await house.manager.get('/faults').expect(200)).body as FaultsAnswer;

  it('its reporter is asked, not before and not for ever, and once', async () => {
    const id = await report();
    await letDaysPass(house, 10);
    expect(await questions(), 'while it is open').to.deep.equal([]);
    await close(id);
    await letDaysPass(house, 6);
    expect(await questions()).to.deep.equal([]);
    await answer(id, 'yes').expect(409);
    await letDaysPass(house, 1);
    const [asked, ...others] = await questions();
    expect(others).to.deep.equal([]);
    expect(asked).to.include({ faultId: id, machine: 'Vented dryer', says: 'Clothes still damp after a normal load' });
    await answer(id, 'yes').expect(200);
    expect(await questions()).to.deep.equal([]);
    await answer(id, 'no').expect(409);
    await answer(await report(house.manager), 'no').expect(404);
    expect((await faults()).faults.find((it) => it.id === id)!.gone).to.equal('yes');
  });

  it('what is not gone is a fault anew, which says so, and nobody is asked twice', async () => {
    const id = await report();
    await close(id);
    await letDaysPass(house, 8);
    await answer(id, 'no').expect(200);
    const open = (await faults()).faults.filter(({ closedAt }) => closedAt === null);
    expect(open.map(({ note, symptom }) => [note, symptom])).to.deep.equal([
      ['Not gone after the last time.', 'dryer.damp'],
    ]);
    expect(await questions()).to.deep.equal([]);
  });

  it('nobody is asked who has said already that it came back, who did not report it, or after seven weeks', async () => {
    const first = await report();
    await close(first);
    await letDaysPass(house, 3);
    const second = await report();
    await letDaysPass(house, 8);
    expect(await questions()).to.deep.equal([]);
    await close(second);
    await letDaysPass(house, 50);
    expect(await questions()).to.deep.equal([]);
    await close(await report(house.manager));
    await letDaysPass(house, 8);
    expect(await questions()).to.deep.equal([]);
  });

  it('nobody is asked about a machine that was replaced, nor can its faults be reported any more', async () => {
    await close(await report());
    await letDaysPass(house, 8);
    expect(await questions()).to.have.length(1);
    const day = new Date(house.clock.now).toISOString().slice(0, 10);
    await house.manager.post(`/machines/${flat.machineId}/retirement`, { day }).expect(200);
    expect(await questions()).to.deep.equal([]);
    const { body } = await house.manager
      .post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'dryer.damp' })
      .expect(409);
    expect(body.detail).to.contain('This machine was taken out of service on');
  });

  it('calls that tenants spared are counted, and priced where a door has a price', async () => {
    expect((await faults()).avoided).to.deep.equal({ count: 0, price: null, currency: 'EUR' });
    const id = await report();
    const tell = (kind: string, subject: string) =>
      flat.tenant.post(`/faults/${id}/checks`, { id: v7(), kind, subject, answer: 'yes' }).expect(200);
    await tell('check', 'dryer.throughScreen');
    await tell('remedy', 'dryer.screen');
    expect((await faults()).avoided).to.include({ count: 1, price: null });
    await house.manager.post('/prices', { staffHour: 40, door: 25, hoursAMonth: null, materials: {} }).expect(200);
    expect((await faults()).avoided).to.deep.equal({ count: 1, price: 25, currency: 'EUR' });
  });
});
