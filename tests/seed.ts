/**
 * Properties draw the same cases in every run: a red one is red again, and a green one is not luck. Chosen once; any
 * other would do. The package is there twice, as it is required and as it is imported, each with settings of its own.
 */
import { createRequire } from 'node:module';
import type fastCheck from 'fast-check';

const SEED = { seed: 20_261_126 };
(createRequire(import.meta.url)('fast-check') as typeof fastCheck).configureGlobal(SEED);

/** Mocha waits for this before the first test of a file. */
export const mochaHooks = {
  async beforeAll(): Promise<void> {
    (await import('fast-check')).default.configureGlobal(SEED);
  },
};
