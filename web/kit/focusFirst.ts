/**
 * `v-focus-first`: the field that one types into first, focused the moment it stands on the page. The library's own
 * `autofocus` waits until it sees the field on the screen, and takes the focus back from whoever has gone on by then:
 * a password ends up behind the email address.
 */
import type { Directive } from 'vue';

export const vFocusFirst: Directive<HTMLElement> = {
  mounted(element) {
    element.querySelector<HTMLElement>('input, textarea')?.focus();
  },
};
