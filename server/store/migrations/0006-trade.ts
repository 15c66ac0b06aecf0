/** Readings as a series per machine; faults found by their machine. Never edited once landed. */
export const trade = `
ALTER TABLE machine ADD COLUMN hard_wired INTEGER NOT NULL DEFAULT 0;
CREATE TABLE reading (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, machine_id TEXT NOT NULL REFERENCES machine, point_id TEXT NOT NULL REFERENCES point, name TEXT NOT NULL, value REAL NOT NULL, at INTEGER NOT NULL);
CREATE INDEX reading_by_machine ON reading (machine_id, name, at);
CREATE INDEX reading_by_point ON reading (point_id);
CREATE TABLE signal_report (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, signal_id TEXT NOT NULL REFERENCES signal, person_id TEXT REFERENCES person, note TEXT NOT NULL, at INTEGER NOT NULL);
CREATE INDEX signal_report_by_signal ON signal_report (signal_id, at);
CREATE INDEX fault_by_machine ON fault (machine_id, closed_at);
`;
