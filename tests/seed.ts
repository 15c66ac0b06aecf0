/** Properties draw the same cases in every run: a red one is red again, and a green one is not luck. Chosen once; any other would do. */
import fc from 'fast-check';

fc.configureGlobal({ seed: 20_261_126 });
