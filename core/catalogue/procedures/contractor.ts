/** A contractor who comes by contract: what they did stands in their report, and that they came is seen on it. */
import { ALL, days, procedure } from '../define.ts';
import { confirm, photo, stepsOf } from '../steps.ts';

/** The key of the visit of a contractor, a part that a machine has while it has a contract. */
export const CONTRACTOR_VISIT = 'contractor.visit';

const visit = stepsOf(CONTRACTOR_VISIT);
export const contractorVisit = procedure(CONTRACTOR_VISIT, {
  kind: 'visit',
  // The contract says how often; these stand in where none does.
  days: days(183, 183, 183),
  assumed: ALL,
  core: true,
  risk: 'breakage',
  level: 'licensed',
  minutes: 10,
  stops: ['reportAlone'],
  steps: [visit('report', 'look', photo('report')), visit('read', 'test', confirm('machine'), confirm('open'))],
  specification: ['localLimitDays', 'note'],
});
