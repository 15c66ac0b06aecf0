/** Hotkeys of a screen: one key, or two in a row ("g l"), while nobody is typing. */
import { onBeforeUnmount, onMounted } from 'vue';

/** Inputs that take no letters. */
const PRESSED = ['radio', 'checkbox', 'button', 'submit', 'reset', 'file', 'range'];

const isTyping = ({ target }: KeyboardEvent) =>
  (target instanceof HTMLInputElement && !PRESSED.includes(target.type)) ||
  target instanceof HTMLTextAreaElement ||
  target instanceof HTMLSelectElement ||
  (target instanceof HTMLElement && target.isContentEditable);

/**
 * Listens while the component stands. What answers a key may refuse it by returning false; else the page's own answer
 * to the key is kept back. Keys of the browser (with Ctrl, Alt or Meta) stay the browser's.
 * @param keys what each key does, by its name as `KeyboardEvent.key` has it, two in a row with a space between
 */
export function useKeys(keys: Readonly<Record<string, (event: KeyboardEvent) => unknown>>): void {
  let before = '';
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.defaultPrevented) return;
    // What one types is no hotkey; to leave by Escape is.
    if (isTyping(event) && event.key !== 'Escape') return;
    const answer = keys[`${before} ${event.key}`] ?? keys[event.key];
    before = event.key;
    if (answer && answer(event) !== false) event.preventDefault();
  };
  onMounted(() => document.addEventListener('keydown', onKey));
  onBeforeUnmount(() => document.removeEventListener('keydown', onKey));
}
