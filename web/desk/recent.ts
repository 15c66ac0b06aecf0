/** Where somebody was lately, on this device; each page once, the latest first. */
import type { Router } from 'vue-router';

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
function noteRecent(personId: string, place: Recent): void {
  const bare = (path: string) => path.split('?')[0];
  const others = recentPlaces(personId).filter(({ path }) => bare(path) !== bare(place.path));
  localStorage.setItem(KEY, JSON.stringify({ [personId]: [place, ...others].slice(0, MOST) }));
}

/** A page's title is known some time after it is opened. */
const NAMED_AFTER_MS = 1500;

/** Notes each page that is opened and stays open for a moment. @param who the person at the desk */
export function noteVisits(router: Router, who: () => string | undefined): void {
  router.afterEach((to) => {
    setTimeout(() => {
      const name = document.title.split(' · ')[0];
      const person = who();
      if (person && name && router.currentRoute.value.fullPath === to.fullPath)
        noteRecent(person, { path: to.fullPath, name });
    }, NAMED_AFTER_MS);
  });
}

/** Forgets them when somebody signs out. */
export const forgetRecent = (): void => localStorage.removeItem(KEY);
