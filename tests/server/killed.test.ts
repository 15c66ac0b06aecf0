import { expect } from 'chai';
import { killWhileSending } from './killing.ts';
import { killWhileTelling } from './killingLetters.ts';

/** A few of them in every run; a hundred in `npm run bench:doing` and `npm run bench:letters`. */
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

describe('A server killed with SIGKILL in the middle of sending letters', () => {
  it('sends no reminder twice and loses nothing that is about safety, and its books say what went out', async () => {
    const { twice, lost, wrong, unsure, again } = await killWhileTelling(KILLS);
    console.log(`      ${KILLS} kills: ${unsure} reminders unsure, ${again} safety letters again under their id`);
    expect(twice).to.deep.equal([]);
    expect(lost).to.deep.equal([]);
    expect(wrong).to.deep.equal([]);
    expect(unsure + again).to.be.above(0);
  });
});
