import { expect } from 'chai';
import { readdir } from 'node:fs/promises';
import { readdirSync, writeFileSync, mkdtempSync, readFileSync, utimesSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { pino } from 'pino';
import sharp from 'sharp';
import { v7 } from 'uuid';
import { ANY_ROUTE_REFUSES, type Route } from '../../contract/route.ts';
import { ROUTES, type RouteName } from '../../contract/routes.ts';
import { MARK_FIELDS, type BoardAnswer } from '../../contract/due/due.ts';
import { PHOTOS_A_DAY } from '../../contract/form/limits.ts';
import { not } from '../../server/store/where.ts';
import { openStore, UnusableDatabase } from '../../server/store/store.ts';
import { sweepPhotos } from '../../server/photos/photos.ts';
import { sha256 } from '../../server/context/context.ts';
import { Problem } from '../../server/context/problem.ts';
import { createApp } from '../../server/http/app.ts';
import { serverText } from '../../server/language/en.ts';
import { hashPassword } from '../../server/people/passwords.ts';
import {
  Caller,
  DAY_MS,
  drawn,
  type Flat,
  give,
  hire,
  honestWork,
  type House,
  letDaysPass,
  NOON,
  openFlat,
  openHouse,
  PASSWORD,
  registerFlat,
  TODAY,
} from './house.ts';
import { organisationRow, personRow } from '../../server/store/person.ts';

const BOOT = 'washer.doorBoot';
const PROBLEM = 'application/problem+json; charset=utf-8';

/** A manager of another organisation in the same file. */
async function neighbour(house: House): Promise<Caller> {
  const organisationId = v7();
  const personId = v7();
  const passwordHash = await hashPassword(PASSWORD);
  await house.env.store.write(async (db) => {
    await db.organisation.insert(organisationRow({ id: organisationId, name: 'Elsewhere Lettings', createdAt: NOON }));
    await db.person.insert(
      personRow({
        id: personId,
        organisationId,
        name: 'X. Else',
        email: 'else@elsewhere.example',
        passwordHash,
        createdAt: NOON,
      }),
    );
    await db.roleGrant.insert({ id: v7(), organisationId, personId, role: 'manager' });
  });
  const caller = house.caller();
  await caller.open('/session', { email: 'else@elsewhere.example', password: PASSWORD });
  return caller;
}

describe('The door', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  const send = (caller: Caller, method: Route['method'], path: string, form: object = {}) =>
    ({
      GET: () => caller.get(path),
      POST: () => caller.post(path, form),
      PUT: () => caller.put(path, form),
      DELETE: () => caller.delete(path),
    })[method]();
  const call = (caller: Caller, { method, path }: Route, ids: Record<string, string> = {}) =>
    send(
      caller,
      method,
      path.replace(/:(\w+)/g, (_, name: string) => ids[name] ?? v7()),
    );

  it('lets in by the table: every route, as every role', async () => {
    const { caller: staff } = await hire(house, 'staff', 'hollis@saltmarsh.example');
    const contractor = house.caller();
    const contracted = v7();
    const {
      body: { path },
    } = await house.manager
      .post('/jobs/contracted', { id: contracted, pointIds: [flat.points[BOOT]], name: 'Gannet Works' })
      .expect(200);
    await contractor.open('/link', { token: path.split('#')[1] });
    const owner = house.caller();
    const link = await house.manager
      .post('/owner-links', { id: v7(), name: 'K. Quay', propertyId: flat.propertyId })
      .expect(200);
    await owner.open('/link', { token: link.body.path.split('#')[1] });
    const roles = { nobody: house.caller(), tenant: flat.tenant, staff, contractor, owner };
    for (const [name, route] of Object.entries(ROUTES) as [RouteName, Route][]) {
      for (const [role, caller] of Object.entries(roles)) {
        if (name === 'session.close') continue;
        const { status, headers } = await call(caller, route);
        const may = route.roles === 'anyone' || (role !== 'nobody' && (route.roles as string[]).includes(role));
        if (route.roles !== 'anyone' && role === 'nobody') expect(status, `${name} as nobody`).to.equal(401);
        else if (!may) expect(status, `${name} as ${role}`).to.equal(403);
        else
          expect(status, `${name} as ${role}`).not.to.be.oneOf(route.roles === 'anyone' ? [403, 500] : [401, 403, 500]);
        if (status >= 400) expect(headers['content-type'], `${name} as ${role}`).to.equal(PROBLEM);
      }
    }
    await house.manager.post(`/jobs/${contracted}/moves`, { move: 'cancel', revision: 1 }).expect(200);
  });

  it('has a sentence for every problem that a row names, and holds a service to its row', async () => {
    const named = (Object.values(ROUTES) as Route[]).flatMap(({ problems = [] }) => problems);
    expect(named).to.include('faultClosed');
    const sentences = serverText as Readonly<Record<string, string>>;
    for (const key of [...named, ...ANY_ROUTE_REFUSES]) expect(sentences[`problem.${key}`], key).to.be.a('string');
    // A service that refuses what its row does not say: in a test that is a mistake, in the house an answer.
    const broken = {
      ...house.env,
      store: {
        ...house.env.store,
        db: {
          ...house.env.store.db,
          property: { ...house.env.store.db.property, all: () => Promise.reject(new Problem(409, 'replayed')) },
        },
      },
    } as typeof house.env;
    const logger = pino({ level: 'silent' });
    for (const [strict, status] of [
      [true, 500],
      [false, 409],
    ] as const) {
      const caller = new Caller(createApp(broken, { logger, rateFactor: 1000, strict }));
      await caller.open('/session', { email: 'vane@saltmarsh.example', password: PASSWORD });
      await caller.get('/homes').expect(status);
    }
  });

  it('answers 404 for other people’s ids, on every route that takes one', async () => {
    const other = await neighbour(house);
    const limited = house.caller();
    const email = 'corran@saltmarsh.example';
    const corran = { id: v7(), name: 'P. Corran', email, password: PASSWORD, roles: ['manager', 'staff'] };
    await house.manager.post('/people', { ...corran, properties: [] }).expect(200);
    await limited.open('/session', { email, password: PASSWORD });
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const submission = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, submission).expect(200);
    const faultId = v7();
    await flat.tenant.post('/faults', { id: faultId, machineId: flat.machineId, symptom: 'washer.smell' }).expect(200);
    const deficiencyId = v7();
    await flat.tenant
      .post('/deficiencies', { id: deficiencyId, machineId: flat.machineId, type: 'noClip' })
      .expect(200);
    const remedyId = v7();
    const { id: decidedBy, organisationId } = (await house.env.store.db.person.one({
      email: 'vane@saltmarsh.example',
    }))!;
    await house.env.store.write((db) =>
      db.remedy.insert({
        id: remedyId,
        organisationId,
        machineId: flat.machineId,
        symptomGroup: 'washer.smell',
        decision: 'coaching',
        note: '',
        decidedDay: TODAY,
        decidedAt: NOON,
        decidedBy,
        before: '{}',
        faultsBefore: 3,
        firstDay: TODAY - 100,
        done: null,
      }),
    );
    const { id: staffId } = await hire(house, 'staff', 'marrow@saltmarsh.example');
    const buildingId = v7();
    await house.manager.post('/buildings', { id: buildingId, propertyId: flat.propertyId, name: 'Front' }).expect(200);
    const approvalId = v7();
    await house.manager
      .post(`/faults/${faultId}/approvals`, { id: approvalId, amount: 10, note: 'A seal' })
      .expect(200);
    const inspectionId = v7();
    await house.manager
      .post('/inspections', { id: inspectionId, propertyId: flat.propertyId, day: '2026-11-20', inspector: 'District' })
      .expect(200);
    const finding = { id: v7(), machineId: flat.machineId, severity: 'low', note: 'A clip is loose.' };
    await house.manager.post(`/inspections/${inspectionId}/findings`, finding).expect(200);
    const photoId = submission.records[0]!.photos[0]!.photoId;
    const signalId = v7();
    await flat.tenant.post('/signals', { id: signalId, machineId: flat.machineId, type: 'washer.code' }).expect(200);
    const imported = { csv: 'Property,Unit\nNew Court,Flat 1', columns: ['property', 'unit'], zone: 'Europe/Dublin' };
    const importId = (await house.manager.post('/register/table', imported).expect(200)).body.id as string;
    const definedId = v7();
    await house.manager.post('/machine-definitions/taken', { id: definedId, ready: 'smokeAlarm' }).expect(200);
    const templateId = v7();
    await house.manager
      .post('/templates', { id: templateId, name: 'Bare', machines: [{ type: 'washer' }] })
      .expect(200);
    const drawer = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.drawer']!]);
    await flat.tenant
      .post(`/jobs/${drawer.id}/moves`, { move: 'notAble', reason: 'partMissing', revision: drawer.revision })
      .expect(200);
    const handBackId = (await house.manager.get('/hand-backs').expect(200)).body.open[0].id as string;
    const alarmId = v7();
    await flat.tenant.post('/alarms', { id: alarmId, kind: 'water', machineId: flat.machineId }).expect(200);
    const emitterId = (await house.manager.post(`/machines/${flat.machineId}/emitters`).expect(200)).body.id as string;
    const ownerId = v7();
    await house.manager.post('/owner-links', { id: ownerId, name: 'K. Quay', propertyId: flat.propertyId }).expect(200);
    const visitId = v7();
    const visit = { id: visitId, placeId: flat.placeId, personId: staffId, purpose: 'X', from: 600, until: 660 };
    await house.manager.post('/visits', { ...visit, day: '2026-12-10' }).expect(200);
    const entryId = v7();
    await house.env.store.write((db) =>
      db.entry.insert({
        id: entryId,
        organisationId,
        placeId: flat.placeId,
        jobId: job.id,
        visitId: null,
        personId: staffId,
        at: house.clock.now,
        ground: 'flood',
        name: '',
        note: '',
      }),
    );
    const [stopId, mishapId] = [v7(), v7()];
    await house.env.store.write(async (db) => {
      const of = { organisationId, placeId: flat.placeId, personId: staffId, numbers: '[]' };
      const times = { day: 20_000, fromMinute: 500, untilMinute: 520, backMinute: null, overMinute: null };
      await db.roundStop.insert({ id: stopId, ...of, ...times, visitId: null, createdAt: 0 });
      const feed = { kind: 'own' as const, subjectId: staffId, createdAt: 0, readAt: null };
      await db.calendarFeed.insert({ id: sha256('feed'), organisationId, personId: staffId, ...feed });
      const settled = { settledAt: null, settledBy: null, againDay: null };
      await db.mishap.insert({ id: mishapId, stopId, ...of, kind: 'noKey', minutes: 0, at: 0, ...settled });
    });
    const proper: Partial<Record<RouteName, [string, object]>> = {
      'tape.read': [flat.placeId, {}],
      'history.paper': [flat.placeId, {}],
      'people.change': [staffId, { name: 'X', email: 'x@elsewhere.example', roles: ['staff'] }],
      'people.disable': [staffId, {}],
      'people.restore': [staffId, {}],
      'people.link': [staffId, {}],
      'people.secondFactorOff': [staffId, {}],
      'token.revoke': ['0'.repeat(64), {}],
      'property.edit': [flat.propertyId, { name: 'X', address: 'X', zone: 'Europe/Dublin' }],
      'property.remove': [flat.propertyId, {}],
      'building.edit': [buildingId, { name: 'X' }],
      'building.remove': [buildingId, {}],
      'place.edit': [flat.placeId, { name: 'X' }],
      'import.undo': [importId, {}],
      'defined.file': [definedId, {}],
      'defined.remove': [definedId, {}],
      'tenancy.reopen': [flat.tenancyId, {}],
      'machine.shutoff': [flat.machineId, { photoId }],
      'machine.restore': [flat.machineId, {}],
      'template.change': [templateId, { name: 'X', machines: [{ type: 'washer' }] }],
      'record.correct': [submission.records[0]!.id, { id: v7(), done: null, reason: 'X' }],
      'ownerLink.revoke': [ownerId, {}],
      'property.walk': [flat.propertyId, { placeIds: [flat.placeId] }],
      'property.change': [flat.propertyId, { practice: 'light', from: '2026-11-01' }],
      'place.read': [flat.placeId, {}],
      'tenancy.change': [flat.tenancyId, { name: 'X', from: '2026-12-24' }],
      'tenancy.withdraw': [flat.tenancyId, {}],
      'tenancy.household': [flat.tenancyId, { household: { people: 1, pets: 0, cooking: 'rare' }, from: '2026-11-01' }],
      'tenancy.link': [flat.tenancyId, {}],
      'tenancy.revoke': [flat.tenancyId, {}],
      'machine.change': [flat.machineId, { label: 'Mine' }],
      'point.read': [flat.points[BOOT]!, {}],
      'point.specify': [flat.points[BOOT]!, { specification: {}, basedOn: null }],
      'jobs.read': [job.id, {}],
      'jobs.move': [job.id, { move: 'cancel', revision: job.revision }],
      'jobs.send': [job.id, submission],
      'jobs.withdraw': [job.id, {}],
      'photo.read': [photoId, {}],
      'proof.read': [submission.records[0]!.id, {}],
      'proof.judge': [submission.records[0]!.id, { verdict: 'accept' }],
      'proof.undo': [submission.records[0]!.id, {}],
      'faults.close': [faultId, { cause: 'washer.boot', remedy: 'cleaned' }],
      'machine.replacementPrice': [flat.machineId, { price: 500 }],
      'remedy.withdraw': [remedyId, {}],
      'fault.code': [faultId, { cause: 'washer.boot' }],
      'fault.gone': [faultId, { id: v7(), gone: 'yes' }],
      'fault.diagnosis': [faultId, {}],
      'fault.check': [faultId, { id: v7(), kind: 'check', subject: 'washer.askCool', answer: 'yes' }],
      'fault.change': [faultId, { severity: 'low', correctBy: '2026-12-24' }],
      'approval.ask': [faultId, { id: v7(), amount: 10, note: 'A seal' }],
      'approval.answer': [approvalId, { answer: 'yes' }],
      'inspection.read': [inspectionId, {}],
      'inspection.remove': [inspectionId, {}],
      'inspection.paper': [inspectionId, {}],
      'finding.enter': [inspectionId, { ...finding, id: v7() }],
      'finding.remove': [finding.id, {}],
      'deficiencies.change': [deficiencyId, { severity: 'low', correctBy: '2026-12-24' }],
      'deficiencies.close': [deficiencyId, { done: 'Nothing at all.' }],
      'calendar.read': [flat.placeId, {}],
      'practice.preview': [flat.placeId, {}],
      'place.turnover': [flat.placeId, {}],
      'emitter.create': [flat.machineId, {}],
      'emitter.retire': [emitterId, {}],
      'machine.contract': [flat.machineId, { contract: null }],
      'machine.retire': [flat.machineId, { day: '2026-11-24' }],
      'place.hold': [flat.placeId, { until: null }],
      'tenancy.end': [flat.tenancyId, { last: '2026-11-24' }],
      'point.anchor': [flat.points[BOOT]!, { anchor: null }],
      'point.schedule': [flat.points[BOOT]!, { scheduled: 'no' }],
      'point.suppose': [flat.points[BOOT]!, {}],
      'tenancy.agreed': [flat.tenancyId, {}],
      'tenancy.agree': [flat.tenancyId, { declined: [] }],
      'point.working': [flat.points[BOOT]!, {}],
      'filters.compare': [flat.points[BOOT]!, {}],
      'machine.remove': [flat.machineId, {}],
      'machine.move': [flat.machineId, { placeId: flat.placeId }],
      'labels.read': [flat.placeId, {}],
      'template.ofPlace': [flat.placeId, {}],
      'template.remove': [templateId, {}],
      'list.read': [flat.placeId, {}],
      'handBack.settle': [handBackId, {}],
      'alarm.read': [alarmId, {}],
      'alarm.acknowledge': [alarmId, {}],
      'property.numbers': [flat.propertyId, { emergency: '555 0100' }],
      'property.entryRule': [flat.propertyId, { hours: 24 }],
      'visit.move': [visitId, { day: '2026-12-20', from: 600, until: 660 }],
      'visit.settle': [visitId, { settles: 'keep' }],
      'visit.off': [visitId, {}],
      'visit.delivered': [visitId, {}],
      'visit.answer': [visitId, { answer: 'agreed' }],
      'visit.paper': [visitId, {}],
      'entry.note': [entryId, { note: 'X' }],
      'asking.remind': [flat.tenantId, {}],
      'asking.said': [flat.tenantId, {}],
      'job.told': [job.id, {}],
      'contract.remind': [job.id, {}],
      'place.answering': [flat.placeId, {}],
      'place.access': [flat.placeId, {}],
      'place.accessChange': [flat.placeId, {}],
      'person.workingTime': [staffId, {}],
      'person.workingTimeChange': [staffId, { workDays: [0], basePropertyId: null }],
      'person.dayOff': [staffId, { id: v7(), from: '2026-12-01', to: '2026-12-01' }],
      'dayOff.remove': [staffId, {}],
      'round.read': [staffId, {}],
      'monthList.read': [flat.placeId, {}],
      'monthList.change': [flat.placeId, { rule: null }],
      'person.busyTimes': [staffId, {}],
      'person.busyTimesChange': [staffId, { times: [] }],
      'feed.revoke': [sha256('feed'), {}],
      'mishap.create': [stopId, { id: v7(), kind: 'noKey', at: 1, deviceAt: 1 }],
      'mishap.takeBack': [mishapId, {}],
      'mishap.again': [mishapId, { day: '2026-12-20', from: 600, until: 660 }],
      'mishap.settle': [mishapId, {}],
      'tenancy.contact': [flat.tenancyId, { way: 'none' }],
      'signal.dismiss': [signalId, { reason: 'Nothing at all.', recheck: '2026-12-24' }],
    };
    const withId = (Object.keys(ROUTES) as RouteName[]).filter((name) => ROUTES[name].path.includes(':id'));
    expect(Object.keys(proper).sort()).to.deep.equal(withId.sort());
    for (const [name, [id, form]] of Object.entries(proper) as [RouteName, [string, object]][]) {
      const route: Route = ROUTES[name];
      const path = route.path.replace(':id', id).replace(':scope', 'place');
      const { status } = await send(other, route.method, path, form);
      // What is a tenant's alone is no manager's, whosever it is.
      const barred = route.roles !== 'anyone' && !route.roles.includes('manager');
      expect(status, name).to.equal(barred ? 403 : 404);
      // Nor is it there for somebody of this house who looks after another property.
      const elsewhere = await send(limited, route.method, path, form);
      expect(elsewhere.status, `${name}, limited`).to.equal(route.wholeOffice || barred ? 403 : 404);
    }
    for (const [path, form] of [
      ['/jobs', { id: v7(), pointIds: [flat.points[BOOT]], assigneeId: flat.tenantId }],
      ['/records', { id: v7(), pointId: flat.points[BOOT], done: '2026-11-01' }],
      ['/faults', { id: v7(), machineId: flat.machineId, symptom: 'washer.smell' }],
      ['/places', { id: v7(), propertyId: flat.propertyId, kind: 'unit', name: 'Mine' }],
      ['/practice', { scope: 'property', subjectId: flat.propertyId, practice: 'light' }],
      ['/methods', { scope: 'point', subjectId: flat.points[BOOT], method: 'tubClean', option: 'tablets' }],
      [
        '/seasons',
        {
          scope: 'property',
          subjectId: flat.propertyId,
          coolingMonth: 5,
          coolingDate: 1,
          leadDays: 1,
          warmCelsius: 20,
        },
      ],
      ['/upkeep-day', { scope: 'place', subjectId: flat.placeId, rule: null }],
      ['/alarms', { id: v7(), kind: 'gas', machineId: flat.machineId }],
      ['/alarms', { id: v7(), kind: 'gas', jobId: job.id }],
      ['/looks', { id: v7(), number: 1, grade: 'due' }],
      ['/signals', { id: v7(), machineId: flat.machineId, type: 'washer.code' }],
      ['/habits/checks', { id: v7(), machineId: flat.machineId, habit: 'washer.doorOpen', kept: 'kept' }],
      ['/machines', { id: v7(), placeId: flat.placeId, type: 'washer', fuel: 'electric', owner: 'tenant' }],
      ['/buildings', { id: v7(), propertyId: flat.propertyId, name: 'Mine' }],
      ['/owner-links', { id: v7(), name: 'K. Quay', propertyId: flat.propertyId }],
    ] as const)
      expect((await other.post(path, form)).status, path).to.equal(404);
    expect((await other.get('/board')).body.rows).to.deep.equal([]);
    expect((await other.get('/homes')).body.properties).to.deep.equal([]);
    expect((await other.get('/proof')).body.waiting).to.deep.equal([]);
  });

  it('shows one tenant nothing of another', async () => {
    const second = await registerFlat(house, 'washer', 'Flat 9Z');
    const job = await give(house, second.tenant, second.tenantId, [second.points[BOOT]!]);
    const photoId = await second.tenant.take(BOOT, 5);
    for (const path of [`/jobs/${job.id}`, `/photos/${photoId}`]) await flat.tenant.get(path).expect(404);
    await flat.tenant.post(`/jobs/${job.id}/moves`, { move: 'start', revision: job.revision }).expect(404);
    await flat.tenant.post('/faults', { id: v7(), machineId: second.machineId, symptom: 'washer.smell' }).expect(404);
    const home = (await flat.tenant.get('/home')).body;
    expect(JSON.stringify(home)).not.to.contain('Flat 9Z');
    expect(home.machines).to.have.length(1);
  });

  it('refuses a write without its session’s token, from a foreign site, or without a key', async () => {
    const form = { id: v7(), propertyId: flat.propertyId, kind: 'unit', name: 'Forged' };
    const bare = await house.manager.raw('post', '/places').set('idempotency-key', v7()).send(form).expect(403);
    expect(bare.body.detail).to.contain('Reload');
    await house.manager
      .raw('post', '/places')
      .set('idempotency-key', v7())
      .set('x-csrf-token', house.manager.token)
      .set('sec-fetch-site', 'cross-site')
      .send(form)
      .expect(403);
    await house.manager.raw('post', '/places').set('x-csrf-token', house.manager.token).send(form).expect(400);
  });

  it('acts once and answers the same when the same write comes twice, also at the same time', async () => {
    const form = { id: v7(), propertyId: flat.propertyId, kind: 'unit', name: 'Twice' };
    const key = v7();
    const answers = await Promise.all([1, 2, 3].map(() => house.manager.post('/places', form, key)));
    expect(answers.map(({ status, body }) => [status, body.id])).to.deep.equal([1, 2, 3].map(() => [200, form.id]));
    expect(await house.env.store.db.place.count({ name: 'Twice' })).to.equal(1);
    await house.manager.post('/places', { ...form, name: 'Other' }, key).expect(409);
    expect((await house.manager.post('/places', form).expect(409)).body.detail).to.contain('already exists');
  });

  it('says what is wrong beside each field, by the schema the forms use', async () => {
    const { body } = await house.manager
      .post('/properties', {
        id: v7(),
        name: ' ',
        zone: 'Moon/Base',
        water: { source: 'river', hardnessMgL: -3 },
        practice: 'lazy',
      })
      .expect(422);
    expect(Object.keys(body.fields).sort()).to.deep.equal([
      'address',
      'name',
      'practice',
      'water.hardnessMgL',
      'water.source',
      'zone',
    ]);
    expect(body.fields['water.hardnessMgL']).to.equal('At least 0.');
    const { body: home } = await house.manager
      .post(`/tenancies/${flat.tenancyId}/household`, {
        household: { people: 0, pets: 40, cooking: 'never' },
        from: '2026-02-30',
      })
      .expect(422);
    expect(Object.keys(home.fields).sort()).to.deep.equal([
      'from',
      'household.cooking',
      'household.people',
      'household.pets',
    ]);
  });

  it('leaves nothing half-written when a write fails in its middle', async () => {
    const before = await house.env.store.db.machine.count({});
    await house.manager
      .post('/machines', {
        id: v7(),
        placeId: flat.placeId,
        type: 'washer',
        fuel: 'electric',
        owner: 'landlord',
        serves: [v7()],
      })
      .expect(422);
    await house.manager
      .post('/machines', { id: v7(), placeId: flat.placeId, type: 'washer', fuel: 'gas', owner: 'landlord' })
      .expect(422);
    await house.manager
      .post('/machines', { id: v7(), placeId: flat.placeId, type: 'toaster', fuel: 'electric', owner: 'landlord' })
      .expect(422);
    expect(await house.env.store.db.machine.count({})).to.equal(before);
  });

  it('answers bodies that are broken or too large', async () => {
    await house.manager.raw('post', '/session').set('content-type', 'application/json').send('{"email":').expect(400);
    expect((await house.manager.post('/properties', { id: v7(), name: 'x'.repeat(40_000) }).expect(413)).body.detail)
      .to.contain('What was sent is too long')
      .and.not.to.contain('photo');
    expect((await house.manager.get('/nowhere').expect(404)).headers['content-type']).to.equal(PROBLEM);
  });

  it('logs what went wrong with message and stack, and calls no broken reference a page that is not there', async () => {
    const lines: string[] = [];
    const logger = pino({}, { write: (line: string) => lines.push(line) });
    const broken = {
      ...house.env,
      store: {
        ...house.env.store,
        db: {
          ...house.env.store.db,
          property: { ...house.env.store.db.property, all: () => Promise.reject(new Error('the disk is gone')) },
        },
      },
    } as typeof house.env;
    const caller = new Caller(createApp(broken, { logger, rateFactor: 1000 }));
    await caller.open('/session', { email: 'vane@saltmarsh.example', password: PASSWORD });
    expect((await caller.get('/homes').expect(500)).body.detail).not.to.contain('disk');
    const logged = JSON.parse(lines.find((line) => line.includes('unexpected'))!) as {
      err: { message: string; stack: string };
      path: string;
    };
    expect(logged.err.message).to.equal('the disk is gone');
    expect(logged.err.stack).to.contain('door.test');
    // A reference that the database does not know.
    const { body } = await house.manager
      .post('/places', {
        id: v7(),
        propertyId: (await registerFlat(house, 'hood', 'Flat 8')).propertyId,
        buildingId: v7(),
        kind: 'unit',
        name: 'Nowhere',
      })
      .expect((response) => {
        if (response.status === 404) throw new Error('404');
      });
    expect(body.detail ?? '').to.not.equal('');
  });

  it('says what changed when somebody was faster', async () => {
    // Work on the machine of the other flat is stopped by an alarm.
    const flat = await registerFlat(house, 'washer', 'Flat 9A');
    const point = flat.points['washer.drainPumpFilter']!;
    await house.manager
      .put(`/points/${point}/specification`, { specification: { position: 'Behind the flap' }, basedOn: null })
      .expect(200);
    const late = await house.manager
      .put(`/points/${point}/specification`, { specification: { position: 'Elsewhere' }, basedOn: null })
      .expect(409);
    expect(late.body.detail).to.contain('position Behind the flap');
    const job = await give(house, flat.tenant, flat.tenantId, [point]);
    await flat.tenant.post(`/jobs/${job.id}/moves`, { move: 'start', revision: 1 }).expect(200);
    expect(
      (await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: 1 }).expect(409)).body.detail,
    ).to.contain('now started');
    await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: 2 }).expect(200);
    const form = await honestWork(house, flat.tenant, job);
    const { body } = await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    expect(body).to.include({ state: 'offered' });
    expect(body.notes[0]).to.contain('they decide what counts');
  });
});

describe('Signing in', () => {
  let house: House;
  before(async () => {
    house = await openHouse({ rateFactor: 1 });
  });
  after(() => house.close());

  it('tells nobody whether an email is known', async () => {
    const answers = await Promise.all(
      [
        { email: 'vane@saltmarsh.example', password: 'wrong password' },
        { email: 'nobody@saltmarsh.example', password: 'wrong password' },
      ].map((form) => house.caller().post('/session', form)),
    );
    expect(answers.map(({ status }) => status)).to.deep.equal([401, 401]);
    expect(answers[0]!.body).to.deep.equal(answers[1]!.body);
  });
  it('keeps passwords, sessions and links as hashes only', async () => {
    const { db } = house.env.store;
    const person = (await db.person.one({ email: 'vane@saltmarsh.example' }))!;
    expect(person.passwordHash).to.match(/^\$argon2id\$/);
    for (const { id } of await db.session.all({})) expect(id).to.match(/^[0-9a-f]{64}$/);
  });
  it('creates a manager only once', async () => {
    const form = { organisation: 'Second', name: 'B', email: 'b@example.org', password: PASSWORD };
    await house.caller().post('/install', form).expect(409);
  });
  it('ends with the session, with its time, and on signing out', async () => {
    const caller = house.caller();
    await caller.open('/session', { email: 'vane@saltmarsh.example', password: PASSWORD });
    await caller.get('/board').expect(200);
    await caller.delete('/session').expect(200);
    await caller.get('/board').expect(401);
    const later = house.clock.now;
    house.clock.now += 15 * DAY_MS;
    await house.manager.get('/board').expect(401);
    house.clock.now = later;
  });
  it('is throttled', async () => {
    const statuses: number[] = [];
    for (let i = 0; i < 12; i += 1)
      statuses.push((await house.caller().post('/session', { email: 'x@example.org' })).status);
    expect(statuses).to.include(429);
  });
});

describe('A personal link', () => {
  it('opens one home, is exchanged for a cookie by no GET, and ends when it is revoked', async () => {
    const { house, flat } = await openFlat();
    expect((await flat.tenant.get('/home').expect(200)).body.place.name).to.equal('Flat 1A');
    await house.caller().post('/link', { token: 'no such token' }).expect(401);
    await house.manager.delete(`/tenancies/${flat.tenancyId}/links`).expect(200);
    await flat.tenant.get('/home').expect(401);
    const tokens = await house.env.store.db.link.all({});
    expect(tokens.every(({ revokedAt }) => revokedAt !== null)).to.equal(true);
    await house.close();
  });
  it('of a manager who is also a tenant gives the tenant’s rights only', async () => {
    const { house, flat } = await openFlat();
    const { organisationId } = (await house.env.store.db.person.one({ id: flat.tenantId }))!;
    await house.env.store.write((db) =>
      db.roleGrant.insert({ id: v7(), organisationId, personId: flat.tenantId, role: 'manager' }),
    );
    await flat.tenant.get('/board').expect(403);
    await house.close();
  });
});

describe('A photo', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  it('is stored anew without its place, by the hash of what is stored', async () => {
    const withPlace = await sharp(await drawn(BOOT, 1))
      .withExif({
        IFD0: { Make: 'Camera' },
        IFD2: { DateTimeOriginal: '2026:11:24 11:30:00', OffsetTimeOriginal: '+00:00' },
        IFD3: { GPSLatitude: '51/1 30/1 0/1', GPSLatitudeRef: 'N' },
      })
      .jpeg()
      .toBuffer();
    const { body } = await flat.tenant.photo(withPlace).expect(200);
    const file = (await flat.tenant.get(`/photos/${body.id}`).expect(200)).body as Buffer;
    expect((await sharp(file).metadata()).exif).to.equal(undefined);
    const row = (await house.env.store.db.photo.one({ id: body.id }))!;
    expect(row.hash).to.equal(sha256(file));
    expect(row.capturedAt).to.equal(Date.UTC(2026, 10, 24, 11, 30));
  });
  it('that is none is refused, whatever its name says', async () => {
    for (const [name, bytes] of [
      ['a.jpg', '%PDF-1.7 not a picture'],
      ['b.jpg', '<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"/>'],
      ['c.jpg', ''],
      ['d.jpg', 'GIF89a'],
    ] as const) {
      const { body } = await flat.tenant.photo(Buffer.from(bytes), name).expect(415);
      expect(body.detail, name).to.contain('JPEG');
    }
    const cut = (await drawn(BOOT, 2)).subarray(0, 900);
    await flat.tenant.photo(cut).expect(415);
  });
  it('over 8 MB is refused with its limit', async () => {
    const { body } = await flat.tenant.photo(Buffer.alloc(8 * 1024 * 1024 + 10)).expect(413);
    expect(body.detail).to.contain('8 MB');
  });
  it('of too many pixels is refused before it is unpacked, one in many passes sooner', async () => {
    const blank = (width: number, height: number) =>
      sharp({ create: { width, height, channels: 3, background: '#888' } });
    const bomb = await blank(5000, 4000).png({ compressionLevel: 9 }).toBuffer();
    expect((await flat.tenant.photo(bomb).expect(413)).body.detail).to.contain('16 million');
    const layered = await blank(2500, 2000).jpeg({ progressive: true }).toBuffer();
    expect((await flat.tenant.photo(layered).expect(413)).body.detail).to.contain('4 million');
    const small = await blank(300, 200).jpeg({ progressive: true }).toBuffer();
    await flat.tenant.photo(small).expect(200);
    // The last scan of a small picture again and again: each pass costs a whole picture.
    const scan = small.subarray(small.lastIndexOf(Buffer.from([0xff, 0xda])), -2);
    await flat.tenant
      .photo(Buffer.concat([small.subarray(0, -2), ...Array(60).fill(scan), small.subarray(-2)]))
      .expect(415);
  });
  it('is stored only once its key and its id are accepted, and so many of a person a day', async () => {
    const files = async () =>
      (await readdir(house.env.photos, { recursive: true })).filter((it) => it.endsWith('.jpg'));
    const picture = await drawn(BOOT, 77);
    const before = (await files()).length;
    const taken = (await house.env.store.db.point.one({}))!.id;
    await flat.tenant.photo(picture, 'p.jpg', taken).expect(409);
    await flat.tenant.photo(picture, 'p.jpg', 'no id at all').expect(422);
    await flat.tenant.photo(picture, 'p.jpg', v7(), 'k'.repeat(90)).expect(400);
    const { db } = house.env.store;
    const { id: organisationId } = (await db.organisation.one({}))!;
    const one = (await db.photo.one({ personId: flat.tenantId }))!;
    await house.env.store.write((writing) =>
      writing.photo.insertMany(
        Array.from({ length: PHOTOS_A_DAY }, () => ({ ...one, organisationId, id: v7(), receivedAt: house.clock.now })),
      ),
    );
    expect((await flat.tenant.photo(picture).expect(429)).body.detail).to.contain('400');
    expect(await files()).to.have.length(before);
    expect((await readdir(house.env.photos, { recursive: true })).filter((it) => it.startsWith('incoming/'))).to.be
      .empty;
    await house.manager.photo(picture).expect(200);
    await house.env.store.write((writing) => writing.photo.remove({ hash: one.hash, id: not(one.id) }));
  });
  it('sent twice with one key is one photo', async () => {
    const picture = await drawn(BOOT, 3);
    const [id, key] = [v7(), v7()];
    for (let i = 0; i < 2; i += 1)
      expect((await flat.tenant.photo(picture, 'p.jpg', id, key).expect(200)).body.id).to.equal(id);
    expect(await house.env.store.db.photo.count({ id })).to.equal(1);
  });
  it('serves one record only, and only its sender’s', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const form = await honestWork(house, flat.tenant, job);
    const foreign = await house.manager.take(BOOT, 9);
    form.records[0]!.photos[0]!.photoId = foreign;
    expect((await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(422)).body.fields.photos).to.contain(
      'Take it again',
    );
    expect(await house.env.store.db.record.count({})).to.equal(0);
  });
  it('without a record is kept for a fortnight, then swept with its file', async () => {
    const before = await house.env.store.db.photo.count({});
    await flat.tenant.take(BOOT, 50);
    const files = () =>
      readdirSync(house.env.photos, { recursive: true })
        .filter((it) => String(it).endsWith('.jpg'))
        .map((it) => join(house.env.photos, String(it)));
    expect(await sweepPhotos(house.env)).to.equal(0);
    await letDaysPass(house, 13);
    for (const file of files()) utimesSync(file, new Date(0), new Date(0));
    expect(await sweepPhotos(house.env), 'a phone may be without a connection for days').to.equal(0);
    await letDaysPass(house, 2);
    for (const file of files()) utimesSync(file, new Date(0), new Date(0));
    expect(await sweepPhotos(house.env)).to.equal(before + 1);
    expect(files()).to.have.length(0);
  });
});

describe('The board', () => {
  it('is read anew after a write, at the turn of the day, and by another organisation', async () => {
    const { house, flat } = await openFlat();
    const read = async (caller: Caller): Promise<BoardAnswer> => (await caller.get('/board').expect(200)).body;
    const first = await read(house.manager);
    // Every kept part: three that ask for themselves and the drawer that rides.
    const { marks } = first.rows[0]!;
    expect(marks).to.have.length(4 * MARK_FIELDS);
    expect(marks.filter((_, i) => i % MARK_FIELDS === MARK_FIELDS - 1)).to.have.members([0, 0, 0, 1]);
    await house.manager.post('/records', { id: v7(), pointId: flat.points[BOOT], done: '2026-11-20' }).expect(200);
    const second = await read(house.manager);
    expect(second.rows[0]!.marks).not.to.deep.equal(first.rows[0]!.marks);
    const today = second.properties[0]!.today;
    house.clock.now = Date.UTC(2026, 10, 24, 23, 59, 59);
    expect((await read(house.manager)).properties[0]!.today).to.equal(today);
    house.clock.now += 1000;
    expect((await read(house.manager)).properties[0]!.today).to.equal(today + 1);
    expect((await read(await neighbour(house))).rows).to.deep.equal([]);
    expect((await read(house.manager)).rows).to.have.length(1);
    await house.close();
  });
  it('says the same compressed and plain', async () => {
    const house = await openHouse();
    await registerFlat(house);
    const plain = await house.manager.get('/board').set('accept-encoding', 'identity');
    const packed = await house.manager.get('/board').set('accept-encoding', 'gzip');
    expect(packed.headers['content-encoding']).to.equal('gzip');
    expect(packed.body).to.deep.equal(plain.body);
    await house.close();
  });
});

describe('The store', () => {
  it('keeps everything when it is closed and opened again', async () => {
    const house = await openHouse();
    await registerFlat(house);
    const file = join(house.folder, 'dewline.sqlite');
    await house.env.store.close();
    const again = await openStore(file);
    expect(await again.db.place.count({ name: 'Flat 1A' })).to.equal(1);
    await again.close();
  });
  it('writes one at a time, each whole or not at all, with foreign keys and full synchronisation', async () => {
    const house = await openHouse();
    const { store } = house.env;
    const attempts = Array.from({ length: 30 }, (_, i) =>
      store
        .write(async (db) => {
          await db.organisation.insert(organisationRow({ id: `o${i}`, name: 'x', createdAt: i }));
          if (i % 3 === 0) throw new Error('changed my mind');
        })
        .catch(() => undefined),
    );
    await Promise.all(attempts);
    expect(await store.db.organisation.count({ name: 'x' })).to.equal(20);
    const pragma = (name: string) =>
      store.write(
        async ({ sequelize, transaction }) =>
          Object.values((await sequelize.query(`PRAGMA ${name}`, { transaction }))[0] as object)[0] as number | object,
      );
    expect(JSON.stringify(await pragma('synchronous'))).to.contain('2');
    expect(JSON.stringify(await pragma('foreign_keys'))).to.contain('1');
    await house.close();
  });
  it('refuses a file that is broken, foreign or newer, in a sentence, and leaves it as it was', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'dewline-'));
    const broken = join(folder, 'broken.sqlite');
    writeFileSync(broken, 'this is no database at all, not by a long way');
    const half = join(folder, 'half.sqlite');
    writeFileSync(half, Buffer.concat([Buffer.from('SQLite format 3\0'), Buffer.alloc(3000, 7)]));
    const newer = join(folder, 'newer.sqlite');
    const store = await openStore(newer);
    await store.db.sequelize.query("INSERT INTO migration (name) VALUES ('9999-from-the-future')");
    await store.close();
    for (const [file, words] of [
      [broken, 'not a Dewline database'],
      [half, 'damaged'],
      [newer, 'newer version'],
    ] as const) {
      const before = sha256(readFileSync(file));
      const problem = await openStore(file).then(
        () => null,
        (error: Error) => error,
      );
      expect(problem, file).to.be.instanceOf(UnusableDatabase);
      expect(problem!.message).to.contain(words).and.to.contain('Nothing was changed');
      expect(sha256(readFileSync(file)), file).to.equal(before);
    }
  });
});
