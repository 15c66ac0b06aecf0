/** Killing a server in the middle of sending letters, again and again, and counting what a mail server took. */
import { spawn, type ChildProcess } from 'node:child_process';
import { rmSync } from 'node:fs';
import { resolve } from 'node:path';
import PostalMime from 'postal-mime';
import { SMTPServer } from 'smtp-server';
import { v7 } from 'uuid';
import { seeded } from '../../core/statistics/random.ts';
import { NO_CONTACT, type MessageKind } from '../../contract/notices/messages.ts';
import { messageRow } from '../../server/notices/planning.ts';
import { openStore } from '../../server/store/store.ts';
import { personRow } from '../../server/store/person.ts';
import { openHouse, registerFlat } from './house.ts';

export interface LetterCount {
  readonly kills: number;
  /** Letters that may go out once, and those that must. */
  readonly reminders: number;
  readonly safety: number;
  /** Ids of reminders that were taken twice, and of safety letters that were not taken at all. */
  readonly twice: readonly string[];
  readonly lost: readonly string[];
  /** Ids under which the books say otherwise than the mail server: sent, and never taken. */
  readonly wrong: readonly string[];
  /** Reminders of which nobody can say whether they went out; how many of them had. */
  readonly unsure: number;
  readonly unsureTaken: number;
  /** Safety letters that were taken more than once, under one id. */
  readonly again: number;
}

const CHILD = resolve(import.meta.dirname, 'letterChild.ts');
/** Longer than what was left by a stopped server is waited for. */
const BETWEEN_MS = 120_000;

/** A mail server that keeps everything, and answers after a moment that is drawn. */
async function openSink(random: () => number, onLetter: () => void) {
  const taken: string[] = [];
  const server = new SMTPServer({
    authOptional: true,
    disabledCommands: ['AUTH', 'STARTTLS'],
    onData(stream, _session, done) {
      const parts: Buffer[] = [];
      stream.on('data', (part: Buffer) => parts.push(part));
      stream.on('end', () => {
        void PostalMime.parse(Buffer.concat(parts)).then(({ messageId }) => {
          // Taken from here on, whether or not whoever sends it hears of it.
          taken.push(messageId!);
          onLetter();
          setTimeout(done, random() * 8);
        }, done);
      });
    },
  });
  server.on('error', () => undefined);
  await new Promise<void>((ready) => server.listen(0, '127.0.0.1', ready));
  const address = server.server.address();
  return { taken, port: typeof address === 'object' ? address!.port : 0, server };
}

export async function killWhileTelling(kills: number): Promise<LetterCount> {
  const random = seeded(kills);
  const house = await openHouse();
  const { env, clock, folder, manager } = house;
  let left = Infinity;
  let child: ChildProcess | undefined;
  const sink = await openSink(random, () => {
    left -= 1;
    // Before the answer, while it is on its way, or after it was written down.
    if (left === 0) setTimeout(() => child?.kill('SIGKILL'), random() * 12);
  });
  try {
    const flat = await registerFlat(house);
    await manager
      .post('/duty', {
        people: [],
        minutes: 10,
        webhook: null,
        mail: {
          host: '127.0.0.1',
          port: sink.port,
          secure: 'no',
          user: '',
          password: null,
          from: 'o@saltmarsh.example',
        },
      })
      .expect(200);
    const faultId = v7();
    await flat.tenant
      .post('/faults', { id: faultId, machineId: flat.machineId, symptom: 'washer.smell', note: '', photoIds: [] })
      .expect(200);
    // As many letters as the kills reach, first those about safety.
    const each = Math.ceil(kills * 1.25);
    const ids = await furnish(each);
    const { now } = clock;
    await env.store.close();
    for (let kill = 0; kill < kills; kill += 1) {
      left = 1 + Math.floor(random() * 4);
      await run(now + kill * BETWEEN_MS);
    }
    left = Infinity;
    // What was left last is taken up, then all the rest.
    for (const turn of [1, 2]) await run(now + (kills + turn) * BETWEEN_MS);
    return await count(kills, ids);

    /** Households with one job each, of which half hear for the first time; and alarms of which one household hears. */
    async function furnish(households: number): Promise<{ once: string[]; always: string[] }> {
      const { store } = env;
      return store.write(async (db) => {
        const { organisationId } = (await db.place.one({ id: flat.placeId }))!;
        const common = { organisationId, placeId: flat.placeId, notBefore: clock.now };
        const [once, always]: [string[], string[]] = [[], []];
        const reach = (tenancyId: string, email: string) =>
          db.fact.insert({
            id: env.newId(),
            organisationId,
            subjectId: tenancyId,
            name: 'contact',
            value: JSON.stringify({ ...NO_CONTACT, way: 'mail', email }),
            fromDay: 20_000,
            recordedAt: clock.now,
            recordedBy: flat.tenantId,
          });
        const tell = async (kind: MessageKind, personId: string, subjectId: string, to: string[]) => {
          const row = messageRow(env, { ...common, kind, personId, subjectId, turn: kind === 'reminder' ? 1 : 0 });
          await db.message.insert(row);
          to.push(row.id);
        };
        await reach(flat.tenancyId, 'marrable@harbour.example');
        for (let nth = 0; nth < households; nth += 1) {
          const [personId, tenancyId, jobId, alarmId] = [env.newId(), env.newId(), env.newId(), env.newId()];
          await db.person.insert(
            personRow({ id: personId, organisationId, name: `Household ${nth}`, createdAt: clock.now }),
          );
          await db.roleGrant.insert({ id: env.newId(), organisationId, personId, role: 'tenant' });
          await db.tenancy.insert({
            id: tenancyId,
            organisationId,
            placeId: flat.placeId,
            personId,
            fromDay: 20_000,
            toDay: null,
            createdAt: clock.now,
          });
          await reach(tenancyId, `household${nth}@harbour.example`);
          await db.job.insert({
            id: jobId,
            organisationId,
            machineId: flat.machineId,
            placeId: flat.placeId,
            assigneeId: personId,
            state: 'given',
            revision: 1,
            createdAt: clock.now,
            givenAt: clock.now,
            startedAt: null,
            reason: null,
            listId: null,
          });
          await db.task.insert({
            id: env.newId(),
            organisationId,
            jobId,
            pointId: flat.points['washer.tub']!,
            state: 'outstanding',
            sentBack: null,
          });
          if (nth % 2 === 0) await tell('asked', personId, jobId, once);
          else {
            await db.message.insert({
              ...messageRow(env, { ...common, kind: 'asked', personId, subjectId: jobId }),
              state: 'sent',
              sentAt: clock.now,
            });
            await tell('reminder', personId, jobId, once);
          }
          await db.alarm.insert({
            id: alarmId,
            organisationId,
            placeId: flat.placeId,
            machineId: flat.machineId,
            jobId: null,
            faultId,
            kind: 'gas',
            note: '',
            raisedAt: clock.now,
            raisedBy: flat.tenantId,
            acknowledgedAt: clock.now,
            acknowledgedBy: flat.tenantId,
            liftedAt: clock.now,
            liftedBy: flat.tenantId,
          });
          await tell('stopped', flat.tenantId, alarmId, always);
        }
        return { once, always };
      });
    }

    /** Runs the work of telling until it is killed or has nothing left. */
    async function run(at: number): Promise<void> {
      child = spawn(process.execPath, ['--import', 'tsx', CHILD, folder, String(at)], {
        stdio: ['ignore', 'pipe', 'inherit'],
      });
      await new Promise((over) => child!.once('exit', over));
    }

    async function count(of: number, { once, always }: { once: string[]; always: string[] }): Promise<LetterCount> {
      const taken = new Map<string, number>();
      for (const id of sink.taken) taken.set(id, (taken.get(id) ?? 0) + 1);
      const times = (id: string) => taken.get(`<message-${id}@dewline>`) ?? 0;
      const store = await openStore(`${folder}/dewline.sqlite`);
      const rows = await store.db.message.all({ id: [...once, ...always] });
      await store.close();
      const unsure = rows.filter(({ state }) => state === 'unsure');
      return {
        kills: of,
        reminders: once.length,
        safety: always.length,
        twice: once.filter((id) => times(id) > 1),
        lost: always.filter((id) => times(id) === 0),
        wrong: rows
          .filter(({ id, state }) => (state === 'sent') !== times(id) > 0 && state !== 'unsure')
          .map(({ id }) => id),
        unsure: unsure.length,
        unsureTaken: unsure.filter(({ id }) => times(id) > 0).length,
        again: always.filter((id) => times(id) > 1).length,
      };
    }
  } finally {
    sink.server.close();
    rmSync(folder, { recursive: true, force: true });
  }
}
