import { expect } from 'chai';
import { v7 } from 'uuid';
import type { DiagnosisAnswer } from '../../contract/faults/diagnosis.ts';
import type { FaultSummary } from '../../contract/faults/faults.ts';
import { type Caller, type Flat, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

describe('Finding the cause of a fault', function diagnosis() {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat('dryer'));
  });
  after(() => house.close());

  const report = async (symptom = 'dryer.damp', who = flat.tenant) => {
    const { body } = await who.post('/faults', { id: v7(), machineId: flat.machineId, symptom }).expect(200);
    return body.id as string;
  };
  const read = async (caller: Caller, id: string) =>
    (await caller.get(`/faults/${id}/diagnosis`).expect(200)).body as DiagnosisAnswer;
  const tell = (caller: Caller, id: string, kind: 'check' | 'remedy', subject: string, answer: string) =>
    caller.post(`/faults/${id}/checks`, { id: v7(), kind, subject, answer });
  const listed = async (id: string) =>
    ((await house.manager.get('/faults').expect(200)).body.faults as FaultSummary[]).find((it) => it.id === id)!;
  const close = (id: string, form: object) => house.manager.post(`/faults/${id}/close`, form);

  it('leads a tenant to what a tenant may do, and closes the fault there: a call avoided', async () => {
    const id = await report();
    const first = await read(flat.tenant, id);
    expect(first).to.include({ level: 'tenant', stop: null, closed: null });
    expect(first.next).to.deep.include({ kind: 'check', key: 'dryer.throughScreen', minutes: 3 });
    expect(first.causes.reduce((sum, { odds }) => sum + odds, 0)).to.be.closeTo(1, 1e-9);
    const { body: second } = await tell(flat.tenant, id, 'check', 'dryer.throughScreen', 'yes').expect(200);
    expect(second.next).to.include({ kind: 'remedy', key: 'dryer.screen' });
    expect(second.causes[0].odds).to.be.above(0.85);
    expect(second.told).to.have.length(1);
    const { body: third } = await tell(flat.tenant, id, 'remedy', 'dryer.screen', 'yes').expect(200);
    expect(third).to.include({ next: null, closed: 'Lint screen blinded by film or lint; cleaned' });
    expect((await listed(id)).closing).to.include({ cause: 'dryer.screen', remedy: 'cleaned', byTenant: true });
    await tell(flat.tenant, id, 'check', 'dryer.airOutside', 'yes').expect(409);
  });

  it('hands over to staff with what the tenant found out, and staff go on from there', async () => {
    const id = await report();
    await tell(flat.tenant, id, 'check', 'dryer.throughScreen', 'no').expect(200);
    const { body: over } = await tell(flat.tenant, id, 'check', 'dryer.airOutside', 'yes').expect(200);
    expect(over.next).to.deep.equal({ kind: 'handOver', to: 'staff' });
    const staff = await read(house.manager, id);
    expect(staff.level).to.equal('staff');
    expect(staff.told.map(({ subject, answer }) => `${subject} ${answer}`)).to.deep.equal([
      'dryer.throughScreen no',
      'dryer.airOutside yes',
    ]);
    expect(staff.next!.kind).not.to.equal('handOver');
    expect(staff.minutes).to.be.lessThan(over.minutes);
    // Put right in vain: not that, and not asked again.
    const { body: tried } = await tell(house.manager, id, 'remedy', 'dryer.hose', 'no').expect(200);
    expect(tried.causes.find(({ key }: { key: string }) => key === 'dryer.hose')).to.include({ odds: 0, tried: true });
    // A slip is taken back, and everything stands as before it.
    const { body: back } = await tell(house.manager, id, 'remedy', 'dryer.hose', 'takenBack').expect(200);
    expect(back.causes).to.deep.equal(staff.causes);
    await close(id, { cause: 'dryer.hose', remedy: 'setRight', minutes: 25, cost: 18.5, payer: 'tenant' }).expect(200);
    expect((await listed(id)).closing).to.deep.equal({
      cause: 'dryer.hose',
      says: 'Hose behind it crushed, kinked or off',
      remedy: 'setRight',
      minutes: 25,
      parts: '',
      cost: 18.5,
      payer: 'tenant',
      byTenant: false,
    });
  });

  it('takes "not sure" as an answer to a check, and not to whether a fix worked', async () => {
    const id = await report('dryer.damp', house.manager);
    await tell(house.manager, id, 'check', 'dryer.throughScreen', 'unsure').expect(200);
    await tell(house.manager, id, 'remedy', 'dryer.hose', 'unsure').expect(422);
    await tell(house.manager, id, 'remedy', 'dryer.hose', 'no').expect(200);
    await tell(house.manager, id, 'remedy', 'other', 'no').expect(422);
    await close(id, { cause: 'dryer.hose', remedy: 'setRight' }).expect(200);
  });

  it('takes nothing that is not of this fault, nor from people it is not theirs', async () => {
    const id = await report();
    await tell(flat.tenant, id, 'check', 'hood.toLight', 'yes').expect(422);
    await tell(flat.tenant, id, 'remedy', 'washer.boot', 'yes').expect(422);
    await tell(flat.tenant, id, 'remedy', 'dryer.screen', 'unsure').expect(422);
    const other = await registerFlat(house, 'hood', 'Flat 9');
    await other.tenant.get(`/faults/${id}/diagnosis`).expect(404);
    await tell(other.tenant, id, 'check', 'dryer.throughScreen', 'yes').expect(404);
    // What a tenant says was put right is bounded by what a tenant may put right.
    await tell(flat.tenant, id, 'remedy', 'dryer.heater', 'yes').expect(422);
    await tell(flat.tenant, id, 'check', 'dryer.hoseSeen', 'yes').expect(422);
    expect((await listed(id)).closedAt).to.equal(null);
    await close(id, { remedy: 'cleaned' }).expect(422);
    await close(id, { cause: 'hood.filter', remedy: 'cleaned' }).expect(422);
    await close(id, { cause: 'other', remedy: 'repaired' }).expect(422);
    await close(id, { cause: 'dryer.duct', remedy: 'cleaned', cost: -1 }).expect(422);
    await close(id, { cause: 'other', remedy: 'repaired', found: 'A mouse in the duct.' }).expect(200);
  });

  it('leads nobody on where it burns: everybody stops, staff see to it', async () => {
    const id = await report('dryer.burning');
    expect(await read(flat.tenant, id)).to.deep.include({ stop: 'unsafe', stopUsing: true, next: null });
    await tell(flat.tenant, id, 'remedy', 'dryer.lintInside', 'yes').expect(409);
    expect(await listed(id)).to.include({ findable: false, closedAt: null });
    await close(id, { cause: 'dryer.lintInside', remedy: 'cleaned' }).expect(200);
  });

  it('offers closings of words alone for coding, and takes a better code later; open faults it does not', async () => {
    const id = await report();
    await house.manager.post(`/faults/${id}/cause`, { cause: 'dryer.hose' }).expect(409);
    await close(id, { cause: 'dryer.duct', remedy: 'cleaned' }).expect(200);
    // As they were closed before causes were asked for.
    await house.env.store.write((db) =>
      db.fault.update({ id }, { cause: null, remedy: null, found: 'Hose was crushed.' }),
    );
    expect(await listed(id)).to.deep.include({ closing: null, found: 'Hose was crushed.' });
    await house.manager.post(`/faults/${id}/cause`, { cause: 'hood.flap' }).expect(422);
    await house.manager.post(`/faults/${id}/cause`, { cause: 'dryer.hose' }).expect(200);
    expect((await listed(id)).closing).to.include({ cause: 'dryer.hose', remedy: null });
    await flat.tenant.post(`/faults/${id}/cause`, { cause: 'dryer.hose' }).expect(403);
  });

  it('begins from the upkeep of that machine and from what was closed here, and says so', async () => {
    const first = await report();
    const before = await read(house.manager, first);
    expect(before.because.join(' ')).to.include('closings of this symptom here count');
    const oddsOf = ({ causes }: DiagnosisAnswer, key: string) => causes.find((it) => it.key === key)!.odds;
    // Open, it would make its part due by itself.
    await close(first, { cause: 'dryer.screen', remedy: 'cleaned' }).expect(200);
    await house.manager
      .post('/records', {
        id: v7(),
        pointId: flat.points['dryer.duct'],
        done: new Date(house.clock.now).toISOString().slice(0, 10),
        grade: 'clean',
      })
      .expect(200);
    await letDaysPass(house, 6);
    const second = await report();
    const served = await read(house.manager, second);
    await close(second, { cause: 'dryer.screen', remedy: 'cleaned' }).expect(200);
    expect(oddsOf(served, 'dryer.duct')).to.be.lessThan(oddsOf(before, 'dryer.duct') / 2);
    expect(served.because.join(' ')).to.match(/served lately, so that is less likely/);
    await letDaysPass(house, 1500);
    const late = await read(house.manager, await report('dryer.damp', house.manager));
    expect(oddsOf(late, 'dryer.duct')).to.be.above(oddsOf(served, 'dryer.duct') * 3);
    expect(late.because.join(' ')).to.match(/past its line then/);
  });

  it('names upkeep as a reason up to a quarter of the interval after a service, and past the due day, not between', async () => {
    const own = await openFlat('dryer');
    const pointId = own.flat.points['dryer.duct']!;
    const today = new Date(own.house.clock.now).toISOString().slice(0, 10);
    await own.house.manager.post('/records', { id: v7(), pointId, done: today, grade: null }).expect(200);
    const { intervalDays } = (await own.house.env.store.db.mark.one({ pointId }))!;
    const because = async (daysSince: number) => {
      const id = v7();
      await letDaysPass(own.house, daysSince - passed);
      passed = daysSince;
      await own.house.manager.post('/faults', { id, machineId: own.flat.machineId, symptom: 'dryer.damp' }).expect(200);
      const { because: reasons } = await read(own.house.manager, id);
      await own.house.manager.post(`/faults/${id}/close`, { cause: 'dryer.hose', remedy: 'setRight' }).expect(200);
      return reasons.join(' ');
    };
    let passed = 0;
    const quarter = Math.floor(intervalDays / 4);
    expect(await because(quarter)).to.contain('served lately');
    expect(await because(quarter + 1)).not.to.contain('served lately');
    expect(await because(intervalDays)).not.to.match(/past its line|served lately/);
    expect(await because(intervalDays + 1)).to.contain('past its line');
    await own.house.close();
  });

  it('is one fault with four who noticed it, where four people say the same of one machine in an hour', async () => {
    const other = await registerFlat(house, 'hood', 'Flat 12');
    const first = v7();
    const say = (who: Caller, id: string, note: string) =>
      who.post('/faults', { id, machineId: other.machineId, symptom: 'hood.smoke', note }).expect(200);
    await say(other.tenant, first, 'Since Sunday.');
    const [second, third] = [v7(), v7()];
    expect((await say(house.manager, second, 'Seen on the stairs.')).body.id).to.equal(first);
    const staff = house.caller();
    const email = 'ferreday@saltmarsh.example';
    await house.manager
      .post('/people', { id: v7(), name: 'M. Ferreday', email, password: 'a long password', roles: ['staff'] })
      .expect(200);
    await staff.open('/session', { email, password: 'a long password' });
    expect((await say(staff, third, '')).body.id).to.equal(first);
    const it = await listed(first);
    expect(it.alsoBy.map(({ name, note }) => `${name}: ${note}`)).to.deep.equal([
      'R. Okonjo-Vane: Seen on the stairs.',
      'M. Ferreday: ',
    ]);
    expect(await house.env.store.db.fault.count({ machineId: other.machineId })).to.equal(1);
    // A report leads to its fault; to the tenant nobody else is named.
    expect((await read(staff, third)).faultId).to.equal(first);
    const { body } = await other.tenant.get('/home').expect(200);
    expect(body.faults[0]).to.deep.include({ id: first, alsoBy: [], note: 'Since Sunday.' });
  });

  it('tells a cause that the catalogue no longer has by its key, and breaks nothing', async () => {
    const id = await report('dryer.damp', house.manager);
    await close(id, { cause: 'dryer.flap', remedy: 'cleaned' }).expect(200);
    await house.env.store.write((db) => db.fault.update({ id }, { cause: 'dryer.gone' }));
    expect((await listed(id)).closing).to.include({ cause: 'dryer.gone', says: 'dryer.gone' });
    await house.manager.get('/patterns').expect(200);
    await read(house.manager, await report('dryer.damp', house.manager));
  });
});
