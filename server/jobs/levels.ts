/** Who may do what. */
import type { Level, Procedure } from '../../core/catalogue/types.ts';

const RANK: Readonly<Record<Level, number>> = { T: 0, S: 1, L: 2 };

/** Whether somebody of a level may do all of these. */
export const mayDoAll = (level: Level, procedures: readonly Pick<Procedure, 'level'>[]): boolean => procedures.every((it) => RANK[it.level] <= RANK[level]);
