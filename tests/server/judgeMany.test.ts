import { expect } from 'chai';
import {
  failsOf,
  type Flat,
  give,
  hire,
  honestWork,
  type House,
  letDaysPass,
  openFlat,
  registerFlat,
} from './house.ts';

/** One verdict on several proofs: each judged by itself, the rest named. */
describe('Several proofs judged at once', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());

  /** The tenant of a flat does a part and sends it, with pictures drawn from a seed. */
  async function send(seed: number, { tenant, tenantId, points }: Flat = flat): Promise<string> {
    await letDaysPass(house, 20);
    const job = await give(house, tenant, tenantId, [points['washer.doorBoot']!]);
    const submission = await honestWork(house, tenant, job, {}, seed * 1000);
    await tenant.post(`/jobs/${job.id}/submission`, submission).expect(200);
    return submission.records[0]!.id;
  }
  const stateOf = async (id: string) => (await house.env.store.db.proof.one({ recordId: id }))!.state;
  const judge = (form: object) => house.manager.post('/proof/verdicts', form);

  it('accepts what is clean, and names what contradicts itself or was judged before', async () => {
    const judged = await send(1);
    await house.manager.post(`/proof/${judged}/verdict`, { verdict: 'accept' }).expect(200);
    const clean = await send(2);
    // The same pictures, from another home.
    const contradicted = await send(1, await registerFlat(house, 'washer', 'Flat 2B'));
    expect(await failsOf(house, contradicted)).to.include('samePicture');
    const { body } = await judge({ ids: [judged, clean, contradicted], verdict: 'accept' }).expect(200);
    expect(body.done).to.deep.equal([clean]);
    expect(await stateOf(clean)).to.equal('accepted');
    expect(body.left.map(({ id }: { id: string }) => id)).to.deep.equal([judged, contradicted]);
    expect(body.left[0].says).to.contain('accepted');
    expect(await stateOf(contradicted)).to.equal('waiting');
  });

  it('sends back with one reason, which the doer reads, and nothing without one', async () => {
    const id = await send(1);
    const fields = (await judge({ ids: [id], verdict: 'sendBack' }).expect(422)).body.fields;
    expect(fields).to.have.property('reason');
    await judge({ ids: [id], verdict: 'registerWrong' }).expect(422);
    await judge({ ids: [], verdict: 'accept' }).expect(422);
    expect(await stateOf(id)).to.equal('waiting');
    const { body } = await judge({ ids: [id], verdict: 'sendBack', reason: 'The boot is out of the picture.' }).expect(
      200,
    );
    expect(body.done).to.deep.equal([id]);
    const home = JSON.stringify((await flat.tenant.get('/home').expect(200)).body);
    expect(home).to.contain('The boot is out of the picture.');
    await house.manager.post(`/proof/${id}/undo`).expect(200);
    expect(await stateOf(id)).to.equal('waiting');
    const strange = await judge({ ids: ['00000000-0000-4000-8000-000000000000'], verdict: 'accept' }).expect(200);
    expect(strange.body.done).to.deep.equal([]);
    const { caller } = await hire(house);
    await caller.post('/proof/verdicts', { ids: [id], verdict: 'accept' }).expect(403);
  });
});
