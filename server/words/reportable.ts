/**
 * What may be said of a machine: symptoms of a fault, signals that make upkeep due, deficiencies that upkeep will not
 * cure.
 */
import { isFindable } from '../../core/faults/table.ts';
import { signalsForPeople } from '../../core/due/signals.ts';
import { deficienciesOf } from '../../core/faults/deficiencies.ts';
import { symptomsOf } from '../../core/faults/symptoms.ts';
import type { Translator } from '../language/translator.ts';
import type { Reportable, ReportableMachine } from '../../contract/faults/faults.ts';
import { machineName } from '../lookup/names.ts';
import type { Row } from '../store/tables.ts';

export const reportableOf = (say: Translator, type: string): Reportable => ({
  symptoms: symptomsOf(type)
    .filter(({ own }) => !own)
    .map(({ key, stopUsing }) => ({
      key,
      stopUsing,
      findable: isFindable(type, key),
      says: say(`symptom.${key}`),
      tip: say.has(`tip.${key}`) ? say(`tip.${key}`) : null,
    })),
  signals: signalsForPeople(type).map(({ key }) => ({ key, says: say(`signal.${key}`) })),
  deficiencies: deficienciesOf(type).map(({ key }) => ({ key, says: say(`deficiency.${key}`) })),
});

/** The same of a machine that stands somewhere, by its name. */
export const reportableMachine = (say: Translator, machine: Row<'machine'>): ReportableMachine => ({
  id: machine.id,
  name: machineName(say, machine),
  ...reportableOf(say, machine.type),
});
