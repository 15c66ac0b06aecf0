/** Begins what makes the app work without a connection: the worker that keeps its pages, and the way out. */
import { keepSending } from './outbox.ts';

/** The worker takes the whole app down; that waits until the first screen is there. */
const WORKER_AFTER_MS = 4000;

export function startOutbox(): void {
  keepSending();
  setTimeout(() => void navigator.serviceWorker?.register('/worker.js').catch(() => undefined), WORKER_AFTER_MS);
}
