/** When people work, the plan of rounds, and the stops of those that were taken over. Never edited once landed. */
export const rounds = `
ALTER TABLE person ADD COLUMN work_days INTEGER NOT NULL DEFAULT 31;
ALTER TABLE person ADD COLUMN base_property_id TEXT;
CREATE TABLE day_off (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  from_day INTEGER NOT NULL,
  to_day INTEGER NOT NULL,
  why TEXT NOT NULL
);
CREATE INDEX day_off_of_person ON day_off (person_id, to_day);
CREATE TABLE plan (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  made_by TEXT NOT NULL,
  made_at INTEGER NOT NULL,
  zone TEXT NOT NULL,
  from_day INTEGER NOT NULL,
  revision INTEGER NOT NULL,
  basis TEXT NOT NULL,
  visits TEXT NOT NULL
);
CREATE UNIQUE INDEX plan_of_organisation ON plan (organisation_id);
CREATE TABLE round_stop (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  place_id TEXT NOT NULL REFERENCES place (id),
  day INTEGER NOT NULL,
  from_minute INTEGER NOT NULL,
  until_minute INTEGER NOT NULL,
  back_minute INTEGER,
  numbers TEXT NOT NULL,
  visit_id TEXT,
  created_at INTEGER NOT NULL
);
CREATE INDEX round_stop_of_person ON round_stop (person_id, day);
CREATE INDEX round_stop_of_place ON round_stop (place_id, day);
`;
