/** Faults are closed by code, found by checks, and answered by remedies where they come back. Never edited once landed. */
export const causes = `
ALTER TABLE fault ADD COLUMN cause TEXT;
ALTER TABLE fault ADD COLUMN remedy TEXT;
ALTER TABLE fault ADD COLUMN minutes INTEGER;
ALTER TABLE fault ADD COLUMN parts TEXT;
ALTER TABLE fault ADD COLUMN cost REAL;
ALTER TABLE fault ADD COLUMN payer TEXT;
CREATE TABLE fault_check (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  fault_id TEXT NOT NULL REFERENCES fault (id),
  kind TEXT NOT NULL,
  subject TEXT NOT NULL,
  answer TEXT NOT NULL,
  at INTEGER NOT NULL,
  by_person TEXT NOT NULL REFERENCES person (id)
);
CREATE TABLE fault_report (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  fault_id TEXT NOT NULL REFERENCES fault (id),
  note TEXT NOT NULL,
  at INTEGER NOT NULL,
  by_person TEXT NOT NULL REFERENCES person (id)
);
CREATE INDEX fault_report_fault ON fault_report (fault_id, at);
CREATE TABLE remedy (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  machine_id TEXT NOT NULL REFERENCES machine (id),
  symptom_group TEXT NOT NULL,
  decision TEXT NOT NULL,
  note TEXT NOT NULL,
  decided_day INTEGER NOT NULL,
  decided_at INTEGER NOT NULL,
  decided_by TEXT NOT NULL REFERENCES person (id),
  before TEXT NOT NULL,
  faults_before INTEGER NOT NULL,
  first_day INTEGER NOT NULL
);
CREATE INDEX remedy_machine ON remedy (organisation_id, machine_id);
CREATE INDEX fault_check_fault ON fault_check (fault_id, at);
CREATE INDEX fault_cause ON fault (organisation_id, cause) WHERE cause IS NOT NULL;
`;
