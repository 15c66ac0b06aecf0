/** The head of the log: one hash over every entry, to be printed where somebody may ask later whether it was changed. */
import { sha256 } from '../context/context.ts';
import { readLeavesAfter } from '../sql/log.ts';
import type { Store } from '../store/store.ts';

export interface LogHead {
  readonly entries: number;
  /** Merkle tree hash of RFC 6962, 2.1, hexadecimal. */
  readonly hash: string;
}

/** Hash of two subtrees, RFC 6962: SHA-256 of a one byte, the left and the right. */
const join = (left: string, right: string): string =>
  sha256(Buffer.concat([Buffer.from([1]), Buffer.from(left, 'hex'), Buffer.from(right, 'hex')]));

/** Whole subtrees of a growing log, the widest first: all that is needed to add a leaf and to say the head. */
export class LogTree {
  entries = 0;
  private readonly peaks: { readonly hash: string; readonly leaves: number }[] = [];

  /** Adds the hash of the next entry. */
  append(leaf: string): void {
    let [hash, leaves] = [leaf, 1];
    while (this.peaks.at(-1)?.leaves === leaves) {
      hash = join(this.peaks.pop()!.hash, hash);
      leaves *= 2;
    }
    this.peaks.push({ hash, leaves });
    this.entries += 1;
  }

  /** The head over what was added so far; of nothing, the hash of nothing. */
  get head(): LogHead {
    const [last, ...wider] = this.peaks.map(({ hash }) => hash).reverse();
    return { entries: this.entries, hash: last ? wider.reduce((right, left) => join(left, right), last) : sha256('') };
  }
}

interface ReadLog {
  readonly tree: LogTree;
  last: number;
}

/** What was read of the logs of each store: entries are never changed, so the next head costs only what came since. */
const readLogs = new WeakMap<Store, Map<string, ReadLog>>();

/** The head of an organisation's log, of what is written down for good. */
export async function logHead(store: Store, organisationId: string): Promise<LogHead> {
  const logs = readLogs.get(store) ?? new Map<string, ReadLog>();
  readLogs.set(store, logs);
  const log = logs.get(organisationId) ?? { tree: new LogTree(), last: 0 };
  logs.set(organisationId, log);
  for (const { sequence, leafHash } of await readLeavesAfter(store.db, organisationId, log.last)) {
    // Somebody else may have read on meanwhile.
    if (sequence <= log.last) continue;
    log.tree.append(leafHash);
    log.last = sequence;
  }
  return log.tree.head;
}
