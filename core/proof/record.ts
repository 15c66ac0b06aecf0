/**
 * Records: what was done, immutable once submitted. A record is kept in its canonical form (RFC 8785), so
 * that its hash means the same to everybody; personal fields stand in it as salted commitments, so that
 * erasing a person keeps the proof.
 */
import canonicalize from 'canonicalize';
import type { Find } from '../catalogue/catalogue.ts';
import type { Agent } from '../catalogue/types.ts';
import type { Grade } from '../due/grades.ts';

/** 2 says by which methods it was done, 3 by whose edition of the procedure; earlier records stay as they are. */
export const RECORD_SCHEMA = 3;

/** How well a service is attested. Four levels that are never added up. */
export const EVIDENCE_LEVELS = ['attested', 'selfCertified', 'proven', 'spotChecked'] as const;
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

export interface ServiceRecord extends Observation {
  readonly schema: 1 | 2 | typeof RECORD_SCHEMA;
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
