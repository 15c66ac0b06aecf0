import type { NewSession } from './sessions.ts';

/** Something that opens a session: its cookie is set by the door, never by the service. */
export interface ExchangeResult {
  readonly session: NewSession;
}
