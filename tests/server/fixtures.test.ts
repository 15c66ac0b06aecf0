import { expect } from 'chai';
import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import request from 'supertest';
import { bringUpToDate } from '../../server/clock/upgrade.ts';
import { leafHash } from '../../server/log/log.ts';
import { openFixture } from '../fixtures/openOffice.ts';

const FIXTURES = join(import.meta.dirname, '../fixtures');
const offices = readdirSync(FIXTURES).filter((name) => name.startsWith('office-'));
type Fixture = Awaited<ReturnType<typeof openFixture>>;

describe('Offices that earlier versions wrote', () => {
  it('are there', () => expect(offices).to.include('office-b0f20c3'));
  for (const name of offices)
    describe(name, () => {
      let office: Fixture;
      before(async () => {
        office = await openFixture(name);
      });
      after(() => office.close());
      const entries = () => office.env.store.db.logEntry.all({}, { order: [['sequence', 'ASC']] });
      const counts = async () => {
        const { message, job, alarmCall, visit } = office.env.store.db;
        return Promise.all([message, job, alarmCall, visit].map((table) => table.count({})));
      };

      it('are brought up to date without a new job, message, call or visit', async () => {
        const before = { counts: await counts(), log: await entries() };
        await bringUpToDate(office.env);
        expect({ counts: await counts(), log: await entries() }).to.deep.equal(before);
      });
      it('have a log whose every entry has the hash of its text', async () => {
        const log = await entries();
        expect(log.length).to.be.above(4000);
        expect(log.filter(({ canonical, leafHash: leaf }) => leafHash(canonical) !== leaf)).to.deep.equal([]);
      });
      it('let their manager in, and show the same homes, compliance, alarms and plan', async () => {
        const manager = office.caller();
        await manager.open('/session', office.access.manager);
        const board = (await manager.get('/board').expect(200)).body;
        const names = board.rows.map(({ name: home }: { name: string }) => home);
        expect(names).to.include.members([...office.access.homes]);
        expect(board.waiting.alarms.length).to.be.above(0);
        const standing = (await manager.get('/standing').expect(200)).body;
        expect(standing).to.include({ began: '2025-06-05', today: '2026-12-02' });
        expect(standing.whole.figures.days).to.deep.equal({ known: 19788, past: 7883, unknown: 12988, held: 17 });
        expect(standing.whole.figures.standing.onTime).to.deep.equal({ count: 414, of: 424 });
        const { plan } = (
          await manager.get(`/plan?with=${encodeURIComponent(JSON.stringify({ week: 1 }))}`).expect(200)
        ).body;
        expect(plan.visits.some(({ takenOver }: { takenOver: boolean }) => takenOver)).to.equal(true);
        const procedure = (await manager.get('/procedures/dishwasher.filter').expect(200)).body;
        expect(procedure).to.include({ number: 1, minutes: 26 });
        expect((await manager.get('/machine-definitions').expect(200)).body.machines).to.have.length(1);
      });
      it('open by the links, the token and the calendar address that were handed out', async () => {
        for (const path of Object.values(office.access.links)) {
          const tenant = office.caller();
          await tenant.open('/link', { token: path.split('#')[1] });
          await tenant.get('/home').expect(200);
        }
        await request(office.app).get('/api/homes').set('authorization', `Bearer ${office.access.token}`).expect(200);
        expect((await office.caller().get(office.access.feed).expect(200)).text).to.contain('BEGIN:VCALENDAR');
      });
      it('say of homes whose baseline weeks are over that nothing is recorded, and keep those weeks', async () => {
        const { db } = office.env.store;
        const machines = await db.machine.all({ placeId: [...office.access.sluice], type: ['washer', 'dishwasher'] });
        const points = (await db.point.all({ machineId: machines.map(({ id }) => id) })).map(({ id }) => id);
        expect((await db.mark.all({ pointId: points })).every(({ servedDay }) => servedDay === 0)).to.equal(true);
        const weeks = await db.fact.all({ subjectId: points, name: 'baseline' });
        expect(weeks).to.have.length(66);
      });
    });
});
