/** People and programs may be limited to some of the properties. Never edited once landed. */
export const scopes = `
CREATE TABLE person_property (
  id TEXT PRIMARY KEY,
  organisation_id TEXT NOT NULL REFERENCES organisation (id),
  person_id TEXT NOT NULL REFERENCES person (id),
  property_id TEXT NOT NULL REFERENCES property (id)
);
CREATE UNIQUE INDEX person_property_by_person ON person_property (person_id, property_id);
CREATE INDEX person_property_by_property ON person_property (property_id);
ALTER TABLE person ADD COLUMN limited INTEGER NOT NULL DEFAULT 0;
ALTER TABLE access_token ADD COLUMN properties TEXT NOT NULL DEFAULT '';
`;
