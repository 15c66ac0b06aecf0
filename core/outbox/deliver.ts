/**
 * What a device does with work that could not be sent at once. Parcels leave one at a time, in the order in which
 * they were made, each under a key of its own: whatever the line does to a try, repeating it acts once.
 */

export interface Parcel {
  /** Its place in the queue; never used again on this device. */
  readonly order: number;
  /** The key under which the server takes it once. */
  readonly key: string;
  /** Who made it. Nobody else's session sends it. */
  readonly personId: string;
  /** What it belongs to: a job, a report, a look. */
  readonly subject: string;
  readonly content: Content;
  /** When it was made, by the device's clock. */
  readonly at: number;
  /** Why the server would not have it; null while it waits. */
  readonly refused: string | null;
}

export type Content =
  | { readonly kind: 'photo'; readonly id: string; readonly source: string; readonly capturedAt: number | null }
  | {
      readonly kind: 'form';
      readonly path: string;
      readonly form: object;
      /** Only says how far one is: what comes after tells it too, so a refusal loses nothing. */
      readonly passing?: boolean;
      /** The form says what the device's clock shows as it is sent. */
      readonly stamped?: boolean;
    };

/** How one try ended. `later`: nothing is known to be wrong with the parcel itself. */
export type Delivery =
  | { readonly ended: 'taken'; readonly answer: object }
  | { readonly ended: 'refused'; readonly says: string }
  | { readonly ended: 'later'; readonly why: Hindrance };

/** No connection, nobody signed in who made it, or a server that is busy. */
export type Hindrance = 'connection' | 'session' | 'busy';

export interface Queue {
  /** Everything that waits or was refused, in order. */
  list(): Promise<readonly Parcel[]>;
  taken(parcel: Parcel, answer: object): Promise<void>;
  refused(parcel: Parcel, says: string): Promise<void>;
}

/** How a try ended, by the status of the answer; 0 where there was none. */
export function deliveryOf(status: number, answer: object, says: string): Delivery {
  if (status >= 200 && status < 300) return { ended: 'taken', answer };
  if (status === 0) return { ended: 'later', why: 'connection' };
  if (status === 401) return { ended: 'later', why: 'session' };
  if (status === 408 || status === 425 || status === 429 || status >= 500) return { ended: 'later', why: 'busy' };
  return { ended: 'refused', says };
}

/**
 * Sends what waits of one person, oldest first, until the queue is empty or something stands in the way.
 * A refused parcel stays, with its reason, and lets the others pass.
 * @returns what stood in the way, or null
 */
export async function deliver(
  queue: Queue,
  personId: string,
  post: (parcel: Parcel) => Promise<Delivery>,
): Promise<Hindrance | null> {
  for (;;) {
    const parcel = (await queue.list()).find((it) => it.personId === personId && it.refused === null);
    if (!parcel) return null;
    const delivery = await post(parcel);
    if (delivery.ended === 'later') return delivery.why;
    if (delivery.ended === 'taken') await queue.taken(parcel, delivery.answer);
    else if (parcel.content.kind === 'form' && parcel.content.passing) await queue.taken(parcel, {});
    else await queue.refused(parcel, delivery.says);
  }
}
