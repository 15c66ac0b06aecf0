import { expect } from 'chai';
import { v7 } from 'uuid';
import { type Flat, type House, letDaysPass, openFlat, registerFlat } from './house.ts';
import { readPaper } from './paper.ts';

/** History on paper: what an inspector, a landlord at the end of a tenancy, or a buyer of a machine is given. */
describe('History on paper', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat('dryer'));
  });
  afterEach(() => house.close());
  const today = () => new Date(house.clock.now).toISOString().slice(0, 10);
  const paper = (scope: string, id: string, form: object = {}) =>
    readPaper(house.manager.get(`/tapes/${scope}/${id}/history?with=${encodeURIComponent(JSON.stringify(form))}`));
  const serve = (done = today()) =>
    house.manager.post('/records', { id: v7(), pointId: flat.points['dryer.duct'], done, grade: 'due' }).expect(200);
  const breakDown = async (form: object = {}) => {
    const id = v7();
    await flat.tenant.post('/faults', { id, machineId: flat.machineId, symptom: 'dryer.damp' }).expect(200);
    const closing = { cause: 'dryer.hose', remedy: 'setRight', ...form };
    await house.manager.post(`/faults/${id}/close`, closing).expect(200);
  };

  it('of a home says on day one that nothing is known, and does not say that all is well', async () => {
    const { status, type, text, pages } = await paper('place', flat.placeId);
    expect([status, type, pages]).to.deep.equal([200, 'application/pdf', 1]);
    expect(text).to.contain('Everything about a home: Flat 1A');
    expect(text).to.contain('7 parts on 24 November 2026: none past its line, 7 without a record.');
    expect(text).to.contain('Days of parts with a record in these days: 0');
    expect(text).to.contain('Lived here: I. Marrable');
  });

  it('of a machine has each part with its service, its evidence and its line, faults, deficiencies, and every event', async () => {
    await serve();
    await breakDown({ cost: 18, payer: 'warranty' });
    await flat.tenant.post('/deficiencies', { id: v7(), machineId: flat.machineId, type: 'hoseLoose' }).expect(200);
    await letDaysPass(house, 900);
    const { text } = await paper('machine', flat.machineId);
    expect(text).to.contain('History of a machine: Vented dryer');
    expect(text).to.match(/Duct to outdoors served 2026-11-24 \(self-certified\), \d+ days past/);
    expect(text).to.contain('One fault');
    expect(text).to.contain('Hose behind it crushed, kinked or off; set right');
    expect(text).to.contain('closed 2026-11-24, €18, paid by the warranty');
    expect(text).to.contain('Hose end loose');
    expect(text).to.match(/head [0-9a-f]{64}/);
    // Counted from the day on which the register began.
    expect(text).to.match(/past the line/);
  });

  it('of a tenancy has its own days alone, what was put down to the tenant, and refuses another home’s', async () => {
    await serve();
    await letDaysPass(house, 20);
    await flat.tenant.open('/link', { token: await link() });
    await breakDown({ cost: 60, payer: 'tenant' });
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: today() }).expect(200);
    await letDaysPass(house, 30);
    await serve();
    const { text } = await paper('place', flat.placeId, { tenancyId: flat.tenancyId });
    expect(text).to.contain('End of a tenancy: I. Marrable, Flat 1A');
    // The tenancy is older than the register: said, and not shown as in order.
    expect(text).to.contain('The register began on 24 November 2026.');
    expect(text).to.contain('Put down to the tenant: one repair, €60 together.');
    expect(
      text.match(/self-certified/g),
      'the service after it is not its own; the third stands in how it is counted',
    ).to.have.length(3);
    const other = await registerFlat(house, 'washer', 'Flat 9');
    expect((await paper('place', flat.placeId, { tenancyId: other.tenancyId })).status).to.equal(404);
  });
  const link = async () => {
    const { body } = await house.manager.post(`/tenancies/${flat.tenancyId}/links`).expect(200);
    return body.path.split('#')[1] as string;
  };

  it('refuses days that have not come or end before they begin, and tells names that Western Europe has no letters for', async () => {
    expect((await paper('place', flat.placeId, { to: '2030-01-01' })).status).to.equal(422);
    expect((await paper('place', flat.placeId, { from: '2026-11-24', to: '2026-11-01' })).status).to.equal(422);
    await house.env.store.write((db) => db.person.update({ id: flat.tenantId }, { name: 'Żółć Ďurišová' }));
    expect((await paper('place', flat.placeId)).text).to.contain('Żółć Ďurišová');
  });
});
