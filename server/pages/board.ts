/** The line board as bytes, kept until something is written or a day begins in one of its zones. */
import { gzip } from 'node:zlib';
import { promisify } from 'node:util';
import { dayOfInstant, isoFromDay, MS_PER_DAY } from '../../core/calendar/day.ts';
import { proceduresOf } from '../../core/catalogue/catalogue.ts';
import { typeNumber } from '../due/recompute.ts';
import { riskWeight } from '../../core/catalogue/types.ts';
import { hardnessClass } from '../../core/quantities/hardness.ts';
import type { BoardType } from '../../contract/due/due.ts';
import type { Env } from '../context/context.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import { holdAmong } from '../lookup/hold.ts';
import { breachShareOn } from '../standing/verdict.ts';
import { openAlarms } from '../faults/alarms.ts';
import { readBaselinePlan, readBoardRows, readOpenClocks, readWaiting } from '../sql/board.ts';
import type { Db } from '../store/db.ts';
import { factsOf, inForce } from '../store/facts.ts';

const compress = promisify(gzip);

export interface BoardBytes {
  readonly plain: Buffer;
  /** Compressed once, when first asked for. */
  gzipped(): Promise<Buffer>;
}

interface BoardCache {
  readonly revision: number;
  readonly days: string;
  readonly head: Head;
  readonly bytes: BoardBytes;
}

/** What of the board changes seldom: the types and the properties in words. */
interface Head {
  readonly revision: number;
  readonly days: string;
  readonly zones: readonly string[];
  readonly index: ReadonlyMap<string, number>;
  /** Places that are on hold. */
  readonly held: ReadonlySet<string>;
  /** JSON text, without the closing brace. */
  readonly text: string;
}

const HEAD_TABLES = ['definedMachine', 'property', 'place', 'fact'] as const;
const BOARD_TABLES = [...HEAD_TABLES, 'mark', 'proof', 'fault', 'signal', 'alarm', 'handBack', 'deficiency'] as const;

/**
 * A reader of boards that remembers one for each store it reads and each language, and whoever is limited reads one of
 * their own; until its tables are written or a day begins.
 */
export function boardReader() {
  const boards = new WeakMap<Db, Map<string, BoardCache>>();
  return async (env: Env, db: Db, organisationId: string): Promise<BoardBytes> => {
    const whose = `${organisationId} ${env.language}`;
    const kept = boards.get(db) ?? new Map<string, BoardCache>();
    boards.set(db, kept);
    const known = kept.get(whose);
    const revision = env.store.revisionOf(BOARD_TABLES);
    if (known && known.revision === revision && known.days === daysIn(env, known.head.zones)) return known.bytes;
    const head = await headOf(env, db, organisationId, known?.head);
    const plain = Buffer.from(await composeBoard(env, db, organisationId, head));
    let packed: Promise<Buffer> | undefined;
    const bytes: BoardBytes = { plain, gzipped: () => (packed ??= compress(plain, { level: 5 })) };
    kept.set(whose, { revision, days: head.days, head, bytes });
    return bytes;
  };
}

const daysIn = ({ clock }: Env, zones: readonly string[]) => zones.map((zone) => dayOfInstant(clock(), zone)).join();

/** The board's JSON (`BoardAnswer`). The marks come out of the database as text and go in as they are. */
async function composeBoard(env: Env, db: Db, organisationId: string, head: Head): Promise<string> {
  const { clock } = env;
  const [rows, waiting] = await Promise.all([readBoardRows(db, organisationId), readWaiting(db, organisationId)]);
  const rowTexts = rows.map(
    ({ id, name, property_id, marks }) =>
      `{"id":"${id}","name":${JSON.stringify(name)},"property":${head.index.get(property_id)},` +
      `"held":${head.held.has(id)},"marks":[${marks ?? ''}]}`,
  );
  const { proofs, faults, handBacks, latest } = waiting;
  const plan = await readBaselinePlan(db, organisationId);
  const clocks = (await readOpenClocks(db, organisationId)).map((it) => [it.openedAt, it.correctBy]);
  const alarms = (await openAlarms({ db, env }, organisationId)).map(
    ({ id, says, note, place, placeId, machine, at, zone, acknowledgedBy }) => ({
      id,
      says,
      note,
      place,
      placeId,
      machine,
      at: env.say.time(at, zone),
      acknowledgedBy,
    }),
  );
  // A clock that was moved back makes every date here wrong: the newest entry lies in its future.
  const clockBehindDays = latest === null ? 0 : Math.max(0, Math.floor((latest - clock()) / MS_PER_DAY));
  const baseline = plan && { planned: plan.planned, until: isoFromDay(plan.until + 6) };
  const asks = JSON.stringify({ proofs, faults, handBacks, clocks, alarms, baseline, clockBehindDays });
  return `${head.text},"waiting":${asks},"rows":[${rowTexts.join()}]}`;
}

async function headOf(env: Env, db: Db, organisationId: string, known: Head | undefined): Promise<Head> {
  const { clock, say } = env;
  const revision = env.store.revisionOf(HEAD_TABLES);
  if (known && known.revision === revision && known.days === daysIn(env, known.zones)) return known;
  const [properties, places] = await Promise.all([
    db.property.all(
      { organisationId },
      {
        order: [
          ['sort', 'ASC'],
          ['id', 'ASC'],
        ],
      },
    ),
    db.place.all({ organisationId }, { columns: ['id', 'propertyId'] }),
  ]);
  const ids = properties.map(({ id }) => id);
  const placeIds = places.map(({ id }) => id);
  const [waters, practices, holds] = await Promise.all([
    factsOf(db, ids, 'water'),
    factsOf(db, [organisationId, ...ids], 'practice'),
    factsOf(db, placeIds, 'hold'),
  ]);
  const types: BoardType[] = proceduresOf(organisationId).map(({ key, kind, safetyCritical, risk }) => ({
    key,
    number: typeNumber(key),
    kind,
    safetyCritical,
    name: say.text(`point.${key}`),
    riskWeight: riskWeight(risk),
  }));
  const described = properties.map(({ id, name, zone }) => {
    const today = dayOfInstant(clock(), zone);
    const of = <T extends { subjectId: string }>(facts: readonly T[]) =>
      facts.filter(({ subjectId }) => subjectId === id);
    const hardness = inForce(of(waters), today)?.value.hardnessMgL ?? null;
    const practice =
      inForce(of(practices), today)?.value ??
      inForce(
        practices.filter(({ subjectId }) => subjectId === organisationId),
        today,
      )?.value ??
      'steady';
    return {
      id,
      name,
      today,
      says: say('says.property', {
        units: places.filter(({ propertyId }) => propertyId === id).length,
        water: say(`says.water.${hardness === null ? 'unknown' : hardnessClass(hardness)}`),
        practice: say(`practice.${practice}`),
      }),
    };
  });
  const zones = [...new Set(properties.map(({ zone }) => zone))];
  const todayAt = new Map(described.map(({ id, today }) => [id, today]));
  const holdsOf = grouped(holds, ({ subjectId }) => subjectId);
  const held = places.filter(({ id, propertyId }) => holdAmong(holdsOf.get(id) ?? [], todayAt.get(propertyId)!));
  const breachShare = await breachShareOn(db, organisationId, described[0]?.today ?? dayOfInstant(clock(), 'UTC'));
  return {
    revision,
    zones,
    days: daysIn(env, zones),
    index: new Map(ids.map((id, i) => [id, i])),
    held: new Set(held.map(({ id }) => id)),
    text: `{"types":${JSON.stringify(types)},"properties":${JSON.stringify(described)},"breachShare":${breachShare}`,
  };
}
