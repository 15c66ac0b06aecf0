/** Proofs that chance chose to be looked at. */
import type { Db } from '../store/db.ts';
import { ask } from './connection.ts';

/** Those of a person that somebody has decided on, the earliest draw first. */
export const readDrawnLooks = (db: Db, personId: string): Promise<{ state: string; at: number }[]> =>
  ask(
    db,
    `
SELECT proof.state AS state, draw.at AS at FROM draw JOIN proof ON proof.record_id = draw.record_id
WHERE draw.person_id = ? AND draw.drawn = 1 AND proof.state IN ('accepted', 'registerWrong', 'sentBack')
ORDER BY draw.at, draw.record_id`,
    [personId],
  );
