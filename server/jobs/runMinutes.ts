/** How long machines run. */
import type { Call } from '../context/context.ts';
import { factsOf } from '../store/facts.ts';
import type { Row } from '../store/tables.ts';

/** How long the cycle of a point runs: as entered for it, or for another machine of this maker and model. */
export async function runMinutesOf(
  { db, actor: { organisationId } }: Call,
  pointIds: readonly string[],
  { maker, model, type }: Row<'machine'>,
): Promise<Map<string, number>> {
  const own = await db.point.all({ id: [...pointIds] });
  const alike = model === '' ? [] : await db.machine.all({ organisationId, type, maker, model }, { columns: ['id'] });
  const others =
    alike.length === 0
      ? []
      : await db.point.all({ machineId: alike.map(({ id }) => id), procedure: own.map(({ procedure }) => procedure) });
  const facts = await factsOf(db, [...pointIds, ...others.map(({ id }) => id)], 'specification');
  const minutesOf = (id: string) => facts.findLast(({ subjectId }) => subjectId === id)?.value.runMinutes ?? null;
  return new Map(
    own.flatMap(({ id, procedure }): [string, number][] => {
      const minutes =
        minutesOf(id) ??
        others
          .filter((it) => it.procedure === procedure)
          .map((it) => minutesOf(it.id))
          .find((it) => it !== null);
      return minutes == null ? [] : [[id, minutes]];
    }),
  );
}
