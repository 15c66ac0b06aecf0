/** Wrong guesses that a restart does not forget; `id` is a hash of whose. Never edited once landed. */
export const guesses = `
CREATE TABLE guess (id TEXT PRIMARY KEY, count REAL NOT NULL, at INTEGER NOT NULL);
`;
