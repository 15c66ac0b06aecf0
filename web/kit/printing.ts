/** Whether the page is being printed: what a screen shows a piece at a time is then there whole. */
import { readonly, ref } from 'vue';

const now = ref(false);
// Heard once for all screens: what only stands on paper would be there too late to hear it.
window.addEventListener('beforeprint', () => {
  now.value = true;
});
window.addEventListener('afterprint', () => {
  now.value = false;
});

/** True from just before the browser lays the page out for paper until it is done. */
export const printing = readonly(now);
