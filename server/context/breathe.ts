/** Long work that lets others be answered in between. */

/** Nobody waits longer than this for one piece of it, milliseconds. */
const PIECE_MS = 10;
/**
 * An answer takes some turns of the event loop: its head, its session, its rows, its body. With nobody there they cost
 * nothing.
 */
const TURNS = 10;

/**
 * Work's own breath: called again and again, it gives way to whoever waits once a piece of time is used up.
 * @example const breathe = breather(); for (const row of rows) { take(row); await breathe(); }
 */
export function breather(): () => Promise<void> | undefined {
  let began = performance.now();
  return () => {
    if (performance.now() - began < PIECE_MS) return undefined;
    return giveWay().then(() => {
      began = performance.now();
    });
  };
}

async function giveWay(): Promise<void> {
  for (let turn = 0; turn < TURNS; turn += 1) await new Promise<void>((done) => setImmediate(done));
}
