/** The catalogue as forms need it. */
import { machineTypes, procedureOf } from '../../core/catalogue/catalogue.ts';
import { signalsForPeople } from '../../core/due/signals.ts';
import { SYMPTOMS } from '../../core/faults/symptoms.ts';
import type { CatalogueAnswer } from '../../contract/catalogue.ts';
import type { Speaker } from '../../core/language/message.ts';

export function readCatalogue(say: Speaker): CatalogueAnswer {
  return {
    machines: [...machineTypes.values()].map(({ key, fuels, points, drains }) => ({
      key, fuels, drains, name: say(`machine.${key}`),
      points: points.map((point) => {
        const { kind, safetyCritical, specification, days } = procedureOf(point);
        return { key: point, kind, safetyCritical, fields: specification, days, name: say(`point.${point}`) };
      }),
      signals: signalsForPeople(key).map((it) => ({ key: it.key, says: say(`signal.${it.key}`) })),
      symptoms: SYMPTOMS.filter(({ machineType }) => machineType === key).map((it) => ({ key: it.key, says: say(`symptom.${it.key}`), stopUsing: it.stopUsing })),
    })),
  };
}
