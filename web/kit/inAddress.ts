/** Choices of a screen that stand in its address: sent on, kept or gone back to, the screen is as it was. */
import { nextTick, onBeforeUnmount, watch, type Ref } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { isGoing, onArrival } from './going.ts';

/** A choice as an address has it: its text, and what takes a text from there. */
interface InAddress {
  tell(): string | null;
  take(text: string | null): void;
}

/** Any text, or nothing. */
export function textChoice<T extends string | null>(choice: Ref<T | string>, plain: T): InAddress {
  return {
    tell: () => (choice.value === plain ? null : choice.value),
    take: (text) => {
      choice.value = text ?? plain;
    },
  };
}

/** One of some; an address that names none of them says nothing. The first stands where it says nothing. */
export function oneChoice<T extends string>(choice: Ref<T>, of: readonly T[]): InAddress {
  return {
    tell: () => (choice.value === of[0] ? null : choice.value),
    take: (text) => {
      choice.value = of.find((it) => it === text) ?? of[0]!;
    },
  };
}

/** Chosen or not. */
export function flagChoice(choice: Ref<boolean>): InAddress {
  return {
    tell: () => (choice.value ? 'yes' : null),
    take: (text) => {
      choice.value = text === 'yes';
    },
  };
}

/**
 * Keeps choices in the address of the screen, and takes them from there: when it is opened with some, and when somebody
 * goes to another address of the same screen. Where an address says nothing of them, what was chosen before stays.
 */
export function keepInAddress(choices: Readonly<Record<string, InAddress>>): void {
  const route = useRoute();
  const router = useRouter();
  const screen = route.matched[0]?.path;
  const named = Object.entries(choices);
  const said = (name: string) => {
    const text = route.query[name];
    return typeof text === 'string' ? text : null;
  };
  const stands = () => JSON.stringify(named.map(([name]) => said(name)));
  const chosen = () => JSON.stringify(named.map(([, choice]) => choice.tell()));
  const nothing = JSON.stringify(named.map(() => null));

  // While another address is on its way, ours waits for it: written at once it would overtake where somebody goes.
  let owed = false;
  // What we wrote and is on its way: when it arrives it is no news, and what was chosen meanwhile is the later choice.
  const ours = new Set<string>();
  onBeforeUnmount(onArrival(router, () => owed && write()));

  function take(): void {
    for (const [name, choice] of named) choice.take(said(name));
  }
  function write(): void {
    owed = isGoing(router);
    if (owed) return;
    if (route.matched[0]?.path !== screen || stands() === chosen()) return;
    const own = Object.fromEntries(named.map(([name, choice]) => [name, choice.tell() ?? undefined]));
    const text = chosen();
    ours.add(text);
    void router
      .replace({ query: { ...route.query, ...own }, hash: route.hash })
      .then(() => nextTick())
      .finally(() => ours.delete(text));
  }
  if (stands() !== nothing) take();
  write();
  watch(chosen, write);
  watch(stands, (now) => {
    if (route.matched[0]?.path !== screen || now === chosen()) return;
    if (now !== nothing && !ours.has(now)) take();
    write();
  });
}
