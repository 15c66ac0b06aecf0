/** The list of one home that is given by itself on a fixed day of each month. Never edited once landed. */
export const monthLists = `
CREATE TABLE month_list (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  place_id TEXT NOT NULL REFERENCES place (id),
  rule TEXT NOT NULL,
  from_day INTEGER NOT NULL,
  person_id TEXT,
  said_by TEXT NOT NULL,
  given_day INTEGER,
  list_id TEXT,
  left_undone TEXT NOT NULL
);
CREATE UNIQUE INDEX month_list_of_place ON month_list (place_id);
`;
