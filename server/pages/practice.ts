/** The practice page: what is chosen where, and what another practice would ask of whom. */
import { isoFromDay } from '../../core/calendar/day.ts';
import { procedures } from '../../core/catalogue/catalogue.ts';
import { methods, optionOf } from '../../core/catalogue/methods.ts';
import { ruleOf } from '../../core/due/anchor.ts';
import { assumptionsWith, intervalName, JUDGEMENTS } from '../../core/due/assumptions.ts';
import { burdenOf, type BurdenPoint } from '../../core/due/burden.ts';
import { PRACTICES, SCHOOLS, type Practice } from '../../core/catalogue/practice.ts';
import { ruleWords } from '../../core/language/calendar.ts';
import { SCOPES, type PracticeAnswer, type PracticePreview, type Scope } from '../../contract/due/practice.ts';
import type { Call } from '../context/context.ts';
import { factsOf, inForce, nearestFact, type Fact } from '../store/facts.ts';
import { practiceScope, readHistories, SEASONS } from '../due/history.ts';
import { findAddressed, findScope, pointsBelow, type ScopedSubject } from '../lookup/scope.ts';
import { personPace } from '../jobs/pace.ts';
import { readBeyond } from '../sql/lines.ts';
import { burdenPoints } from '../due/burden.ts';
import { budgetOf, changesOf } from '../due/settings.ts';
import { beyondWords } from '../due/terms.ts';
import { readSpent } from './spent.ts';

/**
 * What is chosen for the organisation: practice, calendar, prices, assumptions, and who is an exception.
 * @throws Problem: what is not there or not theirs (404)
 */
export async function readPractice(call: Call): Promise<PracticeAnswer> {
  const {
    db,
    env: { say },
    actor: { organisationId },
  } = call;
  const { today } = await findScope(call, 'organisation', null);
  const own = async <N extends 'practice' | 'methods' | 'seasons' | 'upkeepDay' | 'prices'>(name: N) =>
    inForce(await factsOf(db, [organisationId], name), today)?.value;
  const [practice, chosen, seasons, upkeepDay, prices] = await Promise.all([
    own('practice'),
    own('methods'),
    own('seasons'),
    own('upkeepDay'),
    own('prices'),
  ]);
  const changes = await changesOf(db, organisationId, today);
  const assumed = assumptionsWith(changes);
  const practices = await exceptions(call, 'practice');
  const others = await exceptions(call, 'methods');
  return {
    practice: practice ?? 'steady',
    exceptions: practices.flatMap(({ scope, subjectId, name, fact }) =>
      fact.value === null ? [] : [{ scope, subjectId, name, practice: fact.value }],
    ),
    methods: [...methods.values()].map(({ key, options }) => ({
      key,
      name: say(`method.${key}`),
      chosen: optionOf(key, chosen ?? {}).key,
      options: options.map((option) => ({
        key: option.key,
        forTenants: option.forTenants,
        name: say(`method.${key}.${option.key}`),
        speaksFor: say(`method.${key}.${option.key}.for`),
        speaksAgainst: say(`method.${key}.${option.key}.against`),
      })),
      exceptions: others.flatMap(({ fact, ...it }) =>
        fact.value[key] === undefined
          ? []
          : [{ scope: it.scope, subjectId: it.subjectId, name: it.name, option: fact.value[key] }],
      ),
    })),
    seasons: seasons ?? SEASONS,
    upkeepDay: upkeepDay
      ? {
          rule: upkeepDay.rule,
          start: isoFromDay(upkeepDay.start),
          says: ruleWords(say, ruleOf(upkeepDay.rule), upkeepDay.start),
        }
      : null,
    beyond: (await readBeyond(db, organisationId)).map(({ number, procedure, place, days, learned }) => ({
      number,
      place,
      point: say(`point.${procedure}`),
      says: beyondWords(say, days, learned)!,
    })),
    prices: prices ? { ...prices, call: prices.call ?? null, hoursAMonth: prices.hoursAMonth ?? null } : null,
    budget: await budgetOf(db, organisationId, null, today),
    assumptions: Object.entries(JUDGEMENTS).map(([name, { value: usual, low, high }]) => ({
      name,
      says: say(`assumption.${name}`),
      value: assumed[name as keyof typeof JUDGEMENTS],
      usual,
      low,
      high,
    })),
    intervals: BY_SCHOOL.map(({ key, days, assumed: ours }) => ({
      procedure: key,
      says: `${say(`machine.${key.split('.')[0]}`)}: ${say(`point.${key}`)}`,
      assumed: ours.length > 0,
      days: SCHOOLS.map((school) => ({
        name: intervalName(key, school),
        usual: days[school],
        value: changes[intervalName(key, school)] ?? days[school],
      })),
    })),
    materials: [...new Set([...procedures.values()].flatMap(({ materials }) => materials.map(({ what }) => what)))].map(
      (key) => ({ key, name: say(`material.${key}`) }),
    ),
  };
}

/** Parts whose intervals follow the schools; a contractor's visit follows its contract. */
const BY_SCHOOL = [...procedures.values()].filter(({ kind }) => kind !== 'visit');

/** Facts of a name in force below the organisation, with what they are about. */
async function exceptions<N extends 'practice' | 'methods'>(
  call: Call,
  name: N,
): Promise<{ scope: Scope; subjectId: string; name: string; fact: Fact<N> }[]> {
  const {
    db,
    actor: { organisationId },
  } = call;
  const subjects = new Set(
    (await db.fact.all({ organisationId, name }, { columns: ['subjectId'] })).map(({ subjectId }) => subjectId),
  );
  subjects.delete(organisationId);
  const facts = await factsOf(db, [...subjects], name);
  const found: { scope: Scope; subjectId: string; name: string; fact: Fact<N> }[] = [];
  for (const subjectId of subjects) {
    for (const scope of SCOPES.slice(1)) {
      const it = await findScope(call, scope, subjectId).catch(() => undefined);
      const fact =
        it &&
        inForce(
          facts.filter((one) => one.subjectId === subjectId),
          it.today,
        );
      if (it && fact) found.push({ scope, subjectId, name: it.name, fact });
      if (it) break;
    }
  }
  return found.sort((a, b) => SCOPES.indexOf(a.scope) - SCOPES.indexOf(b.scope) || a.name.localeCompare(b.name));
}

/** Points read and computed between two turns of the event loop. */
const CHUNK = 1000;

/** What each practice would ask of whom, of the points that would follow a choice made there. */
export const previewPractice = (call: Call, scope: string, id: string): Promise<PracticePreview> =>
  call.env.progress.during(call.actor.personId, 'preview', (tell) => reckonPreview(call, scope, id, tell));

async function reckonPreview(
  call: Call,
  scope: string,
  id: string,
  tell: (share: number) => void,
): Promise<PracticePreview> {
  const {
    db,
    now,
    actor: { organisationId },
  } = call;
  const found = await findAddressed(call, scope, id);
  const prices = inForce(await factsOf(db, [organisationId], 'prices'), found.today)?.value ?? null;
  const all = await pointsBelow(call, found);
  // Read while the points are reckoned; what goes wrong is heard of where it is wanted.
  const spent = readSpent(call, { pointIds: all, today: found.today }, prices);
  spent.catch(() => undefined);
  const tenancies = await db.tenancy.all({ organisationId });
  const current = tenancies.filter(
    ({ fromDay, toDay }) => fromDay <= found.today && (toDay ?? found.today) >= found.today,
  );
  const tenanted = new Map(current.map((it) => [it.placeId, it.id]));
  const own = await factsOf(db, [...tenanted.values()], 'budget');
  const budget = await budgetOf(db, organisationId, null, found.today);
  const budgets = new Map(own.map(({ subjectId, value }) => [subjectId, value]));
  const paces = new Map(
    await Promise.all(current.map(async ({ placeId, personId }) => [placeId, await personPace(db, personId)] as const)),
  );
  const points = new Map<Practice, BurdenPoint[]>(PRACTICES.map((practice) => [practice, []]));
  let standard = await practiceAround(call, found);
  let follow = 0;
  for (let i = 0; i < all.length; i += CHUNK) {
    for (const history of await readHistories(db, all.slice(i, i + CHUNK), now)) {
      if (history.retired) continue;
      // A choice nearer to the point than this one stays as it is.
      const nearer = SCOPES.indexOf(practiceScope(history)) > SCOPES.indexOf(found.scope);
      if (!nearer) {
        standard = history.inputs.practice;
        follow += 1;
      }
      const asked = burdenPoints(history, nearer ? [history.inputs.practice] : PRACTICES, prices?.materials ?? {});
      PRACTICES.forEach((practice, i) => points.get(practice)!.push(asked[nearer ? 0 : i]!));
    }
    tell(Math.min(1, (i + CHUNK) / all.length));
    await new Promise(setImmediate);
  }
  return {
    points: all.length,
    follow,
    now: standard,
    currency: prices ? call.actor.currency : null,
    hoursAMonth: prices?.hoursAMonth ?? null,
    from: isoFromDay(found.today),
    spent: await spent,
    options: PRACTICES.map((practice) => ({
      practice,
      burden: burdenOf(
        points.get(practice)!,
        (placeId) => tenanted.has(placeId),
        (placeId) => budgets.get(tenanted.get(placeId) ?? '') ?? budget,
        prices,
        (placeId) => paces.get(placeId) ?? 1,
      ),
    })),
  };
}

/** What holds there where no point follows yet. */
async function practiceAround(
  { db, actor: { organisationId } }: Call,
  { subjectId, today }: ScopedSubject,
): Promise<Practice> {
  return (await nearestFact(db, [subjectId, organisationId], 'practice', today))?.value ?? 'steady';
}
