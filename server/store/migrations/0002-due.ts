/** What the due engine reads and keeps: conditions found, looks, signals, habits. Never edited once landed. */
export const due = `
CREATE TABLE condition (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, point_id TEXT NOT NULL REFERENCES point, kind TEXT NOT NULL, day INTEGER NOT NULL, at INTEGER NOT NULL, grade TEXT, confirmed INTEGER NOT NULL, agent TEXT, evidence TEXT, person_id TEXT REFERENCES person);
CREATE INDEX condition_by_point ON condition (point_id, day, at);
CREATE TABLE look (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, point_id TEXT NOT NULL REFERENCES point, day INTEGER NOT NULL, at INTEGER NOT NULL, person_id TEXT NOT NULL REFERENCES person, canonical TEXT NOT NULL, hash TEXT NOT NULL);
CREATE INDEX look_by_point ON look (point_id, day);
CREATE TRIGGER look_is_final BEFORE UPDATE ON look BEGIN SELECT RAISE(ABORT, 'a look is immutable'); END;
CREATE TRIGGER look_stays BEFORE DELETE ON look BEGIN SELECT RAISE(ABORT, 'a look is immutable'); END;
CREATE TABLE emitter (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, machine_id TEXT NOT NULL REFERENCES machine, public_key TEXT NOT NULL, last_sequence INTEGER NOT NULL, created_at INTEGER NOT NULL, retired_at INTEGER);
CREATE INDEX emitter_by_machine ON emitter (machine_id);
CREATE TABLE signal (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, place_id TEXT NOT NULL REFERENCES place, machine_id TEXT NOT NULL REFERENCES machine, point_id TEXT NOT NULL REFERENCES point, type TEXT NOT NULL, note TEXT NOT NULL, state TEXT NOT NULL, day INTEGER NOT NULL, at INTEGER NOT NULL, times INTEGER NOT NULL, last_at INTEGER NOT NULL, person_id TEXT REFERENCES person, emitter_id TEXT REFERENCES emitter, recheck_day INTEGER, reason TEXT, settled_at INTEGER, settled_by TEXT REFERENCES person);
CREATE INDEX signal_by_point ON signal (point_id, state);
CREATE INDEX signal_by_organisation ON signal (organisation_id, state);
CREATE TABLE attestation (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, tenancy_id TEXT NOT NULL REFERENCES tenancy, machine_id TEXT NOT NULL REFERENCES machine, habit TEXT NOT NULL, day INTEGER NOT NULL, at INTEGER NOT NULL, kept INTEGER NOT NULL, checked INTEGER NOT NULL, note TEXT NOT NULL, person_id TEXT NOT NULL REFERENCES person);
CREATE INDEX attestation_by_tenancy ON attestation (tenancy_id, habit, day);
ALTER TABLE machine ADD COLUMN retired_day INTEGER;
ALTER TABLE mark ADD COLUMN scheduled INTEGER NOT NULL DEFAULT 1;
DROP INDEX mark_for_board;
CREATE INDEX mark_for_board ON mark (organisation_id, scheduled, place_id, number, type, served_day, interval_days, cap_slack, work);
CREATE TABLE personal_of (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, record_id TEXT NOT NULL, field TEXT NOT NULL, salt TEXT NOT NULL, value TEXT NOT NULL);
INSERT INTO personal_of SELECT id, organisation_id, record_id, field, salt, value FROM personal;
DROP TABLE personal;
ALTER TABLE personal_of RENAME TO personal;
CREATE INDEX personal_by_record ON personal (record_id);
INSERT INTO condition (id, organisation_id, point_id, kind, day, at, grade, confirmed, agent, evidence, person_id)
  SELECT record.id, record.organisation_id, record.point_id, 'service', record.done_day, record.done_at, json_extract(record.canonical, '$.grade'), 1, json_extract(record.canonical, '$.agent'), proof.evidence, record.person_id
  FROM record JOIN proof ON proof.record_id = record.id WHERE proof.state IN ('accepted', 'registerWrong');
`;
