/** Where somebody was lately, on this device; each page once, the latest first. */
export interface Recent {
  readonly path: string;
  readonly name: string;
}

const KEY = 'dewline.recent';
const MOST = 8;

/** Pages with a name that were opened lately by this person. */
export function recentPlaces(personId: string): readonly Recent[] {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Record<string, Recent[]>;
    return kept[personId] ?? [];
  } catch {
    return [];
  }
}

/** Notes a page that was opened. Others of the device are forgotten. */
export function noteRecent(personId: string, place: Recent): void {
  const others = recentPlaces(personId).filter(({ path }) => path !== place.path);
  localStorage.setItem(KEY, JSON.stringify({ [personId]: [place, ...others].slice(0, MOST) }));
}

/** Forgets them when somebody signs out. */
export const forgetRecent = (): void => localStorage.removeItem(KEY);
