/** Wrong guesses outlive a restart: read before anybody is let in, written a moment after they were made. */
import type { Env } from '../context/context.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import { below } from '../store/where.ts';

/** After a day without another guess nobody is kept waiting for those before. */
const FORGOTTEN_MS = MS_PER_DAY;

/** Goes on from what was counted before the server began. */
export async function recallGuesses({
  store,
  guesses,
  clock,
}: Pick<Env, 'store' | 'guesses' | 'clock'>): Promise<void> {
  const over = { at: below(clock() - FORGOTTEN_MS) };
  if ((await store.db.guess.count(over)) > 0) await store.write((db) => db.guess.remove(over));
  guesses.takeUp(await store.db.guess.all({}, { order: [['at', 'ASC']] }));
}

/** Writes what was counted since the last time; nothing where nothing was. */
export async function keepGuesses({ store, guesses }: Pick<Env, 'store' | 'guesses'>): Promise<void> {
  const { kept, dropped } = guesses.changes();
  if (kept.length + dropped.length === 0) return;
  await store.write(async (db) => {
    await db.guess.remove({ id: [...dropped, ...kept.map(({ id }) => id)] });
    await db.guess.insertMany(kept);
  });
}
