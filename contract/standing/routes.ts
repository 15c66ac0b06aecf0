/** Routes of standing. */
import { MANAGER, OFFICE, READERS, passing, read, refusing, write, wholeOffice } from '../route.ts';
import type { AgentEffectsAnswer } from './agentEffects.ts';
import type { ChangeVerdict, NewOwnerLink, OwnerLinkSummary, StandingAnswer, StandingOn } from './standing.ts';

/** Standing is summed over everything each time: nobody needs it oftener than once a second. */
const PER_MINUTE = 60;

export const standingRoutes = {
  'standing.read': passing<{ form: StandingOn; answer: StandingAnswer }>()(
    refusing({ ...read('/standing', READERS), perMinute: PER_MINUTE }, 'linkOver'),
  ),
  'verdict.change': wholeOffice(
    passing<{ form: ChangeVerdict; answer: object }>()(write('POST', '/verdict', MANAGER, 1, 30)),
  ),
  'standing.report': refusing({ ...read('/standing/report/:kind', READERS), perMinute: PER_MINUTE }, 'linkOver'),
  'agentEffects.list': passing<{ answer: AgentEffectsAnswer }>()({
    ...read('/agent-effects', OFFICE),
    perMinute: PER_MINUTE,
  }),
  'ownerLinks.list': passing<{ answer: { links: readonly OwnerLinkSummary[] } }>()(read('/owner-links', MANAGER)),
  'ownerLink.create': passing<{ form: NewOwnerLink; answer: { readonly path: string } }>()(
    write('POST', '/owner-links', MANAGER, 4, 30),
  ),
  'ownerLink.revoke': passing<{ answer: object }>()(write('DELETE', '/owner-links/:id', MANAGER)),
} as const;
