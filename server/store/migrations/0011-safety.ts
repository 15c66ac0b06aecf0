/**
 * People leave and come back, have a second factor, and get their password by a link; programs come by tokens; a proof
 * is looked at by a draw that is kept. Never edited once landed.
 */
export const safety = `
ALTER TABLE person ADD COLUMN disabled_at INTEGER;
ALTER TABLE person ADD COLUMN former_roles TEXT NOT NULL DEFAULT '';
ALTER TABLE person ADD COLUMN totp_secret TEXT;
ALTER TABLE person ADD COLUMN totp_step INTEGER NOT NULL DEFAULT 0;
ALTER TABLE session ADD COLUMN device TEXT NOT NULL DEFAULT '';
CREATE INDEX session_by_person ON session (person_id);
CREATE INDEX session_by_expiry ON session (expires_at);
CREATE INDEX photo_by_person ON photo (person_id, received_at);
CREATE TABLE access_link (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  created_at INTEGER NOT NULL,
  expires_at INTEGER NOT NULL
);
CREATE INDEX access_link_by_person ON access_link (person_id);
CREATE TABLE recovery_code (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id)
);
CREATE INDEX recovery_code_by_person ON recovery_code (person_id);
CREATE TABLE access_token (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  name TEXT NOT NULL,
  writes INTEGER NOT NULL,
  areas TEXT NOT NULL,
  created_at INTEGER NOT NULL,
  expires_at INTEGER NOT NULL,
  revoked_at INTEGER
);
CREATE INDEX access_token_by_organisation ON access_token (organisation_id, created_at);
CREATE TABLE draw (
  record_id TEXT PRIMARY KEY REFERENCES record (id),
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  seed TEXT NOT NULL,
  probability REAL NOT NULL,
  drawn INTEGER NOT NULL,
  at INTEGER NOT NULL
);
CREATE INDEX draw_by_person ON draw (person_id, at);
`;
