/**
 * Machines with a number on their label and parts that one of a type may lack; unit templates; a manager's own editions
 * of procedures; measurements. Never edited once landed.
 */
export const register = `
ALTER TABLE machine ADD COLUMN number INTEGER NOT NULL DEFAULT 0;
UPDATE machine SET number = ranked.place FROM (SELECT id, row_number() OVER (PARTITION BY organisation_id ORDER BY rowid) AS place FROM machine) AS ranked WHERE ranked.id = machine.id;
CREATE UNIQUE INDEX machine_by_number ON machine (organisation_id, number);
ALTER TABLE machine ADD COLUMN left_out TEXT NOT NULL DEFAULT '[]';
ALTER TABLE machine ADD COLUMN plate_photo_id TEXT REFERENCES photo;
CREATE TABLE template (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, name TEXT NOT NULL, content TEXT NOT NULL, created_at INTEGER NOT NULL, removed_at INTEGER);
CREATE INDEX template_by_organisation ON template (organisation_id, removed_at);
CREATE TABLE edition (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, procedure TEXT NOT NULL, number INTEGER NOT NULL, ours INTEGER NOT NULL, content TEXT, note TEXT NOT NULL, created_at INTEGER NOT NULL, created_by TEXT NOT NULL REFERENCES person);
CREATE TABLE measurement (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, point_id TEXT NOT NULL REFERENCES point, record_id TEXT REFERENCES record, measure TEXT NOT NULL, inputs TEXT NOT NULL, says TEXT NOT NULL, note TEXT NOT NULL, at INTEGER NOT NULL, person_id TEXT NOT NULL REFERENCES person);
CREATE INDEX measurement_by_point ON measurement (point_id, at);
CREATE TRIGGER measurement_is_final BEFORE UPDATE ON measurement BEGIN SELECT RAISE(ABORT, 'a measurement is immutable'); END;
CREATE TRIGGER measurement_stays BEFORE DELETE ON measurement BEGIN SELECT RAISE(ABORT, 'a measurement is immutable'); END;
CREATE UNIQUE INDEX edition_by_procedure ON edition (organisation_id, procedure, number);
`;
