/**
 * The areas of the contract, from the bottom up: one folder each. Routes, token scopes and the import layers of
 * `contract/` derive from this list.
 */
export const AREA_NAMES = [
  'people',
  'notices',
  'faults',
  'register',
  'catalogue',
  'measure',
  'due',
  'proof',
  'jobs',
  'standing',
  'stock',
  'rounds',
  'pages',
] as const;
export type AreaName = (typeof AREA_NAMES)[number];
