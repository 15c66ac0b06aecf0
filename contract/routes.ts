/**
 * The door between web and server: every route by its name. The server mounts nothing that is not here, and a test
 * walks the table as every role.
 */
import { AREA_NAMES, type AreaName } from './areas.ts';
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

/** The routes of each area. */
export const AREAS = {
  people: peopleRoutes,
  notices: noticesRoutes,
  faults: faultsRoutes,
  register: registerRoutes,
  catalogue: catalogueRoutes,
  measure: measureRoutes,
  due: dueRoutes,
  proof: proofRoutes,
  jobs: jobsRoutes,
  standing: standingRoutes,
  stock: stockRoutes,
  rounds: roundsRoutes,
  pages: pageRoutes,
} as const satisfies Record<AreaName, Record<string, Route>>;

type Areas = typeof AREAS;
export type RouteName = { [Area in AreaName]: keyof Areas[Area] }[AreaName];
type RouteOf<Name extends RouteName> = {
  [Area in AreaName]: Name extends keyof Areas[Area] ? Areas[Area][Name] : never;
}[AreaName];

/** Every route by its name. */
export const ROUTES: { readonly [Name in RouteName]: RouteOf<Name> } = Object.assign({}, ...Object.values(AREAS));

/** The area that a route belongs to. */
export const areaOf = (name: RouteName): AreaName => AREA_NAMES.find((area) => name in AREAS[area])!;
