/** Tables of what people are told. */
import type { Announced, Ground } from '../../core/notices/entry.ts';
import type { MessageKind, MessageState, MessageWay } from '../../contract/notices/messages.ts';
import { integer, integerOrNull, key, organisationId, text, textOrNull } from './columns.ts';

export const NOTICE_TABLES = {
  /** Something that a household is told; its id is that of the letter, however often that is sent. */
  message: {
    id: key(),
    organisationId,
    personId: text(),
    placeId: text(),
    kind: text<MessageKind>(),
    /** The request or the alarm that it is about. */
    subjectId: text(),
    /** 0 by rule, from 1 on by hand. */
    turn: integer(),
    state: text<MessageState>(),
    at: integer(),
    notBefore: integer(),
    /** When it was last taken up for sending; written down before it goes out. */
    claimedAt: integerOrNull(),
    sentAt: integerOrNull(),
    tries: integer(),
    /** Why it did not go out, in words. */
    problem: textOrNull(),
    /** How, where to and what was sent, without the link that opened the home. */
    way: textOrNull<MessageWay>(),
    address: textOrNull(),
    heading: textOrNull(),
    body: textOrNull(),
    /** Whom work passed to. */
    detail: textOrNull(),
  },
  /** A visit to a home that is lived in, as it was announced. */
  visit: {
    id: key(),
    organisationId,
    placeId: text(),
    /** Who comes, and to whom. */
    personId: text(),
    tenantId: text(),
    day: integer(),
    fromMinute: integer(),
    untilMinute: integer(),
    purpose: text(),
    state: text<'announced' | 'off' | 'missed'>(),
    /** How often it was announced anew. */
    turn: integer(),
    answer: text<Announced['answer']>(),
    answeredAt: integerOrNull(),
    answeredBy: textOrNull(),
    /** Another time that they asked for. */
    otherDay: integerOrNull(),
    otherFrom: integerOrNull(),
    otherUntil: integerOrNull(),
    note: text(),
    deliveredAt: integerOrNull(),
    deliveredBy: textOrNull(),
    createdAt: integer(),
    createdBy: text(),
  },
  /** By what right a home was entered for a job; `none` where there was none. */
  entry: {
    id: key(),
    organisationId,
    placeId: text(),
    jobId: text(),
    visitId: textOrNull(),
    personId: text(),
    at: integer(),
    ground: text<Ground | 'visit' | 'none'>(),
    name: text(),
    note: text(),
  },
} as const;
