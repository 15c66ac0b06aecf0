/** Tokens by which programs come, as the manager who made them, within what they were made for. */
import { array, boolean, object, string, type InferType } from 'yup';
import { AREA_NAMES } from '../areas.ts';
import { count, id, line } from '../form/fields.ts';
import { MOST_PROPERTIES, type NamedProperty } from './people.ts';

/** Areas that a token can be limited to: all except people, since only a person may manage accounts. */
export const TOKEN_AREAS = AREA_NAMES.filter((area) => area !== 'people');
export type TokenArea = (typeof TOKEN_AREAS)[number];

export const newToken = object({
  id: id().required(),
  name: line(80).required(),
  writes: boolean().default(false),
  areas: array().of(string().oneOf(TOKEN_AREAS).required()).min(1).max(TOKEN_AREAS.length).required(),
  /** The properties that it is limited to; none: all of whoever makes it. */
  properties: array().of(id().required()).max(MOST_PROPERTIES).default([]),
  days: count(730).min(1).default(90),
});
export type NewToken = InferType<typeof newToken>;

export interface TokenSummary {
  readonly id: string;
  readonly name: string;
  readonly by: string;
  readonly writes: boolean;
  readonly areas: readonly TokenArea[];
  /** Names of the properties that it is limited to; null where it is not. */
  readonly properties: readonly string[] | null;
  readonly createdAt: number;
  readonly expiresAt: number;
}

export interface TokensAnswer {
  readonly tokens: readonly TokenSummary[];
  /** What a token may be limited to. */
  readonly properties: readonly NamedProperty[];
}
