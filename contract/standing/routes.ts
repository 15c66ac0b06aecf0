/** Routes of standing. */
import { MANAGER, READERS, passing, read, refusing, write } from '../route.ts';
import type { NewOwnerLink, OwnerLinkSummary, StandingAnswer, StandingOn } from './standing.ts';

export const standingRoutes = {
  'standing.read': passing<{ form: StandingOn; answer: StandingAnswer }>()(
    refusing(read('/standing', READERS), 'linkOver'),
  ),
  'standing.report': refusing(read('/standing/report/:kind', READERS), 'linkOver'),
  'ownerLinks.list': passing<{ answer: { links: readonly OwnerLinkSummary[] } }>()(read('/owner-links', MANAGER)),
  'ownerLink.create': passing<{ form: NewOwnerLink; answer: { readonly path: string } }>()(
    write('POST', '/owner-links', MANAGER, 4, 30),
  ),
  'ownerLink.revoke': passing<{ answer: object }>()(write('DELETE', '/owner-links/:id', MANAGER)),
} as const;
