import { expect } from 'chai';
import { POINT_KINDS, FINDS } from '../../core/catalogue/catalogue.ts';
import { GRADES } from '../../core/catalogue/grades.ts';
import { AGENTS, LEVELS } from '../../core/catalogue/types.ts';
import { coreTextDe } from '../../core/de.ts';
import { coreText } from '../../core/en.ts';
import { EVIDENCE_LEVELS } from '../../core/proof/record.ts';

/** Keys that are put together from a value: whatever it is, somebody reads a word. */
const FAMILIES: readonly (readonly [prefix: string, values: readonly string[]])[] = [
  ['evidence', EVIDENCE_LEVELS],
  ['grade', GRADES],
  ['kind', POINT_KINDS],
  ['level', LEVELS],
  ['agent', AGENTS],
  ['find', FINDS],
];

describe('The vocabulary', () => {
  for (const [prefix, values] of FAMILIES)
    it(`has a word for every ${prefix}, in both languages`, () => {
      for (const value of values) {
        expect(coreText, value).to.have.property(`${prefix}.${value}`);
        expect(coreTextDe, value).to.have.property(`${prefix}.${value}`);
      }
    });
});
