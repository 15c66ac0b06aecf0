/**
 * Records: what was done, immutable once submitted. A record is kept in its canonical form (RFC 8785), so
 * that its hash means the same to everybody; personal fields stand in it as salted commitments, so that
 * erasing a person keeps the proof.
 */
import canonicalize from 'canonicalize';
import type { Find } from '../catalogue/catalogue.ts';
import type { Agent, Finding } from '../catalogue/types.ts';
import type { Grade } from '../catalogue/grades.ts';

/**
 * 2 says by which methods it was done, 3 by whose edition of the procedure, 4 in which order and state, with every
 * agent, the condition after and what was replaced; earlier records stay as they are.
 */
export const RECORD_SCHEMA = 4;

/**
 * How well a service is attested, never added up: said, said by who judged it, accepted by rule, by another person,
 * looked at.
 */
export const EVIDENCE_LEVELS = ['attested', 'selfCertified', 'checked', 'proven', 'spotChecked'] as const;
export type EvidenceLevel = (typeof EVIDENCE_LEVELS)[number];

/** What a person found and did at one point. */
export interface Observation {
  readonly grade: Grade | null;
  readonly cavityGrade: Grade | null;
  readonly finds: readonly Find[];
  readonly readings: Readonly<Record<string, number>>;
  readonly confirmed: readonly string[];
  readonly agent: Agent | null;
  readonly size: string | null;
}

/** A step of a plan in a record: its key, and the state it was done in. */
export interface PlannedLine {
  readonly step: string;
  readonly state: Readonly<Record<string, string>>;
}

/** What was put in place of the old one. */
export interface Replacement {
  readonly size: string | null;
  readonly lot: string | null;
  /** In the currency of the prices. */
  readonly cost: number | null;
}

export interface ServiceRecord extends Observation {
  readonly schema: 1 | 2 | 3 | typeof RECORD_SCHEMA;
  readonly catalogue: number;
  readonly kind: 'service';
  readonly id: string;
  readonly organisation: string;
  readonly point: string;
  readonly job: string | null;
  readonly procedure: string;
  readonly procedureVersion: number;
  /** Options of the methods that it followed; absent in schema 1. */
  readonly methods?: Readonly<Record<string, string>>;
  /**
   * The steps of the sitting as they were shown, each with the state it was done in; null where it was logged
   * afterwards. Absent before schema 4, like what follows.
   */
  readonly plan?: readonly PlannedLine[] | null;
  /** What was found on the way, and how the system was found where it was not as usual. */
  readonly found?: readonly Finding[];
  readonly begin?: Readonly<Record<string, string>>;
  readonly agents?: readonly Agent[];
  readonly after?: Grade | null;
  readonly replaced?: Replacement | null;
  /** Number of the manager's own edition; null is ours, absent before schema 3. */
  readonly edition?: number | null;
  /** Instants in ms; the day in the property's zone. */
  readonly startedAt: number | null;
  readonly doneAt: number;
  readonly doneDay: string;
  readonly zone: string;
  readonly deviceAt: number;
  readonly receivedAt: number;
  /** Receipt minus device time: how far the device's clock was off, transit included. */
  readonly offsetMs: number;
  /** SHA-256 of each stored photo, by slot. */
  readonly photos: Readonly<Record<string, string>>;
  /** SHA-256 commitments to personal fields. */
  readonly by: string;
  readonly note: string | null;
  readonly selfCertified: boolean;
  readonly corrects: string | null;
}

/** The canonical text of a record or a verdict, RFC 8785. */
export function canonicalText(value: object): string {
  const text = canonicalize(value);
  if (text === undefined) throw new TypeError('a record must be plain data');
  return text;
}
