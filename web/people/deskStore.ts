/** Who is at the desk, in which light. */
import { defineStore } from 'pinia';
import { computed, ref, shallowRef } from 'vue';
import type { Me, SessionAnswer } from '../../contract/people/people.ts';
import { api, readSession } from '../api/api.ts';
import { forgetAnswers } from '../outbox/device.ts';
import { speak, spoken } from '../language/say.ts';
import { chosenTheme, keepTheme } from '../theme/vuetify.ts';

export const useDesk = defineStore('desk', () => {
  const me = shallowRef<Me | null>(null);
  const firstRun = ref(false);
  const known = ref(false);
  const theme = ref(chosenTheme());

  async function recognise(): Promise<SessionAnswer> {
    const session = await readSession();
    me.value = session.me;
    firstRun.value = session.firstRun;
    known.value = true;
    if (session.me && session.me.language !== spoken.value) await speak(session.me.language);
    return session;
  }
  async function signOut(): Promise<void> {
    const leaving = me.value?.id;
    await api('session.close');
    // Nobody is in any more, so that what is still being read is not kept again.
    await recognise();
    if (leaving) await forgetAnswers(leaving).catch(() => undefined);
  }
  function setTheme(next: 'light' | 'night'): void {
    theme.value = next;
    keepTheme(next);
  }
  const isManager = computed(() => me.value?.roles.includes('manager') ?? false);
  const isStaff = computed(() => me.value?.roles.includes('staff') ?? false);
  /** Manages everything, and not some of the properties only. */
  const managesAll = computed(() => isManager.value && !me.value?.limited);
  /** Reads how homes stand, by a link, and nothing else. */
  const isOwner = computed(() => me.value?.roles.every((role) => role === 'owner') ?? false);
  return { me, firstRun, known, theme, isManager, managesAll, isStaff, isOwner, recognise, signOut, setTheme };
});
