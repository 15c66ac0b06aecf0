import { expect } from 'chai';
import { hashPassword, setHashCost } from '../../server/people/passwords.ts';
import { QUICK_HASH } from '../seed.ts';
import { v7 } from 'uuid';
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import type { FindPeople, PeopleAnswer } from '../../contract/people/people.ts';
import { PRACTISED } from '../../core/due/burden.ts';
import { personRow } from '../../server/store/person.ts';
import { type Flat, hire, type House, HOUSEHOLD, openFlat, TODAY } from './house.ts';

describe('The people of an office', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());

  const list = async (form: Partial<FindPeople> = {}): Promise<PeopleAnswer> =>
    (await house.manager.get(`/people?with=${encodeURIComponent(JSON.stringify(form))}`).expect(200)).body;
  const namesOf = ({ people }: PeopleAnswer) => people.map(({ name }) => name);

  it('are each in one kind, with where they live, come to live or lived', async () => {
    await hire(house);
    const point = Object.values(flat.points)[0]!;
    await house.manager.post('/jobs/contracted', { id: v7(), pointIds: [point], name: 'A. Outsider' }).expect(200);
    await house.manager.post(`/tenancies/${flat.tenancyId}/end`, { last: '2026-11-30', holdUntil: null }).expect(200);
    const coming = { id: v7(), placeId: flat.placeId, personId: v7(), name: 'B. Quillon', from: '2026-12-05' };
    await house.manager.post('/tenancies', { ...coming, household: HOUSEHOLD }).expect(200);
    const before = await list({ kind: 'tenants' });
    expect(namesOf(before)).to.have.members(['I. Marrable', 'B. Quillon']);
    expect(before.counts).to.deep.equal({ office: 2, tenants: 2, outside: 1, former: 0 });
    house.clock.now += 10 * 86_400_000;
    const after = await list({ kind: 'former' });
    expect(namesOf(after)).to.deep.equal(['I. Marrable']);
    expect(after.people[0]!.homes).to.deep.equal([
      { id: flat.placeId, name: 'Flat 1A', property: 'The Ropewalk', from: '2025-01-01', to: '2026-11-30' },
    ]);
    expect(after.counts).to.deep.equal({ office: 2, tenants: 1, outside: 1, former: 1 });
    // Whoever was let go of the office is former, too, and nobody is in two kinds.
    const { people } = await list();
    await house.manager.post(`/people/${people.find(({ name }) => name === 'T. Hollis')!.id}/disable`).expect(200);
    const { counts } = await list();
    expect(counts).to.deep.equal({ office: 1, tenants: 1, outside: 1, former: 2 });
    // All but the clock, who is nobody to give anything to.
    const everybody = (await house.env.store.db.person.all({})).filter(({ name }) => name !== 'by the clock');
    expect(Object.values(counts).reduce((sum, it) => sum + it)).to.equal(everybody.length);
  });

  it('are found by name, email or home, and come a page at a time, each once', async () => {
    const { organisationId } = (await house.env.store.db.person.all({}))[0]!;
    await house.env.store.write(async (db) => {
      const people = Array.from({ length: 130 }, (_, i) =>
        personRow({ id: v7(), organisationId, name: `Tenant ${String(i).padStart(3, '0')}`, createdAt: 1 }),
      );
      await db.person.insertMany(people);
      await db.tenancy.insertMany(
        people.map(({ id: personId }) => ({
          id: v7(),
          organisationId,
          placeId: flat.placeId,
          personId,
          fromDay: TODAY - 10,
          toDay: null,
          createdAt: 1,
        })),
      );
    });
    const first = await list({ kind: 'tenants' });
    expect(first.matching).to.equal(131);
    const all = [
      ...namesOf(first),
      ...namesOf(await list({ kind: 'tenants', skip: 50 })),
      ...namesOf(await list({ kind: 'tenants', skip: 100 })),
    ];
    expect(all).to.have.length(131);
    expect(new Set(all).size).to.equal(131);
    expect(all).to.deep.equal([...all].sort());
    expect(await list({ kind: 'tenants', find: 'tenant 07' })).to.include({ matching: 10 });
    expect(await list({ kind: 'tenants', find: 'ropewalk flat 1a' })).to.include({ matching: 131 });
    // Signs of the pattern are letters like any other.
    for (const find of ['%', '_', '\\', "'"]) expect(await list({ kind: 'tenants', find })).to.include({ matching: 0 });
    expect(namesOf(await list({ find: 'vane@' }))).to.deep.equal(['R. Okonjo-Vane']);
    await house.manager.get(`/people?with=${encodeURIComponent('{"kind":"all"}')}`).expect(422);
    await house.manager.get(`/people?with=${encodeURIComponent('{"skip":-1}')}`).expect(422);
  });

  it('have hours and open work beside each other, and may be ordered by it', async () => {
    const busy = await hire(house, 'staff', 'zeal@saltmarsh.example', 'Z. Busy');
    const pointIds = Object.values(flat.points);
    await house.manager.post('/jobs', { id: v7(), pointIds, assigneeId: busy.id }).expect(200);
    const change = { name: 'Z. Busy', email: 'zeal@saltmarsh.example', roles: ['staff'], hoursAWeek: 19.5 };
    await house.manager.put(`/people/${busy.id}`, change).expect(200);
    await house.manager.put(`/people/${busy.id}`, { ...change, hoursAWeek: 200 }).expect(422);
    const [first] = (await list({ order: 'jobs' })).people;
    const minutes = Object.keys(flat.points).reduce((sum, key) => sum + procedureOf(key).minutes, 0);
    expect(first).to.include({ name: 'Z. Busy', openJobs: 1, hoursAWeek: 19.5 });
    expect(first!.openMinutes).to.equal(Math.round(minutes * PRACTISED));
    expect(namesOf(await list({ order: 'name' }))[0]).to.equal('R. Okonjo-Vane');
  });

  it('of whom those with a licence may be given what a licensed trade does, and nobody else', async () => {
    const [licensed] = await house.env.store.db.point.all({ id: Object.values(flat.points) });
    // On a roof nobody climbs without a trade's fall protection.
    const roof = { specification: { access: 'roof' }, basedOn: null };
    await house.manager.put(`/points/${licensed!.id}/specification`, roof).expect(200);
    const { id, caller } = await hire(house);
    const job = () => ({ id: v7(), pointIds: [licensed!.id], assigneeId: id });
    const may = async () =>
      (await house.manager.get(`/points/${licensed!.id}`).expect(200)).body.assignees.find(
        (it: { id: string }) => it.id === id,
      ).may as boolean;
    expect(await may()).to.equal(false);
    await house.manager.post('/jobs', job()).expect(422);
    const unplanned = () => ({ id: v7(), numbers: [licensed!.number] });
    await caller.post(`/labels/${licensed!.number}/jobs`, unplanned()).expect(422);
    const person = { name: 'T. Hollis', email: 'hollis@saltmarsh.example', roles: ['staff'], level: 'licensed' };
    await house.manager.put(`/people/${id}`, person).expect(200);
    expect(await may()).to.equal(true);
    await caller.post(`/labels/${licensed!.number}/jobs`, unplanned()).expect(200);
    // Taken away, it is gone at once.
    await house.manager.put(`/people/${id}`, { ...person, level: 'staff' }).expect(200);
    expect(await may()).to.equal(false);
    // A licence is of the office: it makes no tenant a trade.
    await house.env.store.write((db) => db.person.update({ id: flat.tenantId }, { level: 'licensed' }));
    await flat.tenant.post(`/labels/${licensed!.number}/jobs`, unplanned()).expect(422);
  });
});

describe('A password', () => {
  it('costs 64 MiB and three passes to hash in the product, whatever tests make of it', async () => {
    setHashCost({});
    try {
      expect(await hashPassword('a long password')).to.match(
        /^\$argon2id\$v=19\$m=65536,p=4,t=3\$|^\$argon2id\$v=19\$m=65536,t=3,p=4\$/,
      );
    } finally {
      setHashCost(QUICK_HASH);
    }
  });
});
