/** Frailty: how much oftener a sound machine fails than its peers, by nature. Gamma of mean 1, by a few nodes. */
import { gammaQuantile } from '../statistics/gamma.ts';

export const NODES = 6;

const known = new Map<number, readonly number[]>();

/** Equally likely nodes of a gamma frailty of mean 1: the middles of as many slices of its probability. */
export function nodesOf(spread: number): readonly number[] {
  let nodes = known.get(spread);
  if (!nodes) {
    const shape = 1 / spread ** 2;
    const middles = Array.from({ length: NODES }, (_, i) => gammaQuantile((i + 0.5) / NODES, shape, 1 / shape));
    const mean = middles.reduce((sum, it) => sum + it, 0) / NODES;
    nodes = middles.map((it) => it / mean);
    known.set(spread, nodes);
  }
  return nodes;
}
