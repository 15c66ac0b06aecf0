/** Calendars that others subscribe to: addresses of their own, made, seen and revoked. */
import { object, string, type InferType } from 'yup';
import { id } from '../form/fields.ts';

/** `own`: the rounds and jobs of whoever makes it. `tenancy`: visits to a tenant, and what they are asked for. */
export const FEED_KINDS = ['own', 'tenancy', 'property'] as const;
export type FeedKind = (typeof FEED_KINDS)[number];

export const newFeed = object({
  kind: string().oneOf(FEED_KINDS).required(),
  /** Of a property: which. */
  propertyId: id()
    .nullable()
    .default(null)
    .when('kind', ([kind], schema) => (kind === 'property' ? schema.required() : schema)),
});
export type NewFeed = InferType<typeof newFeed>;

export interface FeedMade {
  /** Told once. */
  readonly address: string;
}

export interface FeedSummary {
  readonly id: string;
  readonly kind: FeedKind;
  readonly propertyId: string | null;
  /** Instants; when it was last read, null where nobody did. */
  readonly createdAt: number;
  readonly readAt: number | null;
}

export interface FeedsAnswer {
  readonly feeds: readonly FeedSummary[];
}
