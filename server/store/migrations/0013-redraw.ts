/** Parts whose line is to be drawn anew, when so many are that a write does not wait for it. Never edited once landed. */
export const redraw = `
CREATE TABLE redraw (
  point_id TEXT PRIMARY KEY REFERENCES point (id) ON DELETE CASCADE,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  asked_at INTEGER NOT NULL
);
CREATE INDEX redraw_by_organisation ON redraw (organisation_id);
`;
