import { expect } from 'chai';
import { v7 } from 'uuid';
import { isoFromDay } from '../../core/calendar/day.ts';
import type { Plan, PlanAnswer, RoundAnswer, ShapePlan, TakenOver } from '../../contract/rounds/rounds.ts';
import { type Caller, type Flat, hire, type House, openStaffedFlat, registerFlat, TODAY } from './house.ts';

/** The wednesday after the clock's Tuesday. */
const WEDNESDAY = TODAY + 1;

describe('The plan of rounds', () => {
  let house: House;
  let flat: Flat;
  let staff: { readonly caller: Caller; readonly id: string };
  const served = (its: Flat, daysAgo: number) =>
    Promise.all(
      Object.values(its.points).map((pointId) =>
        house.manager
          .post('/records', { id: v7(), pointId, done: isoFromDay(TODAY - daysAgo), grade: 'due', finds: [], note: '' })
          .expect(200),
      ),
    );
  beforeEach(async () => {
    ({ house, flat, staff } = await openStaffedFlat('airHandler'));
    await served(flat, 85);
  });
  afterEach(() => house.close());

  const make = async (weeks = 4, keep = true): Promise<Plan> =>
    ((await house.manager.post('/plan', { weeks, keep }).expect(200)).body as PlanAnswer).plan!;
  const shape = (plan: Plan, form: Partial<ShapePlan>) =>
    house.manager.post('/plan/shapes', { revision: plan.revision, visit: plan.visits[0]!.visit, ...form });
  const shaped = async (plan: Plan, form: Partial<ShapePlan>): Promise<Plan> =>
    ((await shape(plan, form).expect(200)).body as PlanAnswer).plan!;
  const takeOver = async (plan: Plan): Promise<TakenOver> =>
    (
      await house.manager
        .post('/plan/taken-over', { revision: plan.revision, visits: plan.visits.map(({ visit }) => visit) })
        .expect(200)
    ).body as TakenOver;
  const roundOf = async (caller: Caller, personId?: string): Promise<RoundAnswer> =>
    (await caller.get(personId ? `/people/${personId}/round` : '/round').expect(200)).body as RoundAnswer;

  it('counts every part, asks tenants for what is theirs, and says why a visit is where it is', async () => {
    const plan = await make();
    const { inPlan, ...others } = plan.counted;
    const all = inPlan + Object.values(others).reduce((sum, count) => sum + count, 0) + plan.leftOutCount;
    expect(all).to.equal(Object.keys(flat.points).length);
    expect(plan).to.include({ days: 28, from: isoFromDay(TODAY - 1), fewestDoors: 1, leftOutCount: 0 });
    // Asked as early as this household answers, here as households are assumed to.
    const { answering } = (await house.manager.get(`/places/${flat.placeId}/answering`).expect(200)).body;
    const filter = (await house.manager.get(`/points/${flat.points['airHandler.returnFilter']}`).expect(200)).body;
    const askDay = filter.mark.servedDay + filter.mark.intervalDays - answering.lead;
    expect(plan.tenants).to.deep.equal([
      {
        placeId: flat.placeId,
        place: 'Flat 1A, The Ropewalk',
        parts: 1,
        askBy: isoFromDay(askDay),
        late: askDay < TODAY,
      },
    ]);
    const [visit] = plan.visits;
    expect(visit).to.include({ placeId: flat.placeId, pinned: false, takenOver: false });
    expect(visit!.why).to.match(/: due by 29 November 2026\.$/);
    expect(plan.costs.doors).to.equal(1);
    expect((await house.manager.get('/plan').expect(200)).body.plan.revision).to.equal(plan.revision);
    await staff.caller.get('/plan').expect(403);
  });

  it('is moved by hand: it stays there through the next plan, and says which rule it breaks', async () => {
    const first = await make();
    const day = isoFromDay(WEDNESDAY + 1);
    const moved = await shaped(first, { shape: 'move', personId: staff.id, day });
    expect(moved.visits[0]).to.include({ personId: staff.id, day, pinned: true, why: 'Put here by hand.' });
    // Another manager, who saw the plan as it was before.
    const { body } = await shape(first, { shape: 'out' }).expect(409);
    expect(body.detail).to.contain('Somebody else has changed the plan');
    await house.manager
      .post(`/people/${staff.id}/days-off`, { id: v7(), from: day, to: day, why: 'dentist' })
      .expect(200);
    const again = await make();
    expect(again.visits[0]).to.include({ personId: staff.id, day, pinned: true });
    expect(again.visits[0]!.broken.map(({ rule }) => rule)).to.deep.equal(['away']);
    expect((await make(4, false)).visits[0]).to.include({ pinned: false });
    await shape(again, { revision: again.revision + 1, shape: 'move', personId: staff.id, day: '2027-05-01' })
      .expect(422)
      .expect(({ body: told }) => expect(told.fields.day).to.contain('not in the plan'));
    await shape(again, { revision: again.revision + 1, shape: 'move', personId: v7(), day }).expect(422);
  });

  it('names what is taken out, with the cheapest remedy, and finds it a place again', async () => {
    const plan = await make();
    const without = await shaped(plan, { shape: 'out' });
    expect(without).to.include({ leftOutCount: 1 });
    expect(without.visits).to.deep.equal([]);
    expect(without.leftOut[0]).to.include({ reason: 'full', place: 'Flat 1A, The Ropewalk' });
    expect(without.leftOut[0]!.remedy).to.match(/ on .* November 2026, one more door\.$/);
    expect((await make()).leftOutCount).to.equal(0);
  });

  it('is split, and becomes one again where it is moved onto a visit of the same home', async () => {
    const second = await registerFlat(house, 'dishwasher', 'Flat 9Z');
    await house.manager.post(`/tenancies/${second.tenancyId}/end`, { last: isoFromDay(TODAY - 1) }).expect(200);
    await served(second, 400);
    const plan = await make();
    const many = plan.visits.find(({ parts }) => parts.length > 1)!;
    expect(many, 'a visit with several parts').to.not.equal(undefined);
    const day = isoFromDay(WEDNESDAY + 2);
    const [{ number }] = [many.parts[0]!];
    const split = await shaped(plan, { visit: many.visit, shape: 'split', personId: staff.id, day, parts: [number] });
    const its = split.visits.filter(({ placeId }) => placeId === many.placeId);
    expect(its.map(({ parts }) => parts.length).sort()).to.deep.equal([1, many.parts.length - 1]);
    const rest = its.find(({ parts }) => parts.length > 1 || parts[0]!.number !== number)!;
    const whole = await shaped(split, { visit: rest.visit, shape: 'move', personId: staff.id, day });
    const one = whole.visits.filter(({ placeId }) => placeId === many.placeId);
    expect(one).to.have.length(1);
    expect(one[0]!.parts).to.have.length(many.parts.length);
  });

  it('is taken over: jobs are given, the household is told, and it stands in the round of whoever comes', async () => {
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 24 }).expect(200);
    const plan = await make();
    const day = isoFromDay(WEDNESDAY + 2);
    const moved = await shaped(plan, { shape: 'move', personId: staff.id, day });
    const taken = await takeOver(moved);
    expect(taken).to.deep.include({ jobs: 1, announced: 1, left: [] });
    expect(taken.plan.plan!.visits[0]).to.include({ takenOver: true, why: 'Given and announced.' });
    const { visits } = (
      await house.manager.get(`/visits?with=${encodeURIComponent(JSON.stringify({ placeId: flat.placeId }))}`)
    ).body;
    expect(visits).to.have.length(1);
    expect(visits[0]).to.include({ personId: staff.id, day: WEDNESDAY + 2 });
    const round = await roundOf(staff.caller);
    expect(round).to.include({ day, personId: staff.id });
    expect(round.stops).to.have.length(1);
    expect(round.stops[0]).to.include({ place: 'Flat 1A', done: false, back: false, at: 8 * 60 + 15 + 8 });
    expect(round.stops[0]!.notice).to.equal('Not told yet');
    expect(round.kit).to.not.deep.equal([]);
    // A second time is refused, and what stands is not moved by a plan made anew.
    await house.manager.post('/plan/taken-over', { revision: moved.revision, visits: [0] }).expect(409);
    await shape(taken.plan.plan!, { shape: 'out' }).expect(409);
    expect((await make(4, false)).visits[0]).to.include({ takenOver: true, day, personId: staff.id });
    // Nobody else of staff reads it; a manager does.
    const other = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'M. Ferreday');
    await other.caller.get(`/people/${staff.id}/round`).expect(404);
    expect((await roundOf(house.manager, staff.id)).stops).to.have.length(1);
  });

  it('tells nobody of a visit for which nothing can be given', async () => {
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 24 }).expect(200);
    const plan = await make();
    const moved = await shaped(plan, { shape: 'move', personId: staff.id, day: isoFromDay(WEDNESDAY + 2) });
    // Meanwhile the part went to somebody else.
    const pointIds = [flat.points['airHandler.condensateDrain']];
    const other = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'M. Ferreday');
    await house.manager.post('/jobs', { id: v7(), pointIds, assigneeId: other.id }).expect(200);
    const taken = await takeOver(moved);
    expect(taken).to.include({ jobs: 0, announced: 0 });
    expect(taken.left[0]!.says).to.equal('Somebody has it already.');
    expect(taken.plan.plan!.visits[0]).to.include({ takenOver: false });
    expect((await roundOf(staff.caller)).stops).to.deep.equal([]);
    expect(await house.env.store.db.visit.count({})).to.equal(0);
    expect(await house.env.store.db.message.count({ kind: 'entry' })).to.equal(0);
  });

  it('leaves out, with its reason, what notice does not reach in time', async () => {
    await house.manager.put(`/properties/${flat.propertyId}/entry-rule`, { hours: 336 }).expect(200);
    const plan = await make();
    // The drain is due in five days, the first day that notice allows lies in three weeks: late, and said so.
    const later = (await house.manager.get(`/plan?with=${encodeURIComponent(JSON.stringify({ week: 2 }))}`)).body
      .plan as Plan;
    const late = [...plan.visits, ...later.visits][0];
    expect(late?.why ?? plan.leftOut[0]?.says).to.match(/days late|Notice ends after its line/);
  });

  it('keeps days without entry, days off, and says what to know at the door', async () => {
    const access = {
      closed: [2, 3, 4],
      liked: [0],
      half: 'morning',
      dog: true,
      key: 'in the box',
      prefers: 'mornings',
    };
    await staff.caller.put(`/places/${flat.placeId}/access`, access).expect(200);
    expect((await house.manager.get(`/places/${flat.placeId}/access`).expect(200)).body).to.deep.equal(access);
    const plan = await make();
    expect(plan.visits, 'Wednesday to Friday nobody may come, and the line is on Sunday').to.deep.equal([]);
    const next = (await house.manager.get(`/plan?with=${encodeURIComponent(JSON.stringify({ week: 1 }))}`)).body
      .plan as Plan;
    expect(next.visits[0]!.day).to.equal(isoFromDay(TODAY + 6));
    await takeOver(next);
    const [stop] = (await roundOf(house.manager, next.visits[0]!.personId)).stops;
    expect(stop!.access).to.deep.equal(access);
  });

  it('reckons with the hours and days of each person', async () => {
    const time = { workDays: [0, 1], basePropertyId: flat.propertyId };
    await house.manager.put(`/people/${staff.id}/working-time`, time).expect(200);
    const off = v7();
    const [from, to] = [isoFromDay(TODAY + 6), isoFromDay(TODAY + 7)];
    await house.manager.post(`/people/${staff.id}/days-off`, { id: off, from, to, why: '' }).expect(200);
    await house.manager.post(`/people/${staff.id}/days-off`, { id: v7(), from: to, to: from, why: '' }).expect(422);
    const known = (await house.manager.get(`/people/${staff.id}/working-time`).expect(200)).body;
    expect(known).to.deep.equal({ ...time, daysOff: [{ id: off, from, to, why: '' }] });
    await make();
    const week = (await house.manager.get(`/plan?with=${encodeURIComponent(JSON.stringify({ week: 1 }))}`)).body
      .plan as Plan;
    expect(week.people.find(({ id }) => id === staff.id)!.days.map(({ had }) => had)).to.deep.equal([
      0, 0, 0, 0, 0, 0, 0,
    ]);
    await house.manager.delete(`/days-off/${off}`).expect(200);
    const capacity = (await house.manager.get('/capacity').expect(200)).body;
    const hours = capacity.people.find(({ id }: { id: string }) => id === staff.id).hours as number[];
    expect(hours).to.have.length(12);
    // Two days of 17.5 hours a week.
    expect(hours.reduce((sum, it) => sum + it, 0)).to.be.closeTo((365.25 / 7) * 35, 36);
    await house.manager.put(`/people/${staff.id}/working-time`, { workDays: [9], basePropertyId: null }).expect(422);
    await house.manager.put(`/people/${staff.id}/working-time`, { workDays: [1], basePropertyId: v7() }).expect(422);
    await house.manager.get(`/people/${flat.tenantId}/working-time`).expect(404);
  });

  it('plans what was somebody’s for others once they have left', async () => {
    const plan = await make();
    const moved = await shaped(plan, { shape: 'move', personId: staff.id, day: isoFromDay(WEDNESDAY) });
    expect(moved.visits[0]!.personId).to.equal(staff.id);
    await house.manager.post(`/people/${staff.id}/disable`).expect(200);
    const again = await make();
    expect(again.people.map(({ id }) => id)).to.not.include(staff.id);
    expect(again.visits[0]!.personId).to.not.equal(staff.id);
  });

  it('stands empty on day one, and says how many could go', async () => {
    const { plan, homes, workers } = (await house.manager.get('/plan').expect(200)).body as PlanAnswer;
    expect([plan, homes, workers]).to.deep.equal([null, 1, 2]);
    await house.manager.post('/plan/shapes', { revision: 1, shape: 'out', visit: 0 }).expect(404);
    await house.manager.post('/plan', { weeks: 5, keep: true }).expect(422);
  });
});
