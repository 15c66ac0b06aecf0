/**
 * Sittings with their plans, several sittings in one request, alarms, what was handed back; several agents and the
 * condition after in what teaches; by which definition of *on time* a proof was judged. Never edited once landed.
 */
export const sittings = `
ALTER TABLE condition ADD COLUMN agents TEXT NOT NULL DEFAULT '[]';
UPDATE condition SET agents = json_array(agent) WHERE agent IS NOT NULL;
ALTER TABLE condition ADD COLUMN after_grade TEXT;
ALTER TABLE proof ADD COLUMN definition INTEGER NOT NULL DEFAULT 1;
ALTER TABLE job ADD COLUMN list_id TEXT;
DROP INDEX mark_for_board;
CREATE INDEX mark_for_board ON mark (organisation_id, place_id, number, type, served_day, interval_days, cap_slack, work, scheduled);
ALTER TABLE condition ADD COLUMN doubtful INTEGER NOT NULL DEFAULT 0;
CREATE INDEX job_by_list ON job (list_id);
CREATE TABLE alarm (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, place_id TEXT NOT NULL REFERENCES place, machine_id TEXT NOT NULL REFERENCES machine, job_id TEXT REFERENCES job, fault_id TEXT NOT NULL REFERENCES fault, kind TEXT NOT NULL, note TEXT NOT NULL, raised_at INTEGER NOT NULL, raised_by TEXT NOT NULL REFERENCES person, acknowledged_at INTEGER, acknowledged_by TEXT REFERENCES person, lifted_at INTEGER, lifted_by TEXT REFERENCES person);
CREATE INDEX alarm_by_organisation ON alarm (organisation_id, lifted_at);
CREATE INDEX alarm_by_machine ON alarm (machine_id, lifted_at);
CREATE TABLE alarm_call (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, alarm_id TEXT NOT NULL REFERENCES alarm, person_id TEXT NOT NULL REFERENCES person, place_in_order INTEGER NOT NULL, due_at INTEGER NOT NULL, token_hash TEXT NOT NULL, sent_at INTEGER, failed TEXT, tries INTEGER NOT NULL);
CREATE INDEX alarm_call_by_alarm ON alarm_call (alarm_id, place_in_order);
CREATE UNIQUE INDEX alarm_call_by_token ON alarm_call (token_hash);
CREATE TABLE hand_back (id TEXT PRIMARY KEY, organisation_id TEXT NOT NULL REFERENCES organisation, place_id TEXT NOT NULL REFERENCES place, machine_id TEXT NOT NULL REFERENCES machine, job_id TEXT NOT NULL REFERENCES job, point_ids TEXT NOT NULL, reason TEXT NOT NULL, note TEXT NOT NULL, still TEXT NOT NULL, at INTEGER NOT NULL, person_id TEXT NOT NULL REFERENCES person, settled_at INTEGER, settled_by TEXT REFERENCES person);
CREATE INDEX hand_back_by_organisation ON hand_back (organisation_id, settled_at, at);
CREATE INDEX hand_back_by_place ON hand_back (place_id, settled_at);
`;
