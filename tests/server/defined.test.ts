import { expect } from 'chai';
import { v7 } from 'uuid';
import { READY } from '../../core/catalogue/ready/ready.ts';
import { MARK_FIELDS } from '../../contract/due/due.ts';
import { failsOf, give, hire, honestWork, openHouse, registerFlat, type House } from './house.ts';

type Steps = Parameters<typeof honestWork>[2]['steps'][number] & { title: string; stateSays: string };
type Job = Omit<Parameters<typeof honestWork>[2], 'steps'> & { id: string; steps: Steps[] };

describe('Machines that an office defines, over HTTP', () => {
  let house: House;
  beforeEach(async () => {
    house = await openHouse();
  });
  afterEach(() => house.close());

  const read = async (path: string) => (await house.manager.get(path).expect(200)).body;
  const take = async (ready: string): Promise<{ id: string; key: string }> =>
    (await house.manager.post('/machine-definitions/taken', { id: v7(), ready }).expect(200)).body;

  it('come ready to be taken, stand in the catalogue from then on, and go again while nobody has one', async () => {
    const before = await read('/machine-definitions');
    expect(before.ready.map(({ key }: { key: string }) => key)).to.deep.equal(Object.keys(READY));
    const { id, key } = await take('smokeAlarm');
    expect((await read('/machine-definitions')).ready).to.have.length(3);
    const own = (await read('/catalogue')).machines.find((it: { key: string }) => it.key === key);
    expect(own).to.deep.include({ name: 'Smoke alarm', own: true });
    expect(own.points.map(({ name }: { name: string }) => name)).to.include('Alarm test');
    expect(own.symptoms.map((it: { key: string }) => it.key)).to.include('own.alert');
    const procedure = await read(`/procedures/${key}.sensor`);
    expect(procedure.stops.join(' ')).to.contain('Local code');
    await house.manager.post('/machine-definitions/taken', { id: v7(), ready: 'smokeAlarm' }).expect(409);
    await house.manager.delete(`/machine-definitions/${id}`).expect(200);
    expect((await read('/catalogue')).machines.some((it: { key: string }) => it.key === key)).to.equal(false);
    await house.manager.get(`/procedures/${key}.sensor`).expect(404);
  });
  it('are served like ours: on the board, given to a tenant, done with what a circuit wants, proven and due again', async () => {
    // What was drawn before knows nothing of it.
    await read('/board');
    const { id, key } = await take('ductless');
    const flat = await registerFlat(house, key);
    const board = await read('/board');
    const numbers = new Set<number>();
    for (let i = 1; i < board.rows[0].marks.length; i += MARK_FIELDS) numbers.add(board.rows[0].marks[i]);
    expect(
      board.types.filter((it: { number: number }) => numbers.has(it.number)).map((it: { name: string }) => it.name),
    ).to.deep.equal(['Air filters', 'Coil and fan wheel', 'Condensate drain']);
    const point = flat.points[`${key}.screen`]!;
    const job: Job = await give(house, flat.tenant, flat.tenantId, [point]);
    expect(job.steps.map(({ title }) => title)).to.deep.equal([
      'Switch it off where it is used',
      'Lift the front, take the filters out',
      'How full are they?',
      'Vacuum, then rinse',
      'Dry in the shade',
      'Filters back, cover shut',
      'Switch it on again',
      'Let it run',
    ]);
    expect(job.steps[3]!.stateSays).to.equal('switched off');
    const form = await honestWork(house, flat.tenant, job);
    await flat.tenant.post(`/jobs/${job.id}/submission`, form).expect(200);
    const record = form.records[0]!.id;
    expect(await failsOf(house, record)).to.deep.equal([]);
    await house.manager.post(`/proof/${record}/verdict`, { verdict: 'accept' }).expect(200);
    expect((await house.env.store.db.mark.one({ pointId: point }))!.intervalDays).to.be.above(0);
    // The coil wants the circuit off: no tenant is given it.
    const staff = await hire(house);
    await house.manager
      .post('/jobs', { id: v7(), pointIds: [flat.points[`${key}.coil`]!], assigneeId: flat.tenantId })
      .expect(422);
    const theirs: Job = await give(house, staff.caller, staff.id, [flat.points[`${key}.coil`]!]);
    expect(theirs.steps.map(({ title }) => title)).to.include('Its circuit off');
    await house.manager.delete(`/machine-definitions/${id}`).expect(409);
    // What may be said of any machine may be said of it.
    await flat.tenant.post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'own.weak' }).expect(200);
    expect((await read('/faults')).faults[0]).to.include({ symptom: 'own.weak' });
    await flat.tenant.post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'dryer.damp' }).expect(422);
  });
  it('are changed while they stand in homes: parts are added and reworded, none goes, nothing under somebody’s hands', async () => {
    const { id, key } = await take('heatRecovery');
    const flat = await registerFlat(house, key);
    const content = structuredClone(READY.heatRecovery!) as {
      -readonly [K in keyof (typeof READY)['x']]: (typeof READY)['x'][K];
    };
    const save = (parts: unknown, basedOn = 1) =>
      house.manager.post('/machine-definitions', { id, content: { ...content, parts }, basedOn });
    const refused = await save(content.parts.slice(1)).expect(422);
    expect(JSON.stringify(refused.body.fields)).to.contain('their parts stay');
    await save(content.parts, 7).expect(409);
    const fan = { ...content.parts[1]!, key: 'fan', kind: 'fan', name: 'Fan wheels', task: 'Clean the fan wheels' };
    await save([...content.parts, fan]).expect(200);
    expect(await house.env.store.db.point.count({ machineId: flat.machineId })).to.equal(4);
    const first = { ...content.parts[0]!, days: { watchful: 10, steady: 20, light: 30 }, name: 'Both filters' };
    await save([first, ...content.parts.slice(1), fan], 2).expect(200);
    const place = await read(`/places/${flat.placeId}`);
    expect(place.machines[0].points[0].name).to.equal('Both filters');
    const staff = await hire(house);
    const job = await give(house, staff.caller, staff.id, [flat.points[`${key}.coil`]!]);
    await house.env.store.write((db) => db.job.update({ id: job.id }, { state: 'started' }));
    const busy = await save([first, ...content.parts.slice(1), fan], 3).expect(409);
    expect(busy.body.detail).to.contain('working on one of these');
  });
  it('are shared as a file: what one office gives out another takes in; what is wrong in it is said', async () => {
    const { id } = await take('smokeAlarm');
    const file = await read(`/machine-definitions/${id}/file`);
    expect(file).to.deep.equal({ format: 'dewline-machine', version: 1, machine: READY.smokeAlarm });
    const other = await openHouse();
    const send = (sent: unknown) => other.manager.post('/machine-definitions/taken', { id: v7(), file: sent });
    const { key } = (await send(file).expect(200)).body;
    const flat = await registerFlat(other, key);
    expect(Object.keys(flat.points)).to.have.length(4);
    await send({ ...file, format: 'something else' }).expect(422);
    await send({ ...file, machine: { ...file.machine, name: 'Other', parts: [] } }).expect(422);
    const wrong = structuredClone(file);
    wrong.machine.name = 'Another alarm';
    wrong.machine.parts[0].cautions = [];
    wrong.machine.parts[0].steps[1].caution = '';
    const { body } = await send(wrong).expect(422);
    expect(body.detail).to.contain('Alarm test: it is safety-critical');
    await other.close();
  });
});
