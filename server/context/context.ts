/** What a service is given: its store, its clock, its voice, its folders. Nothing reaches for a singleton. */
export { sha256 } from './hash.ts';
import type { Language } from '../../core/language/languages.ts';
import type { Translator } from '../language/translator.ts';
import type { UnitSystem } from '../../core/quantities/units.ts';
import type { Role } from '../../contract/people/people.ts';
import type { Db } from '../store/db.ts';
import type { Store } from '../store/store.ts';
import type { Weather } from '../ports/weather.ts';
import type { WaysOut } from '../ports/mail.ts';
import type { TakenLetter } from '../ports/standIn.ts';
import type { GuessBook } from './guesses.ts';
import type { ProgressBook } from './progress.ts';

/** Work on the lines that were put off (`server/due/redraw.ts`). */
export interface Redrawing {
  /** Draws all of them; ends when none is left. */
  run(): Promise<void>;
  /** Ends after the piece at hand; the rest waits for the next start. */
  stop(): Promise<void>;
}

export interface Env {
  readonly store: Store;
  /** Milliseconds since the epoch. */
  readonly clock: () => number;
  /** Whoever asks is spoken to in this language. */
  readonly language: Language;
  readonly say: Translator;
  /** Any language's voice, for what somebody else reads. */
  readonly sayIn: (language: Language) => Translator;
  /** Folder of the photos. */
  readonly photos: string;
  /** Unguessable bytes, hex. */
  readonly secret: () => string;
  readonly newId: () => string;
  readonly weather: Weather;
  readonly redrawing: Redrawing;
  /** Wrong guesses at passwords and codes. */
  readonly guesses: GuessBook;
  /** How far long work is. */
  readonly progress: ProgressBook;
  /** How the house reaches others. */
  readonly waysOut: WaysOut;
  /** Where people reach this server, for links in letters. */
  readonly address: () => string;
  /** The address that an installer named for everybody; null where people take the one they came by. */
  readonly publicAddress: string | null;
  /** What the mail stand-in took, newest first; absent where none runs. */
  readonly letters?: () => readonly TakenLetter[];
}

/** What differs from install to install. */
export type Outside = Partial<Pick<Env, 'waysOut' | 'address' | 'publicAddress' | 'letters'>>;

/** Who calls. */
export interface Actor {
  readonly personId: string;
  readonly name: string;
  readonly organisationId: string;
  readonly organisation: string;
  readonly roles: readonly Role[];
  /** The properties that they are limited to; null where they look after all. */
  readonly properties: readonly string[] | null;
  /** Holds the licence that some work needs. */
  readonly licensed: boolean;
  readonly sessionId: string;
  readonly linkId: string | null;
  readonly csrf: string;
  /** What they read in: their own choice, else their organisation's. */
  readonly language: Language;
  readonly units: UnitSystem;
  /** In which their organisation reckons, ISO 4217. */
  readonly currency: string;
  /** What is written down for others to read later is said in this one. */
  readonly houseLanguage: Language;
}

/** One call of a service: who, when, and the tables to work on. */
export interface Call {
  readonly env: Env;
  readonly db: Db;
  readonly actor: Actor;
  readonly now: number;
  /** Units in which the caller reads amounts, where this call asks for others than they usually do. */
  readonly units?: UnitSystem;
  /** Where the caller reached us, for addresses on paper; absent outside a request. */
  readonly origin?: string;
}

/** The same install, speaking to somebody in their language. */
export const speaking = (env: Env, language: Language): Env => ({ ...env, language, say: env.sayIn(language) });

/** The voice of what is kept in words, and read by whoever comes later. */
export const houseVoice = ({ env, actor }: Pick<Call, 'env' | 'actor'>): Translator => env.sayIn(actor.houseLanguage);

export const isManager = ({ roles }: Actor) => roles.includes('manager');

/** Manager or staff: whose word needs nobody to confirm it. */
export const isOffice = ({ roles }: Pick<Actor, 'roles'>) => roles.includes('manager') || roles.includes('staff');
