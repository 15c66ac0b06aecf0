/**
 * Standing as of a day is read from the lines and services alone, without their long texts; owners read it by links that
 * expire. A tenant is asked a week later whether a fault is gone. Never edited once landed.
 */
export const standing = `
ALTER TABLE fault ADD COLUMN gone TEXT;
ALTER TABLE fault ADD COLUMN gone_at INTEGER;
DROP INDEX line_by_point;
CREATE INDEX line_by_point ON line (point_id, id, computed_at, served_day, line_day, cap_day);
CREATE INDEX record_by_day ON record (organisation_id, done_day, point_id, done_at, id, person_id);
CREATE INDEX record_by_time ON record (point_id, done_at);
CREATE INDEX proof_by_record ON proof (record_id, state, on_time, definition);
CREATE INDEX condition_by_time ON condition (organisation_id, kind, point_id, at, day, evidence);
CREATE TABLE owner_link (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  property_id TEXT REFERENCES property (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  created_at INTEGER NOT NULL,
  expires_at INTEGER NOT NULL,
  revoked_at INTEGER
);
CREATE INDEX owner_link_by_person ON owner_link (person_id);
CREATE INDEX job_by_given ON job (organisation_id, given_at);
`;
