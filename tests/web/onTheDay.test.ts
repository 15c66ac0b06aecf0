import { expect } from 'chai';
import type { Page } from 'playwright-core';
import { v7 } from 'uuid';
import { dayOfInstant, instantOfDay } from '../../core/calendar/day.ts';
import { tellHouseholds } from '../../server/notices/telling.ts';
import { hire, registerFlat, ZONE, type Flat, type House } from '../server/house.ts';
import { DESK, expectFit, expectThumbs, openStage, PHONE, type Stage } from './browser.ts';
import { MANAGER_EMAIL, openOffice, signIn } from './office.ts';
import { story } from '../story.ts';

/** A round on its day: nobody home, a part that does not fit, held up; with a connection and below ground. */
describe('A round on its day, in a browser', function onTheDay() {
  story(this);
  let stage: Stage;
  let house: House;
  const flats: Flat[] = [];
  let manager: Page;
  let staff: Page;
  let tenant: Page;
  let staffId = '';
  const today = dayOfInstant(Date.now(), ZONE);
  const MINUTE = 60_000;

  /** A stop of today, whose household was told of the time from midnight until a minute. */
  async function stop(flat: Flat, fromMinute: number, until: number | null): Promise<void> {
    const { organisationId } = (await house.env.store.db.place.one({ id: flat.placeId }))!;
    const visitId = until === null ? null : v7();
    const at = house.env.clock();
    const unanswered = { answer: 'none', answeredAt: null, answeredBy: null } as const;
    const otherTime = { otherDay: null, otherFrom: null, otherUntil: null };
    const delivered = { deliveredAt: at - 48 * 60 * MINUTE, deliveredBy: null };
    const of = { organisationId, placeId: flat.placeId, personId: staffId, day: today, createdAt: at };
    await house.env.store.write(async (db) => {
      if (visitId !== null)
        await db.visit.insert({
          id: visitId,
          ...of,
          tenantId: flat.tenantId,
          fromMinute: 0,
          untilMinute: until!,
          purpose: 'Washer: tub',
          state: 'announced',
          turn: 0,
          ...unanswered,
          ...otherTime,
          ...delivered,
          note: '',
          createdBy: staffId,
        });
      const times = { fromMinute, untilMinute: fromMinute + 20, backMinute: null, overMinute: null };
      await db.roundStop.insert({ id: v7(), ...of, ...times, numbers: JSON.stringify(flat.numbers), visitId });
    });
  }
  const itemOf = (place: string) =>
    staff.getByRole('listitem').filter({ has: staff.getByRole('link', { name: place }) });
  const came = async (place: string, what: string): Promise<void> => {
    await itemOf(place)
      .getByRole('button', { name: `Something came between: ${place}` })
      .click();
    await staff.getByRole('button', { name: what }).click();
  };

  before(async () => {
    stage = await openStage();
    ({ house } = await openOffice(stage));
    ({ id: staffId } = await hire(house));
    const mail = { host: '127.0.0.1', port: stage.running.standInPort, secure: 'no', user: '', password: null };
    await house.manager
      .post('/duty', { people: [], minutes: 10, webhook: null, mail: { ...mail, from: 'office@saltmarsh.example' } })
      .expect(200);
    for (const name of ['Flat 6A', 'Flat 6B', 'Flat 6C', 'Flat 6D']) {
      const flat = await registerFlat(house, 'washer', name);
      flats.push(flat);
      const email = `${name.at(-1)!.toLowerCase()}@harbour.example`;
      await house.manager.put(`/tenancies/${flat.tenancyId}/contact`, { way: 'mail', email }).expect(200);
    }
    await stop(flats[0]!, 1, 1439);
    await stop(flats[1]!, 2, null);
    await stop(flats[2]!, 3, null);
    // Their time is over already.
    await stop(flats[3]!, 4, 5);
    [manager, staff, tenant] = [await stage.page(DESK), await stage.page(PHONE), await stage.page(PHONE)];
    await signIn(manager, MANAGER_EMAIL);
    await signIn(staff, 'hollis@saltmarsh.example');
  });
  after(() => stage.close());

  it('says by two taps that nobody was home, and is offered another day', async () => {
    await staff.goto('/round');
    await staff.getByText('Flat 6A').waitFor();
    await came('Flat 6A', 'Nobody home');
    await staff.getByText('The office sees it.').waitFor();
    await itemOf('Flat 6A')
      .getByText(/^Nobody home, .*They will be told\.$/)
      .waitFor();
    await staff.getByRole('heading', { name: 'What is left today' }).waitFor();
    await expectFit(staff, 'what came between, on a phone');
    await expectThumbs(staff, 'what came between, on a phone');
  });

  it('is proposed another order and nothing is imposed: whoever is reached later is told', async () => {
    const order = staff.getByRole('region', { name: 'What is left today' });
    await order.getByText(/^In another order people wait less/).waitFor();
    // Whose time is over goes first; the others as they stood.
    expect((await order.getByRole('listitem').allInnerTexts()).map((it) => /6[A-D]/.exec(it)![0])).to.deep.equal([
      '6D',
      '6B',
      '6C',
    ]);
    const shown = (await itemOf('Flat 6B').locator('b').first().innerText()).trim();
    expect(shown, 'nothing is changed before it is taken').to.equal('00:02');
    await order.getByRole('button', { name: 'Take this order' }).click();
    await staff.getByText('The times are as shown; one household is told.').waitFor();
    const places = await staff.getByRole('link', { name: /^Flat 6/ }).allInnerTexts();
    expect(places.filter((it) => it !== 'Flat 6A')).to.deep.equal(['Flat 6D', 'Flat 6B', 'Flat 6C']);
  });

  it('reaches both households by letter, and one of them agrees to the later time', async () => {
    // As if it were after the quiet hours, a quarter of an hour later.
    const noon = Math.max(Date.now() + 15 * MINUTE, instantOfDay(today + 1, 12 * 60, ZONE));
    expect(await tellHouseholds({ ...stage.running.env, clock: () => noon })).to.equal(2);
    const letters = stage.running.env.letters!();
    expect(
      letters.map(({ subject }) => subject.replace(/[,:].*(was there|comes later).*/, ' $1')).sort(),
    ).to.deep.equal(['Flat 6A was there', 'Flat 6D comes later']);
    const late = letters.find(({ subject }) => subject.startsWith('Flat 6D'))!;
    await tenant.goto(/https?:\S+/.exec(late.text)![0]);
    await tenant.getByRole('heading', { name: 'Somebody comes' }).waitFor();
    await tenant.getByRole('button', { name: /^That is right|^Yes/ }).click();
    await tenant.getByText('Agreed. Thank you.').waitFor();
    await staff.reload();
    await itemOf('Flat 6D').getByText('Agreed.').waitFor();
  });

  it('waits on the phone below ground, and reaches the office when there is a connection again', async () => {
    await staff.context().setOffline(true);
    await came('Flat 6B', 'No key');
    await staff.getByText('Kept on this phone; it goes out as soon as there is a connection.').waitFor();
    await itemOf('Flat 6B').getByText('No key: waits on this phone.').waitFor();
    await staff.getByRole('button', { name: 'Not now' }).click();
    await staff.context().setOffline(false);
    await itemOf('Flat 6B')
      .getByText(/^No key, /)
      .or(staff.getByText('No key: waits on this phone.'))
      .first()
      .waitFor();
    await manager.goto('/rounds');
    const came6B = manager.getByRole('listitem').filter({ hasText: 'Flat 6B' });
    for (let tries = 0; tries < 30 && (await came6B.count()) === 0; tries++) {
      await staff.reload();
      await staff.getByText('Flat 6B').waitFor();
      await manager.reload();
      await manager.getByRole('heading', { name: 'Came between on rounds' }).waitFor();
    }
    await came6B.getByText('No key').waitFor();
  });

  it('names a part that does not fit, and tells how much longer it takes', async () => {
    await staff.reload();
    await came('Flat 6C', 'A part does not fit');
    await staff
      .getByRole('button', { name: /Lint screen|Tub|Drain pump/i })
      .first()
      .click();
    await itemOf('Flat 6C')
      .getByText(/^A part does not fit, /)
      .waitFor();
    await came('Flat 6D', 'It takes longer here');
    await staff.getByRole('button', { name: '30 min longer' }).click();
    await itemOf('Flat 6D')
      .getByText(/^It takes 30 min longer, /)
      .waitFor();
  });

  it('stands before the manager, who lets somebody come again by one press', async () => {
    await manager.goto('/today');
    await manager.getByRole('link', { name: /^Something came between on rounds, \d times$/ }).click();
    const list = manager.getByRole('region', { name: 'Came between on rounds' });
    const row = list.getByRole('listitem').filter({ hasText: 'Flat 6A' });
    await row.getByText('They have been told.').waitFor();
    await expectFit(manager, 'what came between, at the office');
    const before = await list.getByRole('listitem').count();
    await row.getByRole('button', { name: /^Come again on / }).click();
    await row.waitFor({ state: 'detached' });
    await list.getByRole('button', { name: /^Seen to: Flat 6C/ }).click();
    await list.getByText('Flat 6C').waitFor({ state: 'detached' });
    expect(await list.getByRole('listitem').count()).to.equal(before - 2);
    await staff.reload();
    await itemOf('Flat 6A')
      .getByText(/Comes again on /)
      .waitFor();
    await staff.getByRole('button', { name: 'The next' }).click();
    await staff.getByText('Flat 6A').waitFor();
  });
});
