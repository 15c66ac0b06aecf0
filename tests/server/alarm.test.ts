import { expect } from 'chai';
import { createServer } from 'node:http';
import type { AddressInfo } from 'node:net';
import { v7 } from 'uuid';
import { callTimes } from '../../core/faults/alarms.ts';
import { callOnDuty } from '../../server/notices/calls.ts';
import { openStandIn, type StandIn } from '../../server/ports/standIn.ts';
import { type Caller, type Flat, give, hire, type House, openFlat, registerFlat } from './house.ts';

const BOOT = 'washer.doorBoot';
const FILTER = 'washer.drainPumpFilter';
const MINUTE = 60_000;

/** *Not safe*, as far as the people who must hear of it: over HTTP, through a real mail server on this machine. */
describe('An alarm', () => {
  let house: House;
  let flat: Flat;
  let post: StandIn;
  let staff: Caller;
  let staffId = '';
  let me = '';
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
    post = await openStandIn();
    me = (await house.manager.get('/session').expect(200)).body.me.id;
    ({ caller: staff, id: staffId } = await hire(house));
  });
  afterEach(async () => {
    await post.close();
    await house.close();
  });
  const mail = () => ({
    host: '127.0.0.1',
    port: post.port,
    secure: 'no',
    user: '',
    password: null,
    from: 'office@saltmarsh.example',
  });
  const onDuty = (change: object = {}) =>
    house.manager.post('/duty', { people: [staffId, me], minutes: 10, webhook: null, mail: mail(), ...change });
  const raise = async (form: object = {}) => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    const id = v7();
    const { body } = await flat.tenant
      .post('/alarms', {
        id,
        kind: 'gas',
        jobId: job.id,
        note: 'Smell of gas behind the dryer, socket scorched',
        still: ['power.off'],
        ...form,
      })
      .expect(200);
    return { id, job, body };
  };
  const after = async (minutes: number) => {
    house.clock.now += minutes * MINUTE;
    return callOnDuty(house.env);
  };

  it('is a fault of the first class with its day to be right by, first on the board, in Faults and on the home, in the doer’s words', async () => {
    const { id, job } = await raise();
    const { waiting } = (await house.manager.get('/board').expect(200)).body;
    expect(waiting.alarms).to.have.length(1);
    expect(waiting.alarms[0]).to.include({
      id,
      says: 'Not safe: smell of gas',
      place: 'Flat 1A',
      acknowledgedBy: null,
    });
    expect(waiting).to.include({ faults: 1, handBacks: 1 });
    const [fault] = (await house.manager.get('/faults').expect(200)).body.faults;
    expect(fault).to.include({
      severity: 'lifeThreatening',
      alarm: true,
      stopUsing: true,
      note: 'Smell of gas behind the dryer, socket scorched',
      openedBy: 'I. Marrable',
    });
    expect(fault.correctBy - fault.openedAt).to.equal(24 * 60 * MINUTE);
    const place = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
    expect(place.alarms[0].note).to.contain('socket scorched');
    expect(place.handBacks[0]).to.include({ reason: 'notSafe' });
    expect(place.handBacks[0].still).to.deep.equal(['power is off']);
    expect((await house.manager.get(`/jobs/${job.id}`).expect(200)).body.state).to.equal('open');
  });
  it('keeps of what a device says stands otherwise only what can be switched, whatever way it comes', async () => {
    await raise({ still: ['power.off', 'toaster.on'] });
    const { handBacks } = (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body;
    expect(handBacks[0].still).to.deep.equal(['power is off']);
  });
  it('claims to call nobody where there is a way out but nobody on duty', async () => {
    await onDuty({ people: [], mail: null, webhook: 'http://127.0.0.1:9/hook' }).expect(200);
    expect((await raise()).body.reachable).to.equal(false);
    expect(await after(30)).to.equal(0);
  });
  it('by the old way of saying so is an alarm too, however late the device is', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await flat.tenant
      .post(`/jobs/${job.id}/moves`, { move: 'notAble', reason: 'notSafe', note: 'Water at the plug', revision: 0 })
      .expect(200);
    expect((await house.manager.get('/alarms').expect(200)).body.alarms[0]).to.include({
      kind: 'other',
      note: 'Water at the plug',
    });
  });
  it('stops work on the machine for everybody until the fault is closed: giving, beginning, starting', async () => {
    const filter = await give(house, staff, staffId, [flat.points[FILTER]!]);
    await raise();
    expect(
      (await staff.post(`/jobs/${filter.id}/moves`, { move: 'start', revision: filter.revision }).expect(409)).body
        .detail,
    ).to.contain('Nobody works on this machine');
    expect((await staff.get(`/jobs/${filter.id}`).expect(200)).body.stopped).to.include({ kind: 'gas' });
    await house.manager
      .post('/jobs', { id: v7(), pointIds: [flat.points['washer.tub']], assigneeId: staffId })
      .expect(409);
    const drawer = (await house.env.store.db.point.one({ id: flat.points['washer.drawer']! }))!;
    expect(
      (await staff.post('/labels/1/jobs', { id: v7(), numbers: [drawer.number] }).expect(409)).body.detail,
    ).to.contain('Nobody works on this machine');
    const [{ id }] = (await house.manager.get('/faults').expect(200)).body.faults;
    await house.manager
      .post(`/faults/${id}/close`, {
        cause: 'other',
        remedy: 'repaired',
        found: 'A joint of the neighbour’s cooker; tightened by the fitter.',
      })
      .expect(200);
    expect((await house.manager.get('/alarms').expect(200)).body.alarms).to.deep.equal([]);
    await staff.post(`/jobs/${filter.id}/moves`, { move: 'start', revision: filter.revision }).expect(200);
  });
  it('is sent to whoever is on duty first, to the next after ten minutes, round after round, until one answers by the link', async () => {
    await onDuty().expect(200);
    const { id, body } = await raise();
    expect(body).to.include({ acknowledgedBy: null, reachable: true });
    expect(await after(0)).to.equal(1);
    expect(await after(0), 'done twice it sends nothing twice').to.equal(0);
    expect(post.letters().map(({ to }) => to)).to.deep.equal(['hollis@saltmarsh.example']);
    const [letter] = post.letters();
    expect(letter!.subject).to.equal('NOT SAFE: Not safe: smell of gas, Flat 1A');
    expect(letter!.text).to.contain('socket scorched').and.to.contain('2 Hawser Lane');
    expect(await after(9)).to.equal(0);
    expect(await after(1)).to.equal(1);
    expect(post.letters()[0]!.to).to.equal('vane@saltmarsh.example');
    // Nobody answers: the list begins anew.
    await after(10);
    expect(await after(0)).to.equal(1);
    expect(post.letters()[0]!.to).to.equal('hollis@saltmarsh.example');
    const token = /\/alarm#(\S+)/.exec(letter!.text)![1]!;
    const nobody = house.caller();
    expect((await nobody.post('/alarms/answer', { token: 'made up' }).expect(404)).body.detail).to.contain(
      'no longer works',
    );
    expect((await nobody.post('/alarms/answer', { token }).expect(200)).body).to.include({
      id,
      acknowledgedBy: 'T. Hollis',
    });
    expect((await flat.tenant.get(`/alarms/${id}`).expect(200)).body).to.include({
      acknowledgedBy: 'T. Hollis',
      called: 3,
    });
    expect(await after(60)).to.equal(0);
    // The link opens nothing else, and answering again changes nothing.
    expect((await nobody.get('/alarms').expect(401)).status).to.equal(401);
    // Whoever sees to it answers for its clock; somebody else who says so later does not take it over.
    const clock = async () => (await house.manager.get('/clocks').expect(200)).body.items[0].responsible;
    expect(await clock()).to.equal('T. Hollis');
    await house.manager.post(`/alarms/${id}/acknowledge`).expect(200);
    expect(await clock()).to.equal('T. Hollis');
    expect((await flat.tenant.get(`/alarms/${id}`).expect(200)).body.acknowledgedBy).to.equal('T. Hollis');
  });
  it('reaches nobody where nobody is set up, and says so with the numbers of the property', async () => {
    await house.manager
      .post(`/properties/${flat.propertyId}/numbers`, { emergency: '555 0100', gas: '555 0101', office: '' })
      .expect(200);
    const { body } = await raise();
    expect(body).to.include({ reachable: false, called: 0 });
    expect(body.numbers).to.deep.equal({ emergency: '555 0100', gas: '555 0101', office: '' });
    expect(await after(30)).to.equal(0);
    // Somebody who goes on duty now hears of what is still open.
    await onDuty().expect(200);
    await after(0);
    expect(await after(0)).to.equal(1);
  });
  it('goes by webhook as well, and a way that fails is tried again, not claimed', async () => {
    const heard: { person: string; what: string; link: string }[] = [];
    let broken = true;
    const hook = createServer((request, response) => {
      const parts: Buffer[] = [];
      request.on('data', (part: Buffer) => parts.push(part));
      request.on('end', () => {
        if (!broken) heard.push(JSON.parse(Buffer.concat(parts).toString()));
        response.writeHead(broken ? 503 : 204).end();
      });
    });
    await new Promise<void>((resolve) => {
      hook.listen(0, '127.0.0.1', resolve);
    });
    await onDuty({ mail: null, webhook: `http://127.0.0.1:${(hook.address() as AddressInfo).port}/hook` }).expect(200);
    const { id } = await raise();
    expect(await after(0)).to.equal(0);
    expect((await flat.tenant.get(`/alarms/${id}`).expect(200)).body.called).to.equal(0);
    broken = false;
    expect(await after(0)).to.equal(1);
    expect(heard[0]).to.include({ person: 'T. Hollis', what: 'Not safe: smell of gas' });
    expect(heard[0]!.link).to.contain('/alarm#');
    hook.close();
  });
  it('is read by whoever raised it and the office, and by nobody else', async () => {
    const { id } = await raise();
    const other = await registerFlat(house, 'dryer', 'Flat 9');
    await other.tenant.get(`/alarms/${id}`).expect(404);
    await other.tenant.post('/alarms', { id: v7(), kind: 'gas', machineId: flat.machineId }).expect(404);
    await flat.tenant.post('/alarms', { id: v7(), kind: 'boredom', machineId: flat.machineId }).expect(422);
    await flat.tenant.post('/alarms', { id: v7(), kind: 'gas' }).expect(422);
    expect(
      (await house.manager.get('/duty').expect(200)).body.people.map(({ onDuty: is }: { onDuty: boolean }) => is),
    ).to.deep.equal([false, false]);
    await onDuty({ people: [flat.tenantId] }).expect(422);
    await onDuty({ mail: { ...mail(), password: 'secret of the office' } }).expect(200);
    const duty = JSON.stringify((await house.manager.get('/duty').expect(200)).body);
    expect(duty).to.contain('"hasPassword":true').and.not.to.contain('secret of the office');
    expect((await house.manager.post('/duty/try').expect(200)).body.says).to.match(
      /^(Sent to vane@saltmarsh\.example|It was not sent)/,
    );
  });
  it('calls in an order that begins anew with each round', () => {
    expect([callTimes(3, 0), callTimes(3, 1, 5)]).to.deep.equal([
      [0, 10, 20],
      [15, 20, 25],
    ]);
  });
  it('calls everybody on duty six times over while nobody answers, and then no more', async () => {
    await onDuty().expect(200);
    await raise();
    let sent = 0;
    for (let tenMinutes = 0; tenMinutes < 30; tenMinutes += 1) sent += await after(10);
    expect(sent).to.equal(6 * 2);
  });
});
