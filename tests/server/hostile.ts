/** Requests as an attacker sends them: nearly right, with something in them that nobody should send. */
import { ROUTES, type RouteName } from '../../contract/routes.ts';
import type { Route } from '../../contract/route.ts';
import { seeded, type Random } from '../../core/statistics/random.ts';
import { formOfRoute } from '../../server/http/openapi.ts';
import { v7 } from 'uuid';
import type { AnySchema } from 'yup';

export interface HostileRequest {
  readonly name: RouteName;
  readonly method: Route['method'];
  readonly path: string;
  readonly body: string | undefined;
  readonly headers: Readonly<Record<string, string>>;
  /** Which of the callers sends it. */
  readonly as: number;
}

/** What would end the run or the callers themselves. */
const LEFT_OUT: readonly RouteName[] = ['session.close', 'people.disable', 'tenancy.revoke', 'jobs.withdraw'];
const NAMES = (Object.keys(ROUTES) as RouteName[]).filter((name) => !LEFT_OUT.includes(name));

const pick = <T>(random: Random, of: readonly T[]): T => of[Math.floor(random() * of.length)]!;

const nested = (depth: number): unknown => JSON.parse('['.repeat(depth) + ']'.repeat(depth));

/** What nobody should send, for any field. */
const POISON: readonly (() => unknown)[] = [
  () => ' '.repeat(30_000),
  () => 'a\0b',
  () => '\u202e\ud800',
  () => ({ toString: 5 }),
  () => JSON.parse('{"__proto__":{"admin":true}}') as unknown,
  () => ({ constructor: { prototype: {} } }),
  () => nested(600),
  () => Array.from({ length: 3000 }, () => ({})),
  () => '2026-02-30',
  () => '+275760-09-13',
  () => '9999-12-31',
  () => 1e308,
  () => -0.5,
  () => 9_007_199_254_740_993,
  () => 'NaN',
  () => '1e999',
  () => true,
  () => null,
  () => [],
  () => ({}),
  () => '',
  () => "'; DROP TABLE person; --",
  () => '%00%2e%2e%2f',
  () => '../../etc/passwd',
  () => '=HYPERLINK("x")',
  () => '16 x 25 x 1'.replace(/ /g, ' '.repeat(4000)),
  () => 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30',
  () => 'a'.repeat(40_000),
  () => '\u0130\u0307'.repeat(60),
  () => v7(),
];

interface Described {
  readonly type: string;
  readonly fields?: Readonly<Record<string, AnySchema>>;
  readonly innerType?: AnySchema;
  resolve(options: { readonly value: unknown }): AnySchema;
  describe(): { readonly oneOf?: readonly unknown[] };
}

/** A form of the schema's shape, mostly as it should be. */
function formLike(random: Random, schema: AnySchema, ids: readonly string[], name = ''): unknown {
  if (random() < 0.06) return pick(random, POISON)();
  const asked = schema as unknown as Described;
  const known = asked.type === 'lazy' ? (asked.resolve({ value: {} }) as unknown as Described) : asked;
  const { oneOf = [] } = known.describe();
  if (oneOf.length > 0) return pick(random, oneOf);
  switch (known.type) {
    case 'object':
      return Object.fromEntries([
        ...Object.entries(known.fields ?? {})
          .filter(() => random() < 0.9)
          .map(([key, field]) => [key, formLike(random, field, ids, key)]),
        ...(random() < 0.03 ? [['unknown', 1]] : []),
      ]);
    case 'array':
      return Array.from({ length: Math.floor(random() * 3) }, () =>
        known.innerType ? formLike(random, known.innerType, ids, name) : 'x',
      );
    case 'number':
      return Math.floor(random() * 40);
    case 'boolean':
      return random() < 0.5;
    default:
      return textLike(random, name, ids);
  }
}

function textLike(random: Random, name: string, ids: readonly string[]): string {
  if (name === 'id' || name === 'personId') return random() < 0.8 ? v7() : pick(random, ids);
  if (/Id$|Ids$|^still$/.test(name)) return pick(random, ids);
  return pick(random, ['Flat 1', '2026-11-20', 'a@saltmarsh.example', 'washer', 'Europe/Dublin', '16 x 25 x 1', 'x']);
}

const SCOPES = ['place', 'machine', 'property', 'organisation', 'point'];
const STRANGE = ['x', '0', '-1', '__proto__', '%', 'a'.repeat(3000), "' OR 1=1", '\0', '../..'];

function paramLike(random: Random, param: string, ids: readonly string[]): string {
  if (random() < 0.2) return pick(random, STRANGE);
  if (param === 'number') return String(1 + Math.floor(random() * 40));
  return pick(random, param === 'scope' ? SCOPES : ids);
}

/** An endless row of requests, the same for the same seed but for the ids that they make. */
export function* hostileRequests(seed: number, ids: readonly string[], callers: number): Generator<HostileRequest> {
  const random = seeded(seed);
  for (;;) {
    const name = pick(random, NAMES);
    const route: Route = ROUTES[name];
    const form = formOfRoute(name);
    const bare = random() < 0.3 ? pick(random, POISON)() : {};
    const value = form ? formLike(random, form, ids) : bare;
    const path = route.path.replace(/:(\w+)/g, (_, param: string) => encodeURIComponent(paramLike(random, param, ids)));
    const text =
      random() < 0.04 ? pick(random, ['{', '[1,', '"x"', 'null', '\u0000', '{"a":}']) : JSON.stringify(value);
    const reads = route.method === 'GET';
    yield {
      name,
      method: route.method,
      path: reads && form ? `${path}?with=${encodeURIComponent(text ?? '').slice(0, 6000)}` : path,
      body: reads || route.bodyKb === 0 ? undefined : text,
      headers: {
        'content-type': random() < 0.97 ? 'application/json' : pick(random, ['text/plain', 'multipart/form-data', 'x']),
        ...(random() < 0.97 && { 'idempotency-key': random() < 0.95 ? v7() : 'k'.repeat(200) }),
        'x-units': pick(random, ['metric', 'us', 'x']),
        'x-device-sequence': pick(random, ['1', 'NaN', '-1', '1e400']),
      },
      as: Math.floor(random() * callers),
    };
  }
}
