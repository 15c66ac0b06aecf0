/** How often somebody may call: an address where no session is needed, else a person. */
import { type Request, type RequestHandler } from 'express';
import { ipKeyGenerator, rateLimit } from 'express-rate-limit';
import type { Route } from '../../contract/route.ts';
import { Problem } from '../context/problem.ts';
import { actorOf } from './request.ts';

/** One network hands out 2⁶⁴ addresses to one line (RFC 6177): they count as one. */
const NETWORK_BITS = 64;

/** The address that a call counts for. */
export const addressOf = (request: Request): string => ipKeyGenerator(request.ip ?? 'unknown', NETWORK_BITS);

/**
 * The throttle of a route. Where no session is needed, none widens it: a link that mints sessions would.
 * @throws Problem: tooMany (429)
 */
export function limit(route: Route, rateFactor: number): RequestHandler {
  return rateLimit({
    windowMs: 60_000,
    limit: route.perMinute * rateFactor,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    validate: false,
    keyGenerator: (request) =>
      (route.roles === 'anyone' ? null : actorOf(request as Request)?.personId) ?? addressOf(request as Request),
    handler: () => {
      throw new Problem(429, 'tooMany');
    },
  });
}
