/** What an install is made of: its store, its clock, its voice, and the stand-ins where nothing else is given. */
import { randomBytes } from 'node:crypto';
import { v7 } from 'uuid';
import { serverTranslator } from './language/voice.ts';
import type { Store } from './store/store.ts';
import { standInWeather } from './ports/weather.ts';
import { waysOut } from './ports/mail.ts';
import { redrawing } from './due/redraw.ts';
import { progressBook } from './context/progress.ts';
import { guessBook } from './context/guesses.ts';
import type { Env, Outside } from './context/context.ts';

/** What services run in: the store, the clock, the words, the photos’ folder and the ways out of the house. */
export function createEnv(store: Store, photos: string, clock: () => number = Date.now, outside: Outside = {}): Env {
  return {
    waysOut,
    address: () => '',
    publicAddress: null,
    ...outside,
    store,
    clock,
    photos,
    language: 'en',
    say: serverTranslator('en'),
    sayIn: serverTranslator,
    secret: () => randomBytes(24).toString('base64url'),
    newId: v7,
    weather: standInWeather,
    guesses: guessBook(clock),
    progress: progressBook(),
    redrawing: redrawing({ store }),
  };
}
