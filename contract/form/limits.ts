/** How much is taken in at once. */

export const MAX_PHOTO_MB = 15;
export const MAX_IMPORT_MB = 16;
export const MAX_IMPORT_ROWS = 50_000;
