/** A sample of mutants for the mutation testing: a plugin that lets through those that a hash of the mutant picks. */
import { createHash } from 'node:crypto';
import { CheckStatus, type Checker } from '@stryker-mutator/api/check';
import type { Mutant } from '@stryker-mutator/api/core';
import { declareFactoryPlugin, PluginKind } from '@stryker-mutator/api/plugin';

/** Changed only on purpose: another seed is another sample. */
const SEED = 'dewline';

/** How many mutants one of the sample stands for, handed over by the environment: a plugin has no other way. */
export const ONE_IN = 'DEWLINE_ONE_MUTANT_IN';

/** Whether a mutant belongs to the sample. Each is judged by itself, so a change in one file moves no other's. */
function isSampled({ fileName, location, mutatorName, replacement }: Mutant): boolean {
  const file = fileName.slice(fileName.lastIndexOf('/core/'));
  const words = JSON.stringify([SEED, file, location, mutatorName, replacement]);
  return createHash('sha256').update(words).digest().readUInt32BE(0) % Number(process.env[ONE_IN]) === 0;
}

class Sample implements Checker {
  async init(): Promise<void> {}

  async check(mutants: Mutant[]): ReturnType<Checker['check']> {
    const passed = { status: CheckStatus.Passed } as const;
    const left = { status: CheckStatus.CompileError, reason: 'not of the sample' } as const;
    return Object.fromEntries(mutants.map((mutant) => [mutant.id, isSampled(mutant) ? passed : left]));
  }

  async group(mutants: Mutant[]): Promise<string[][]> {
    return [mutants.map(({ id }) => id)];
  }
}

export const strykerPlugins = [declareFactoryPlugin(PluginKind.Checker, 'sample', () => new Sample())];
