/** What came between on rounds, and when a home that is gone back to is left for good. Never edited once landed. */
export const mishaps = `
ALTER TABLE round_stop ADD COLUMN over_minute INTEGER;
CREATE TABLE mishap (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  stop_id TEXT NOT NULL REFERENCES round_stop (id),
  place_id TEXT NOT NULL REFERENCES place (id),
  person_id TEXT NOT NULL,
  kind TEXT NOT NULL,
  numbers TEXT NOT NULL,
  minutes INTEGER NOT NULL,
  at INTEGER NOT NULL,
  settled_at INTEGER,
  settled_by TEXT,
  again_day INTEGER
);
CREATE INDEX mishap_of_stop ON mishap (stop_id);
CREATE INDEX mishap_open ON mishap (organisation_id, at) WHERE settled_at IS NULL;
`;
