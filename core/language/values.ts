/** What a text wants said with it, as types: a wrong key, a missing value or one too many does not compile. */

/** What chooses between the forms of a text. */
export type Choice = string | number | boolean | null | undefined;
/** The text wants nothing. */
export type None = Readonly<Record<string, never>>;
/** Values of any text, where the key is not known before it runs. */
export type Values = Readonly<Record<string, Choice>>;

/** What a key fits: itself, or, where it is put together around something unknown, the texts of its family. */
type Family<Text, Key extends string> = Key extends keyof Text ? Key : Extract<keyof Text, Key>;

/** A key that has text; one that is only known to be a string has none. */
export type KeyOf<Text, Key extends string> = string extends Key
  ? never
  : Family<Text, Key> extends never
    ? never
    : unknown;

/** Of several texts, what all of them want together. */
type Together<T> = (T extends unknown ? (each: T) => void : never) extends (all: infer All) => void ? All : never;
/** A text that wants nothing takes whatever its neighbours want. */
type WantOf<T> = T extends None ? object : T;

/** What is said with a key: exactly what its text wants; with a family, any values where one of its texts has some. */
export type ValuesOf<Text, Key extends string> = [Key] extends [keyof Text]
  ? Text[Key] extends None
    ? [values?: None]
    : [values: Together<WantOf<Text[Key]>>]
  : Text[Family<Text, Key> & keyof Text] extends infer Wants
    ? [Wants] extends [None]
      ? [values?: None]
      : None extends Wants
        ? [values?: Values]
        : [values: Values]
    : never;
