/** Visits that are announced to whoever lives there, and by what right a home was entered. Never edited once landed. */
export const visits = `
CREATE TABLE visit (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  place_id TEXT NOT NULL REFERENCES place (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  tenant_id TEXT NOT NULL REFERENCES person (id),
  day INTEGER NOT NULL,
  from_minute INTEGER NOT NULL,
  until_minute INTEGER NOT NULL,
  purpose TEXT NOT NULL,
  state TEXT NOT NULL,
  turn INTEGER NOT NULL,
  answer TEXT NOT NULL,
  answered_at INTEGER,
  answered_by TEXT,
  other_day INTEGER,
  other_from INTEGER,
  other_until INTEGER,
  note TEXT NOT NULL,
  delivered_at INTEGER,
  delivered_by TEXT,
  created_at INTEGER NOT NULL,
  created_by TEXT NOT NULL
);
CREATE INDEX visit_by_place ON visit (place_id, day);
CREATE INDEX visit_by_day ON visit (organisation_id, day);
CREATE TABLE entry (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  place_id TEXT NOT NULL REFERENCES place (id),
  job_id TEXT NOT NULL REFERENCES job (id),
  visit_id TEXT REFERENCES visit (id),
  person_id TEXT NOT NULL,
  at INTEGER NOT NULL,
  ground TEXT NOT NULL,
  name TEXT NOT NULL,
  note TEXT NOT NULL
);
CREATE INDEX entry_by_place ON entry (place_id, at);
CREATE INDEX entry_by_job ON entry (job_id);
`;
