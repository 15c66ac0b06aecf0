import { expect } from 'chai';
import { v7 } from 'uuid';
import { languageAmong } from '../../core/language/languages.ts';
import { callOnDuty } from '../../server/notices/calls.ts';
import { openStandIn } from '../../server/ports/standIn.ts';
import { type Flat, give, hire, type House, openFlat, registerFlat } from './house.ts';
import { readPaper } from './paper.ts';

const BOOT = 'washer.doorBoot';

describe('Languages, units and currency', () => {
  let house: House;
  let flat: Flat;
  beforeEach(async () => {
    ({ house, flat } = await openFlat());
  });
  afterEach(() => house.close());
  const office = (change: object) =>
    house.manager.put('/office', { language: 'en', units: 'metric', currency: 'EUR', ...change });

  it('answer whoever is known as they read, and somebody unknown as their browser says', async () => {
    const refused = async (language: string) =>
      (await house.caller().get('/homes').set('accept-language', language).expect(401)).body.detail;
    expect(await refused('en')).to.equal('Please sign in.');
    expect(await refused('de-AT,de;q=0.8,en;q=0.5')).to.equal('Bitte melden Sie sich an.');
    expect(await refused('fr-FR, ja')).to.equal('Please sign in.');
    expect(await refused('x'.repeat(2000))).to.equal('Please sign in.');
    // What a browser says does not outweigh what its person chose.
    const { body } = await house.manager.get(`/points/${flat.points[BOOT]}`).set('accept-language', 'de').expect(200);
    expect(body.name).to.equal('Door boot and glass');
  });
  it('are the office’s until somebody chooses their own, and the office’s again when they take that back', async () => {
    const name = async () => (await flat.tenant.get('/home').expect(200)).body.machines[0].name;
    const own = (language: string | null) => flat.tenant.put('/me/preferences', { language });
    expect(await name()).to.equal('Washer, front load');
    await office({ language: 'de' }).expect(200);
    expect(await name()).to.equal('Waschmaschine, Frontlader');
    await own('en').expect(200);
    expect(await name()).to.equal('Washer, front load');
    await own(null).expect(200);
    expect(await name()).to.equal('Waschmaschine, Frontlader');
    expect((await own('fr').expect(422)).body.fields.language).to.equal('Wählen Sie eines davon.');
    expect((await flat.tenant.get('/session').expect(200)).body.me).to.include({
      language: 'de',
      units: 'metric',
      currency: 'EUR',
    });
  });
  it('are said for a tenancy by the office, and changing its name alone leaves them', async () => {
    const change = (form: object) =>
      house.manager.put(`/tenancies/${flat.tenancyId}`, { name: 'I. Marrable', from: '2025-01-01', ...form });
    const tenancy = async () => (await house.manager.get(`/places/${flat.placeId}`).expect(200)).body.tenancy;
    expect((await tenancy()).language).to.equal(null);
    await change({ language: 'de' }).expect(200);
    await change({ name: 'I. Marrable-Otte' }).expect(200);
    expect(await tenancy()).to.include({ language: 'de', name: 'I. Marrable-Otte' });
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    expect(job.title).to.equal('Türdichtung der Waschmaschine reinigen');
    expect(job.stops.join()).to.contain('Stecker');
    expect((await house.manager.get(`/jobs/${job.id}`).expect(200)).body.title).to.contain('door seal');
    await change({ language: 'xx' }).expect(422);
  });
  it('keep a board for each language', async () => {
    const names = async (caller: { get: House['manager']['get'] }) =>
      (await caller.get('/board').expect(200)).body.types.map(({ name }: { name: string }) => name);
    const { caller: other } = await hire(house, 'manager', 'otte@saltmarsh.example', 'K. Otte');
    await other.put('/me/preferences', { language: 'de' }).expect(200);
    for (let turn = 0; turn < 2; turn += 1) {
      expect(await names(house.manager))
        .to.include('Lint screen')
        .and.not.to.include('Flusensieb');
      expect(await names(other))
        .to.include('Flusensieb')
        .and.not.to.include('Lint screen');
    }
  });
  it('write down what others read later in the office’s language, and tell the doer in theirs', async () => {
    await flat.tenant.put('/me/preferences', { language: 'de' }).expect(200);
    const job = await give(house, flat.tenant, flat.tenantId, [flat.points[BOOT]!]);
    await flat.tenant
      .post(`/jobs/${job.id}/moves`, { move: 'notAble', reason: 'partMissing', note: '', revision: job.revision })
      .expect(200);
    const row = (await house.env.store.db.job.one({ id: job.id }))!;
    expect(row.reason).to.equal('a part is missing');
    const [back] = (await house.manager.get('/hand-backs').expect(200)).body.open;
    expect(back.says).to.equal('A part is missing');
    const refused = await flat.tenant
      .post(`/jobs/${job.id}/moves`, { move: 'start', revision: job.revision })
      .expect(404);
    expect(refused.body.detail).to.equal('Hier ist nichts, oder es ist nicht für Sie.');
  });
  it('reach whoever is on duty in a letter of their language', async () => {
    const post = await openStandIn();
    const { caller: staff, id } = await hire(house);
    await staff.put('/me/preferences', { language: 'de' }).expect(200);
    const mail = { host: '127.0.0.1', port: post.port, secure: 'no', user: '', password: null, from: 'o@s.example' };
    await house.manager.post('/duty', { people: [id], minutes: 10, webhook: null, mail }).expect(200);
    await flat.tenant.post('/alarms', { id: v7(), machineId: flat.machineId, kind: 'gas', note: 'smells' }).expect(200);
    await callOnDuty(house.env);
    const [letter] = post.letters();
    expect(letter!.subject).to.equal('NICHT SICHER: Nicht sicher: Gasgeruch, Flat 1A');
    expect(letter!.text).to.contain('Waschmaschine, Frontlader').and.to.contain('In ihren Worten: smells');
    await post.close();
  });
  it('give every person their units, and a program others where it asks', async () => {
    const fridge = await registerFlat(house, 'refrigerator', 'Flat 2');
    const job = await give(house, fridge.tenant, fridge.tenantId, [fridge.points['refrigerator.temperatures']!]);
    const unit = async (asked?: string) => {
      const call = fridge.tenant.get(`/jobs/${job.id}`);
      const { body } = await (asked ? call.set('x-units', asked) : call).expect(200);
      return body.steps
        .flatMap(({ needs }: { needs: { reading: { unit: string } | null }[] }) => needs)
        .find(({ reading }: { reading: object | null }) => reading)!.reading.unit;
    };
    expect(await unit()).to.equal('°C');
    await office({ units: 'us' }).expect(200);
    expect(await unit()).to.equal('°F');
    expect(await unit('metric')).to.equal('°C');
    await fridge.tenant.put('/me/preferences', { units: 'metric' }).expect(200);
    expect(await unit()).to.equal('°C');
    await fridge.tenant.put('/me/preferences', { language: 'de' }).expect(200);
    expect(await unit(), 'the language alone').to.equal('°C');
  });
  it('write every amount in the office’s currency, as its reader writes amounts', async () => {
    await house.manager.post('/prices', { staffHour: 40, door: 25, hoursAMonth: null, materials: {} }).expect(200);
    await house.manager.post('/approval-limit', { amount: 120 }).expect(200);
    const { caller: staff } = await hire(house);
    const id = v7();
    await flat.tenant.post('/faults', { id, machineId: flat.machineId, symptom: 'washer.smell' }).expect(200);
    const close = {
      cause: 'other',
      found: 'The pump',
      remedy: 'replaced',
      minutes: 10,
      cost: 240.5,
      payer: 'landlord',
    };
    const refused = async () => (await staff.post(`/faults/${id}/close`, close).expect(409)).body.detail;
    expect(await refused()).to.contain('Above €120 ');
    await office({ currency: 'CHF' }).expect(200);
    expect(await refused()).to.match(/^Above CHF\s120 /);
    await staff.put('/me/preferences', { language: 'de' }).expect(200);
    expect(await refused()).to.match(/^Über 120\sCHF /);
    expect((await house.manager.get('/practice/preview/organisation/-').expect(200)).body.currency).to.equal('CHF');
    for (const wrong of ['euros', 'eur', '', '€']) await office({ currency: wrong }).expect(422);
    await staff.get('/office').expect(403);
    await staff.put('/office', { language: 'de', units: 'us', currency: 'USD' }).expect(403);
  });
  it('print papers and labels in the language of whoever prints', async () => {
    await house.manager.put('/me/preferences', { language: 'de' }).expect(200);
    const paper = async (path: string) => (await readPaper(house.manager.get(path))).text;
    expect(await paper('/standing/report/owner')).to.contain('Wie die Wohnungen stehen');
    expect(await paper(`/tapes/machine/${flat.machineId}/history`)).to.contain('Geschichte einer Maschine');
  });
  it('take a table in any language that we speak, whatever the sender reads', async () => {
    const csv = 'Liegenschaft,Einheit,Maschine,Ohne\nThe Ropewalk,Flat 9,Spülmaschine,Sprüharme\n';
    const columns = ['property', 'unit', 'machine', 'leftOut'];
    const { body } = await house.manager.post('/register/table', { csv, columns, zone: 'Europe/Dublin' }).expect(200);
    expect(body).to.include({ rows: 1, machines: 1 });
    const machine = (await house.env.store.db.machine.one({ type: 'dishwasher' }))!;
    expect(JSON.parse(machine.leftOut)).to.deep.equal(['dishwasher.sprayArms']);
  });
  it('take the first of somebody’s languages that we speak', () => {
    expect(languageAmong(['de-CH'])).to.equal('de');
    expect(languageAmong(['fr', 'DE', 'en'])).to.equal('de');
    expect(languageAmong(['*'])).to.equal('en');
    expect(languageAmong([])).to.equal('en');
  });
});
