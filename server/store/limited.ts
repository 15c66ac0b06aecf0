/**
 * The store as somebody sees it who is limited to some properties.
 *
 * Each set of properties has a connection of its own, on which every table of the register is hidden behind a view of
 * the same name. So a query that forgets who asks still finds nothing that is not theirs.
 */
import type { Sequelize } from 'sequelize';
import { dbOf, defineModels, type Db } from './db.ts';
import { viewsOf } from './views.ts';

/** Connections that are kept; one that was not asked for longest is closed when another is opened. */
const MOST = 16;
/** A page that is being read ends on the connection that it began on. */
const LINGER_MS = 60_000;

interface Limited {
  readonly sequelize: Sequelize;
  readonly db: Promise<Db>;
}

/** Stores by their properties, opened when first asked for. @param connect opens a connection to the file */
export function limitedStores(connect: () => Sequelize) {
  const kept = new Map<string, Limited>();
  const leaving = new Map<Limited, NodeJS.Timeout>();

  async function open(sequelize: Sequelize, properties: readonly string[]): Promise<Db> {
    const models = defineModels(sequelize);
    for (const view of viewsOf(properties)) await sequelize.query(view);
    await sequelize.query('PRAGMA query_only = ON');
    return dbOf(sequelize, models);
  }
  function letGo(oldest: string): void {
    const it = kept.get(oldest)!;
    kept.delete(oldest);
    const closing = setTimeout(() => {
      leaving.delete(it);
      void it.sequelize.close();
    }, LINGER_MS);
    leaving.set(it, closing.unref());
  }
  return {
    async within(properties: readonly string[]): Promise<Db> {
      const key = [...properties].sort().join();
      let it = kept.get(key);
      if (!it) {
        const sequelize = connect();
        it = { sequelize, db: open(sequelize, properties) };
        // What failed is opened again.
        it.db.catch(() => kept.delete(key));
      }
      kept.delete(key);
      kept.set(key, it);
      if (kept.size > MOST) letGo(kept.keys().next().value!);
      return it.db;
    },
    async close(): Promise<void> {
      for (const closing of leaving.values()) clearTimeout(closing);
      await Promise.all([...kept.values(), ...leaving.keys()].map(({ sequelize }) => sequelize.close()));
    },
  };
}
