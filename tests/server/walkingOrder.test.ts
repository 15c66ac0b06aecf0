import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { Plan, PlanAnswer, RoundAnswer } from '../../contract/rounds/rounds.ts';
import { hire, openHouse, PASSWORD, registerFlat, TODAY, type Flat, type House } from './house.ts';

const MONDAY = isoFromDay(TODAY + 6);

/** A caretaker walks one house after the other, each from door to door, and to whom mornings suit before noon. */
describe('The order in which homes are walked', () => {
  let house: House;
  let flat: Flat;
  let staff: { readonly id: string };
  beforeEach(async () => {
    house = await openHouse();
    flat = await registerFlat(house, 'airHandler', 'Flat 1A');
    staff = await hire(house);
  });
  afterEach(() => house.close());

  const addPlace = async (propertyId: string, name: string): Promise<string> => {
    const id = v7();
    await house.manager.post('/places', { id, propertyId, kind: 'unit', name }).expect(200);
    return id;
  };
  const walk = (placeIds: readonly string[], propertyId = flat.propertyId) =>
    house.manager.put(`/properties/${propertyId}/walking-order`, { placeIds });
  const namesOf = async (propertyId = flat.propertyId): Promise<string[]> => {
    const { properties } = (await house.manager.get('/homes').expect(200)).body;
    return properties
      .find(({ id }: { id: string }) => id === propertyId)
      .places.map(({ name }: { name: string }) => name);
  };
  const drainDue = (it: Flat) =>
    house.manager
      .post('/records', {
        id: v7(),
        pointId: it.points['airHandler.condensateDrain'],
        done: isoFromDay(TODAY - 80),
        grade: 'due',
        finds: [],
        note: '',
      })
      .expect(200);
  const access = (it: Flat, form: object) => house.manager.put(`/places/${it.placeId}/access`, form).expect(200);
  const plan = async (): Promise<Plan> =>
    ((await house.manager.post('/plan', { weeks: 4, keep: false }).expect(200)).body as PlanAnswer).plan!;

  it('is said for a whole property, and kept; half of it, twice or another’s is refused, and nothing is written', async () => {
    const [b, c] = [await addPlace(flat.propertyId, 'Flat 1B'), await addPlace(flat.propertyId, 'Flat 1C')];
    await walk([c, flat.placeId, b]).expect(200);
    expect(await namesOf()).to.deep.equal(['Flat 1C', 'Flat 1A', 'Flat 1B']);
    // Somebody added a home meanwhile.
    const d = await addPlace(flat.propertyId, 'Flat 1D');
    const { body } = await walk([b, c, flat.placeId]).expect(409);
    expect(body.type).to.contain('changed');
    await walk([b, c, flat.placeId, b]).expect(409);
    await walk([b, c, flat.placeId, v7()]).expect(409);
    await walk([]).expect(422);
    await walk([b], v7()).expect(404);
    expect(await namesOf()).to.deep.equal(['Flat 1C', 'Flat 1A', 'Flat 1B', 'Flat 1D']);
    await walk([d, c, flat.placeId, b]).expect(200);
    expect((await namesOf())[0]).to.equal('Flat 1D');
  });

  it('takes a round through one property after the other, and within it to those first who like mornings', async () => {
    // Counted property by property, the first home of the second stands before the second of the first.
    const other = await registerFlat(house, 'airHandler', 'Quay 1');
    const near = await registerFlat(house, 'airHandler', 'Flat 1B');
    await house.env.store.write((db) =>
      db.place.update({ id: near.placeId }, { propertyId: flat.propertyId, sort: 1 }),
    );
    for (const it of [flat, other, near]) {
      await drainDue(it);
      await access(it, { closed: [0, 2, 3, 4, 5, 6], liked: [], half: 'any', dog: false, key: '', prefers: '' });
    }
    // All on the one day on which they may be entered, by one person.
    await house.manager
      .put(`/people/${staff.id}/working-time`, { workDays: [1], basePropertyId: flat.propertyId })
      .expect(200);
    for (const { id } of (await house.manager.get('/people').expect(200)).body.people as { id: string }[])
      if (id !== staff.id)
        await house.manager.put(`/people/${id}/working-time`, { workDays: [6], basePropertyId: null });
    const order = async () => {
      const made = await plan();
      const next = made.visits.length > 0 ? made : await week(1);
      expect(next.visits).to.have.length(3);
      await house.manager
        .post('/plan/taken-over', { revision: next.revision, visits: next.visits.map(({ visit }) => visit) })
        .expect(200);
      const { day } = next.visits[0]!;
      const round = (
        await house.manager
          .get(`/people/${staff.id}/round?with=${encodeURIComponent(JSON.stringify({ day }))}`)
          .expect(200)
      ).body as RoundAnswer;
      return round.stops.map(({ place }) => place);
    };
    await access(flat, { closed: [0, 2, 3, 4, 5, 6], liked: [], half: 'afternoon', dog: false, key: '', prefers: '' });
    expect(await order()).to.deep.equal(['Flat 1B', 'Flat 1A', 'Quay 1']);
  });
  const week = async (of: number): Promise<Plan> =>
    (await house.manager.get(`/plan?with=${encodeURIComponent(JSON.stringify({ week: of }))}`).expect(200)).body.plan;

  it('comes on days that are liked where that makes nothing late, and counts and says where it does not', async () => {
    await drainDue(flat);
    // The line is in ten days; on Mondays they like visits.
    await access(flat, { closed: [], liked: [0], half: 'any', dog: false, key: '', prefers: 'after school' });
    const liked = await plan();
    expect(liked.unliked).to.equal(0);
    expect([...liked.visits, ...(await week(1)).visits].map(({ day }) => day)).to.deep.equal([MONDAY]);
    // On Sundays nobody works: it comes in time, and says so.
    await access(flat, { closed: [], liked: [6], half: 'any', dog: false, key: '', prefers: '' });
    const made = await plan();
    expect(made.unliked).to.equal(1);
    const [visit] = [...made.visits, ...(await week(1)).visits];
    expect(visit!.why).to.match(/They like other days better\.$/);
    expect(visit!.parts[0]!.daysPast).to.be.at.most(0);
    await house.manager.put(`/places/${flat.placeId}/access`, { liked: [7] }).expect(422);
    await house.manager.put(`/places/${flat.placeId}/access`, { half: 'noon' }).expect(422);
  });

  it('reads a home whose door was written down before days could be liked', async () => {
    await access(flat, { closed: [2], dog: true, key: 'box', prefers: '' });
    await house.env.store.write(async (db) => {
      const fact = (await db.fact.one({ subjectId: flat.placeId, name: 'access' }))!;
      await db.fact.update(
        { id: fact.id },
        { value: JSON.stringify({ closed: [2], dog: true, key: 'box', prefers: '' }) },
      );
    });
    await drainDue(flat);
    expect((await house.manager.get(`/places/${flat.placeId}/access`).expect(200)).body).to.deep.include({
      closed: [2],
      liked: [],
      half: 'any',
    });
    expect((await plan()).unliked).to.equal(0);
  });

  it('is read by house where each property has one person of its own, and by person where it has not', async () => {
    const other = await registerFlat(house, 'airHandler', 'Quay 1');
    await drainDue(flat);
    await drainDue(other);
    const { people } = (await house.manager.get('/people').expect(200)).body as { people: { id: string }[] };
    for (const { id } of people)
      await house.manager.put(`/people/${id}/working-time`, { workDays: [], basePropertyId: null }).expect(200);
    const add = async (email: string, properties: string[] | null) => {
      const id = v7();
      await house.manager
        .post('/people', { id, name: email, email, password: PASSWORD, roles: ['staff'], properties })
        .expect(200);
    };
    await add('one@saltmarsh.example', [flat.propertyId]);
    await add('two@saltmarsh.example', [other.propertyId]);
    const own = await plan();
    expect(own.patches).to.equal(true);
    expect([...own.visits, ...(await week(1)).visits].map(({ property }) => property)).to.deep.equal([
      'The Ropewalk',
      'The Ropewalk',
    ]);
    await add('three@saltmarsh.example', null);
    expect((await plan()).patches).to.equal(false);
  });
});
