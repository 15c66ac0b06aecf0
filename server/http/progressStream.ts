/** Long work as server-sent events (HTML Living Standard, 9.2): how far it is, for as long as it goes on. */
import type { Response } from 'express';
import { OVER, type Progress } from '../../contract/pages/progress.ts';
import type { Call } from '../context/context.ts';
import { Problem } from '../context/problem.ts';
import { countPutOff } from '../sql/redraw.ts';

/** How often it is looked at, ms; told is what has changed. */
const EVERY_MS = 200;
/** A browser comes back after so long where it still waits for something, ms. */
const RETRY_MS = 300;
/** A stream ends after so long, ms: whoever comes back is recognised anew. */
const LONGEST_MS = 60_000;
/** Streams of one person, on all their screens. */
export const STREAMS = 6;

/**
 * Makes what streams progress; it ends at once where nothing is under way.
 * @throws Problem: tooMany (429) for more streams of one person than `STREAMS`
 */
export function progressStreams(): (call: Call, response: Response) => Promise<void> {
  const open = new Map<string, number>();
  return async (call, response) => {
    const { personId } = call.actor;
    const count = open.get(personId) ?? 0;
    if (count >= STREAMS) throw new Problem(429, 'tooMany');
    open.set(personId, count + 1);
    try {
      response.set({
        'content-type': 'text/event-stream',
        'cache-control': 'no-store, no-transform',
        // A proxy in front hands each event on as it comes.
        'x-accel-buffering': 'no',
      });
      response.write(`retry: ${RETRY_MS}\n\n`);
      // Long work stands aside for requests that wait for an answer; this one has it.
      response.emit('answered');
      await tellWhile(call, response);
      response.end();
    } finally {
      const left = open.get(personId)! - 1;
      if (left === 0) open.delete(personId);
      else open.set(personId, left);
    }
  };
}

async function tellWhile({ db, env, actor }: Call, response: Response): Promise<void> {
  const until = performance.now() + LONGEST_MS;
  let told = '';
  while (!response.destroyed && performance.now() < until) {
    const progress: Progress = {
      linesLeft: await countPutOff(db, actor.organisationId),
      shares: env.progress.of(actor.personId),
    };
    const text = JSON.stringify(progress);
    if (text !== told) response.write(`data: ${text}\n\n`);
    told = text;
    if (progress.linesLeft === 0 && Object.keys(progress.shares).length === 0) {
      response.write(`event: ${OVER}\ndata: {}\n\n`);
      return;
    }
    await new Promise((done) => setTimeout(done, EVERY_MS));
  }
}
