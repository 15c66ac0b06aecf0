/** Links that open one job to a contractor; deficiencies; rehearsals. Never edited once landed. */
export const doing = `
CREATE TABLE job_link (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, job_id TEXT NOT NULL REFERENCES job, person_id TEXT NOT NULL REFERENCES person, created_at INTEGER NOT NULL, expires_at INTEGER NOT NULL, revoked_at INTEGER);
CREATE INDEX job_link_by_job ON job_link (job_id);
CREATE TABLE deficiency (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, place_id TEXT NOT NULL REFERENCES place, machine_id TEXT NOT NULL REFERENCES machine, point_id TEXT REFERENCES point, record_id TEXT REFERENCES record, type TEXT NOT NULL, severity TEXT NOT NULL, note TEXT NOT NULL, correct_by INTEGER NOT NULL, responsible_id TEXT REFERENCES person, opened_at INTEGER NOT NULL, opened_by TEXT NOT NULL REFERENCES person, closed_at INTEGER, closed_by TEXT REFERENCES person, done TEXT);
CREATE INDEX deficiency_by_organisation ON deficiency (organisation_id, closed_at, correct_by);
CREATE INDEX deficiency_by_machine ON deficiency (machine_id);
CREATE TABLE rehearsal (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, person_id TEXT NOT NULL REFERENCES person, procedure TEXT NOT NULL, edition INTEGER, catalogue INTEGER NOT NULL, asked INTEGER NOT NULL, correct INTEGER NOT NULL, at INTEGER NOT NULL);
CREATE INDEX rehearsal_by_person ON rehearsal (person_id, procedure, at);
`;
