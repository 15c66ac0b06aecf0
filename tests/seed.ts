/**
 * What every test process starts with. Properties draw the same cases in every run: a red one is red again, and a green
 * one is not luck. The seed was chosen once; any other would do. The package exists twice, as it is required and as it
 * is imported, each with settings of its own.
 *
 * Passwords are hashed at a fraction of the product's cost: hundreds of tests sign somebody in, and one of them
 * (people.test.ts) holds the product's own cost.
 */
import { createRequire } from 'node:module';
import type fastCheck from 'fast-check';
import { setHashCost } from '../server/people/passwords.ts';

const SEED = { seed: 20_261_126 };
(createRequire(import.meta.url)('fast-check') as typeof fastCheck).configureGlobal(SEED);

/** Enough for passwords that stand in every test. */
export const QUICK_HASH = { memoryCost: 1024, timeCost: 2, parallelism: 1 };

/** Mocha waits for this before the first test of a file. */
export const mochaHooks = {
  async beforeAll(): Promise<void> {
    (await import('fast-check')).default.configureGlobal(SEED);
    setHashCost(QUICK_HASH);
  },
};
