/**
 * What an office and each of its people read in: language, units, and the office's currency, which stood with its
 * prices. Never edited once landed.
 */
export const languages = `
ALTER TABLE organisation ADD COLUMN language TEXT NOT NULL DEFAULT 'en';
ALTER TABLE organisation ADD COLUMN units TEXT NOT NULL DEFAULT 'metric';
ALTER TABLE organisation ADD COLUMN currency TEXT NOT NULL DEFAULT 'EUR';
ALTER TABLE person ADD COLUMN language TEXT;
ALTER TABLE person ADD COLUMN units TEXT;
UPDATE organisation SET currency = COALESCE((
  SELECT json_extract(fact.value, '$.currency') FROM fact
  WHERE fact.subject_id = organisation.id AND fact.name = 'prices'
  ORDER BY fact.recorded_at DESC, fact.id DESC LIMIT 1
), 'EUR');
`;
