import { expect } from 'chai';
import { v7 } from 'uuid';
import type { AskingsAnswer, Contact, JobTold } from '../../contract/notices/messages.ts';
import type { Env } from '../../server/context/context.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import { NotTaken, type Letter } from '../../server/ports/mail.ts';
import { DAY_MS, type Flat, give, hire, honestWork, type House, letDaysPass, openFlat, registerFlat } from './house.ts';

const [BOOT, DRAWER] = ['washer.doorBoot', 'washer.drawer'];
const MINUTE = 60_000;
const MAIL = {
  host: 'mail.saltmarsh.example',
  port: 25,
  secure: 'no',
  user: '',
  password: null,
  from: 'o@saltmarsh.example',
};
const BY_MAIL = { way: 'mail', email: 'marrable@harbour.example', phone: '', reminders: true, rhythm: 'each' } as const;

/** What households are told, and by whom they are reminded; the way out is the test's own. */
describe('Telling households', () => {
  let house: House;
  let flat: Flat;
  let post: Letter[];
  let texts: Record<string, string>[];
  /** What the mail server does with a letter. */
  let take: (letter: Letter) => Promise<void>;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
    [post, texts] = [[], []];
    take = async () => undefined;
    await house.manager
      .post('/duty', { people: [], minutes: 10, webhook: 'http://gate.saltmarsh.example/', mail: MAIL })
      .expect(200);
  });
  afterEach(() => house.close());
  const env = (): Env => ({
    ...house.env,
    waysOut: {
      mail: async (_, letter) => {
        await take(letter);
        post.push(letter);
      },
      webhook: async (_, body) => void texts.push(body as never),
    },
  });
  const after = async (ms: number) => {
    house.clock.now += ms;
    await tellHouseholds(env());
    return post.length;
  };
  const days = async (count: number) => {
    await letDaysPass(house, count);
    return after(0);
  };
  const reach = (contact: Partial<Contact> = {}, of = flat) =>
    house.manager.put(`/tenancies/${of.tenancyId}/contact`, { ...BY_MAIL, ...contact });
  const ask = (procedure = BOOT!, of = flat) => give(house, of.tenant, of.tenantId, [of.points[procedure]!]);
  const askings = async () => (await house.manager.get('/askings').expect(200)).body as AskingsAnswer;
  const told = async (id: string) => (await house.manager.get(`/jobs/${id}/messages`).expect(200)).body as JobTold;
  const states = async (id: string) => (await told(id)).messages.map(({ kind, state }) => `${kind} ${state}`);

  it('tells a household once, after the minutes in which it can be taken back, by a link that opens its home', async () => {
    await reach().expect(200);
    const job = await ask();
    expect(await after(9 * MINUTE)).to.equal(0);
    expect(await after(MINUTE)).to.equal(1);
    expect(await after(MINUTE)).to.equal(1);
    const [letter] = post;
    expect(letter!.to).to.equal('marrable@harbour.example');
    expect(letter!.subject).to.equal('Flat 1A: one small thing to do by 8 December 2026');
    expect(letter!.text).to.contain('Hello I. Marrable').and.to.contain('Washer, front load: Door boot');
    const token = /#(\S+)/.exec(letter!.text)![1]!;
    const phone = house.caller();
    await phone.open('/link', { token });
    expect((await phone.get('/home').expect(200)).body.jobs.map(({ id }: { id: string }) => id)).to.deep.equal([
      job.id,
    ]);
    const kept = (await told(job.id)).messages[0]!;
    expect(kept.says).to.equal('Asked: letter to marrable@harbour.example, 24 Nov, 12:10');
    expect(kept.body).to.contain('Hello I. Marrable').and.not.to.contain(token);
  });

  it('tells nobody of what was taken back, nor at night, nor where there is no way to them', async () => {
    await reach().expect(200);
    const job = await ask();
    await house.manager.post(`/jobs/${job.id}/moves`, { move: 'cancel', revision: job.revision }).expect(200);
    expect(await after(20 * MINUTE)).to.equal(0);
    house.clock.now += 9 * 60 * MINUTE;
    await ask();
    expect(await after(20 * MINUTE)).to.equal(0);
    expect(await after(10 * 60 * MINUTE)).to.equal(0);
    expect(await after(60 * MINUTE)).to.equal(1);
    const other = await registerFlat(house, 'washer', 'Flat 2B');
    const untold = await ask(BOOT, other);
    expect(await after(60 * MINUTE)).to.equal(1);
    expect(await states(untold.id)).to.deep.equal([]);
    expect((await askings()).people.map(({ name, way }) => [name, way])).to.deep.include(['I. Marrable', 'none']);
  });

  it('reminds once, unless it is done by then; what nobody began passes to staff, and both are told', async () => {
    await reach().expect(200);
    const { id: staffId } = await hire(house);
    const job = await ask();
    await after(20 * MINUTE);
    expect(await states(job.id)).to.deep.equal(['asked sent', 'reminder planned']);
    const { doBy, passes } = await told(job.id);
    expect(passes).to.equal(doBy! + 4);
    for (let day = 0; day < 14; day += 1) await days(1);
    expect(post.map(({ subject }) => subject)).to.deep.equal([
      'Flat 1A: one small thing to do by 8 December 2026',
      'Flat 1A: one small thing is still open, by 8 December 2026',
    ]);
    for (let day = 0; day < 4; day += 1) await days(1);
    expect(post.at(-1)!.text).to.contain('T. Hollis will see to it; there is nothing left for you to do');
    const [moved] = await house.env.store.db.job.all({ state: 'given' });
    expect(moved!.assigneeId).to.equal(staffId);
    expect((await askings()).people).to.deep.equal([]);
    await days(30);
    expect(post).to.have.length(3);
  });

  it('leaves work where it is that nobody was told of, that somebody began, or that no staff may do', async () => {
    await hire(house);
    const untold = await ask();
    await days(60);
    expect((await house.env.store.db.job.one({ id: untold.id }))!.assigneeId).to.equal(flat.tenantId);
    await reach().expect(200);
    await after(MINUTE);
    await flat.tenant.post(`/jobs/${untold.id}/moves`, { move: 'start', revision: 1 }).expect(200);
    await days(60);
    expect((await house.env.store.db.job.one({ id: untold.id }))!.assigneeId).to.equal(flat.tenantId);
  });

  it('does not remind of what was done, and writes one letter for all that is asked at once', async () => {
    await reach().expect(200);
    const job = await ask();
    await ask(DRAWER);
    expect(await after(20 * MINUTE)).to.equal(1);
    expect(post[0]!.subject).to.contain('2 small things');
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    await days(12);
    expect(post.at(-1)!.text).to.contain('Dispenser drawer').and.not.to.contain('Door boot');
    expect(await states(job.id)).to.deep.equal(['asked sent', 'reminder over']);
  });

  it('waits for the first of the month where a household wants that and the line can wait', async () => {
    await reach({ rhythm: 'monthly' }).expect(200);
    const job = await ask();
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    const { body } = await house.manager.get('/proof').expect(200);
    await house.manager.post(`/proof/${body.waiting[0].id}/verdict`, { verdict: 'accept' }).expect(200);
    await ask();

    expect(await days(1)).to.equal(0);
    expect(await days(5)).to.equal(0);
    expect(await days(1)).to.equal(1);
  });

  it('never sends a reminder twice and always what is about safety, though the server stops in the middle', async () => {
    await reach().expect(200);
    const job = await ask();
    take = () => new Promise(() => undefined);
    house.clock.now += 20 * MINUTE;
    const stopped = (ms: number) => Promise.race([tellHouseholds(env()), new Promise((done) => setTimeout(done, ms))]);
    await stopped(600);
    expect(await states(job.id)).to.deep.equal(['asked claimed']);
    take = async () => undefined;
    expect(await after(2 * MINUTE)).to.equal(0);
    expect(await states(job.id)).to.deep.equal(['asked unsure']);
    expect((await told(job.id)).messages[0]!.says)
      .to.contain('may not have gone out')
      .and.to.contain('not sent again');
    // An alarm that somebody else raised.
    await house.manager.post('/alarms', { id: v7(), machineId: flat.machineId, kind: 'gas', note: '' }).expect(200);
    const ids: string[] = [];
    take = async ({ messageId }) => {
      ids.push(messageId);
      await new Promise(() => undefined);
    };
    await stopped(600);
    take = async ({ messageId }) => void ids.push(messageId);
    expect(await after(2 * MINUTE)).to.equal(1);
    expect(new Set(ids).size).to.equal(1);
    expect(ids).to.have.length(2);
    expect(post[0]!.subject).to.match(/^DO NOT USE/);
  });

  it('tells of safety at night and whoever wants no reminders, not whoever said it, and tells when it is over', async () => {
    await reach({ reminders: false }).expect(200);
    house.clock.now += 11 * 60 * MINUTE;
    const alarm = v7();
    await house.manager.post('/alarms', { id: alarm, machineId: flat.machineId, kind: 'gas', note: '' }).expect(200);
    expect(await after(0)).to.equal(1);
    expect(post[0]!.text).to.contain('do not try to mend it');
    const { faultId } = (await house.env.store.db.alarm.one({ id: alarm }))!;
    await house.manager
      .post(`/faults/${faultId}/close`, { cause: 'other', found: 'Valve', remedy: 'setRight' })
      .expect(200);
    expect(await after(0)).to.equal(1);
    await letDaysPass(house, 1);
    expect(await after(0)).to.equal(2);
    expect(post[1]!.text).to.contain('you may use it again');
    await flat.tenant.post('/alarms', { id: v7(), machineId: flat.machineId, kind: 'gas', note: '' }).expect(200);
    expect(await after(MINUTE)).to.equal(2);
  });

  it('shows an address that is refused, and tries what is refused for now later', async () => {
    await reach().expect(200);
    const job = await ask();
    take = async () => {
      throw new NotTaken('550 no such mailbox', false);
    };
    await after(20 * MINUTE);
    expect((await told(job.id)).messages[0]!.says).to.equal('Asked: not sent. 550 no such mailbox');
    expect((await askings()).people[0]!.askings[0]!.told).to.equal(null);
    take = async () => {
      throw new NotTaken('421 busy', true);
    };
    await reach({ email: 'i.marrable@harbour.example' }).expect(200);
    await after(MINUTE);
    expect((await told(job.id)).messages[0]!.says).to.contain('tried before: 421 busy');
    take = async () => undefined;
    expect(await after(MINUTE)).to.equal(0);
    expect(await after(15 * MINUTE)).to.equal(1);
    expect(post[0]!.to).to.equal('i.marrable@harbour.example');
  });

  it('tells of what was sent back, with the reason', async () => {
    await reach().expect(200);
    const job = await ask();
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    const { body } = await house.manager.get('/proof').expect(200);
    await house.manager
      .post(`/proof/${body.waiting[0].id}/verdict`, {
        verdict: 'sendBack',
        reason: 'The folds are not in the picture.',
      })
      .expect(200);
    expect(await after(5 * MINUTE)).to.equal(0);
    await after(6 * MINUTE);
    expect(post.at(-1)!.text).to.contain('once more').and.to.contain('The folds are not in the picture.');
  });

  it('gives a household its days once more for what was sent back, and asks anew for what comes back to it', async () => {
    await reach().expect(200);
    const { id: staffId } = await hire(house);
    const id = v7();
    const sitting = { id: v7(), pointIds: [flat.points[BOOT!]!] };
    await house.manager.post('/lists', { id, assigneeId: flat.tenantId, sittings: [sitting] }).expect(200);
    await after(20 * MINUTE);
    const job = (await flat.tenant.get(`/jobs/${sitting.id}`).expect(200)).body;
    await letDaysPass(house, 13);
    await flat.tenant.post(`/jobs/${job.id}/submission`, await honestWork(house, flat.tenant, job)).expect(200);
    await letDaysPass(house, 20);
    const { body } = await house.manager.get('/proof').expect(200);
    await house.manager
      .post(`/proof/${body.waiting[0].id}/verdict`, { verdict: 'sendBack', reason: 'Too dark.' })
      .expect(200);
    await after(20 * MINUTE);
    const holder = async () =>
      (await house.env.store.db.job.all({ state: 'given' })).map(({ assigneeId }) => assigneeId);
    expect(await holder()).to.deep.equal([flat.tenantId]);
    await days(19);
    expect(await holder()).to.deep.equal([staffId]);
    const letters = post.length;
    const move = { placeIds: [flat.placeId], which: 'inHand', assigneeId: flat.tenantId };
    await house.manager.post('/lists/many', move).expect(200);
    await after(20 * MINUTE);
    expect(await holder()).to.deep.equal([flat.tenantId]);
    expect(post.slice(letters).map(({ subject }) => subject)).to.have.length(1);
    expect(post.at(-1)!.text).to.contain('Please see to this by');
  });

  it('reminds by hand once a day, and counts a word as told', async () => {
    await reach().expect(200);
    await ask();
    const remind = () => house.manager.post(`/askings/${flat.tenantId}/reminder`);
    // Not told yet: it is told now.
    await remind().expect(200);
    expect(await after(0)).to.equal(1);
    await remind().expect(200);
    expect(await after(0)).to.equal(2);
    await remind().expect(409);
    await days(1);
    await remind().expect(200);
    expect(await after(0)).to.equal(3);
    const other = await registerFlat(house, 'washer', 'Flat 2B');
    const job = await ask(BOOT, other);
    await house.manager.post(`/askings/${other.tenantId}/reminder`).expect(409);
    await house.manager.post(`/askings/${other.tenantId}/word`, { note: 'On the phone' }).expect(200);
    expect((await told(job.id)).messages[0]!.says).to.contain('said by R. Okonjo-Vane');
    const { people } = await askings();
    expect(people.find(({ id }) => id === other.tenantId)!.askings[0]!.passes).to.not.equal(null);
    await house.manager.post(`/askings/${v7()}/word`, {}).expect(404);
  });

  it('lets a household choose reminders and rhythm, not its address, and goes by text where that is the way', async () => {
    await flat.tenant.put('/home/contact', { reminders: false, rhythm: 'each' }).expect(409);
    await reach({ way: 'text', email: '', phone: '+353 1 555 0100' }).expect(200);
    await flat.tenant.put('/home/contact', { reminders: false, rhythm: 'monthly', email: 'x@y.example' }).expect(200);
    expect((await flat.tenant.get('/home').expect(200)).body.contact).to.deep.equal({
      way: 'text',
      email: '',
      phone: '+353 1 555 0100',
      reminders: false,
      rhythm: 'monthly',
    });
    const job = await ask();
    await after(20 * MINUTE);
    expect(texts).to.have.length(1);
    expect(texts[0]).to.include({ kind: 'message', to: '+353 1 555 0100', name: 'I. Marrable' });
    await days(13);
    expect(texts).to.have.length(1);
    expect(await states(job.id)).to.deep.equal(['asked sent', 'reminder over']);
    await reach({ way: 'mail', email: '' }).expect(422);
    await reach({ way: 'text', phone: 'call me' }).expect(422);
  });

  it('keeps the rule of an office', async () => {
    const rule = { quietFrom: 1320, quietUntil: 360, graceDays: 0, passes: false, gives: false };
    await house.manager.put('/asking-rule', { ...rule, graceDays: 31 }).expect(422);
    await house.manager.put('/asking-rule', rule).expect(200);
    expect((await askings()).rule).to.deep.equal(rule);
    await hire(house);
    await reach().expect(200);
    const job = await ask();
    await after(20 * MINUTE);
    expect((await told(job.id)).passes).to.equal(null);
    house.clock.now += 60 * DAY_MS;
    await after(0);
    expect((await house.env.store.db.job.one({ id: job.id }))!.assigneeId).to.equal(flat.tenantId);
  });
});
