/** Closing a fault: what it was and what was done, by code, so that closings can be counted. Words stand beside. */
import type { Cause } from './causes.ts';
import type { Nature } from './causeTable.ts';

/** What was done. */
export const REMEDIES = ['cleaned', 'setRight', 'replaced', 'repaired', 'explained', 'nothing'] as const;
export type Remedy = (typeof REMEDIES)[number];

/** Who pays. */
export const PAYERS = ['landlord', 'tenant', 'warranty'] as const;
export type Payer = (typeof PAYERS)[number];

const USUAL: Readonly<Record<Nature, Remedy>> = {
  upkeep: 'cleaned',
  habit: 'explained',
  installation: 'setRight',
  age: 'repaired',
  mishap: 'setRight',
};

/** What usually puts a cause right; a form begins with it. */
export const usualRemedy = ({ nature }: Cause): Remedy => (nature ? USUAL[nature] : 'nothing');
