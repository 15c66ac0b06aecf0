/** Tables of rounds: when people work, the plan, and the stops of rounds that were taken over. */
import type { MishapKind } from '../../contract/rounds/mishaps.ts';
import { integer, integerOrNull, key, organisationId, text, textOrNull } from './columns.ts';

export const ROUND_TABLES = {
  /** When somebody is busy elsewhere, by a calendar of theirs. */
  busyTime: {
    id: key(),
    organisationId,
    personId: text(),
    day: integer(),
    fromMinute: integer(),
    untilMinute: integer(),
  },
  dayOff: { id: key(), organisationId, personId: text(), fromDay: integer(), toDay: integer(), why: text() },
  /** The list of a home that is given by itself on a fixed day. */
  monthList: {
    id: key(),
    organisationId,
    placeId: text(),
    /** RFC 5545, from a day on. */
    rule: text(),
    fromDay: integer(),
    /** Who gets it; null: whoever lives there. */
    personId: textOrNull(),
    saidBy: text(),
    /** The day for which it was given last, the request, and what could not be given, JSON. */
    givenDay: integerOrNull(),
    listId: textOrNull(),
    leftUndone: text(),
  },
  /** The one plan of an organisation: what it was made from, and its visits, JSON. */
  plan: {
    id: key(),
    organisationId,
    madeBy: text(),
    madeAt: integer(),
    zone: text(),
    fromDay: integer(),
    /** Counts up with each change, so that two people who move visits see each other's. */
    revision: integer(),
    basis: text(),
    visits: text(),
  },
  /** A stop of somebody's round, once it was taken over from the plan. */
  roundStop: {
    id: key(),
    organisationId,
    personId: text(),
    placeId: text(),
    day: integer(),
    fromMinute: integer(),
    untilMinute: integer(),
    /** When the home is gone back to; null where it is not. */
    backMinute: integerOrNull(),
    /** When it is left for good after that. */
    overMinute: integerOrNull(),
    /** Numbers of its parts, JSON. */
    numbers: text(),
    /** The visit that was announced for it. */
    visitId: textOrNull(),
    createdAt: integer(),
  },
  /** What came between at a stop. */
  mishap: {
    id: key(),
    organisationId,
    stopId: text(),
    placeId: text(),
    personId: text(),
    kind: text<MishapKind>(),
    /** Numbers of the parts that are left undone by it, JSON. */
    numbers: text(),
    /** How much longer it takes, of what takes longer; else 0. */
    minutes: integer(),
    at: integer(),
    settledAt: integerOrNull(),
    settledBy: textOrNull(),
    /** The day on which somebody comes again. */
    againDay: integerOrNull(),
  },
};
