import { expect } from 'chai';
import request from 'supertest';
import { v7 } from 'uuid';
import { type Route } from '../../contract/route.ts';
import { ROUTES, type RouteName } from '../../contract/routes.ts';
import {
  type Caller,
  give,
  hire,
  honestWork,
  openHouse,
  PASSWORD,
  registerFlat,
  type Flat,
  type House,
} from './house.ts';

const BOOT = 'washer.doorBoot';

/** People and programs that look after some of the properties, and are to find nothing of the others. */
describe('Somebody who looks after some of the properties', () => {
  let house: House;
  let ours: Flat;
  let theirs: Flat;
  let limited: Caller;
  let limitedId: string;
  const change = (form: object) =>
    house.manager.put(`/people/${limitedId}`, {
      name: 'P. Corran',
      email: 'corran@saltmarsh.example',
      roles: ['manager', 'staff'],
      ...form,
    });

  before(async () => {
    house = await openHouse();
    ours = await registerFlat(house);
    theirs = await registerFlat(house, 'washer', 'Loft 77');
    await house.manager
      .put(`/properties/${theirs.propertyId}`, { name: 'Quay Court', address: '9 Cable Street', zone: 'Europe/Dublin' })
      .expect(200);
    const job = await give(house, theirs.tenant, theirs.tenantId, [theirs.points[BOOT]!]);
    await theirs.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, theirs.tenant, job)).expect(200);
    const about = { machineId: theirs.machineId };
    await theirs.tenant.post('/faults', { id: v7(), ...about, symptom: 'washer.smell', note: 'Loft 77' }).expect(200);
    await theirs.tenant.post('/deficiencies', { id: v7(), ...about, type: 'noClip' }).expect(200);
    await theirs.tenant.post('/signals', { id: v7(), ...about, type: 'washer.code' }).expect(200);
    await theirs.tenant.post('/alarms', { id: v7(), kind: 'water', ...about }).expect(200);
    await house.manager
      .post('/owner-links', { id: v7(), name: 'Owner of Loft 77', propertyId: theirs.propertyId })
      .expect(200);
    limitedId = v7();
    await house.manager
      .post('/people', {
        id: limitedId,
        name: 'P. Corran',
        email: 'corran@saltmarsh.example',
        password: PASSWORD,
        roles: ['manager', 'staff'],
        properties: [ours.propertyId],
      })
      .expect(200);
    limited = house.caller();
    await limited.open('/session', { email: 'corran@saltmarsh.example', password: PASSWORD });
  });
  after(() => house.close());

  it('reads nothing of the others, on any route', async () => {
    const hidden = [
      theirs.propertyId,
      theirs.placeId,
      theirs.tenancyId,
      theirs.tenantId,
      theirs.machineId,
      ...Object.values(theirs.points),
      'Loft 77',
      'Quay Court',
    ];
    const reads = (Object.entries(ROUTES) as [RouteName, Route][]).filter(
      ([, route]) => route.method === 'GET' && !route.path.includes(':'),
    );
    for (const [name, route] of reads) {
      const { status, text = '' } = await limited.get(route.path);
      const forOffice = route.roles === 'anyone' || route.roles.some((role) => role === 'manager' || role === 'staff');
      if (route.wholeOffice || !forOffice) expect(status, name).to.equal(403);
      else if (route.roles !== 'anyone' && !['home.read', 'search.find'].includes(name))
        expect(status, name).to.equal(200);
      for (const it of hidden) expect(text, `${name} tells of ${it}`).not.to.contain(it);
      // What it would tell is there: whoever looks after everything hears it.
      if (name === 'homes.read') expect((await house.manager.get(route.path)).text).to.contain('Loft 77');
    }
    const found = await limited
      .get(`/search?with=${encodeURIComponent(JSON.stringify({ words: 'Loft' }))}`)
      .expect(200);
    expect(found.text).not.to.contain('Loft 77');
    const { body } = await limited.get('/homes').expect(200);
    expect(body.properties.map(({ id }: { id: string }) => id)).to.deep.equal([ours.propertyId]);
    expect((await limited.get('/board')).body.rows).to.have.length(1);
    expect((await limited.get('/proof')).body.waiting).to.deep.equal([]);
    await limited.get('/labels/2').expect(404);
    await limited.get('/labels/1').expect(200);
    expect((await limited.get('/register/table')).text).not.to.contain('Loft 77');
  });

  it('writes nothing there by an id, a number, or a word for all', async () => {
    const ownPart = ours.points[BOOT]!;
    const [part, machineId] = [theirs.points[BOOT]!, theirs.machineId];
    const number = (await house.env.store.db.point.one({ id: part }))!.number;
    const tries: [number, string, object][] = [
      [404, '/jobs', { id: v7(), pointIds: [part], assigneeId: limitedId }],
      [404, '/faults', { id: v7(), machineId, symptom: 'washer.smell' }],
      [404, '/looks', { id: v7(), number, grade: 'due' }],
      [404, '/labels/2/jobs', { id: v7(), numbers: [number] }],
      [404, '/practice', { scope: 'property', subjectId: theirs.propertyId, practice: 'light' }],
      [403, '/practice', { scope: 'organisation', subjectId: null, practice: 'light' }],
      [403, '/owner-links', { id: v7(), name: 'K. Quay', propertyId: null }],
      [403, '/baseline', { propertyId: null, weeks: 6, start: '2026-12-01' }],
      [403, '/properties', { id: v7(), name: 'Mine', address: 'X', zone: 'Europe/Dublin' }],
    ];
    for (const [status, path, form] of tries)
      expect((await limited.post(path, form)).status, `${path} ${JSON.stringify(form)}`).to.equal(status);
    expect((await limited.put(`/points/${number}/scheduled`, { scheduled: 'no' })).status).to.equal(404);
    // What is theirs they may.
    await limited.post('/jobs', { id: v7(), pointIds: [ownPart], assigneeId: limitedId }).expect(200);
    await limited.post('/practice', { scope: 'property', subjectId: ours.propertyId, practice: 'light' }).expect(200);
  });

  it('is given nothing there, and is called about nothing there while somebody else is', async () => {
    const refused = await house.manager.post('/jobs', {
      id: v7(),
      pointIds: [theirs.points['washer.drawer']!],
      assigneeId: limitedId,
    });
    expect(refused.status).to.equal(422);
    const mail = { host: 'mail.example.org', port: 587, secure: 'no', user: '', password: '', from: 'us@example.org' };
    const me = (await house.env.store.db.person.one({ email: 'vane@saltmarsh.example' }))!.id;
    const duty = (people: string[]) =>
      house.manager.post('/duty', { people, minutes: 10, webhook: null, mail }).expect(200);
    const called = async () => {
      const id = v7();
      await theirs.tenant.post('/alarms', { id, kind: 'water', machineId: theirs.machineId }).expect(200);
      const calls = await house.env.store.db.alarmCall.all({ alarmId: id });
      return calls.map(({ personId }) => personId);
    };
    await duty([limitedId, me]);
    expect(await called()).to.deep.equal([me]);
    // Rather somebody from elsewhere than nobody.
    await duty([limitedId]);
    expect(await called()).to.deep.equal([limitedId]);
    const fault = (await house.env.store.db.fault.all({ machineId: theirs.machineId }))[0]!;
    const clock = await house.manager.put(`/faults/${fault.id}`, {
      severity: 'low',
      correctBy: '2026-12-24',
      responsibleId: limitedId,
    });
    expect(clock.body.fields.responsibleId).to.contain('other properties');
  });

  it('is told of, where work in their hands lies where they do not look any more', async () => {
    const { caller, id } = await hire(house, 'staff', 'ferreday@saltmarsh.example', 'M. Ferreday');
    const machineId = v7();
    const machine = { placeId: theirs.placeId, type: 'dishwasher', fuel: 'electric', owner: 'landlord' };
    await house.manager.post('/machines', { id: machineId, ...machine }).expect(200);
    const part = (await house.env.store.db.point.all({ machineId }))[0]!;
    await house.manager.post('/jobs', { id: v7(), pointIds: [part.id], assigneeId: id }).expect(200);
    expect((await caller.get('/jobs').expect(200)).body.jobs).to.have.length(1);
    const form = { name: 'M. Ferreday', email: 'ferreday@saltmarsh.example', roles: ['staff'] };
    const limit = (properties: string[] | null) =>
      house.manager.put(`/people/${id}`, { ...form, properties }).expect(200);
    expect((await limit([ours.propertyId])).body).to.deep.equal({ elsewhere: 1 });
    expect((await limit([theirs.propertyId])).body).to.deep.equal({ elsewhere: 0 });
    expect((await caller.get('/jobs').expect(200)).body.jobs).to.have.length(1);
  });

  it('sees more, or less, from the next request on; somebody always looks after everything', async () => {
    await change({ properties: [ours.propertyId, theirs.propertyId] }).expect(200);
    expect((await limited.get('/homes')).text).to.contain('Loft 77');
    await change({ properties: [] }).expect(200);
    expect((await limited.get('/homes')).body.properties).to.deep.equal([]);
    await change({ properties: null }).expect(200);
    expect((await limited.get('/people').expect(200)).body.people).not.to.be.empty;
    await change({ properties: [ours.propertyId] }).expect(200);
    await limited.get('/people').expect(403);
    await change({ properties: [v7()] }).expect(422);
    const me = (await house.env.store.db.person.one({ email: 'vane@saltmarsh.example' }))!;
    const last = await house.manager.put(`/people/${me.id}`, {
      name: me.name,
      email: me.email,
      roles: ['manager'],
      properties: [ours.propertyId],
    });
    expect(last.status).to.equal(409);
  });

  it('stays limited when the property is removed: then there is nothing', async () => {
    const { caller, id } = await hire(house, 'staff', 'marrow@saltmarsh.example');
    const propertyId = v7();
    await house.manager
      .post('/properties', {
        id: propertyId,
        name: 'Short',
        address: 'X',
        zone: 'Europe/Dublin',
        water: { source: 'public', hardnessMgL: null },
        practice: 'steady',
      })
      .expect(200);
    await house.manager
      .put(`/people/${id}`, {
        name: 'T. Hollis',
        email: 'marrow@saltmarsh.example',
        roles: ['staff'],
        properties: [propertyId],
      })
      .expect(200);
    expect((await caller.get('/homes')).body.properties).to.have.length(1);
    await house.manager.delete(`/properties/${propertyId}`).expect(200);
    expect((await caller.get('/homes').expect(200)).body.properties).to.deep.equal([]);
  });

  it('may be a program: a token for one property reads and writes that one', async () => {
    const { token } = (
      await house.manager
        .post('/tokens', {
          id: v7(),
          name: 'Accounts',
          areas: ['register', 'due'],
          writes: true,
          properties: [ours.propertyId],
        })
        .expect(200)
    ).body;
    const dressed = (method: 'get' | 'post', path: string) =>
      request(house.app)[method](`/api${path}`).set('authorization', `Bearer ${token}`).set('idempotency-key', v7());
    expect((await dressed('get', '/homes').expect(200)).text).not.to.contain('Loft 77');
    const building = (propertyId: string) => ({ id: v7(), propertyId, name: 'Made by a program' });
    await dressed('post', '/buildings').send(building(theirs.propertyId)).expect(404);
    await dressed('post', '/buildings').send(building(ours.propertyId)).expect(200);
    const { tokens } = (await house.manager.get('/tokens').expect(200)).body;
    expect(tokens[0].properties).to.deep.equal(['The Ropewalk']);
  });
});
