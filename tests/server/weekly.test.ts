import { expect } from 'chai';
import fc from 'fast-check';
import Papa from 'papaparse';
import { matchColumns } from '../../core/register/columns.ts';
import { columnNames } from '../../core/register/wording.ts';
import { coreText } from '../../core/en.ts';
import { translator } from '../../core/language/message.ts';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { openHouse, ZONE, type House } from './house.ts';

const say = translator('en-GB', coreText);

const REGISTER = [
  'Property,Address,Unit,Building,Tenant,Since,People,Machine,Called,Maker,Model,Filter size,Last done,Found,By whom',
  'The Ropewalk,2 Hawser Lane,Flat 1A,Long House,I. Marrable,2025-02-01,4,Washer front load,,Tidesse,,,2026-09-03,heavy,J. Moss',
  'The Ropewalk,,Flat 1A,,,,,"Air handler, 1-inch filter",,,,16x25x1,,,',
  'The Ropewalk,,Flat 1B,Long House,E. Pellow,2024-05-01,2,Dishwasher,,Selkie,D2,,,,',
  'The Ropewalk,,Flat 2A,,,,,Dishwasher,,,,,,,',
].join('\n');

describe('A table, week after week', () => {
  let house: House;
  beforeEach(async () => {
    house = await openHouse();
    await send(REGISTER).expect(200);
  });
  afterEach(() => house.close());

  const columnsOf = (csv: string) => matchColumns(Papa.parse<string[]>(csv, { preview: 1 }).data[0]!, columnNames(say));
  const send = (csv: string, more: object = {}) =>
    house.manager.post('/register/table', { csv, columns: columnsOf(csv), zone: ZONE, ...more });
  const table = async () => (await house.manager.get('/register/table').expect(200)).text;
  const rows = async () =>
    Papa.parse<Record<string, string>>((await table()).replace('\uFEFF', ''), { header: true, skipEmptyLines: true })
      .data;
  const unit = async (name: string) => (await rows()).find((it) => it.Unit === name)!;
  const today = () => dayFromIso(isoFromDay(Math.floor(house.env.clock() / 86_400_000)));
  const inDays = (days: number) => isoFromDay(today() + days);
  const undo = (id: string) => house.manager.post(`/register/imports/${id}/undo`);

  it('changes nothing where it says what the register says, its own export above all', async () => {
    const before = await table();
    expect((await send(before.replace('\uFEFF', '')).expect(200)).body).to.include({
      changes: 0,
      machines: 0,
      units: 0,
    });
    expect(await table()).to.equal(before);
  });
  it('brings when a machine was last done, in which condition and by whom', async () => {
    expect(await unit('Flat 1A')).to.include({ 'Last done': '2026-09-03', Found: 'heavy', 'By whom': 'J. Moss' });
    const id = (await send('Property,Unit,Machine,Last done\nThe Ropewalk,Flat 1A,Washer front load,2026-10-01')).body
      .id;
    expect(await unit('Flat 1A')).to.include({ 'Last done': '2026-10-01', Found: 'heavy', 'By whom': 'J. Moss' });
    const { placeId } = (await house.env.store.db.machine.one({ type: 'washer' }))!;
    const { machines } = (await house.manager.get(`/places/${placeId}`).expect(200)).body;
    expect(machines[0].claim).to.deep.equal({ day: '2026-10-01', by: 'J. Moss', grade: 'heavy' });
    await undo(id).expect(200);
    expect(await unit('Flat 1A')).to.include({ 'Last done': '2026-09-03' });
    const { body } = await send(
      'Property,Unit,Machine,By whom\nThe Ropewalk,Flat 1A,Washer front load,A. Reeve',
    ).expect(422);
    expect(body.detail).to.contain('Last done is empty');
  });
  it('ends one tenancy with the next, lets a home, ends one by its day; the tenant who is gone is out', async () => {
    const tenancyId = (await house.env.store.db.tenancy.all({}, { order: [['fromDay', 'DESC']] }))[0]!.id;
    const other1B = (await house.env.store.db.tenancy.all({}, { order: [['fromDay', 'ASC']] }))[0]!.id;
    for (const id of [tenancyId, other1B]) await house.manager.post(`/tenancies/${id}/links`, {}).expect(200);
    const csv = [
      'Property,Unit,Tenant,Since,Until',
      `The Ropewalk,Flat 1A,I. Marrable,,${inDays(10)}`,
      `The Ropewalk,Flat 1B,O. Sorrel,${inDays(-1)},`,
      `The Ropewalk,Flat 2A,A. Quill,${inDays(20)},`,
    ].join('\n');
    const { body } = await send(csv).expect(200);
    expect(body).to.include({ changes: 4, machines: 0 });
    expect(await unit('Flat 1A')).to.include({ Tenant: 'I. Marrable', Until: inDays(10) });
    expect(await unit('Flat 1B')).to.include({ Tenant: 'O. Sorrel', People: '2' });
    expect((await house.env.store.db.link.all({ tenancyId: other1B }))[0]!.revokedAt).not.to.equal(null);
    expect((await house.env.store.db.link.all({ tenancyId }))[0]!.revokedAt).to.equal(null);
    // The same table again finds everything said, the tenant to come as well.
    expect((await send(csv).expect(200)).body.changes).to.equal(0);
    const other = await send(`Property,Unit,Tenant,Since\nThe Ropewalk,Flat 2A,B. Else,${inDays(25)}`).expect(422);
    expect(other.body.detail).to.contain('A. Quill is to move in');
  });
  it('changes the household of somebody who is to move in by what is known of them, not of whoever lives there', async () => {
    const { db } = house.env.store;
    const running = (await db.tenancy.all({}, { order: [['fromDay', 'DESC']] }))[0]!;
    const household = { people: 4, pets: 3, cooking: 'frequent', smoking: true, dust: true };
    await house.manager
      .post(`/tenancies/${running.id}/household`, { household, from: isoFromDay(running.fromDay) })
      .expect(200);
    const coming = (people: number) =>
      send(`Property,Unit,Tenant,Since,People\nThe Ropewalk,Flat 1A,A. Quill,${inDays(20)},${people}`).expect(200);
    await coming(1);
    await coming(2);
    const next = (await db.tenancy.all({ placeId: running.placeId }, { order: [['fromDay', 'DESC']] }))[0]!;
    const facts = await db.fact.all({ subjectId: next.id, name: 'household' }, { order: [['recordedAt', 'ASC']] });
    for (const { value } of facts) expect(JSON.parse(value)).to.include({ pets: 0, smoking: false, dust: false });
    expect(facts.map(({ value }) => (JSON.parse(value) as { people: number }).people)).to.have.members([1, 2]);
  });
  it('empties homes in which it names nobody, only where that is asked', async () => {
    const csv = 'Property,Unit,Tenant\nThe Ropewalk,Flat 1A,\nThe Ropewalk,Flat 1B,E. Pellow\nThe Ropewalk,Flat 2A,';
    expect((await send(csv).expect(200)).body.changes).to.equal(0);
    const { body } = await send(csv, { emptyIsVacant: true }).expect(200);
    expect(body.changes).to.equal(1);
    expect(await unit('Flat 1A')).to.include({ Tenant: '' });
    await undo(body.id).expect(200);
    expect(await unit('Flat 1A')).to.include({ Tenant: 'I. Marrable', Since: '2025-02-01' });
  });
  it('changes machines, buildings and properties that it knows, and is taken back whole', async () => {
    const before = await rows();
    const { body } = await send(
      [
        'Property,Address,Hardness mg/L,Unit,Building,Machine,Model,Filter size,Drain branch',
        'The Ropewalk,3 Hawser Lane,210,Flat 1A,Short House,Washer front load,W9,,B2',
        'The Ropewalk,,,Flat 1A,,"Air handler, 1-inch filter",,16x20x1,',
      ].join('\n'),
    ).expect(200);
    expect(body).to.include({ machines: 0, changes: 5 });
    expect(await unit('Flat 1A')).to.include({
      Address: '3 Hawser Lane',
      'Hardness mg/L': '210',
      Building: 'Short House',
      Model: 'W9',
      'Drain branch': 'B2',
    });
    const { imports } = (await house.manager.get('/register/imports').expect(200)).body;
    expect(imports[0]).to.include({ changes: 5, machines: 0 });
    await undo(body.id).expect(200);
    expect(await rows()).to.deep.equal(before);
    expect(await house.env.store.db.building.count({})).to.equal(1);
  });
  it('is not taken back once what it changed has been changed again', async () => {
    const { body } = await send('Property,Unit,Machine,Model\nThe Ropewalk,Flat 1A,Washer front load,W9').expect(200);
    const machine = (await house.env.store.db.machine.one({ type: 'washer' }))!;
    await house.manager.put(`/machines/${machine.id}`, { model: 'W10' }).expect(200);
    expect((await undo(body.id).expect(409)).body.detail).to.contain('Flat 1A');
    expect(await unit('Flat 1A')).to.include({ Model: 'W10' });
  });
  it('is told once what a machine is that the catalogue does not know, and leaves rows out as asked', async () => {
    const csv =
      'Property,Unit,Machine\nThe Ropewalk,Flat 2A,Slow cooker\nThe Ropewalk,Flat 2A,Drum spinner\n,,Dishwasher';
    expect((await send(csv).expect(422)).body.detail)
      .to.contain('Slow cooker')
      .and.to.contain('Row 4');
    await send(csv, { without: [4], named: [{ name: 'Slow cooker', type: 'toaster' }] }).expect(422);
    const named = [
      { name: 'Slow cooker', type: null },
      { name: 'Drum spinner', type: 'washer' },
    ];
    const { body } = await send(csv, { without: [4], named }).expect(200);
    expect(body).to.include({ machines: 1, left: 2, rows: 2 });
    const { known } = (await house.manager.get('/register/known').expect(200)).body;
    expect(known.named).to.deep.equal({ slowcooker: null, drumspinner: 'washer' });
    const next = await send('Property,Unit,Machine\nThe Ropewalk,Flat 1B,DRUM-SPINNER').expect(200);
    expect(next.body).to.include({ machines: 1, left: 0 });
  });
  it('whatever it changes, gives back as it was', async () => {
    const cell = <T>(values: fc.Arbitrary<T>) => fc.option(values, { nil: '' });
    const row = fc.record({
      Property: fc.constant('The Ropewalk'),
      Unit: fc.constantFrom('Flat 1A', 'Flat 1B', 'Flat 2A', 'Flat 9'),
      Building: cell(fc.constantFrom('Long House', 'Hut')),
      Tenant: cell(fc.constantFrom('I. Marrable', 'E. Pellow', 'N. Oakes')),
      Since: cell(fc.integer({ min: -900, max: 40 }).map(inDays)),
      Until: cell(fc.integer({ min: -20, max: 60 }).map(inDays)),
      People: cell(fc.integer({ min: 1, max: 6 }).map(String)),
      Machine: cell(fc.constantFrom('Washer front load', 'Dishwasher', 'Air handler, 1-inch filter')),
      Model: fc.constant(''),
      'Last done': fc.constant(''),
      'Filter size': fc.constant(''),
    });
    const filled = row.chain((it) =>
      it.Machine === ''
        ? fc.constant(it)
        : fc.record({
            ...Object.fromEntries(Object.entries(it).map(([name, value]) => [name, fc.constant(value)])),
            Model: cell(fc.constantFrom('M1', 'M2')),
            'Last done': cell(fc.integer({ min: -200, max: 0 }).map(inDays)),
            'Filter size': cell(fc.constantFrom('16x20x1', '20x25x1')),
          }),
    );
    const marks = async () =>
      (await house.env.store.db.mark.all({}))
        .map(({ lineId: _, ...it }) => it)
        .sort((a, b) => (a.pointId < b.pointId ? -1 : 1));
    const before = { rows: await rows(), marks: await marks() };
    let taken = 0;
    await fc.assert(
      fc.asyncProperty(
        fc.array(filled, { minLength: 1, maxLength: 5 }),
        fc.boolean(),
        async (wanted, emptyIsVacant) => {
          const { status, body } = await send(Papa.unparse(wanted), { emptyIsVacant });
          expect(status).to.be.oneOf([200, 422]);
          if (status === 200) {
            taken += 1;
            // Said again, it is all there; in which homes nobody is named has not changed either.
            const again = (await send(Papa.unparse(wanted)).expect(200)).body;
            expect(again).to.include({ changes: 0, units: 0, machines: 0 });
            await undo(again.id).expect(200);
            await undo(body.id).expect(200);
          }
          expect(await rows()).to.deep.equal(before.rows);
          expect(await marks()).to.deep.equal(before.marks);
        },
      ),
      { numRuns: 60 },
    );
    expect(taken).to.be.above(10);
  });
});
