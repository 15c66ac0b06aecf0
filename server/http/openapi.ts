/** The door as an OpenAPI 3.1 document, from the contract's rows and the forms of the services. */
import type { AnySchema } from 'yup';
import { ANY_ROUTE_REFUSES, type Route } from '../../contract/route.ts';
import { areaOf, ROUTES, type RouteName } from '../../contract/routes.ts';
import { HANDLERS } from './handlers.ts';
import { OWN_FORMS } from './ownForms.ts';

type JsonSchema = Readonly<Record<string, unknown>>;

/** The form of a route, of a write its body, of a read what stands in its query; undefined where it takes none. */
export const formOfRoute = (name: RouteName): AnySchema | undefined =>
  (OWN_FORMS as Partial<Record<RouteName, AnySchema>>)[name] ??
  (HANDLERS as Readonly<Record<string, { readonly form?: AnySchema }>>)[name]?.form;

/** Answers that are no JSON, by their media type. */
const BYTES: Partial<Record<RouteName, string>> = {
  'labels.read': 'application/pdf',
  'standing.report': 'application/pdf',
  'inspection.paper': 'application/pdf',
  'visit.paper': 'application/pdf',
  'history.paper': 'application/pdf',
  'calendar.read': 'text/calendar',
  'feed.read': 'text/calendar',
  'register.export': 'text/csv',
  'register.exportAll': 'application/zip',
  'photo.read': 'image/jpeg',
  'progress.watch': 'text/event-stream',
};

interface Described {
  readonly type: string;
  readonly optional: boolean;
  readonly nullable: boolean;
  readonly oneOf: readonly unknown[];
  readonly tests: readonly { readonly name?: string; readonly params?: Readonly<Record<string, unknown>> }[];
  readonly fields?: Readonly<Record<string, Described>>;
  readonly innerType?: Described;
  readonly default?: unknown;
}

const LIMITS: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  string: { min: 'minLength', max: 'maxLength' },
  number: { min: 'minimum', max: 'maximum' },
  array: { min: 'minItems', max: 'maxItems' },
};

/** A form's description as JSON Schema 2020-12. What is made for its value says no more than its type. */
export function jsonSchemaOf(described: Described): JsonSchema {
  const { type, nullable, oneOf, tests, fields, innerType } = described;
  const orNull = (name: string) => (nullable ? [name, 'null'] : name);
  if (oneOf?.length > 0) return { enum: nullable ? [...new Set([...oneOf, null])] : oneOf };
  if (type === 'object')
    return {
      type: orNull('object'),
      properties: Object.fromEntries(Object.entries(fields ?? {}).map(([name, it]) => [name, jsonSchemaOf(it)])),
      required: Object.entries(fields ?? {})
        .filter(([, it]) => !it.optional && it.default === undefined)
        .map(([name]) => name),
    };
  if (type === 'lazy' || type === 'mixed') return {};
  const whole = type === 'number' && tests.some(({ name }) => name === 'integer');
  return {
    type: orNull(whole ? 'integer' : type),
    ...(type === 'array' && { items: innerType ? jsonSchemaOf(innerType) : {} }),
    ...Object.fromEntries(
      tests.flatMap(({ name, params }) => {
        const limit = LIMITS[type]?.[name ?? ''];
        return limit && typeof params?.[name!] === 'number' ? [[limit, params[name!]]] : [];
      }),
    ),
  };
}

const schemaOf = (form: AnySchema): JsonSchema => jsonSchemaOf(form.describe() as object as Described);
const problem = {
  description: 'A problem document (RFC 9457) with a sentence for the person who asked.',
  content: { 'application/problem+json': { schema: { $ref: '#/components/schemas/Problem' } } },
};

function operationOf(name: RouteName): JsonSchema {
  const route: Route = ROUTES[name];
  const form = formOfRoute(name);
  const reads = route.method === 'GET';
  const params = [...route.path.matchAll(/:(\w+)/g)].map(([, param]) => ({
    name: param,
    in: 'path',
    required: true,
    schema: { type: 'string', maxLength: 100 },
  }));
  const asked =
    reads && form ? [{ name: 'with', in: 'query', content: { 'application/json': { schema: schemaOf(form) } } }] : [];
  const key = { name: 'idempotency-key', in: 'header', required: true, schema: { type: 'string', maxLength: 80 } };
  const needsKey = !reads && route.roles !== 'anyone';
  const media = name === 'photo.create' ? 'multipart/form-data' : 'application/json';
  return {
    operationId: name,
    tags: [areaOf(name)],
    description: [
      route.roles === 'anyone' ? 'For anyone.' : `For ${route.roles.join(', ')}.`,
      `At most ${route.perMinute} a minute.`,
      ...(route.bodyKb > 0 ? [`At most ${route.bodyKb} kB.`] : []),
      `May refuse: ${[...(route.problems ?? []), ...ANY_ROUTE_REFUSES].join(', ')}.`,
    ].join(' '),
    ...(route.roles === 'anyone' && { security: [] }),
    parameters: [...params, ...asked, ...(needsKey ? [key] : [])],
    ...(!reads && form && { requestBody: { required: true, content: { [media]: { schema: schemaOf(form) } } } }),
    responses: {
      200: {
        description: 'What was asked for, or done.',
        content: BYTES[name] ? { [BYTES[name]]: {} } : { 'application/json': { schema: { type: 'object' } } },
      },
      default: problem,
    },
  };
}

/** The whole document. @param address where this server is reached */
export function openApi(address: string): JsonSchema {
  const paths: Record<string, Record<string, JsonSchema>> = {};
  for (const name of Object.keys(ROUTES) as RouteName[]) {
    const { path, method } = ROUTES[name];
    const at = path.replace(/:(\w+)/g, '{$1}');
    paths[at] = { ...paths[at], [method.toLowerCase()]: operationOf(name) };
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Dewline',
      version: '1',
      description: [
        'Every route of the door. Programs come with a token that a manager makes under their account;',
        'a write carries a key of its own and acts once, however often it is sent.',
      ].join(' '),
    },
    servers: [{ url: `${address}/api` }],
    security: [{ token: [] }, { session: [] }],
    paths,
    components: {
      securitySchemes: {
        token: { type: 'http', scheme: 'bearer' },
        session: { type: 'apiKey', in: 'cookie', name: 'dewline' },
      },
      schemas: {
        Problem: {
          type: 'object',
          required: ['type', 'title', 'status', 'detail'],
          properties: {
            type: { type: 'string' },
            title: { type: 'string' },
            status: { type: 'integer' },
            detail: { type: 'string' },
            fields: { type: 'object', additionalProperties: { type: 'string' } },
          },
        },
      },
    },
  };
}
