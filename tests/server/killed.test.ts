import { expect } from 'chai';
import { killWhileSending } from './killing.ts';

/** A few of them in every run; a hundred in `npm run bench:doing`. */
const KILLS = 6;

describe('A server killed with SIGKILL in the middle of submissions', function killed() {
  it('has every record and photo that it acknowledged, and a log that verifies', async () => {
    const { photos, records, faults, lost, broken } = await killWhileSending(KILLS);
    console.log(`      ${KILLS} kills: ${photos} photos, ${records} records, ${faults} faults acknowledged`);
    expect(lost).to.deep.equal([]);
    expect(broken).to.deep.equal([]);
    expect(Math.min(photos, records, faults)).to.be.above(KILLS);
  });
});
