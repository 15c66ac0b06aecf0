/** The cause of a fault that nobody has named. */
export const OTHER = 'other';
