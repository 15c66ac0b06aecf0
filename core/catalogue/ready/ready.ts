/** Definitions that come with the program. None is in the catalogue before an office takes it. */
import type { Language } from '../../language/languages.ts';
import type { MachineDefinition } from '../definition.ts';
import { ductless, heatRecovery } from './air.ts';
import { carbonMonoxideAlarm, smokeAlarm } from './alarms.ts';
import german from './de.json' with { type: 'json' };

export const READY: Readonly<Record<string, MachineDefinition>> = {
  ductless,
  heatRecovery,
  smokeAlarm,
  carbonMonoxideAlarm,
};

/** Their texts by the English ones. */
const TEXTS: Readonly<Record<Language, Readonly<Record<string, string>>>> = { en: {}, de: german };

/** The definitions in a language: every text of theirs replaced, all else as it is. */
export const readyIn = (language: Language): Readonly<Record<string, MachineDefinition>> =>
  JSON.parse(JSON.stringify(READY), (_key, value: unknown) =>
    typeof value === 'string' && Object.hasOwn(TEXTS[language], value) ? TEXTS[language][value] : value,
  ) as Readonly<Record<string, MachineDefinition>>;
