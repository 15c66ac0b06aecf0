/**
 * Faults have somebody who answers for them, the day since when they were noticed, and a manager's yes where a repair is
 * dear; an outside inspector's visit is entered as findings; who heard that time runs out. Never edited once landed.
 */
export const clocks = `
ALTER TABLE fault ADD COLUMN responsible_id TEXT;
ALTER TABLE fault ADD COLUMN noticed_day INTEGER;
CREATE TABLE inspection (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  property_id TEXT NOT NULL REFERENCES property (id),
  day INTEGER NOT NULL,
  inspector TEXT NOT NULL,
  reference TEXT NOT NULL,
  at INTEGER NOT NULL,
  by_person TEXT NOT NULL
);
CREATE INDEX inspection_by_organisation ON inspection (organisation_id, day);
ALTER TABLE deficiency ADD COLUMN inspection_id TEXT REFERENCES inspection (id);
CREATE INDEX deficiency_by_inspection ON deficiency (inspection_id) WHERE inspection_id IS NOT NULL;
CREATE INDEX deficiency_open ON deficiency (closed_at, organisation_id);
ALTER TABLE remedy ADD COLUMN done TEXT;
CREATE TABLE reminder (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  subject_id TEXT NOT NULL,
  stage TEXT NOT NULL,
  correct_by INTEGER NOT NULL,
  person_id TEXT NOT NULL REFERENCES person (id),
  at INTEGER NOT NULL,
  sent_at INTEGER,
  failed TEXT,
  tries INTEGER NOT NULL
);
CREATE UNIQUE INDEX reminder_once ON reminder (subject_id, stage, correct_by, person_id);
CREATE INDEX reminder_unsent ON reminder (tries) WHERE sent_at IS NULL;
CREATE TABLE approval (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  fault_id TEXT NOT NULL REFERENCES fault (id),
  amount REAL NOT NULL,
  note TEXT NOT NULL,
  asked_at INTEGER NOT NULL,
  asked_by TEXT NOT NULL,
  answer TEXT,
  answered_at INTEGER,
  answered_by TEXT,
  words TEXT NOT NULL
);
CREATE INDEX approval_by_fault ON approval (fault_id, asked_at);
`;
