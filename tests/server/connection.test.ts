import { expect } from 'chai';
import { v7 } from 'uuid';
import { leafHash } from '../../server/log/log.ts';
import { sendOverABadConnection } from './dropping.ts';
import { type Flat, honestWork, type House, openFlat } from './house.ts';

/** Some in every run; two hundred in `npm run bench:doing`. */
const ROUNDS = 40;

describe('A connection that drops, doubles, delays and reorders', function connection() {
  let house: House;
  let flat: Flat;
  before(async () => {
    ({ house, flat } = await openFlat());
  });
  after(() => house.close());

  it(`loses nothing, doubles nothing and keeps the order in ${ROUNDS} rounds`, async () => {
    const { tries, sent, had, photos, usedPhotos, left, order } = await sendOverABadConnection(ROUNDS);
    expect(left).to.equal(0);
    expect(had).to.deep.equal(sent);
    expect(photos).to.equal(ROUNDS);
    expect(usedPhotos).to.equal(ROUNDS);
    expect(order).to.deep.equal([...order].sort((a, b) => a - b));
    expect(order).to.have.length(2 * ROUNDS);
    console.log(
      `      ${ROUNDS} rounds: ${tries.dropped} dropped, ${tries.unanswered} taken without an answer, ${tries.doubled} doubled, ${tries.late} late`,
    );
    expect(Math.min(...Object.values(tries))).to.be.above(ROUNDS / 20);
  });

  it('takes the same submission five times as one, and keeps one log entry for it', async () => {
    const {
      env: {
        store: { db },
      },
    } = house;
    const jobId = v7();
    await house.manager
      .post('/jobs', { id: jobId, pointIds: [flat.points['washer.doorBoot']], assigneeId: flat.tenantId })
      .expect(200);
    const { body: job } = await flat.tenant.get(`/jobs/${jobId}`).expect(200);
    const form = await honestWork(house, flat.tenant, job);
    const key = v7();
    const answers = [];
    // Each try says anew what the clock shows, as a device does; one of them a year off.
    for (const off of [0, 1000, 90_000, 365 * 86_400_000, 2000])
      answers.push(
        (
          await flat.tenant
            .post(`/jobs/${jobId}/submission`, { ...form, deviceAt: form.deviceAt + off }, key)
            .expect(200)
        ).body,
      );
    expect(new Set(answers.map((it) => JSON.stringify(it)))).to.have.length(1);
    const records = await db.record.all({ jobId });
    expect(records).to.have.length(1);
    const entries = await db.logEntry.all({ subjectId: records[0]!.id });
    expect(entries.map(({ kind, leafHash: leaf, canonical }) => [kind, leaf === leafHash(canonical)])).to.deep.equal([
      ['record', true],
    ]);
  });
});
