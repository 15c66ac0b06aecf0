import { expect } from 'chai';
import { v7 } from 'uuid';
import { OVER, type Progress } from '../../contract/pages/progress.ts';
import { STREAMS } from '../../server/http/progressStream.ts';
import { hire, openHouse, ZONE, type Caller, type House } from './house.ts';

/** Messages of a stream of server-sent events, as HTML's Living Standard, 9.2.6, has them. */
function messagesOf(text: string): { readonly event: string; readonly data: string }[] {
  return text
    .split('\n\n')
    .map((block) => {
      const fields = block.split('\n').map((line) => line.split(/: ?(.*)/s));
      const of = (name: string) => fields.find(([field]) => field === name)?.[1];
      return { event: of('event') ?? 'message', data: of('data') };
    })
    .flatMap(({ event, data }) => (data === undefined ? [] : [{ event, data }]));
}

/** Whoever waits for long work is told how far it is, until it is over. */
describe('Progress, as server-sent events', () => {
  let house: House;
  const FLATS = 600;
  before(async () => {
    house = await openHouse();
  });
  after(() => house.close());

  async function hear(caller: Caller): Promise<Progress[]> {
    const { text, headers } = await caller.get('/progress').expect(200);
    expect(headers['content-type']).to.match(/^text\/event-stream/);
    const messages = messagesOf(text);
    expect(messages.at(-1)!.event).to.equal(OVER);
    return messages.slice(0, -1).map(({ data }) => JSON.parse(data) as Progress);
  }
  /** Heard again and again, as a browser comes back, until the work is done. */
  async function heardDuring(caller: Caller, begin: () => PromiseLike<unknown>): Promise<Progress[]> {
    const heard: Progress[] = [];
    let done = false;
    const work = Promise.resolve(begin()).finally(() => (done = true));
    while (!done) heard.push(...(await hear(caller)));
    await work;
    return heard;
  }
  const csv = [
    'Property,Address,Unit,Machine',
    ...Array.from({ length: FLATS }, (_, i) => `Long Court,1 Long Court,Flat ${i + 1},Washer front load`),
  ].join('\n');
  const table = { csv, columns: ['property', 'address', 'unit', 'machine'], zone: ZONE };

  it('ends at once where nothing is under way', async () => {
    expect(await hear(house.manager)).to.deep.equal([{ linesLeft: 0, shares: {} }]);
  });

  it('tells an import’s share as it grows and the lines it leaves, to the end of both', async () => {
    const heard = await heardDuring(house.manager, () => house.manager.post('/register/table', table).expect(200));
    heard.push(...(await hear(house.manager)));
    const shares = heard.flatMap(({ shares: { import: share } }) => (share === undefined ? [] : [share]));
    expect(shares).not.to.have.length(0);
    expect(shares).to.deep.equal([...shares].sort((a, b) => a - b));
    expect(heard.at(-1)).to.deep.equal({ linesLeft: 0, shares: {} });
  });

  it('tells lines that wait of the whole office, and shares to nobody but whose work it is', async () => {
    const { caller: staff } = await hire(house, 'staff', 'hollis@saltmarsh.example');
    const { propertyId } = (await house.env.store.db.place.one({ name: 'Flat 1' }))!;
    await house.manager.post('/practice', { scope: 'property', subjectId: propertyId, practice: 'light' }).expect(200);
    const waited = await hear(staff);
    expect(waited[0]!.linesLeft).to.be.above(0);
    expect(waited.at(-1)!.linesLeft).to.equal(0);
    await house.env.progress.during(v7(), 'import', async (tell) => {
      tell(0.5);
      expect(await hear(staff)).to.deep.equal([{ linesLeft: 0, shares: {} }]);
    });
  });

  it('is refused from the seventh stream of one person on, and opens again when one has ended', async () => {
    let end = (): void => undefined;
    const { personId } = (await house.env.store.db.roleGrant.one({ role: 'manager' }))!;
    const work = house.env.progress.during(personId, 'preview', () => new Promise<void>((done) => (end = done)));
    const streams = Array.from({ length: STREAMS + 1 }, () =>
      house.manager.get('/progress').then(({ status }) => status),
    );
    expect(await Promise.race(streams)).to.equal(429);
    end();
    await work;
    expect((await Promise.all(streams)).filter((status) => status === 200)).to.have.length(STREAMS);
    await hear(house.manager);
  });
});
