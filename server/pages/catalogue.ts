/** The catalogue as forms need it. */
import { machineTypesOf, procedureOf } from '../../core/catalogue/catalogue.ts';
import { isDefined } from '../../core/catalogue/definition.ts';
import type { CatalogueAnswer } from '../../contract/catalogue/catalogue.ts';
import type { Call } from '../context/context.ts';
import { reportableOf } from '../words/reportable.ts';
import { editionsInForce } from '../lookup/editions.ts';

/** The machines, their parts and who does them, with the office’s own editions. */
export async function readCatalogue({ db, env: { say }, actor: { organisationId } }: Call): Promise<CatalogueAnswer> {
  const editions = await editionsInForce(db, [organisationId]);
  return {
    machines: machineTypesOf(organisationId).map(({ key, fuels, points, drains }) => ({
      key,
      fuels,
      drains,
      name: say.text(`machine.${key}`),
      own: isDefined(key),
      points: points.map((point) => {
        const { kind, safetyCritical, specification, days, level } = procedureOf(point);
        const own = editions.get(`${organisationId} ${point}`);
        return {
          key: point,
          kind,
          safetyCritical,
          fields: specification,
          days,
          level: own?.content.level ?? level,
          edition: own?.number ?? 0,
          name: say(`point.${point}`),
        };
      }),
      ...reportableOf(say, key),
    })),
  };
}
