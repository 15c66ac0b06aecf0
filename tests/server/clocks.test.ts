import { expect } from 'chai';
import { v7 } from 'uuid';
import type { ClocksAnswer } from '../../contract/faults/clocks.ts';
import type { FaultsAnswer } from '../../contract/faults/faults.ts';
import type { InspectionAnswer } from '../../contract/faults/inspections.ts';
import { remind } from '../../server/notices/reminders.ts';
import { openStandIn, type StandIn } from '../../server/ports/standIn.ts';
import { type Caller, DAY_MS, type Flat, hire, type House, letDaysPass, openFlat, registerFlat } from './house.ts';
import { readPaper } from './paper.ts';

const HOUR = 3_600_000;
const NO_HOURS = { lifeThreatening: null, severe: null, moderate: null, low: null };

describe('Clocks', () => {
  let house: House;
  let flat: Flat;
  let post: StandIn;
  let staff: Caller;
  let staffId = '';
  beforeEach(async () => {
    ({ house, flat } = await openFlat('dryer'));
    post = await openStandIn();
    ({ caller: staff, id: staffId } = await hire(house));
  });
  afterEach(async () => {
    await post.close();
    await house.close();
  });
  const report = async (symptom = 'dryer.damp', form: object = {}) => {
    const id = v7();
    await flat.tenant.post('/faults', { id, machineId: flat.machineId, symptom, ...form }).expect(200);
    return id;
  };
  const see = async (type = 'hoseCrushed') => {
    const id = v7();
    await flat.tenant.post('/deficiencies', { id, machineId: flat.machineId, type }).expect(200);
    return id;
  };
  const clocks = async () => (await house.manager.get('/clocks').expect(200)).body as ClocksAnswer;
  const faults = async () => ((await house.manager.get('/faults').expect(200)).body as FaultsAnswer).faults;
  const byMail = () =>
    house.manager
      .post('/duty', {
        people: [],
        minutes: 10,
        webhook: null,
        mail: {
          host: '127.0.0.1',
          port: post.port,
          secure: 'no',
          user: '',
          password: null,
          from: 'o@saltmarsh.example',
        },
      })
      .expect(200);
  const after = async (days: number) => {
    house.clock.now += days * DAY_MS;
    return remind(house.env);
  };
  const letters = () => post.letters().map(({ to, subject, text }) => ({ to, subject, text }));

  describe('of repairs', () => {
    it('stand together, what runs out first at the top, and on the board', async () => {
      const fault = await report();
      const deficiency = await see('ventsIndoors');
      const { items, reachable } = await clocks();
      expect(reachable).to.equal(false);
      expect(items.map(({ id, kind, urgency }) => [id, kind, urgency])).to.deep.equal([
        [deficiency, 'deficiency', 'soon'],
        [fault, 'fault', 'running'],
      ]);
      const { waiting } = (await house.manager.get('/board').expect(200)).body;
      expect(waiting.clocks.map(([from, until]: [number, number]) => (until - from) / HOUR)).to.deep.equal([24, 720]);
    });

    it('run by the local rule of a property where it is stricter, from now on for what is open, and for what comes', async () => {
      const old = await report();
      const rule = (form: object) =>
        house.manager.post('/repair-times', { propertyId: flat.propertyId, name: 'Harbour bylaw 4', ...form });
      await rule({ hours: { ...NO_HOURS, moderate: 721 } }).expect(422);
      await rule({ name: '', hours: { ...NO_HOURS, moderate: 72, low: 72 } }).expect(422);
      await rule({ hours: { ...NO_HOURS, moderate: 72, low: 72 } }).expect(200);
      const young = await report('dryer.marks');
      const { items, rules } = await clocks();
      for (const id of [old, young]) {
        const it = items.find((item) => item.id === id)!;
        expect(it.correctBy - it.openedAt).to.equal(72 * HOUR);
      }
      expect(rules).to.deep.equal([
        {
          propertyId: flat.propertyId,
          property: 'The Ropewalk',
          name: 'Harbour bylaw 4',
          hours: { ...NO_HOURS, moderate: 72, low: 72 },
        },
      ]);
      // Taken back, what is open keeps its day; nobody is given more time by that.
      await rule({ hours: NO_HOURS }).expect(200);
      expect((await clocks()).rules).to.deep.equal([]);
      expect((await clocks()).items.find((item) => item.id === old)!.correctBy - house.clock.now).to.equal(72 * HOUR);
    });

    it('are given to somebody and to another day by a manager, who is told where the rule says sooner', async () => {
      const id = await report();
      const change = (caller: Caller, form: object) =>
        caller.put(`/faults/${id}`, { severity: 'moderate', correctBy: '2027-02-01', responsibleId: staffId, ...form });
      await change(staff, {}).expect(403);
      await change(house.manager, { responsibleId: flat.tenantId }).expect(422);
      await change(house.manager, {}).expect(200);
      const [item] = (await clocks()).items;
      expect(item).to.include({ responsible: 'T. Hollis', correctOn: '2027-02-01' });
      expect(item!.ruleBy).to.equal(house.clock.now + 720 * HOUR);
      expect((await faults())[0]).to.include({ responsible: 'T. Hollis' });
      await house.manager.post(`/faults/${id}/close`, { cause: 'dryer.hose', remedy: 'setRight' }).expect(200);
      await change(house.manager, {}).expect(409);
      expect((await clocks()).items).to.deep.equal([]);
    });

    it('tell the managers by letter at half of the time where nobody answers for it, and nobody twice', async () => {
      await byMail();
      await report();
      expect(await after(14.9)).to.equal(0);
      expect(await after(0.2)).to.equal(1);
      expect(await remind(house.env)).to.equal(0);
      const [letter, ...others] = letters();
      expect(others).to.deep.equal([]);
      expect(letter!.to).to.equal('vane@saltmarsh.example');
      expect(letter!.subject).to.equal('One repair runs out of time');
      expect(letter!.text).to.contain('Clothes still damp after a normal load: Vented dryer, Flat 1A, The Ropewalk.');
      expect(letter!.text).to.contain('Nobody answers for it yet.');
      await letDaysPass(house, 0);
      const [item] = (await clocks()).items;
      expect(item!.told.map(({ name, failed }) => [name, failed])).to.deep.equal([['R. Okonjo-Vane', null]]);
    });

    it('tell whoever answers near the end, and the managers too when it is over; all of one person in one letter', async () => {
      await byMail();
      const own = await report();
      await house.manager
        .put(`/faults/${own}`, { severity: 'moderate', correctBy: '2026-12-24', responsibleId: staffId })
        .expect(200);
      await see('hoseLoose');
      await see('runTooLong');
      await after(16);
      expect(
        letters().map(({ to }) => to),
        'not of what is somebody’s',
      ).to.deep.equal(['vane@saltmarsh.example']);
      expect(letters()[0]!.subject).to.equal('2 repairs run out of time');
      await after(8);
      const theirs = letters().filter(({ to }) => to === 'hollis@saltmarsh.example');
      expect(theirs).to.have.length(1);
      expect(theirs[0]!.text).to.contain('It is yours.');
      await after(8);
      expect(letters().filter(({ to }) => to === 'hollis@saltmarsh.example')).to.have.length(2);
      const last = letters().filter(({ to }) => to === 'vane@saltmarsh.example');
      expect(last.some(({ subject }) => subject === '3 repairs run out of time')).to.equal(true);
      expect(last.some(({ text }) => text.includes('Should have been right by'))).to.equal(true);
    });

    it('say so where nobody could be told, try again three times, and are silent about what was put right', async () => {
      const id = await report();
      for (let i = 0; i < 5; i += 1) await after(i === 0 ? 16 : 0);
      await letDaysPass(house, 0);
      const [item] = (await clocks()).items;
      expect(item!.told).to.deep.equal([
        { name: 'R. Okonjo-Vane', at: null, failed: 'no email of theirs is known and no webhook is set' },
      ]);
      expect((await house.env.store.db.reminder.one({ subjectId: id }))!.tries).to.equal(3);
      await byMail();
      await house.manager.post(`/faults/${id}/close`, { cause: 'dryer.hose', remedy: 'setRight' }).expect(200);
      await after(20);
      expect(letters()).to.deep.equal([]);
    });

    it('keep since when it is noticed, held to what can be', async () => {
      const send = (noticed: string) =>
        flat.tenant.post('/faults', { id: v7(), machineId: flat.machineId, symptom: 'dryer.damp', noticed });
      await send('2026-11-25').expect(422);
      await send('2020-01-01').expect(422);
      await send('2026-11-20').expect(200);
      expect((await faults())[0]!.noticed).to.equal('2026-11-20');
    });
  });

  describe('and costs', () => {
    const close = (caller: Caller, id: string, form: object) =>
      caller.post(`/faults/${id}/close`, { cause: 'dryer.hose', remedy: 'replaced', ...form });
    const limit = (amount: number | null) => house.manager.post('/approval-limit', { amount }).expect(200);

    it('above the limit want a manager’s yes first, to as much as was asked', async () => {
      await limit(150);
      const id = await report();
      const { body } = await close(staff, id, { cost: 240 }).expect(409);
      expect(body.detail).to.contain('150');
      const ask = (amount: number) =>
        staff.post(`/faults/${id}/approvals`, { id: v7(), amount, note: 'New drum belt' });
      await ask(200).expect(200);
      await close(staff, id, { cost: 200 }).expect(409);
      const approval = (await faults())[0]!.approval!;
      expect(approval).to.include({ amount: 200, by: 'T. Hollis', answer: null, note: 'New drum belt' });
      const atHome = (await flat.tenant.get('/home').expect(200)).body.faults;
      expect(
        atHome.map((it: { approval: unknown }) => it.approval),
        'nothing of it to the tenant',
      ).to.deep.equal([null]);
      const answer = (caller: Caller, it: string) => caller.post(`/approvals/${approval.id}/answer`, { answer: it });
      await answer(staff, 'yes').expect(403);
      await answer(house.manager, 'no').expect(200);
      await close(staff, id, { cost: 200 }).expect(409);
      await answer(house.manager, 'yes').expect(200);
      await close(staff, id, { cost: 240 }).expect(409);
      await close(staff, id, { cost: 240, payer: 'tenant' }).expect(409);
      await close(staff, id, { cost: 200 }).expect(200);
      await answer(house.manager, 'no').expect(409);
      await ask(300).expect(409);
    });

    it('up to the limit, of a warranty, of managers, and where there is none, want nothing', async () => {
      const free = await report();
      await close(staff, free, { cost: 900 }).expect(200);
      await limit(150);
      for (const [caller, form] of [
        [staff, { cost: 150 }],
        [staff, { cost: 900, payer: 'warranty' }],
        [house.manager, { cost: 900 }],
      ] as const)
        await close(caller, await report(), form).expect(200);
    });

    it('are closed with a photo of how it is now, which staff may see', async () => {
      const id = await report();
      const photoId = await staff.take('dryer.duct', 5);
      await close(staff, id, { photoIds: [photoId] }).expect(200);
      const [fault] = await faults();
      expect([fault!.photoIds, fault!.donePhotoIds]).to.deep.equal([[], [photoId]]);
      await staff.get(`/photos/${photoId}`).expect(200);
    });
  });

  describe('of an inspector’s findings', () => {
    const visit = async (form: object = {}) => {
      const id = v7();
      await house.manager
        .post('/inspections', {
          id,
          propertyId: flat.propertyId,
          day: '2026-11-20',
          inspector: 'Harbour district, housing',
          reference: 'HD 4417',
          ...form,
        })
        .expect(200);
      return id;
    };
    const enter = (inspectionId: string, form: object = {}) =>
      house.manager.post(`/inspections/${inspectionId}/findings`, {
        id: v7(),
        machineId: flat.machineId,
        pointId: flat.points['dryer.duct'],
        severity: 'moderate',
        note: 'Exhaust duct clogged with lint.',
        ...form,
      });
    const read = async (id: string) =>
      (await house.manager.get(`/inspections/${id}`).expect(200)).body as InspectionAnswer;

    it('run from the day of the visit, by the inspector’s own day where there is one', async () => {
      const id = await visit();
      await enter(id).expect(200);
      await enter(id, { correctBy: '2026-11-30', pointId: null }).expect(200);
      const { list, findings, answered, homes } = await read(id);
      expect([findings, answered]).to.deep.equal([2, 0]);
      expect(list.map(({ part, correctBy }) => [part, correctBy])).to.deep.equal([
        [null, '2026-11-30'],
        ['Duct to outdoors', '2026-12-20'],
      ]);
      expect(homes[0]!.machines[0]!.parts.length).to.be.greaterThan(1);
      expect((await clocks()).items.map(({ says, inspectionId }) => [says, inspectionId])).to.deep.equal([
        ['Found by an inspector', id],
        ['Found by an inspector', id],
      ]);
    });

    it('are answered one by one with words and photos, by staff too, and printed', async () => {
      const id = await visit();
      const first = (await enter(id).expect(200)).body.id as string;
      const photoId = await staff.take('dryer.duct', 9);
      await staff
        .post(`/deficiencies/${first}/close`, { done: 'Cleaned from end to end.', photoIds: [photoId] })
        .expect(200);
      await house.manager
        .post('/records', { id: v7(), pointId: flat.points['dryer.duct'], done: '2026-11-23', grade: 'due' })
        .expect(200);
      const { list, answered } = await read(id);
      expect(answered).to.equal(1);
      expect(list[0]!.answer).to.deep.equal({
        done: 'Cleaned from end to end.',
        day: '2026-11-24',
        by: 'T. Hollis',
        photoIds: [photoId],
      });
      expect(list[0]!.served).to.deep.equal({ day: '2026-11-23', evidence: 'self-certified' });
      const paper = await readPaper(house.manager.get(`/inspections/${id}/answer`));
      expect([paper.status, paper.type, paper.pictures]).to.deep.equal([200, 'application/pdf', 1]);
      expect(paper.text).to.contain('Answer of 24 November 2026, T. Hollis: Cleaned from end to end.');
      expect(paper.text).to.contain('1 of 1 findings answered.');
    });

    it('refuse what cannot be: a day to come, a machine elsewhere, a part of another machine, no words', async () => {
      await house.manager
        .post('/inspections', { id: v7(), propertyId: flat.propertyId, day: '2026-11-25', inspector: 'X' })
        .expect(422);
      const id = await visit();
      const other = await registerFlat(house, 'washer', 'Flat 9');
      await enter(id, { machineId: other.machineId, pointId: null }).expect(422);
      await enter(id, { pointId: other.points['washer.tub'] }).expect(422);
      await enter(id, { note: '' }).expect(422);
      expect((await read(id)).list).to.deep.equal([]);
    });

    it('can be taken back while unanswered, and the visit while empty', async () => {
      const id = await visit();
      const finding = (await enter(id).expect(200)).body.id as string;
      const ours = await see();
      await house.manager.delete(`/findings/${ours}`).expect(404);
      await house.manager.delete(`/inspections/${id}`).expect(409);
      await house.manager.delete(`/findings/${finding}`).expect(200);
      await house.manager.delete(`/inspections/${id}`).expect(200);
      await house.manager.get(`/inspections/${id}`).expect(404);
    });
  });
});
