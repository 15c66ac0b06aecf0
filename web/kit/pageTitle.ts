/** A screen's title: the document carries it, and whoever comes from another screen lands on its heading. */
import { nextTick, watch, type Ref } from 'vue';
import { say } from '../language/say.ts';

let first = true;

/**
 * Keeps the document's title like the screen's. After a change of screen its heading takes the focus once, so that a
 * reader of the screen says where one is and the keyboard goes on from there; not on the first screen of a visit.
 * @param title the title, undefined or empty while it is not known yet
 * @param heading the element that shows it
 */
export function usePageTitle(title: () => string | undefined, heading: Ref<HTMLElement | null | undefined>): void {
  let landed = first;
  first = false;
  watch(
    title,
    async (words) => {
      if (!words) return;
      document.title = `${words} · ${say('app.name')}`;
      if (landed) return;
      landed = true;
      await nextTick();
      const { activeElement } = document;
      // Who is typing already stays where they are.
      if (!activeElement || activeElement === document.body || activeElement instanceof HTMLAnchorElement)
        heading.value?.focus({ preventScroll: true });
    },
    { immediate: true },
  );
}
