/** Makes the demo's data folder: registers the scenario, then lives it forward. */
import sharp from 'sharp';
import { dayOfInstant, instantOfDay, isoFromDay, MS_PER_DAY } from '../core/calendar/day.ts';
import { procedureOf } from '../core/catalogue/catalogue.ts';
import { levelAt } from '../core/catalogue/levels.ts';
import type { Role } from '../contract/people/people.ts';
import { turnDay } from '../server/clock/daily.ts';
import { createMachine } from '../server/register/machines.ts';
import { createBuilding, createPlace, createProperty } from '../server/register/places.ts';
import { createTenancy } from '../server/register/tenancies.ts';
import { seeded } from '../core/statistics/random.ts';
import { hashPassword } from '../server/people/passwords.ts';
import { sha256, type Actor, type Call, type Env } from '../server/context/context.ts';
import type { Db } from '../server/store/db.ts';
import { HISTORY_DAYS, liveForward } from './history.ts';
import type { LivedPoint } from './world.ts';
import type { EmitterKey } from './emitter.ts';
import { takePhoto } from './photos.ts';
import { rememberedStore } from './remembered.ts';
import { chooseOtherwise, tellStories } from './stories.ts';
import { MANAGER, ORGANISATION, PROPERTIES, STAFF, ZONE, type Home, type MachineSketch } from './scenario.ts';
import { writeSpecification } from '../server/due/specification.ts';
import { readsIn } from '../server/people/members.ts';
import { AT_FIRST, organisationRow, personRow } from '../server/store/person.ts';

const DRAWS_SEED = 20_250_527;

/**
 * Registers the scenario and lives it forward to the environment's today, over so many days. Gives the key of the
 * machine that speaks.
 */
export async function buildDemo(
  outside: Env,
  progress: (share: number) => void,
  days = HISTORY_DAYS,
): Promise<EmitterKey> {
  const random = seeded(DRAWS_SEED);
  // Whose work is looked at is drawn alike in every demo.
  const env = { ...outside, secret: () => String(random()), store: rememberedStore(outside.store) };
  const today = dayOfInstant(env.clock(), ZONE);
  const start = instantOfDay(today - days, 7 * 60, ZONE);
  const hash = await hashPassword(MANAGER.password);
  const points: LivedPoint[] = [];
  const { manager, staff } = await env.store.write(async (db) => {
    const people = await hirePeople(env, db, hash, start);
    for (const sketch of PROPERTIES) {
      const call: Call = { env, db, actor: people.manager, now: start };
      const property = await createProperty(call, {
        id: env.newId(),
        name: sketch.name,
        address: sketch.address,
        zone: ZONE,
        water: sketch.water,
        practice: sketch.practice,
      });
      const building = await createBuilding(call, { id: env.newId(), propertyId: property.id, name: sketch.building });
      for (const home of sketch.homes) points.push(...(await settle(call, home, property.id, building.id, today)));
    }
    await chooseOtherwise({ env, db, actor: people.manager, now: start });
    return people;
  });
  await env.redrawing.run();
  await liveForward(env, { manager, staff }, points, ZONE, days, progress);
  const emitter = await tellStories(env, manager, staff);
  await turnDay(env);
  return emitter;
}

async function hirePeople(
  env: Env,
  db: Db,
  passwordHash: string,
  now: number,
): Promise<{ manager: Actor; staff: Actor[] }> {
  const organisationId = env.newId();
  await db.organisation.insert(organisationRow({ id: organisationId, name: ORGANISATION, createdAt: now }));
  const hire = async ({ name, email }: { name: string; email: string }, roles: Role[]): Promise<Actor> => {
    const personId = env.newId();
    await db.person.insert(personRow({ id: personId, organisationId, name, email, passwordHash, createdAt: now }));
    await db.roleGrant.insertMany(roles.map((role) => ({ id: env.newId(), organisationId, personId, role })));
    return actorOf(personId, name, organisationId, roles);
  };
  return {
    manager: await hire(MANAGER, ['manager', 'staff']),
    staff: [await hire(STAFF[0]!, ['staff']), await hire(STAFF[1]!, ['staff'])],
  };
}

function actorOf(personId: string, name: string, organisationId: string, roles: Role[]): Actor {
  return {
    personId,
    name,
    organisationId,
    organisation: ORGANISATION,
    roles,
    properties: null,
    licensed: false,
    sessionId: 'demo',
    linkId: null,
    csrf: '',
    ...readsIn(AT_FIRST),
  };
}

/** Registers one home with its tenancy and machines. */
async function settle(
  call: Call,
  home: Home,
  propertyId: string,
  buildingId: string,
  today: number,
): Promise<LivedPoint[]> {
  const { env, db } = call;
  const { organisationId } = call.actor;
  const placeId = env.newId();
  await createPlace(call, {
    id: placeId,
    propertyId,
    buildingId,
    name: home.name,
    kind: home.tenant ? 'unit' : 'shared',
  });
  let tenant: Actor | null = null;
  if (home.tenant) {
    const tenancyId = env.newId();
    const personId = env.newId();
    await createTenancy(call, {
      id: tenancyId,
      placeId,
      personId,
      name: home.tenant,
      from: isoFromDay(today - HISTORY_DAYS - 120),
      household: {
        people: home.people,
        pets: home.pets,
        cooking: home.cooking,
        loadsAWeek: home.loads ?? null,
        coolWashes: home.cool ?? false,
        smoking: false,
        dust: false,
        detergent: home.detergent ?? null,
      },
    });
    tenant = actorOf(personId, home.tenant, organisationId, ['tenant']);
    if (home.link) {
      await db.link.insert({
        id: sha256(home.link),
        organisationId,
        tenancyId,
        personId,
        createdAt: call.now,
        expiresAt: call.env.clock() + 400 * MS_PER_DAY,
        revokedAt: null,
      });
    }
  }
  const points: LivedPoint[] = [];
  for (const sketch of home.machines) {
    const machineId = await install(call, placeId, sketch, today);
    for (const { id, procedure } of await db.point.all({ machineId })) {
      const ours = procedureOf(procedure);
      const { level } = levelAt(ours, {
        fuel: sketch.fuel ?? 'electric',
        hardWired: false,
        switchKnown: true,
        access: null,
        declined: false,
      });
      points.push({
        id,
        procedure: { ...ours, level },
        placeName: home.name,
        machineId,
        tenant,
        habits: home.habits,
        fast: home.fast?.[procedure] ?? 1,
        sinceDay: sketch.age ? today - sketch.age : 0,
      });
    }
  }
  return points;
}

const SHUTOFF_SEED = 41;

async function install(
  call: Call,
  placeId: string,
  { type, maker, model, branch, size, age, fuel, leftOut, cfm, drains }: MachineSketch,
  today: number,
): Promise<string> {
  const { env, db } = call;
  const id = env.newId();
  const withPhoto = type === 'washer';
  const shutoff = withPhoto
    ? await takePhoto(
        call,
        { procedure: 'washer.drainPumpFilter', load: 0, seed: SHUTOFF_SEED, capturedAt: call.now },
        await shutoffPicture(),
      )
    : null;
  await createMachine(age ? { ...call, now: call.env.clock() - age * MS_PER_DAY } : call, {
    id,
    placeId,
    type,
    maker,
    model,
    label: '',
    installed: isoFromDay(age ? today - age : today - HISTORY_DAYS - 300),
    hardWired: false,
    fuel: fuel ?? 'electric',
    owner: 'landlord',
    drainBranch: branch ?? '',
    serves: [],
    shutoffPhotoId: shutoff,
    platePhotoId: null,
    lastDone: null,
    leftOut: [...(leftOut ?? [])],
  });
  if (size) {
    const filter = (await db.point.all({ machineId: id })).find(
      ({ procedure }) => procedure === 'airHandler.returnFilter',
    )!;
    await writeSpecification(call, filter.id, {
      filterSize: size,
      ...(cfm && { airflowCfm: cfm }),
      position: 'Grille at the foot of the unit',
      airflow: 'towards the unit',
    });
  }
  if (drains) {
    const point = (await db.point.all({ machineId: id }))[0]!;
    await writeSpecification(call, point.id, { drainCount: drains });
  }
  return id;
}

/** A drawn socket and tap, as a photo of a machine's shut-offs. */
async function shutoffPicture(): Promise<Buffer> {
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="800" height="600" viewBox="0 0 200 150"><rect width="200" height="150" fill="#d8d3c6"/>
<path d="M0 34h200M0 84h200M44 0v34M120 34v50M64 84v66M150 84v66" stroke="#c2bcae" stroke-width="2"/>
<rect x="26" y="44" width="46" height="46" rx="5" fill="#f5f3ec" stroke="#5b696d" stroke-width="2"/>
<circle cx="40" cy="67" r="4" fill="#3a4a4e"/><circle cx="58" cy="67" r="4" fill="#3a4a4e"/>
<path d="M136 30v92" stroke="#9a7b4a" stroke-width="10"/>
<path d="M120 62h32v18h-32z" fill="#b08d57" stroke="#6b5330" stroke-width="2"/>
<path d="M136 62v-16M122 46h28" stroke="#a8391f" stroke-width="6" stroke-linecap="round"/>
<path d="M72 84c30 26 30 40 64 38" stroke="#3a4a4e" stroke-width="4" fill="none"/></svg>`;
  return sharp(Buffer.from(svg)).jpeg({ quality: 85 }).toBuffer();
}
