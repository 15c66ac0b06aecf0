import { expect } from 'chai';
import { Secret, TOTP } from 'otpauth';
import { v7 } from 'uuid';
import { expectedDays, guessedWrong, waitFor, type Guesses } from '../../core/people/guessing.ts';
import { guessBook, PATIENCE } from '../../server/context/guesses.ts';
import { keepGuesses, recallGuesses } from '../../server/people/keptGuesses.ts';
import { LETTER_MS, makeAccess } from '../../server/people/access.ts';
import { sweepSessions } from '../../server/people/sessions.ts';
import { DAY_MS, type Flat, give, hire, type House, openFlat, openHouse, PASSWORD, registerFlat } from './house.ts';
import { storm } from './storm.ts';

const VANE = 'vane@saltmarsh.example';

describe('A thousand hostile requests', () => {
  it('are all answered, none as our own mistake, and leave the database whole', async () => {
    const house = await openHouse();
    const { sent, byStatus, broken } = await storm(house, 20261127, 1000);
    expect(broken.map(({ request, status }) => `${status} ${request.name} ${request.path} ${request.body}`)).to.be
      .empty;
    expect(sent).to.equal(1000);
    // They reach the services, and not the door alone.
    expect(byStatus[200]).to.be.greaterThan(50);
    expect(byStatus[422]).to.be.greaterThan(100);
    const { sequelize } = house.env.store.db;
    expect((await sequelize.query('PRAGMA integrity_check'))[0]).to.deep.equal([{ integrity_check: 'ok' }]);
    expect((await sequelize.query('PRAGMA foreign_key_check'))[0]).to.deep.equal([]);
    await house.manager.get('/board').expect(200);
    await house.close();
  });
});

describe('A body', () => {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  it('is counted before any form reads it: values, depth, names, signs that no text holds', async () => {
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points['washer.doorBoot']!]);
    const submission = { startedAt: 1, doneAt: 1, deviceAt: 1 };
    const send = (form: object) => flat.tenant.post(`/jobs/${job.id}/submission`, form);
    const tooMany = await send({ ...submission, records: Array(6000).fill({}) }).expect(422);
    expect(tooMany.body.detail).to.contain('more than this form takes');
    const thirteen = await send({ ...submission, records: Array(13).fill({}) }).expect(422);
    expect(thirteen.body.fields).to.deep.equal({ records: 'At most 12.' });
    for (const bad of [
      JSON.parse('{"__proto__":{"roles":["manager"]}}'),
      { name: { toString: 1 } },
      { name: 'a\0b' },
      JSON.parse(`{"name":${'['.repeat(400)}${']'.repeat(400)}}`),
    ]) {
      const { status } = await house.manager.post('/buildings', { id: v7(), propertyId: flat.propertyId, ...bad });
      expect(status, JSON.stringify(bad)).to.equal(422);
    }
  });

  it('takes no text far beyond its limit, and no rule that never occurs', async () => {
    const spaces = ' '.repeat(30_000);
    const building = { id: v7(), propertyId: flat.propertyId, name: spaces };
    expect((await house.manager.post('/buildings', building).expect(422)).body.fields.name).to.contain('At most 120');
    const never = { scope: 'property', subjectId: flat.propertyId, start: '2026-01-01' };
    for (const rule of ['FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30', 'FREQ=DAILY;BYMONTH=4;BYMONTHDAY=31'])
      expect((await house.manager.post('/upkeep-day', { ...never, rule }).expect(422)).body.fields).to.have.key('rule');
  });
});

describe('Guesses', () => {
  const wrong = (house: House, email: string, from: string) =>
    house.caller().post('/session', { email, password: 'not this one' }).set('x-forwarded-for', from);

  it('are counted for an account wherever they come from, with a wait that doubles and is forgiven', async () => {
    const house = await openHouse();
    for (let i = 0; i < 6; i += 1) await wrong(house, VANE, `198.51.100.${i}`).expect(401);
    const { body } = await wrong(house, VANE, '203.0.113.9').expect(429);
    expect(body.detail).to.equal('Too many wrong tries. Wait 2 seconds, then try once more.');
    // The right password waits as well; somebody else does not.
    await house.caller().post('/session', { email: VANE, password: PASSWORD }).expect(429);
    await wrong(house, 'nobody@saltmarsh.example', '203.0.113.9').expect(401);
    house.clock.now += 2500;
    await house.caller().post('/session', { email: VANE, password: PASSWORD }).expect(200);
    await wrong(house, VANE, '203.0.113.9').expect(401);
    await house.close();
  });

  it('are not forgotten when the server begins anew, nor what was right kept as wrong', async () => {
    const house = await openHouse();
    const { env } = house;
    for (let i = 0; i < 7; i += 1) await wrong(house, 'nobody@saltmarsh.example', '198.51.100.1');
    await wrong(house, VANE, '198.51.100.1').expect(401);
    await keepGuesses(env);
    await house.caller().post('/session', { email: VANE, password: PASSWORD }).expect(200);
    await keepGuesses(env);
    // Under nobody's name.
    expect(JSON.stringify(await env.store.db.guess.all({}))).not.to.contain('@');
    const anew = { store: env.store, clock: env.clock, guesses: guessBook(env.clock) };
    await recallGuesses(anew);
    expect(() => anew.guesses.begin('account', 'nobody@saltmarsh.example')).to.throw(/waitFirst/);
    for (let i = 0; i < 5; i += 1) anew.guesses.begin('account', VANE);
    house.clock.now += 2 * DAY_MS;
    await recallGuesses({ ...anew, guesses: guessBook(env.clock) });
    expect(await env.store.db.guess.count({})).to.equal(0);
    await house.close();
  });

  it('of short codes are counted for the whole server, and long links are not held up by them', async () => {
    const house = await openHouse();
    const { tenancyId } = await registerFlat(house);
    const link = (await house.manager.post(`/tenancies/${tenancyId}/links`).expect(200)).body;
    const guess = (i: number) => house.caller().post('/link', { token: `K7MP-3Q${'ABCDEFGHJK'[i % 10]}D` });
    for (let i = 0; i <= PATIENCE.codes.free; i += 1)
      await guess(i).set('x-forwarded-for', `2001:db8:${i}::1`).expect(401);
    await guess(1).set('x-forwarded-for', '2001:db8:ffff::1').expect(429);
    await house
      .caller()
      .post('/link', { token: link.path.split('#')[1] })
      .expect(200);
    house.clock.now += 20_000;
    await house.caller().post('/link', { token: link.code }).expect(200);
    await house.close();
  });

  it('come as often from a whole IPv6 network as from one address, and no session widens that', async () => {
    const house = await openHouse({ rateFactor: 1 });
    const { tenant } = await registerFlat(house);
    const statuses = [];
    for (let i = 0; i < 24; i += 1)
      statuses.push(
        (await tenant.post('/link', { token: 'x'.repeat(32) }).set('x-forwarded-for', `2001:db8:1:2:${i}::7`)).status,
      );
    expect(statuses.filter((it) => it === 401)).to.have.length(20);
    expect(statuses.filter((it) => it === 429)).to.have.length(4);
    await tenant
      .post('/link', { token: 'x'.repeat(32) })
      .set('x-forwarded-for', '2001:db8:1:3::7')
      .expect(401);
    await house.close();
  });

  it('at a code last years, by the waits that are asked for', () => {
    // A day of guessing as fast as the waits allow.
    let guesses: Guesses | undefined;
    let tries = 0;
    for (let now = 0; now < DAY_MS; now += Math.max(50, waitFor(guesses, now, PATIENCE.codes))) {
      if (waitFor(guesses, now, PATIENCE.codes) > 0) continue;
      guesses = guessedWrong(guesses, now, PATIENCE.codes);
      tries += 1;
    }
    expect(tries).to.be.within(2000, 12_000);
    // Eight signs of 28; a thousand homes with a card each.
    expect(expectedDays(28 ** 8, 1000, tries) / 365.25).to.be.greaterThan(80);
    // Three cards, one of them right: two tries on average.
    expect(expectedDays(3, 1, 1)).to.equal(2);
  });
});

describe('A session', () => {
  it('ends for good at sign-out, though it is being read at that moment', async () => {
    const house = await openHouse();
    for (let i = 0; i < 12; i += 1) {
      const caller = house.caller();
      await caller.open('/session', { email: VANE, password: PASSWORD });
      const reads = Array.from({ length: 6 }, () => caller.get('/homes'));
      await Promise.all([...reads.map((it) => it.then(() => undefined)), caller.delete('/session').expect(200)]);
      await caller.get('/homes').expect(401);
    }
    await house.close();
  });

  it('does not outlive its link, its owner’s link or the job it came for', async () => {
    const { house, flat } = await openFlat();
    await house.env.store.write((db) => db.link.update({}, { expiresAt: house.clock.now + DAY_MS }));
    await flat.tenant.get('/home').expect(200);
    const id = v7();
    const part = flat.points['washer.doorBoot'];
    const { path } = (await house.manager.post('/jobs/contracted', { id, pointIds: [part], name: 'Gannet' })).body;
    const contractor = house.caller();
    await contractor.open('/link', { token: path.split('#')[1] });
    await contractor.get(`/jobs/${id}`).expect(200);
    const ownerId = v7();
    const owner = house.caller();
    const made = await house.manager.post('/owner-links', { id: ownerId, name: 'K. Quay', propertyId: null, days: 1 });
    await owner.open('/link', { token: made.body.path.split('#')[1] });
    await owner.get('/standing').expect(200);
    await house.env.store.write((db) => db.job.update({ id }, { state: 'accepted' }));
    await contractor.get(`/jobs/${id}`).expect(401);
    house.clock.now += 2 * DAY_MS;
    await flat.tenant.get('/home').expect(401);
    await owner.get('/standing').expect(401);
    await house.close();
  });

  it('is seen and ended by whose it is, and swept when its time is over', async () => {
    const house = await openHouse();
    const elsewhere = house.caller();
    await elsewhere.open('/session', { email: VANE, password: PASSWORD });
    const { sessions } = (await house.manager.get('/me').expect(200)).body;
    expect(sessions).to.have.length(2);
    const other = sessions.find(({ here }: { here: boolean }) => !here);
    await house.manager.post('/me/sessions/end', { id: other.id }).expect(200);
    await elsewhere.get('/homes').expect(401);
    await elsewhere.open('/session', { email: VANE, password: PASSWORD });
    expect((await house.manager.post('/me/sessions/end').expect(200)).body.ended).to.equal(1);
    await elsewhere.get('/homes').expect(401);
    house.clock.now += 20 * DAY_MS;
    await sweepSessions(house.env);
    expect(await house.env.store.db.session.count({})).to.equal(0);
    await house.close();
  });
});

describe('People of the office', () => {
  let house: House;
  before(async () => {
    house = await openHouse();
  });
  after(() => house.close());
  const staffEmail = 'hollis@saltmarsh.example';

  it('come by a link that works once, and choose their own password', async () => {
    const id = v7();
    await house.manager.post('/people', { id, name: 'T. Hollis', email: staffEmail, roles: ['staff'] }).expect(200);
    await house.caller().post('/session', { email: staffEmail, password: '' }).expect(422);
    const { path } = (await house.manager.post(`/people/${id}/link`).expect(200)).body;
    const token = path.split('#')[1];
    const newcomer = house.caller();
    await newcomer.open('/access', { token, password: PASSWORD });
    await newcomer.get('/jobs').expect(200);
    await house.caller().post('/access', { token, password: PASSWORD }).expect(401);
    const late = (await house.manager.post(`/people/${id}/link`).expect(200)).body.path.split('#')[1];
    // Whoever asks for a letter to somebody's address does not take their invitation away.
    const invited = await house.env.store.db.person.one({ id });
    await house.env.store.write((db) => makeAccess(house.env, db, invited!, house.clock.now, LETTER_MS));
    expect(await house.env.store.db.accessLink.count({ personId: id })).to.equal(2);
    house.clock.now += 8 * DAY_MS;
    await house.caller().post('/access', { token: late, password: PASSWORD }).expect(401);
    house.clock.now -= 8 * DAY_MS;
  });

  it('lose a role at once, are let go at once, and come back with what they were', async () => {
    const staff = house.caller();
    await staff.open('/session', { email: staffEmail, password: PASSWORD });
    const { people } = (await house.manager.get('/people').expect(200)).body;
    const { id } = people.find(({ email }: { email: string }) => email === staffEmail);
    const change = { name: 'T. Hollis', email: staffEmail };
    await house.manager.put(`/people/${id}`, { ...change, roles: ['manager', 'staff'] }).expect(200);
    await staff.get('/people').expect(200);
    await house.manager.put(`/people/${id}`, { ...change, roles: ['staff'] }).expect(200);
    await staff.get('/people').expect(403);
    await house.manager.put(`/people/${id}`, { ...change, email: VANE, roles: ['staff'] }).expect(409);
    await house.manager.post(`/people/${id}/disable`).expect(200);
    await staff.get('/jobs').expect(401);
    await staff.post('/session', { email: staffEmail, password: PASSWORD }).expect(401);
    const former = `/people?with=${encodeURIComponent('{"kind":"former"}')}`;
    const gone = (await house.manager.get(former)).body.people.find((it: { id: string }) => it.id === id);
    expect(gone).to.include({ disabledAt: house.clock.now }).and.have.deep.property('roles', ['staff']);
    await house.manager.post(`/people/${id}/restore`).expect(200);
    await staff.open('/session', { email: staffEmail, password: PASSWORD });
    await staff.get('/jobs').expect(200);
    const me = people.find(({ email }: { email: string }) => email === VANE).id;
    await house.manager.post(`/people/${me}/disable`).expect(409);
  });

  it('change their password with the one they have, and are out everywhere else', async () => {
    const { caller } = await hire(house, 'staff', 'marrow@saltmarsh.example');
    const elsewhere = house.caller();
    await elsewhere.open('/session', { email: 'marrow@saltmarsh.example', password: PASSWORD });
    const next = 'quite another one';
    await caller.put('/me/password', { current: 'not it', password: next }).expect(401);
    const key = v7();
    await caller.put('/me/password', { current: PASSWORD, password: next }, key).expect(200);
    // Sent again, since its answer was lost: it was done.
    await caller.put('/me/password', { current: PASSWORD, password: next }, key).expect(200);
    await elsewhere.get('/jobs').expect(401);
    await caller.get('/jobs').expect(200);
    await elsewhere.open('/session', { email: 'marrow@saltmarsh.example', password: next });
  });

  it('get a letter with a way to a new password, and nobody learns whether an address is known', async () => {
    const letters: { to: string; text: string }[] = [];
    const other = await openHouse();
    Object.assign(other.env, {
      waysOut: { mail: async (_: unknown, letter: { to: string; text: string }) => void letters.push(letter) },
      address: () => 'https://upkeep.example.org',
    });
    const mail = { host: 'mail.example.org', port: 587, secure: 'no', user: '', password: '', from: 'us@example.org' };
    await other.manager.post('/duty', { people: [], minutes: 10, webhook: null, mail }).expect(200);
    for (const email of [VANE, 'nobody@saltmarsh.example'])
      expect((await other.caller().post('/access/letters', { email }).expect(200)).body).to.deep.equal({});
    while (letters.length === 0) await new Promise(setImmediate);
    expect(letters.map(({ to }) => to)).to.deep.equal([VANE]);
    const token = /https:\/\/upkeep\.example\.org\/access#(\S+)/.exec(letters[0]!.text)![1];
    await other.caller().open('/access', { token, password: 'a third password' });
    await other.manager.get('/homes').expect(401);
    await other.close();
  });
});

describe('A second factor', () => {
  // RFC 6238, appendix B: SHA-1, the seed of 20 bytes, 8 digits at 59 s; the last six of them are ours.
  it('is the code of RFC 6238', () => {
    const secret = Secret.fromLatin1('12345678901234567890');
    expect(new TOTP({ secret, digits: 8 }).generate({ timestamp: 59_000 })).to.equal('94287082');
  });

  it('is asked for beside the password; a code counts once; recovery codes and another manager help out', async () => {
    const house = await openHouse();
    const { secret, uri } = (await house.manager.get('/me/second-factor/secret').expect(200)).body;
    expect(uri).to.match(/^otpauth:\/\/totp\/Dewline/);
    const code = () => new TOTP({ secret }).generate({ timestamp: house.clock.now });
    const on = (form: object) => house.manager.post('/me/second-factor', { secret, password: PASSWORD, ...form });
    await on({ code: '000000' }).expect(401);
    await on({ code: code(), password: 'not it' }).expect(401);
    const { codes } = (await on({ code: code() }).expect(200)).body;
    expect(codes).to.have.length(8);
    const enter = (typed: string) => house.caller().post('/session', { email: VANE, password: PASSWORD, code: typed });
    expect((await enter('').expect(401)).body.type).to.equal('urn:dewline:problem:codeNeeded');
    // The one that turned it on was used.
    expect((await enter(code()).expect(401)).body.type).to.equal('urn:dewline:problem:wrongCode');
    house.clock.now += 30_000;
    await enter(code()).expect(200);
    await enter(code()).expect(401);
    await enter(codes[0].toLowerCase()).expect(200);
    await enter(codes[0]).expect(401);
    // A way to a new password is no way around it.
    const { personId } = (await house.env.store.db.recoveryCode.one({}))!;
    const { path } = (await house.manager.post(`/people/${personId}/link`).expect(200)).body;
    const come = (code: string) =>
      house.caller().post('/access', { token: path.split('#')[1], password: PASSWORD, code });
    expect((await come('').expect(401)).body.type).to.equal('urn:dewline:problem:codeNeeded');
    expect((await come('000000').expect(401)).body.type).to.equal('urn:dewline:problem:wrongCode');
    await come(codes[1]).expect(200);
    await house.manager.open('/session', { email: VANE, password: PASSWORD, code: codes[2] });
    house.clock.now += DAY_MS;
    for (let i = 0; i < 6; i += 1) await enter('123456').expect(401);
    await enter('123456').expect(429);
    house.clock.now += DAY_MS;
    const { caller: second } = await hire(house, 'manager', 'marrow@saltmarsh.example');
    const { people } = (await second.get('/people').expect(200)).body;
    const me = people.find(({ email }: { email: string }) => email === VANE);
    expect(me.secondFactor).to.equal(true);
    await second.post(`/people/${me.id}/second-factor/off`).expect(200);
    await enter('').expect(200);
    await house.close();
  });
});
