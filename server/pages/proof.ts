/** The proofs that wait, and one of them as its judge sees it. */
import { procedureOf } from '../../core/catalogue/catalogue.ts';
import { passes } from '../../core/proof/readings.ts';
import type { ServiceRecord } from '../../core/proof/record.ts';
import { MS_PER_DAY } from '../../core/calendar/day.ts';
import type { ProofAnswer, ProofQueue } from '../../contract/proof/proof.ts';
import type { Call } from '../context/context.ts';
import { needLabel } from '../words/steps.ts';
import { lookRuleOf } from '../proof/byRule.ts';
import { factsOf } from '../store/facts.ts';
import { above } from '../store/where.ts';
import { tellFindings } from '../words/findings.ts';
import { summarise, findProof, effectOf, judgedWords } from '../proof/verdicts.ts';

const LATELY_MS = 30 * MS_PER_DAY;
const LATELY = 60;

/** What waits to be judged, the oldest first, and what was accepted by rule lately. */
export async function proofQueue(call: Call): Promise<ProofQueue> {
  const {
    db,
    actor: { organisationId },
    now,
  } = call;
  const lately = { organisationId, state: 'accepted', evidence: 'checked', sentAt: above(now - LATELY_MS) } as const;
  const [waiting, byRule, byRuleCount] = await Promise.all([
    db.proof.all({ organisationId, state: 'waiting' }, { order: [['sentAt', 'ASC']], limit: 500 }),
    db.proof.all(lately, { order: [['sentAt', 'DESC']], limit: LATELY }),
    db.proof.count(lately),
  ]);
  return {
    waiting: await summarise(call, waiting),
    byRule: await summarise(call, byRule),
    byRuleCount,
    rule: await lookRuleOf(db, organisationId),
  };
}

/**
 * A proof with its photos, findings and what accepting it would do.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readProof(call: Call, id: string): Promise<ProofAnswer> {
  const {
    db,
    env: { say },
  } = call;
  const { proof, record } = await findProof(call, id);
  const [summary] = await summarise(call, [proof]);
  const done = JSON.parse(record.canonical) as ServiceRecord;
  const procedure = procedureOf(done.procedure, done.methods);
  const point = (await db.point.one({ id: record.pointId }))!;
  const uses = await db.photoUse.all({ subjectId: id });
  const photos = new Map(
    (
      await db.photo.all(
        { id: uses.map(({ photoId }) => photoId) },
        { columns: ['id', 'capturedAt', 'source', 'purgedAt'] },
      )
    ).map((it) => [it.id, it]),
  );
  const slots = procedure.steps
    .flatMap(({ needs }) => needs)
    .filter(({ kind }) => kind === 'photo')
    .map(({ key }) => key);
  const note = await db.personal.one({ recordId: id, field: 'note' });
  const findings = tellFindings(say, record, proof);
  return {
    ...summary!,
    zone: done.zone,
    state: proof.state,
    judged: await judgedWords(call, proof),
    own: record.personId === call.actor.personId,
    doneAt: done.doneAt,
    hash: record.hash,
    point: {
      id: point.id,
      number: point.number,
      name: say(`point.${point.procedure}`),
      kind: procedure.kind,
      procedure: procedure.key,
    },
    minutes: done.startedAt === null ? null : Math.round((done.doneAt - done.startedAt) / 60_000),
    grade: done.grade,
    gradeSays: done.grade && say(`grade.${done.grade}`),
    cavitySays: done.cavityGrade && say(`grade.${done.cavityGrade}`),
    afterSays: done.after ? say(`grade.${done.after}`) : null,
    finds: done.finds.map((find) => say(`find.${find}`)),
    note: note?.value ?? null,
    readings: Object.entries(done.readings).flatMap(([key, value]) => {
      const need = procedure.steps.flatMap(({ needs }) => needs).find((it) => it.kind === 'reading' && it.key === key);
      if (need?.kind !== 'reading') return [];
      return [
        {
          name: needLabel(say, need, procedure.key),
          value: `${value} ${say(`unit.${need.unit}`)}`,
          passes: passes(need, done.readings),
        },
      ];
    }),
    photos: uses
      .filter(({ slot }) => slots.includes(slot))
      .sort((a, b) => slots.indexOf(a.slot) - slots.indexOf(b.slot))
      .map(({ photoId, slot }) => {
        const photo = photos.get(photoId)!;
        return {
          id: photoId,
          slot,
          label: needLabel(say, { kind: 'photo', key: slot }, procedure.key),
          capturedAt: photo.capturedAt,
          source: photo.source,
          kept: photo.purgedAt === null,
        };
      }),
    findings,
    specification: (await factsOf(db, [record.pointId], 'specification')).at(-1)?.value ?? {},
    effect: await effectOf(call, record),
  };
}
