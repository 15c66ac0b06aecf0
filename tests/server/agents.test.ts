import { expect } from 'chai';
import { v7 } from 'uuid';
import { editionOf } from '../../core/catalogue/edition.ts';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { give, honestWork, openHouse, registerFlat, type Flat, type House } from './house.ts';

interface Job {
  id: string;
  kit: string[];
  steps: { key: string; body: string; needs: { need: { kind: string; choices?: string[] } }[] }[];
}

/** Agents as a doer meets them: offered, worded and carried, over HTTP. */
describe('An agent', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    house = await openHouse();
  });
  afterEach(() => house.close());
  const specify = (point: string, specification: object) =>
    house.manager.put(`/points/${flat.points[point]}/specification`, { specification, basedOn: null }).expect(200);
  const jobOf = (...points: string[]) =>
    give(
      house,
      flat.tenant,
      flat.tenantId,
      points.map((point) => flat.points[point]!),
    ) as Promise<Job & Parameters<typeof honestWork>[2]>;
  const offered = (job: Job, step: string) =>
    job.steps.find(({ key }) => key === step)!.needs.find(({ need }) => need.kind === 'agent')!.need.choices;

  it('that an edition chose is not offered where the tub does not stand it, or nobody knows what it is made of', async () => {
    flat = await registerFlat(house, 'washer');
    const ours = procedureOf('washer.tub', { tubClean: 'machineCycle' });
    await house.manager
      .post('/methods', { scope: 'organisation', subjectId: null, method: 'tubClean', option: 'machineCycle' })
      .expect(200);
    await house.manager
      .post('/procedures/washer.tub/editions', {
        content: { ...editionOf(ours), agents: ['bleach'] },
        note: '',
        basedOn: 0,
      })
      .expect(200);
    const job = await jobOf('washer.tub');
    expect(offered(job, 'washer.tub.machineCycle')).to.deep.equal(['water']);
    expect(job.kit.join()).not.to.contain('bleach');
    const form = await honestWork(house, flat.tenant, job, { agent: 'bleach' });
    const { notes } = (await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200)).body;
    expect(notes.join()).to.contain('do not use bleach');
    flat = await registerFlat(house, 'washer', 'Flat 2');
    await specify('washer.tub', { surface: 'plastic' });
    expect(offered(await jobOf('washer.tub'), 'washer.tub.machineCycle')).to.deep.equal(['bleach']);
  });
  it('of a seal gives way to the one whose turn it is in the same machine, and the kit names one', async () => {
    flat = await registerFlat(house, 'dishwasher');
    const job = await jobOf('dishwasher.doorSeal', 'dishwasher.interiorWash');
    const [turn] = offered(job, 'dishwasher.interiorWash.agent')!;
    expect(offered(job, 'dishwasher.doorSeal.wipe')).to.deep.equal(
      turn === 'vinegar' ? ['dishSoap', 'vinegar'] : ['dishSoap'],
    );
    expect(job.kit.filter((it) => /soda|white vinegar|bought/.test(it))).to.have.length(1);
    // A choice is one line, not several things to carry.
    const seal = (await give(house, house.manager, (await house.manager.get('/session').expect(200)).body.me.id, [
      (await registerFlat(house, 'washer', 'Flat 3')).points['washer.doorBoot']!,
    ])) as Job;
    expect(seal.kit.filter((it) => /soap|vinegar|citric/.test(it))).to.deep.equal([
      'one of these: dish soap, half vinegar, half water or citric acid',
    ]);
    expect(job.steps.find(({ key }) => key === 'dishwasher.interiorWash.agent')!.body).to.match(
      /^This time: (baking soda|vinegar|a bought cleaner), [^.]*\./,
    );
  });
  it('that is all a job is about, and forbidden there, makes the job say why it cannot be done', async () => {
    flat = await registerFlat(house, 'drains');
    await specify('drains.dose', { forbiddenAgents: ['enzyme'] });
    const { body } = await house.manager
      .post('/jobs', { id: v7(), pointIds: [flat.points['drains.dose']], assigneeId: flat.tenantId })
      .expect(422);
    expect(body.detail).to.contain('nothing without its agent');
  });
  it('is recorded with every other of its service, and all of them count against the branch', async () => {
    flat = await registerFlat(house, 'washer');
    const job = await jobOf('washer.tub');
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    expect(
      JSON.parse((await house.env.store.db.record.one({ id: form.records[0]!.id }))!.canonical).agents,
    ).to.deep.equal(['bakingSoda', 'vinegar']);
  });
});
