/**
 * One lane of `bin/test`: a process that runs test files and toy benchmarks one after another, as they are handed to
 * it. The server, the browser and the test libraries are loaded once for all of them.
 */
import { Session } from 'node:inspector/promises';
import { relative, resolve } from 'node:path';
import { fileURLToPath, pathToFileURL } from 'node:url';
import Mocha from 'mocha';
import { mochaHooks } from './seed.ts';

export interface FileResult {
  readonly file: string;
  readonly passed: number;
  readonly failed: number;
  readonly output: string;
  readonly ms: number;
  /** Source files of which a function ran, where that is recorded. */
  readonly sources?: readonly string[];
}

/** Libraries take a stack trace at every query; mapping each back to its source costs more than the query. */
process.setSourceMapsEnabled(process.env.DEWLINE_LINES === 'yes');

/** Every benchmark of this process runs at its toy size. */
process.argv.push('--toy');

type Counts = Pick<FileResult, 'passed' | 'failed'>;

async function runTests(file: string): Promise<Counts> {
  const mocha = new Mocha({ timeout: 300_000, reporter: 'spec', forbidOnly: true, rootHooks: mochaHooks });
  mocha.addFile(file);
  await mocha.loadFilesAsync();
  const { stats } = await new Promise<Mocha.Runner>((done) => {
    const runner = mocha.run(() => done(runner));
  });
  const { passes = 0, failures = 0 } = stats ?? {};
  if (passes + failures > 0) return { passed: passes, failed: failures };
  // A file without a test has lost its tests.
  console.log(`No test ran in ${file}.`);
  return { passed: 0, failed: 1 };
}

class Ended extends Error {
  readonly code: number;
  constructor(code: number) {
    super(`ended with ${code}`);
    this.code = code;
  }
}

/** A benchmark measures when it is imported, and may end its process: here that ends the benchmark alone. */
async function runBenchmark(file: string): Promise<Counts> {
  const { exit } = process;
  process.exit = (code) => {
    throw new Ended(Number(code ?? 0));
  };
  try {
    await import(pathToFileURL(resolve(file)).href);
  } catch (error) {
    if (!(error instanceof Ended)) throw error;
    if (error.code !== 0) return { passed: 0, failed: 1 };
  } finally {
    process.exit = exit;
  }
  return { passed: 1, failed: 0 };
}

/** Counts which functions run, where `bin/test --record` asks for it. */
let counting: Session | undefined;
if (process.env.DEWLINE_RECORD) {
  counting = new Session();
  counting.connect();
  await counting.post('Profiler.enable');
  await counting.post('Profiler.startPreciseCoverage', { callCount: false, detailed: false });
  // Loading everything first keeps what runs at load out of the first file's record.
  await Promise.all([import('./server/house.ts'), import('../server/serve.ts'), import('../demo/build.ts')]);
  await counting.post('Profiler.takePreciseCoverage');
}

/** Source files of which a function ran since this was last asked; what runs when a file is loaded does not count. */
async function sourcesRun(): Promise<readonly string[]> {
  const { result } = await counting!.post('Profiler.takePreciseCoverage');
  return result
    .filter(({ url }) => url.startsWith('file:') && !url.includes('node_modules'))
    .filter(({ functions }) => functions.some(({ functionName, ranges }) => functionName && ranges[0]!.count > 0))
    .map(({ url }) => relative(process.cwd(), fileURLToPath(url.replace(/\?.*/, ''))))
    .filter((path) => /^(core|contract|server|demo|web|bin)\//.test(path));
}

async function runFile(file: string): Promise<FileResult> {
  const began = Date.now();
  const said: string[] = [];
  const { write } = process.stdout;
  process.stdout.write = (part: string | Uint8Array) => {
    said.push(typeof part === 'string' ? part : Buffer.from(part).toString());
    return true;
  };
  let counts: Counts = { passed: 0, failed: 1 };
  try {
    counts = await (file.startsWith('bench/') ? runBenchmark(file) : runTests(file));
  } catch (error) {
    console.log(`${file} could not be run: ${(error as Error).stack}`);
  } finally {
    process.stdout.write = write;
  }
  const result = { file, ...counts, output: said.join(''), ms: Date.now() - began };
  return counting ? { ...result, sources: await sourcesRun() } : result;
}

process.on('message', (file: string) => {
  void runFile(file).then((result) => process.send!(result));
});
process.on('disconnect', () => process.exit(0));
