/** A suite whose tests are one story: each begins where the one before it ended. */
import type { Suite } from 'mocha';

/**
 * Once a step has failed, the steps after it are not tried. Mocha's own `bail` would end the suites of every other file
 * too, where files run beside each other, and hide what they had to say.
 */
export function story(suite: Suite): void {
  suite.beforeEach('the story so far', () => {
    const failed = suite.tests.find(({ state }) => state === 'failed');
    if (failed) throw new Error(`not tried, since this step failed before it: ${failed.title}`);
  });
}
