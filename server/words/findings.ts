/** Findings in words. */
import type { CheckFinding } from '../../core/proof/checks.ts';
import type { Translator } from '../language/translator.ts';
import type { Need } from '../../core/catalogue/types.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import type { ProofFinding } from '../../contract/proof/proof.ts';
import { needLabel } from './steps.ts';
import type { Row } from '../store/tables.ts';

/** The findings that are stored with a proof. */
export const findingsOf = ({ findings }: Pick<Row<'proof'>, 'findings'>) => JSON.parse(findings) as CheckFinding[];

/** The stored findings of a proof, said to its reviewer and told to its sender. */
export function tellFindings(say: Translator, record: Row<'record'>, proof: Row<'proof'>): ProofFinding[] {
  const { procedure } = JSON.parse(record.canonical) as ServiceRecord;
  return findingsOf(proof).map((finding) => {
    const values = wordsFor(say, finding, procedure);
    return {
      check: finding.check,
      weight: finding.weight,
      slot: finding.slot ?? null,
      otherPhotoId: finding.other ?? null,
      otherDay: finding.other ? String(finding.values.day) : null,
      says: say.text(`finding.${finding.check}.reviewer`, values),
      tells: say.text(`finding.${finding.check}.assignee`, values),
    };
  });
}

function wordsFor(say: Translator, { check, values, slot }: CheckFinding, procedure: string) {
  const label = (kind: Need['kind'], key: string) =>
    needLabel(say, { kind, key } as Pick<Need, 'kind' | 'key'>, procedure);
  const slotName = slot ? label('photo', slot) : '';
  switch (check) {
    case 'missing':
      return { item: label(values.what as Need['kind'], String(values.key)) };
    case 'readingFails':
    case 'readingImplausible':
      return {
        judged: 'none',
        figure: 0,
        ...values,
        name: label('reading', String(values.key)),
        unit: say(`unit.${values.unit}`),
        fails: say(`reading.${values.key}.fails`),
      };
    case 'forbiddenAgent':
      return { agent: say(`agent.${values.agent}`) };
    case 'agentsMet':
    case 'agentsRinse':
      return {
        agent: say(`agent.${values.agent}`),
        other: say(`agent.${values.other}`),
        reason: say.text(String(values.reason)),
      };
    case 'samePicture':
      return { ...values, slot: slotName, day: say.day(Number(values.day)) };
    default:
      return { ...values, slot: slotName };
  }
}
