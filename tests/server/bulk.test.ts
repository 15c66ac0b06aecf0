import { expect } from 'chai';
import Papa from 'papaparse';
import { v7 } from 'uuid';
import { matchColumns } from '../../core/register/columns.ts';
import { columnNames } from '../../core/register/wording.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import type { BaselineAnswer } from '../../contract/due/baseline.ts';
import { MARK_FIELDS } from '../../contract/due/due.ts';
import { Problem } from '../../server/context/problem.ts';
import { readsIn } from '../../server/people/members.ts';
import { AT_FIRST } from '../../server/store/person.ts';
import { prepareImport } from '../../server/register/importTable.ts';
import { type Caller, type Flat, type House, openFlat, openHouse, registerFlat, ZONE } from './house.ts';

const say = translator('en-GB', coreText);
const FULL = 'twoBed';

describe('Filling a register', () => {
  let house: House;
  let propertyId: string;
  beforeEach(async () => {
    house = await openHouse();
    propertyId = v7();
    await house.manager
      .post('/properties', {
        id: propertyId,
        name: 'The Ropewalk',
        address: '2 Hawser Lane',
        zone: ZONE,
        water: { source: 'public', hardnessMgL: 160 },
        practice: null,
      })
      .expect(200);
  });
  afterEach(() => house.close());

  const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
  const template = async (id: string) =>
    (await read('/templates')).templates.find((it: { id: string }) => it.id === id);
  const homes = async () =>
    (await read('/homes')).properties[0].places as { id: string; name: string; machines: number }[];

  it('adds units from a template, all their machines and parts with them, in the order of their names', async () => {
    const { machines, points } = await template(FULL);
    const { body } = await house.manager
      .post('/units', { propertyId, names: ['Flat 1', 'Flat 2', 'Flat 3'], machines })
      .expect(200);
    expect(body.points).to.equal(3 * points);
    expect((await homes()).map(({ name, machines: count }) => [name, count])).to.deep.equal([
      ['Flat 1', 9],
      ['Flat 2', 9],
      ['Flat 3', 9],
    ]);
    const place = await read(`/places/${body.ids[0]}`);
    const fridge = place.machines.find(({ type }: { type: string }) => type === 'refrigerator');
    expect(fridge.points.map(({ procedure }: { procedure: string }) => procedure)).not.to.include(
      'refrigerator.iceMaker',
    );
    expect(place.machines.map(({ number }: { number: number }) => number)).to.deep.equal([1, 2, 3, 4, 5, 6, 7, 8, 9]);
  });
  it('refuses a name that stands there, or stands twice, and writes none of them', async () => {
    await house.manager.post('/units', { propertyId, names: ['Flat 1'], machines: [] }).expect(200);
    const taken = await house.manager
      .post('/units', { propertyId, names: ['Flat 2', 'Flat 1'], machines: [] })
      .expect(422);
    expect(taken.body.fields.names).to.contain('Flat 1');
    expect(
      (await house.manager.post('/units', { propertyId, names: ['Flat 3', 'Flat 3'], machines: [] }).expect(422)).body
        .fields.names,
    ).to.contain('twice');
    await house.manager.post('/units', { propertyId, names: ['Flat 9'], machines: [{ type: 'toaster' }] }).expect(422);
    await house.manager
      .post('/units', {
        propertyId,
        names: ['Flat 9'],
        machines: [
          { type: 'washer', leftOut: ['washer.drainPumpFilter', 'washer.doorBoot', 'washer.drawer', 'washer.tub'] },
        ],
      })
      .expect(422);
    expect((await homes()).map(({ name }) => name)).to.deep.equal(['Flat 1']);
  });
  it('copies a unit with what must match in it, keeps it as a template, and forgets that again', async () => {
    const { body } = await house.manager
      .post('/units', {
        propertyId,
        names: ['Model'],
        machines: [
          {
            type: 'airHandler',
            maker: 'Brisoc',
            drainBranch: 'East riser',
            leftOut: ['airHandler.floatSwitch'],
            specifications: { 'airHandler.returnFilter': { filterSize: '16 x 25 x 1' } },
          },
        ],
      })
      .expect(200);
    const { machines } = await read(`/places/${body.ids[0]}/template`);
    expect(machines).to.have.length(1);
    expect(machines[0]).to.deep.include({
      maker: 'Brisoc',
      drainBranch: 'East riser',
      leftOut: ['airHandler.floatSwitch'],
    });
    const copies = await house.manager
      .post('/units', { propertyId, names: ['Copy 1', 'Copy 2'], machines })
      .expect(200);
    const copy = await read(`/places/${copies.body.ids[1]}`);
    expect(
      copy.machines[0].points.find(({ procedure }: { procedure: string }) => procedure === 'airHandler.returnFilter')
        .specification,
    ).to.deep.include({ filterSize: '16 x 25 x 1' });
    const id = v7();
    await house.manager.post('/templates', { id, name: 'Ours', machines }).expect(200);
    expect((await template(id)).points).to.equal(5);
    await house.manager.delete(`/templates/${id}`).expect(200);
    expect(await template(id)).to.equal(undefined);
    await house.manager.delete(`/templates/${id}`).expect(404);
  });
  it('takes back units that were added by mistake, whole, but none in which something has happened', async () => {
    const { machines } = await template('oneBed');
    const { body } = await house.manager.post('/units', { propertyId, names: ['A', 'B'], machines }).expect(200);
    const [a, b] = body.ids;
    expect((await house.manager.post('/units/removal', { ids: [a] }).expect(200)).body.removed).to.equal(1);
    expect((await homes()).map(({ name }) => name)).to.deep.equal(['B']);
    expect((await read('/board')).rows).to.have.length(1);
    const point = (await read(`/places/${b}`)).machines[0].points[0];
    await house.manager.post('/records', { id: v7(), pointId: point.id, done: '2026-11-20' }).expect(200);
    expect((await house.manager.post('/units/removal', { ids: [b] }).expect(409)).body.detail).to.contain('B');
    await house.manager.post('/units/removal', { ids: [v7()] }).expect(404);
    expect(await homes()).to.have.length(1);
  });
  it('adds the same machine to many units at once', async () => {
    const { body } = await house.manager
      .post('/units', { propertyId, names: ['A', 'B', 'C'], machines: [] })
      .expect(200);
    const form = { placeIds: body.ids.slice(0, 2), machine: { type: 'bathFan', maker: 'Brisoc' } };
    expect((await house.manager.post('/machines/many', form).expect(200)).body.points).to.equal(4);
    expect((await homes()).map(({ machines }) => machines)).to.deep.equal([1, 1, 0]);
    await house.manager.post('/machines/many', { ...form, placeIds: [v7()] }).expect(404);
  });
  it('lets a machine lack parts, and takes one in again with its history', async () => {
    const { body } = await house.manager
      .post('/units', { propertyId, names: ['A'], machines: [{ type: 'washer' }] })
      .expect(200);
    const machine = async () => (await read(`/places/${body.ids[0]}`)).machines[0];
    const { id, points } = await machine();
    const boot = points.find(({ procedure }: { procedure: string }) => procedure === 'washer.doorBoot');
    await house.manager.post('/records', { id: v7(), pointId: boot.id, done: '2026-11-20' }).expect(200);
    await house.manager.put(`/machines/${id}`, { leftOut: ['washer.doorBoot'] }).expect(200);
    expect((await machine()).points).to.have.length(3);
    const { marks } = (await read('/board')).rows[0];
    expect(marks).to.have.length(3 * MARK_FIELDS);
    await house.manager.put(`/machines/${id}`, { leftOut: [] }).expect(200);
    expect((await machine()).points.find(({ id: it }: { id: string }) => it === boot.id).mark.servedDay).to.be.above(0);
    await house.manager.put(`/machines/${id}`, { leftOut: ['dryer.duct'] }).expect(422);
    // What has a record is not taken back; what has none is.
    await house.manager.delete(`/machines/${id}`).expect(409);
    const extra = v7();
    await house.manager
      .post('/machines', { id: extra, placeId: body.ids[0], type: 'bathFan', fuel: 'electric', owner: 'landlord' })
      .expect(200);
    await house.manager.delete(`/machines/${extra}`).expect(200);
    expect((await read(`/places/${body.ids[0]}`)).machines).to.have.length(1);
  });
});

describe('A table', () => {
  let house: House;
  beforeEach(async () => {
    house = await openHouse();
  });
  afterEach(() => house.close());

  const columnsOf = (csv: string) =>
    matchColumns(
      Papa.parse<string[]>(csv, { preview: 1 }).data[0]!.map((head) => head.replace('\uFEFF', '')),
      columnNames(say),
    );
  const send = (csv: string, to: Caller = house.manager) =>
    to.post('/register/table', { csv, columns: columnsOf(csv), zone: ZONE });
  const FILE = [
    'Property,Address,Unit,Building,Tenant,Since,People,Appliance,Called,Maker,Filter size,Without,Drains',
    'The Ropewalk,"2 Hawser Lane,\r\nPort Ellery",Flat 1A,Long House,I. Marrable,2025-02-01,4,Washer front load,,Tidesse,,Tub,',
    'The Ropewalk,,Flat 1A,,,,,"Air handler, 1-inch filter",Attic unit,,16X25X1,,',
    "The Ropewalk,,Flat 1B,Long House,,,,Household drains,'=SUM(A1),,,,7",
    'Tidemill Court,,No. 1,,,,,,,,,,',
  ].join('\r\n');

  it('is taken whole: properties, buildings, units, tenancies, machines, their parts and what must match', async () => {
    const { body } = await send(FILE).expect(200);
    expect(body).to.include({ rows: 4, properties: 2, units: 3, machines: 3, points: 3 + 6 + 1 });
    const { properties } = (await house.manager.get('/homes').expect(200)).body;
    expect(properties[0].address).to.equal('2 Hawser Lane, Port Ellery');
    expect(
      properties[0].places.map(({ name, tenant }: { name: string; tenant: string }) => [name, tenant]),
    ).to.deep.equal([
      ['Flat 1A', 'I. Marrable'],
      ['Flat 1B', null],
    ]);
    const place = (await house.manager.get(`/places/${properties[0].places[0].id}`).expect(200)).body;
    expect(place.tenancy.household.people).to.equal(4);
    expect(place.machines[1].name).to.equal('Attic unit');
    expect(place.machines[1].points[0].specification).to.deep.equal({ filterSize: '16 × 25 × 1 in' });
  });
  it('goes out as it came in: an empty install that takes the export gives the same export', async () => {
    await send(FILE).expect(200);
    const first = (await house.manager.get('/register/table').expect(200)).text;
    expect(first).to.contain("'=SUM(A1)");
    expect(first.split('\r\n')).to.have.length(6);
    const other = await openHouse();
    const { body } = await send(first, other.manager).expect(200);
    expect(body).to.include({ machines: 3, units: 3 });
    expect((await other.manager.get('/register/table').expect(200)).text).to.equal(first);
    await other.close();
  });
  it('with one wrong row writes nothing, and says which row and why', async () => {
    const { body } = await send(`${FILE}\r\nTidemill Court,,No. 2,,,,,Toaster,,,,,`).expect(422);
    expect(body.detail).to.contain('Nothing was written').and.to.contain('Row 6').and.to.contain('Toaster');
    expect(await house.env.store.db.property.count({})).to.equal(0);
    expect(await house.env.store.db.machine.count({})).to.equal(0);
    await send('Property,Unit').expect(422);
  });
  it('adds to homes that are registered; what stands there already is not added again', async () => {
    await send(FILE).expect(200);
    await send('Property,Unit,Machine\nThe Ropewalk,Flat 1B,Bathroom fan').expect(200);
    expect(await house.env.store.db.place.count({})).to.equal(3);
    const again = (await send('Property,Unit,Machine\nThe Ropewalk,Flat 1B,Bathroom fan').expect(200)).body;
    expect(again).to.include({ machines: 0, changes: 0 });
  });
  it('sent twice at once is taken once: the second is held against what the first has made', async () => {
    const both = await Promise.all([send(FILE), send(FILE)]);
    expect(both.map(({ body: it }) => it.machines).sort()).to.deep.equal([0, 3]);
    expect(await house.env.store.db.machine.count({})).to.equal(3);
  });
  it('is taken back whole while nothing has happened to what it made', async () => {
    const tables = async ({ store: { db } } = house.env) =>
      Promise.all([
        db.property.count({}),
        db.place.count({}),
        db.person.count({}),
        db.roleGrant.count({}),
        db.tenancy.count({}),
        db.machine.count({}),
        db.point.count({}),
        db.mark.count({}),
        db.line.count({}),
        db.fact.count({}),
      ]);
    const empty = await tables();
    const first = (await send(FILE).expect(200)).body.id;
    const after = await tables();
    const second = (await send('Property,Unit,Machine\nThe Ropewalk,Flat 1B,Bathroom fan').expect(200)).body.id;
    // The first can not go while the second stands in its homes.
    const refused = await house.manager.post(`/register/imports/${first}/undo`).expect(409);
    expect(refused.body.detail).to.contain('Flat 1B');
    await house.manager.post(`/register/imports/${second}/undo`).expect(200);
    expect(await tables()).to.deep.equal(after);
    await house.manager.post(`/register/imports/${second}/undo`).expect(409);
    const { machineId, id: pointId } = (await house.env.store.db.point.all({ procedure: 'washer.doorBoot' }))[0]!;
    const fault = { id: v7(), machineId, symptom: 'washer.smell' };
    await house.manager.post('/faults', fault).expect(200);
    expect((await house.manager.post(`/register/imports/${first}/undo`).expect(409)).body.detail).to.contain('Flat 1A');
    await house.env.store.write((db) => db.fault.remove({ id: fault.id }));
    await house.manager.post('/records', { id: v7(), pointId, done: '2026-11-20' }).expect(200);
    expect((await house.manager.post(`/register/imports/${first}/undo`).expect(409)).body.detail).to.contain('Flat 1A');
    const third = (await send('Property,Unit,Machine\nTidemill Court,No. 1,Bathroom fan').expect(200)).body.id;
    const { imports } = (await house.manager.get('/register/imports').expect(200)).body;
    expect(imports.map(({ id, undone }: { id: string; undone: boolean }) => [id, undone])).to.have.deep.members([
      [third, false],
      [second, true],
      [first, false],
    ]);
    const other = await openHouse();
    const { id } = (await send(FILE, other.manager).expect(200)).body;
    await other.manager.post(`/register/imports/${id}/undo`).expect(200);
    expect(await tables(other.env)).to.deep.equal(empty);
    await other.close();
  });
  it('can be stopped while it is looked through: then nothing of it is there', async () => {
    const [person] = await house.env.store.db.person.all({});
    const actor = {
      ...person!,
      personId: person!.id,
      organisation: '',
      roles: ['manager' as const],
      properties: null,
      licensed: false,
      sessionId: '',
      linkId: null,
      csrf: '',
      ...readsIn(AT_FIRST),
    };
    const stopped = await prepareImport(
      { csv: FILE, columns: columnsOf(FILE), zone: ZONE },
      { env: house.env, actor, gone: AbortSignal.abort() },
    ).catch((error: unknown) => error);
    expect(stopped).to.be.instanceOf(Problem).and.have.property('key', 'stopped');
  });
  it('reads semicolons, quotes and blank lines as well', async () => {
    const { body } = await send('Property;Unit;Machine\n\n"The ""Old"" Ropewalk";"Flat; 1";Dishwasher\n;;\n').expect(
      200,
    );
    expect(body).to.include({ rows: 1, machines: 1 });
    expect((await house.env.store.db.place.one({}))!.name).to.equal('Flat; 1');
  });
});

describe('A new register', () => {
  it('is brought to a baseline week by week: planned, given a job a machine, done', async () => {
    const house = await openHouse();
    await registerFlat(house);
    await registerFlat(house, 'dryer', 'Flat 2A');
    const read = async (): Promise<BaselineAnswer> =>
      (await house.manager.get(`/baseline?with=${encodeURIComponent(JSON.stringify({ weeks: 2 }))}`).expect(200)).body;
    const before = await read();
    expect(before.noRecord).to.equal(11);
    expect(before.planned).to.deep.equal([]);
    // The dryer burns: it comes first.
    expect(before.proposed[0]!.points.map(({ name }) => name)).to.include('Lint screen');
    await house.manager.post('/baseline', { weeks: 2, start: '2026-11-02' }).expect(422);
    expect(
      (await house.manager.post('/baseline', { weeks: 2, start: '2026-11-24' }).expect(200)).body.planned,
    ).to.equal(11);
    const planned = (await read()).planned;
    expect(planned.map(({ week }) => week)).to.deep.equal(['2026-11-23', '2026-11-30']);
    const me = (await house.manager.get('/session').expect(200)).body.me.id;
    expect(
      (await house.manager.post('/baseline/weeks', { week: '2026-11-23', assigneeId: me }).expect(200)).body,
    ).to.deep.equal({ jobs: 1, refused: [] });
    expect((await read()).planned[0]).to.include({ given: 7, done: 0 });
    const [point] = planned[1]!.points;
    await house.manager.post('/records', { id: v7(), pointId: point!.pointId, done: '2026-11-24' }).expect(200);
    expect((await read()).planned[1]).to.include({ done: 1 });
    expect((await read()).noRecord).to.equal(10);
    await house.close();
  });
});

describe('A label', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  it('opens its machine for the office and for its own tenant, and for nobody else', async () => {
    const { body } = await house.manager.get('/labels/1').expect(200);
    expect(body).to.include({ name: 'Washer, front load', number: 1 });
    expect(body.points).to.have.length(4);
    expect((await flat.tenant.get('/labels/1').expect(200)).body.reportable.symptoms).not.to.have.length(0);
    const other = await registerFlat(house, 'dryer', 'Flat 2A');
    const { body: refusal } = await other.tenant.get('/labels/1').expect(404);
    expect(refusal.detail).to.contain('moved');
    await house.manager.get('/labels/99').expect(404);
    await house.caller().get('/labels/1').expect(401);
  });
  it('of a machine that moved opens it where it stands now, with its history and without its old jobs', async () => {
    const target = v7();
    await house.manager
      .post('/places', { id: target, propertyId: flat.propertyId, kind: 'unit', name: 'Flat 5A' })
      .expect(200);
    await house.manager
      .post('/records', { id: v7(), pointId: flat.points['washer.doorBoot'], done: '2026-11-20' })
      .expect(200);
    const jobId = v7();
    await house.manager
      .post('/jobs', { id: jobId, pointIds: [flat.points['washer.drainPumpFilter']], assigneeId: flat.tenantId })
      .expect(200);
    await house.manager.put(`/machines/${flat.machineId}/place`, { placeId: target }).expect(200);
    const { body } = await house.manager.get('/labels/1').expect(200);
    expect(body.place.name).to.equal('Flat 5A');
    expect(body.othersJob).to.equal(false);
    expect(
      (await house.manager.get(`/points/${flat.points['washer.doorBoot']}`).expect(200)).body.mark.servedDay,
    ).to.be.above(0);
    expect((await house.env.store.db.job.one({ id: jobId }))!.state).to.equal('cancelled');
    await flat.tenant.get('/labels/1').expect(404);
    await house.manager.put(`/machines/${flat.machineId}/place`, { placeId: v7() }).expect(422);
  });
  it('sheets are PDF, for what stands there only', async () => {
    const sheet = async (path: string, status = 200) =>
      await house.manager
        .get(path)
        .buffer(true)
        .parse((response, done) => {
          const parts: Buffer[] = [];
          response.on('data', (part: Buffer) => parts.push(part));
          response.on('end', () => done(null, Buffer.concat(parts)));
        })
        .expect(status);
    const { body, headers } = await sheet('/labels/organisation/all?with=%7B%22sheet%22%3A%22letter-30%22%7D');
    expect(headers['content-type']).to.equal('application/pdf');
    expect((body as Buffer).subarray(0, 5).toString()).to.equal('%PDF-');
    await house.manager.get('/labels/organisation/all?with=%7B%22sheet%22%3A%22round%22%7D').expect(422);
    const empty = v7();
    await house.manager
      .post('/places', { id: empty, propertyId: flat.propertyId, kind: 'unit', name: 'Bare' })
      .expect(200);
    expect((await house.manager.get(`/labels/place/${empty}`).expect(409)).body.detail).to.contain('nothing to label');
  });
});
