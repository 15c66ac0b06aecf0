/**
 * Parts whose line is to be drawn anew, when so many are that a write does not wait for it; imports, so that they can be
 * taken back. Never edited once landed.
 */
export const slices = `
ALTER TABLE mark ADD COLUMN redraw_at INTEGER;
CREATE INDEX mark_to_redraw ON mark (redraw_at) WHERE redraw_at IS NOT NULL;
CREATE TABLE register_import (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  at INTEGER NOT NULL,
  units INTEGER NOT NULL,
  machines INTEGER NOT NULL,
  made TEXT NOT NULL,
  undone_at INTEGER
);
CREATE INDEX register_import_by_organisation ON register_import (organisation_id, at);
`;
