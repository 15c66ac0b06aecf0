/** Finding whatever is called so, from anywhere. */
import { object, type InferType } from 'yup';
import { line } from '../form/fields.ts';

export const search = object({ words: line(80).required() });
export type Search = InferType<typeof search>;

/** In the order in which they are shown. */
export const FOUND_KINDS = ['place', 'person', 'machine', 'part', 'job', 'fault', 'procedure'] as const;
export type FoundKind = (typeof FOUND_KINDS)[number];

export interface FoundThing {
  readonly kind: FoundKind;
  readonly name: string;
  /** Where it is, or what is known of it. */
  readonly about: string;
  /** The page that shows it. */
  readonly path: string;
}

export interface SearchAnswer {
  readonly found: readonly FoundThing[];
  /** Kinds of which there is more than is shown. */
  readonly more: readonly FoundKind[];
}
