/** Hears how far the server is with long work: server-sent events, for as long as it goes on. */
import { pathOf } from '../../contract/calls.ts';
import { OVER, type LongWork, type Progress } from '../../contract/pages/progress.ts';

/**
 * Hears of what this person has begun. @param over hears the end, and ends the hearing
 * @returns what stops hearing
 */
export function hearProgress(tell: (progress: Progress) => void, over?: () => void): () => void {
  const source = new EventSource(`/api${pathOf('progress.watch', {})}`);
  source.onmessage = ({ data }: MessageEvent<string>) => tell(JSON.parse(data) as Progress);
  // Without somebody to hear the end it comes back by itself: what it waits for has not begun yet.
  source.addEventListener(OVER, () => {
    if (over) source.close();
    over?.();
  });
  source.onerror = () => {
    if (source.readyState === EventSource.CLOSED) over?.();
  };
  return () => source.close();
}

/** Does what the server takes long for, and hears its share, 0 to 1, meanwhile. */
export async function hearing<T>(work: LongWork, tell: (share: number) => void, run: () => Promise<T>): Promise<T> {
  const stop = hearProgress(({ shares }) => {
    if (shares[work] !== undefined) tell(shares[work]);
  });
  try {
    return await run();
  } finally {
    stop();
  }
}
