/** Tables of what people are told. */
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
} as const;
