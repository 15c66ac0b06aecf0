/** What people of the office may do, and how long they work in a week. Never edited once landed. */
export const people = `
ALTER TABLE person ADD COLUMN level TEXT NOT NULL DEFAULT 'staff';
ALTER TABLE person ADD COLUMN hours_a_week REAL;
`;
