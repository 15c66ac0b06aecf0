/** The two systems of units in which a person may want to read and enter. */
export const UNIT_SYSTEMS = ['metric', 'us'] as const;
export type UnitSystem = (typeof UNIT_SYSTEMS)[number];

/** Exact, NIST SP 811. */
export const MM_PER_INCH = 25.4;
export const MM_PER_FOOT = 304.8;

/** Degrees Fahrenheit of a temperature in °C. */
export const fahrenheit = (celsius: number): number => celsius * 1.8 + 32;
/** °C of a temperature in degrees Fahrenheit. */
export const celsius = (degreesF: number): number => (degreesF - 32) / 1.8;
/** A difference of 1 K is 1.8 °F. */
export const kelvins = (differenceF: number): number => differenceF / 1.8;

/** In what a reading is kept. */
export type Unit = 'celsius' | 'minutes' | 'seconds' | 'litres' | 'inches';
