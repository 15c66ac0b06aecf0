/** Calendars that others subscribe to, and when people are busy elsewhere. Never edited once landed. */
export const feeds = `
CREATE TABLE calendar_feed (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  kind TEXT NOT NULL,
  subject_id TEXT NOT NULL,
  created_at INTEGER NOT NULL,
  read_at INTEGER
);
CREATE INDEX calendar_feed_of_person ON calendar_feed (person_id);
CREATE TABLE busy_time (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  day INTEGER NOT NULL,
  from_minute INTEGER NOT NULL,
  until_minute INTEGER NOT NULL
);
CREATE INDEX busy_time_of_person ON busy_time (person_id, day);
`;
