/** Columns as values, so that a table's row type is inferred and never written twice. */
import { DataTypes, type ModelAttributes } from 'sequelize';

interface Column<T> {
  readonly type: typeof DataTypes.TEXT | typeof DataTypes.INTEGER | typeof DataTypes.BLOB | typeof DataTypes.REAL;
  readonly nullable: boolean;
  readonly key: boolean;
  /** Never set; carries the type. */
  readonly value?: T;
}

export type Columns = Readonly<Record<string, Column<unknown>>>;
export type RowOf<C extends Columns> = { -readonly [K in keyof C]: C[K] extends Column<infer T> ? T : never };

const column = <T>(type: Column<T>['type'], nullable = false, key = false): Column<T> => ({ type, nullable, key });

export const key = () => column<string>(DataTypes.TEXT, false, true);
/** A whole-number key that SQLite hands out. */
export const serial = () => column<number>(DataTypes.INTEGER, false, true);
export const text = <T extends string = string>() => column<T>(DataTypes.TEXT);
export const textOrNull = <T extends string = string>() => column<T | null>(DataTypes.TEXT, true);
export const integer = () => column<number>(DataTypes.INTEGER);
export const integerOrNull = () => column<number | null>(DataTypes.INTEGER, true);
/** 0 or 1. */
export const flag = () => column<number>(DataTypes.INTEGER);
export const real = () => column<number>(DataTypes.REAL);
export const realOrNull = () => column<number | null>(DataTypes.REAL, true);
export const bytes = () => column<Buffer>(DataTypes.BLOB);
/** Whose row it is. */
export const organisationId = text();

/** The columns as Sequelize wants them; names become snake_case. */
export function attributesOf(columns: Columns): ModelAttributes {
  return Object.fromEntries(
    Object.entries(columns).map(([name, { type, nullable, key: primaryKey }]) => [
      name,
      {
        type,
        allowNull: nullable || (primaryKey && type === DataTypes.INTEGER),
        primaryKey,
        autoIncrement: primaryKey && type === DataTypes.INTEGER,
      },
    ]),
  );
}

/** A column's or a table's name in SQL: snake_case. */
export const columnNameOf = (name: string): string => name.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`);

/** A name in quotes, so that SQL takes any word as a name. */
export const quoted = (name: string): string => `"${name}"`;
