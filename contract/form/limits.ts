/** How much is taken in at once. */

export const MAX_PHOTO_MB = 8;
/** Phones send some two megapixels; a picture of more than this is refused before it is unpacked. */
export const MAX_PHOTO_MEGAPIXELS = 16;
/** One that is drawn in many passes holds all of them in memory at once. */
export const MAX_LAYERED_MEGAPIXELS = 4;
/** Photos of one person in a day: a caretaker's longest day has some two hundred. */
export const PHOTOS_A_DAY = 400;
export const MAX_IMPORT_MB = 16;
export const MAX_IMPORT_ROWS = 50_000;
/** Parts that are chosen one by one, of all the homes of one write. */
export const MOST_CHOSEN = 300;
