/** Definitions that come with the program. None is in the catalogue before an office takes it. */
import type { MachineDefinition } from '../definition.ts';
import { ductless, heatRecovery } from './air.ts';
import { carbonMonoxideAlarm, smokeAlarm } from './alarms.ts';

export const READY: Readonly<Record<string, MachineDefinition>> = {
  ductless,
  heatRecovery,
  smokeAlarm,
  carbonMonoxideAlarm,
};
