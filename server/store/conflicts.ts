/** What the database refused, apart from the library's words for it. */
import { ForeignKeyConstraintError, UniqueConstraintError } from 'sequelize';

/**
 * Why a write was refused: something of that id is there already, or it refers to what is not. Null for any other
 * error.
 */
export function conflictOf(error: unknown): 'idTaken' | 'refersToNothing' | null {
  if (error instanceof UniqueConstraintError) return 'idTaken';
  return error instanceof ForeignKeyConstraintError ? 'refersToNothing' : null;
}
