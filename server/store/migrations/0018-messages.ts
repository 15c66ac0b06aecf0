/** What households are told, each message once for what it is about. Never edited once landed. */
export const messages = `
CREATE TABLE message (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  place_id TEXT NOT NULL REFERENCES place (id),
  kind TEXT NOT NULL,
  subject_id TEXT NOT NULL,
  turn INTEGER NOT NULL,
  state TEXT NOT NULL,
  at INTEGER NOT NULL,
  not_before INTEGER NOT NULL,
  claimed_at INTEGER,
  sent_at INTEGER,
  tries INTEGER NOT NULL,
  problem TEXT,
  way TEXT,
  address TEXT,
  heading TEXT,
  body TEXT,
  detail TEXT
);
CREATE UNIQUE INDEX message_once ON message (subject_id, kind, turn);
CREATE INDEX message_waiting ON message (not_before) WHERE state IN ('planned', 'claimed');
CREATE INDEX message_by_person ON message (person_id, at);
`;
