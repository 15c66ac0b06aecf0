/** Tables of who there is, how they come in, and what they look after. */
import type { FeedKind } from '../../contract/pages/feeds.ts';
import type { Role } from '../../contract/people/people.ts';
import type { Language } from '../../core/language/languages.ts';
import type { UnitSystem } from '../../core/quantities/units.ts';
import { flag, integer, integerOrNull, real, realOrNull, key, organisationId, text, textOrNull } from './columns.ts';

const createdAt = integer();

export const PEOPLE_TABLES = {
  organisation: {
    id: key(),
    name: text(),
    createdAt,
    /** What it reads in where a person says nothing else, and in which what is written down for all of them is said. */
    language: text<Language>(),
    units: text<UnitSystem>(),
    /** ISO 4217. */
    currency: text(),
  },
  person: {
    id: key(),
    organisationId,
    name: text(),
    email: textOrNull(),
    passwordHash: textOrNull(),
    createdAt,
    disabledAt: integerOrNull(),
    /** What somebody was who is here no longer, parted by commas; given back when they return. */
    formerRoles: text(),
    /** Base32; null without a second factor. */
    totpSecret: textOrNull(),
    /** The last time step whose code was taken: a code counts once. */
    totpStep: integer(),
    /** 1 sees only the properties of `personProperty`, were it none. */
    limited: flag(),
    /** Null: as the organisation reads. */
    language: textOrNull<Language>(),
    units: textOrNull<UnitSystem>(),
    /** What they may do, of the office. */
    level: text<'staff' | 'licensed'>(),
    hoursAWeek: realOrNull(),
    /** Weekdays on which they work: 1 is Monday, 2 Tuesday, 4 Wednesday, added up. */
    workDays: integer(),
    /** The property that they set out from. */
    basePropertyId: textOrNull(),
  },
  roleGrant: { id: key(), organisationId, personId: text(), role: text<Role>() },
  /** A property that somebody of the office is limited to, where they are. */
  personProperty: { id: key(), organisationId, personId: text(), propertyId: text() },
  /** `id` is the SHA-256 of the cookie's token. */
  session: {
    id: key(),
    organisationId,
    personId: text(),
    linkId: textOrNull(),
    csrf: text(),
    createdAt,
    expiresAt: integer(),
    /** The browser and system that it was opened on, as they call themselves. */
    device: text(),
  },
  /** Wrong guesses at an account, or at all of them; `id` is the SHA-256 of whose. */
  guess: { id: key(), count: real(), at: integer() },
  /** A way to a first or a new password, for one use; `id` is the SHA-256 of its token. */
  accessLink: { id: key(), organisationId, personId: text(), createdAt, expiresAt: integer() },
  /** In place of a lost second factor, for one use each; `id` is the SHA-256 of the code. */
  recoveryCode: { id: key(), organisationId, personId: text() },
  /** A program's way in, as the person who made it; `id` is the SHA-256 of the token. */
  accessToken: {
    id: key(),
    organisationId,
    personId: text(),
    name: text(),
    /** 0 reads only. */
    writes: flag(),
    /** Parts of the contract that it may call, parted by commas. */
    areas: text(),
    /** Properties that it is limited to, parted by commas; empty: those of its person. */
    properties: text(),
    createdAt,
    expiresAt: integer(),
    revokedAt: integerOrNull(),
  },
  /** An address of a calendar, read as whoever made it; `id` is the SHA-256 of its token. */
  calendarFeed: {
    id: key(),
    organisationId,
    personId: text(),
    kind: text<FeedKind>(),
    /** A person, a tenancy or a property. */
    subjectId: text(),
    createdAt,
    readAt: integerOrNull(),
  },
  /** A tenancy's personal link; `id` is the SHA-256 of its token. */
  link: {
    id: key(),
    organisationId,
    tenancyId: text(),
    personId: text(),
    createdAt,
    expiresAt: integer(),
    revokedAt: integerOrNull(),
  },
  /** A contractor's link to one job; `id` is the SHA-256 of its token. */
  jobLink: {
    id: key(),
    organisationId,
    jobId: text(),
    personId: text(),
    createdAt,
    expiresAt: integer(),
    revokedAt: integerOrNull(),
  },
  /** An owner's link to the standing of a property, or of all; `id` is the SHA-256 of its token. */
  ownerLink: {
    id: key(),
    organisationId,
    propertyId: textOrNull(),
    personId: text(),
    createdAt,
    expiresAt: integer(),
    revokedAt: integerOrNull(),
  },
} as const;
