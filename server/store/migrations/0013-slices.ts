/**
 * Parts whose line is to be drawn anew, when so many are that a write does not wait for it; imports, so that they can be
 * taken back. Never edited once landed.
 */
export const slices = `
CREATE TABLE redraw (
  point_id TEXT PRIMARY KEY REFERENCES point (id) ON DELETE CASCADE,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  asked_at INTEGER NOT NULL
);
CREATE INDEX redraw_by_organisation ON redraw (organisation_id);
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
