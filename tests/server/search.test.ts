import { expect } from 'chai';
import { v7 } from 'uuid';
import type { FoundThing } from '../../contract/pages/search.ts';
import { type Caller, type Flat, give, hire, type House, openFlat } from './house.ts';

describe('Finding anything', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
    await house.manager.put(`/machines/${flat.machineId}`, { label: '100 % cotton_washer' }).expect(200);
  });
  after(() => house.close());
  const find = async (words: string, who: Caller = house.manager) =>
    (await who.get(`/search?with=${encodeURIComponent(JSON.stringify({ words }))}`).expect(200)).body as {
      found: FoundThing[];
      more: string[];
    };
  const kinds = (found: readonly FoundThing[]) => [...new Set(found.map(({ kind }) => kind))];

  it('looks through homes, people, machines, parts, jobs, faults and procedures', async () => {
    await give(house, flat.tenant, flat.tenantId, [flat.points['washer.drawer']!]);
    const faultId = v7();
    const fault = { id: faultId, machineId: flat.machineId, symptom: 'washer.smell', note: 'like an old pond' };
    await flat.tenant.post('/faults', fault).expect(200);
    const flats = await find('flat 1');
    expect(flats.found[0]).to.deep.equal({
      kind: 'place',
      name: 'Flat 1A',
      about: 'The Ropewalk',
      path: `/homes/${flat.placeId}`,
    });
    expect(kinds(flats.found)).to.include('job');
    expect((await find('marrable')).found).to.deep.include({
      kind: 'person',
      name: 'I. Marrable',
      about: 'Flat 1A',
      path: `/homes/${flat.placeId}`,
    });
    expect((await find('OLD POND')).found.map(({ path }) => path)).to.deep.equal([`/faults/${faultId}`]);
    expect((await find('Tidesse')).found[0]).to.include({ kind: 'machine' });
    const boot = await find('boot');
    expect(kinds(boot.found)).to.include.members(['part', 'procedure']);
    const { number } = (await house.env.store.db.point.one({ id: flat.points['washer.doorBoot']! }))!;
    expect((await find(String(number))).found.map(({ path }) => path)).to.include(`/line/${number}`);
  });

  it('takes signs of the query language as they are, and says when there is more', async () => {
    expect((await find('%')).found.map(({ name }) => name)).to.deep.equal([
      '100 % cotton_washer',
      '100 % cotton_washer',
    ]);
    expect((await find("' OR 1=1 --")).found).to.deep.equal([]);
    for (let i = 0; i < 8; i += 1)
      await house.manager.post('/places', { id: v7(), propertyId: flat.propertyId, kind: 'unit', name: `Loft ${i}` });
    const lofts = await find('loft');
    expect(lofts.found).to.have.length(6);
    expect(lofts.more).to.deep.equal(['place']);
  });

  it('leads staff to what they may open, and tells them no names', async () => {
    const { caller: staff } = await hire(house);
    expect((await find('marrable', staff)).found.filter(({ kind }) => kind === 'person')).to.deep.equal([]);
    const paths = (await find('boot', staff)).found.map(({ path }) => path);
    expect(paths.some((path) => path.startsWith('/look/'))).to.equal(true);
    expect(paths.some((path) => path.startsWith('/line/'))).to.equal(false);
    await flat.tenant.get('/search?with={"words":"flat"}').expect(403);
  });
});
