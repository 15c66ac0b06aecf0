/**
 * Tables that change what stands: what an import has changed, so that it can be taken back; what an office calls its
 * machines, and which ones it has defined itself; a claimed service with its condition and whose it was. Never edited
 * once landed.
 */
export const weekly = `
ALTER TABLE register_import ADD COLUMN changed TEXT NOT NULL DEFAULT '{"rows":[],"facts":[],"begun":[]}';
ALTER TABLE register_import ADD COLUMN changes INTEGER NOT NULL DEFAULT 0;
CREATE TABLE machine_name (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  name TEXT NOT NULL,
  type TEXT
);
CREATE UNIQUE INDEX machine_name_by_name ON machine_name (organisation_id, name);
CREATE TABLE defined_machine (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  key TEXT NOT NULL UNIQUE,
  number INTEGER NOT NULL UNIQUE,
  version INTEGER NOT NULL,
  content TEXT NOT NULL,
  changed_at INTEGER NOT NULL,
  changed_by TEXT NOT NULL REFERENCES person (id)
);
UPDATE fact SET value = json_object('day', json(value), 'by', '', 'grade', NULL) WHERE name = 'lastDone';
`;
