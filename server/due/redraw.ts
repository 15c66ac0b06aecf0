/**
 * Lines that are drawn after the write that moved them: a change of practice moves thousands, and nobody's write waits
 * for that. They are drawn in pieces, each a write of its own, and taken up again after a restart.
 */
import type { Env, Redrawing } from '../context/context.ts';
import { countPutOff, readPutOff } from '../sql/redraw.ts';
import { recomputeNow } from './recompute.ts';

/** Points of one piece: some 20 ms, so that whoever writes meanwhile waits no longer. */
const PIECE = 30;

/** Draws what was put off, one piece after the other, until nothing is left or it is stopped. */
export function redrawing({ store }: Pick<Env, 'store'>): Redrawing {
  let running: Promise<void> | null = null;
  let stopped = false;

  const drawPiece = () =>
    store.write(async (db) => {
      const { ids, at } = await readPutOff(db, PIECE);
      await recomputeNow(db, ids, at);
      return ids.length > 0;
    });
  async function drawAll(): Promise<void> {
    let more = (await countPutOff(store.db)) > 0;
    while (more && !stopped) more = await drawPiece();
  }
  return {
    run() {
      // Whoever asks while it runs is served by the same run: it ends when nothing is left.
      return (running ??= drawAll().finally(() => {
        running = null;
      }));
    },
    async stop() {
      stopped = true;
      await running?.catch(() => undefined);
    },
  };
}
