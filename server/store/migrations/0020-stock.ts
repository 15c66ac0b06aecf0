/** What is on the shelf: how each thing is bought, and what was counted or came in. Never edited once landed. */
export const stock = `
CREATE TABLE stock_item (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  item TEXT NOT NULL,
  supplier TEXT NOT NULL,
  price REAL,
  pack INTEGER NOT NULL,
  lead_weeks INTEGER NOT NULL,
  service REAL NOT NULL
);
CREATE UNIQUE INDEX stock_item_once ON stock_item (organisation_id, item);
CREATE TABLE stock_change (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  item TEXT NOT NULL,
  kind TEXT NOT NULL,
  quantity INTEGER NOT NULL,
  at INTEGER NOT NULL,
  by_person TEXT NOT NULL
);
CREATE INDEX stock_change_by_item ON stock_change (organisation_id, item, at);
`;
