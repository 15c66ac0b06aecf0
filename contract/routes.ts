/**
 * The door between web and server: every route by its name. The server mounts nothing that is not here, and a test
 * walks the table as every role.
 */
import type { Route } from './route.ts';
import { peopleRoutes } from './people/routes.ts';
import { faultsRoutes } from './faults/routes.ts';
import { registerRoutes } from './register/routes.ts';
import { catalogueRoutes } from './catalogue/routes.ts';
import { measureRoutes } from './measure/routes.ts';
import { dueRoutes } from './due/routes.ts';
import { proofRoutes } from './proof/routes.ts';
import { jobsRoutes } from './jobs/routes.ts';
import { standingRoutes } from './standing/routes.ts';
import { noticesRoutes } from './notices/routes.ts';
import { roundsRoutes } from './rounds/routes.ts';
import { stockRoutes } from './stock/routes.ts';
import { pageRoutes } from './pages/routes.ts';

/** The parts of the contract, by which a token is limited. */
export const AREAS = {
  people: peopleRoutes,
  faults: faultsRoutes,
  register: registerRoutes,
  catalogue: catalogueRoutes,
  measure: measureRoutes,
  due: dueRoutes,
  proof: proofRoutes,
  jobs: jobsRoutes,
  standing: standingRoutes,
  notices: noticesRoutes,
  stock: stockRoutes,
  rounds: roundsRoutes,
  pages: pageRoutes,
} as const satisfies Record<string, Record<string, Route>>;

export const ROUTES = {
  ...peopleRoutes,
  ...faultsRoutes,
  ...registerRoutes,
  ...catalogueRoutes,
  ...measureRoutes,
  ...dueRoutes,
  ...proofRoutes,
  ...jobsRoutes,
  ...standingRoutes,
  ...noticesRoutes,
  ...stockRoutes,
  ...roundsRoutes,
  ...pageRoutes,
} as const satisfies Record<string, Route>;

export type RouteName = keyof typeof ROUTES;

/** Which part of the contract a route is of. */
export const areaOf = (name: RouteName): keyof typeof AREAS =>
  (Object.keys(AREAS) as (keyof typeof AREAS)[]).find((area) => name in AREAS[area])!;
