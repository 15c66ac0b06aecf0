/** Long work that lets others be answered in between. */

/** Nobody waits longer than this for one piece of it, milliseconds. */
const PIECE_MS = 10;
/** A request is answered in steps, between which it waits for its rows; so long, at most, work stands aside for them. */
const ASIDE_MS = 20;
/** Turns of the event loop that it stands aside at least. With nobody there they cost nothing. */
const TURNS = 10;

/** Requests that are being answered, long ones too. */
let answering = 0;

/** Says that a request is being answered. @returns what says that it was */
export function beginAnswer(): () => void {
  answering += 1;
  let over = false;
  return () => {
    if (!over) answering -= 1;
    over = true;
  };
}

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
  const since = performance.now();
  // One of them is the work itself.
  for (let turn = 0; turn < TURNS || (answering > 1 && performance.now() - since < ASIDE_MS); turn += 1)
    await new Promise<void>((done) => setImmediate(done));
}
