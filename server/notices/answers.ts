/** How long a household takes to do what it is asked for, and by when it is to be asked. */
import { dayOfInstant, MS_PER_DAY } from '../../core/calendar/day.ts';
import {
  believeAnswers,
  isSilent,
  leadFor,
  learning,
  LINE_SHARE,
  type AnswerBelief,
  type AnswerModel,
  type Asking,
} from '../../core/notices/answering.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Answering } from '../../contract/notices/answering.ts';
import { breather } from '../context/breathe.ts';
import type { Call, Env } from '../context/context.ts';
import { holdOf } from '../lookup/hold.ts';
import { findPlace } from '../lookup/places.ts';
import { zoneOfPlace } from '../lookup/zone.ts';
import { tenancyOn } from '../lookup/tenancies.ts';
import { readAskings, type AskedRow } from '../sql/askings.ts';

/** What was asked for longer ago says little of a household today: our assumption. */
const LOOK_BACK_MS = 730 * MS_PER_DAY;
/** A portfolio is learned anew so often: what one household does moves it little. */
const LEARNED_FOR_MS = 3_600_000;

/** Askings of one household: a request is done when all that was not taken away again is. */
function askingsOf(rows: readonly AskedRow[], now: number): Asking[] {
  return [...grouped(rows, ({ request }) => request).values()].map((jobs) => {
    const kept = jobs.filter(({ doneAt, endedAt }) => doneAt !== null || endedAt === null);
    const done = kept.length > 0 && kept.every(({ doneAt }) => doneAt !== null);
    const until = done
      ? Math.max(...kept.map(({ doneAt }) => doneAt!))
      : Math.min(now, ...jobs.map(({ endedAt }) => endedAt ?? now));
    const days = Math.max(0, until - jobs[0]!.at) / MS_PER_DAY;
    return { days: done ? Math.ceil(days) : Math.floor(days), done };
  });
}

const models = new WeakMap<Env['store'], Map<string, { readonly at: number; readonly model: Promise<AnswerModel> }>>();

/** What is learned of all households of an office. */
function modelOf({ store }: Pick<Env, 'store'>, organisationId: string, now: number): Promise<AnswerModel> {
  const kept = models.get(store) ?? new Map<string, { at: number; model: Promise<AnswerModel> }>();
  models.set(store, kept);
  const before = kept.get(organisationId);
  if (before && now >= before.at && now < before.at + LEARNED_FOR_MS) return before.model;
  const model = readAskings(store.db, organisationId, now - LOOK_BACK_MS).then((rows) =>
    learnAside([...grouped(rows, ({ personId }) => personId).values()].map((its) => askingsOf(its, now))),
  );
  kept.set(organisationId, { at: now, model });
  model.catch(() => kept.delete(organisationId));
  return model;
}

/** Learns, others being answered in between. */
async function learnAside(households: readonly (readonly Asking[])[]): Promise<AnswerModel> {
  const steps = learning(households);
  const breathe = breather();
  for (;;) {
    const { done, value } = steps.next();
    if (done) return value;
    await breathe();
  }
}

interface Household {
  readonly organisationId: string;
  readonly personId: string;
}

async function readHousehold({ store: { db }, clock }: Env, { organisationId, personId }: Household) {
  return askingsOf(await readAskings(db, organisationId, clock() - LOOK_BACK_MS, personId), clock());
}

/** What is believed of how a household answers. */
export async function beliefOf(env: Env, household: Household): Promise<AnswerBelief> {
  const model = await modelOf(env, household.organisationId, env.clock());
  return believeAnswers(await readHousehold(env, household), model);
}

/** What is believed of each household of an office, by whoever lives there; read once for all. */
export async function beliefsIn(env: Env, organisationId: string): Promise<(personId: string) => AnswerBelief> {
  const { store, clock } = env;
  const [model, rows] = await Promise.all([
    modelOf(env, organisationId, clock()),
    readAskings(store.db, organisationId, clock() - LOOK_BACK_MS),
  ]);
  const byPerson = grouped(rows, ({ personId }) => personId);
  const known = new Map<string, AnswerBelief>();
  return (personId) => {
    const belief = known.get(personId) ?? believeAnswers(askingsOf(byPerson.get(personId) ?? [], clock()), model);
    known.set(personId, belief);
    return belief;
  };
}

/**
 * How whoever lives there answers; null where nobody does, or the home is on hold.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function answeringAt(call: Call, placeId: string): Promise<Answering | null> {
  const {
    env,
    db,
    actor: { organisationId },
    now,
  } = call;
  await findPlace(call, placeId);
  if (await holdOf(db, placeId, dayOfInstant(now, await zoneOfPlace(db, placeId)))) return null;
  const tenancy = await tenancyOn(db, placeId, now);
  const person = tenancy && (await db.person.one({ id: tenancy.personId }));
  if (!person) return null;
  const model = await modelOf(env, organisationId, now);
  const askings = await readHousehold(env, { organisationId, personId: person.id });
  const belief = believeAnswers(askings, model);
  return {
    name: person.name,
    asked: askings.length,
    done: askings.filter(({ done }) => done).length,
    usual: leadFor(belief, 0.5),
    lead: leadFor(belief, LINE_SHARE),
    silent: isSilent(belief),
  };
}
