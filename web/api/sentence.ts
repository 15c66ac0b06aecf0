/** Failures in a sentence. */
import { say } from '../language/say.ts';
import { Problem } from './api.ts';

/** What a person is told of a failure. */
export function sentenceOf(error: unknown): string {
  if (!(error instanceof Problem)) return say('failed');
  if (error.status === 0) return say('offline');
  return error.message === 'unknown' ? say('failed') : error.message;
}
