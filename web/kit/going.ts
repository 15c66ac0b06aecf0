/**
 * Whether somebody is on the way to another address, from the very moment it was asked for: the router tells its guards
 * some turns later, and what is asked for in between calls the first off.
 */
import type { Router } from 'vue-router';

interface Going {
  count: number;
  readonly arrived: Set<() => void>;
}

const routers = new WeakMap<Router, Going>();

/** Counts every way that is begun with a router. */
export function knowGoing(router: Router): void {
  const going: Going = { count: 0, arrived: new Set() };
  routers.set(router, going);
  for (const by of ['push', 'replace'] as const) {
    const go = router[by].bind(router);
    router[by] = async (to) => {
      going.count += 1;
      try {
        return await go(to);
      } finally {
        going.count -= 1;
        if (going.count === 0) for (const tell of going.arrived) tell();
      }
    };
  }
}

/** Whether any way is begun and not yet at its end. */
export const isGoing = (router: Router): boolean => (routers.get(router)?.count ?? 0) > 0;

/** Calls back each time that all ways are at their end; returns what stops it. */
export function onArrival(router: Router, tell: () => void): () => void {
  const arrived = routers.get(router)?.arrived;
  arrived?.add(tell);
  return () => void arrived?.delete(tell);
}
