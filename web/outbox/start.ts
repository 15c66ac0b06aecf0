/** Begins what makes the app work without a line: the worker that keeps its pages, and the way out. */
import { keepSending } from './outbox.ts';

export function startOutbox(): void {
  void navigator.serviceWorker?.register('/worker.js').catch(() => undefined);
  keepSending();
}
