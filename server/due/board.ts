/** The line board as bytes, kept until something is written or a day begins in one of its zones. */
import { gzip } from 'node:zlib';
import { promisify } from 'node:util';
import { dayOfInstant } from '../../core/calendar/day.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { hardnessClass } from '../../core/quantities/hardness.ts';
import type { BoardType } from '../../contract/due.ts';
import type { Env } from '../env.ts';
import { readBoardRows } from '../sql/board.ts';
import { factsOf, inForce } from '../store/facts.ts';

const compress = promisify(gzip);

export interface BoardBytes {
  readonly plain: Buffer;
  /** Compressed once, when first asked for. */
  gzipped(): Promise<Buffer>;
}

interface Kept {
  readonly revision: number;
  readonly days: string;
  readonly zones: readonly string[];
  readonly bytes: BoardBytes;
}

/** A reader of boards that remembers one per organisation. */
export function boardReader(env: Env) {
  const kept = new Map<string, Kept>();
  const daysIn = (zones: readonly string[]) => zones.map((zone) => dayOfInstant(env.clock(), zone)).join();
  return async (organisationId: string): Promise<BoardBytes> => {
    const known = kept.get(organisationId);
    if (known && known.revision === env.store.revision && known.days === daysIn(known.zones)) return known.bytes;
    const { revision } = env.store;
    const { text, zones } = await composeBoard(env, organisationId);
    const plain = Buffer.from(text);
    let packed: Promise<Buffer> | undefined;
    const bytes: BoardBytes = { plain, gzipped: () => (packed ??= compress(plain, { level: 5 })) };
    kept.set(organisationId, { revision, days: daysIn(zones), zones, bytes });
    return bytes;
  };
}

/** The board's JSON (`BoardAnswer`). The marks come out of the database as text and go in as they are. */
async function composeBoard({ store: { db }, clock, say }: Env, organisationId: string): Promise<{ text: string; zones: string[] }> {
  const [properties, rows, proofs, faults] = await Promise.all([
    db.property.all({ organisationId }, { order: [['sort', 'ASC'], ['id', 'ASC']] }),
    readBoardRows(db.sequelize, organisationId),
    db.proof.count({ organisationId, state: 'waiting' }),
    db.fault.count({ organisationId, closedAt: null }),
  ]);
  const ids = properties.map(({ id }) => id);
  const [waters, practices] = await Promise.all([factsOf(db, ids, 'water'), factsOf(db, ids, 'practice')]);
  const index = new Map(ids.map((id, i) => [id, i]));
  const homes = new Map<string, number>();
  for (const { property_id: id } of rows) homes.set(id, (homes.get(id) ?? 0) + 1);
  const types: BoardType[] = [...procedures.values()].map(({ key, kind, safetyCritical, risk }) => ({
    key, kind, safetyCritical, name: say(`point.${key}`), riskWeight: riskWeight(risk),
  }));
  const described = properties.map(({ id, name, zone }) => {
    const today = dayOfInstant(clock(), zone);
    const of = <T extends { subjectId: string }>(facts: readonly T[]) => facts.filter(({ subjectId }) => subjectId === id);
    const hardness = inForce(of(waters), today)?.value.hardnessMgL ?? null;
    return {
      id, name, today,
      says: say('says.property', {
        units: homes.get(id) ?? 0,
        water: say(`says.water.${hardness === null ? 'unknown' : hardnessClass(hardness)}`),
        practice: say(`practice.${inForce(of(practices), today)?.value ?? 'steady'}`),
      }),
    };
  });
  const rowTexts = rows.map(({ id, name, property_id, marks }) =>
    `{"id":"${id}","name":${JSON.stringify(name)},"property":${index.get(property_id)},"marks":[${marks ?? ''}]}`);
  return {
    text: `{"types":${JSON.stringify(types)},"properties":${JSON.stringify(described)},"waiting":${JSON.stringify({ proofs, faults })},"rows":[${rowTexts.join()}]}`,
    zones: [...new Set(properties.map(({ zone }) => zone))],
  };
}
