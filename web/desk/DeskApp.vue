<script setup lang="ts">
/** The desk's frame: where one can go, and who one is. */
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useLocale, useTheme } from 'vuetify';
import { say, spoken } from '../language/say.ts';
import { useBoard } from '../due/boardStore.ts';
import { useDesk } from '../people/deskStore.ts';
import { useKeys } from '../kit/keys.ts';
import RedrawBar from '../due/RedrawBar.vue';
import WaitingBar from '../outbox/WaitingBar.vue';
import KeysDialog from './KeysDialog.vue';
import { pagesOf } from './findablePages.ts';
import { forgetRecent, noteVisits } from './recent.ts';
import SearchDialog from './SearchDialog.vue';

const desk = useDesk();
const board = useBoard();
const route = useRoute();
const router = useRouter();
const vuetify = useTheme();
const library = useLocale();
const keys = ref(false);
const searching = ref(false);
const canSearch = computed(() => desk.isManager || desk.isStaff);

const places = computed(() => [
  ...(desk.isManager
    ? [
        { to: '/line', name: say('nav.line'), count: 0 },
        { to: '/proof', name: say('nav.proof'), count: board.counts.proofs },
        { to: '/asked', name: say('nav.asked'), count: 0 },
        { to: '/faults', name: say('nav.faults'), count: board.counts.faults },
        { to: '/homes', name: say('nav.homes'), count: 0 },
        { to: '/standing', name: say('nav.standing'), count: 0 },
      ]
    : []),
  ...(desk.isStaff || desk.isManager ? [{ to: '/today', name: say('nav.today'), count: 0 }] : []),
  ...(desk.isOwner ? [{ to: '/standing', name: say('nav.standing'), count: 0 }] : []),
  ...(desk.isManager || desk.isOwner ? [] : [{ to: '/faults', name: say('nav.faults'), count: 0 }]),
  ...(desk.isManager || desk.isStaff
    ? [
        { to: '/procedures', name: say('nav.procedures'), count: 0 },
        { to: '/measure', name: say('nav.measure'), count: 0 },
      ]
    : []),
  ...(desk.isManager ? [{ to: '/practice', name: say('nav.practice'), count: 0 }] : []),
  ...(desk.managesAll
    ? [
        { to: '/rounds', name: say('rounds.title'), count: 0 },
        { to: '/stock', name: say('stock.title'), count: 0 },
      ]
    : []),
  ...(desk.managesAll ? [{ to: '/people', name: say('nav.people'), count: 0 }] : []),
]);

// Whoever signs in may read another language than the page was opened in.
watch(spoken, (language) => {
  library.current.value = language;
});
watch(
  () => desk.theme,
  (theme) => vuetify.change(theme),
  { immediate: true },
);
watch(
  () => [desk.isManager, route.path],
  () => {
    if (desk.isManager && !board.answer && !['/', '/line'].includes(route.path)) void board.load();
  },
  { immediate: true },
);

const pages = computed(() => pagesOf(places.value, desk));
// A page is noted once its title is known.
noteVisits(router, () => desk.me?.id);
const onKey = (event: KeyboardEvent) => {
  if (event.key !== 'k' || !(event.ctrlKey || event.metaKey) || !canSearch.value) return;
  event.preventDefault();
  searching.value = true;
};
onMounted(() => document.addEventListener('keydown', onKey));
onBeforeUnmount(() => document.removeEventListener('keydown', onKey));

async function signOut(): Promise<void> {
  forgetRecent();
  await desk.signOut();
  await router.push('/sign-in');
}

const GO: Readonly<Record<string, string>> = {
  l: '/line',
  p: '/proof',
  a: '/asked',
  o: '/rounds',
  f: '/faults',
  h: '/homes',
  s: '/standing',
  r: '/practice',
  c: '/procedures',
  m: '/measure',
};
useKeys({
  k: () => {
    searching.value = canSearch.value;
    return canSearch.value;
  },
  '?': () => {
    keys.value = true;
  },
  ...Object.fromEntries(Object.entries(GO).map(([key, to]) => [`g ${key}`, () => desk.isManager && router.push(to)])),
});
</script>

<template>
  <VApp>
    <a class="skip" href="#main">{{ say('skip') }}</a>
    <div class="desk" :class="{ bare: !desk.me }">
      <nav v-if="desk.me" class="nav no-print" :aria-label="say('nav.main')">
        <p class="brand">{{ say('app.name') }}</p>
        <button v-if="canSearch" type="button" class="plain find-all" @click="searching = true">
          {{ say('nav.search') }} <kbd>k</kbd>
        </button>
        <ul>
          <li v-for="place in places" :key="place.to">
            <RouterLink :to="place.to" :class="{ here: route.path.startsWith(place.to) }"
              >{{ place.name }}{{ ' ' }}<b v-if="place.count">{{ place.count }}</b></RouterLink
            >
          </li>
        </ul>
        <div class="me small">
          <p>
            <RouterLink v-if="desk.isManager || desk.isStaff" to="/account">{{ desk.me.name }}</RouterLink><template
              v-else
              >{{ desk.me.name }}</template
            >
          </p>
          <p class="quiet office">{{ desk.me.organisation }}</p>
          <p class="switches">
            <button type="button" class="plain" @click="desk.setTheme(desk.theme === 'light' ? 'night' : 'light')">
              {{ say(desk.theme === 'light' ? 'nav.night' : 'nav.day') }}
            </button>
            <RouterLink v-if="desk.isManager || desk.isStaff" to="/account" class="narrow">{{
              say('nav.account')
            }}</RouterLink>
            <button type="button" class="plain keys" @click="keys = true">{{ say('nav.help') }}</button>
            <button type="button" class="plain" @click="signOut">{{ say('nav.signOut') }}</button>
          </p>
        </div>
      </nav>
      <main id="main"><WaitingBar v-if="desk.me" /><RedrawBar v-if="canSearch" /><RouterView /></main>
    </div>
    <KeysDialog v-model="keys" />
    <SearchDialog v-if="canSearch" v-model="searching" :pages="pages" />
  </VApp>
</template>

<style scoped>
.desk {
  display: flex;
  min-height: 100dvh;
}
.nav {
  width: 136px;
  flex: none;
  position: sticky;
  top: 0;
  height: 100dvh;
  display: flex;
  flex-direction: column;
  padding: 20px 0 16px 20px;
  border-right: 1px solid var(--hair);
}
.brand {
  font-size: 19px;
  font-weight: 720;
  letter-spacing: -0.01em !important;
  margin-bottom: 14px;
}
.brand::after {
  content: '';
  display: block;
  width: 22px;
  height: 3px;
  background: var(--dew);
  margin-top: 5px;
}
.nav a {
  display: block;
  padding: 7px 0;
  color: var(--ink-2);
  text-decoration: none;
}
.nav a:hover {
  color: var(--ink);
}
.nav a.here {
  color: var(--ink);
  font-weight: 680;
}
.nav b {
  margin-left: 6px;
  color: var(--dew-deep);
}
.find-all {
  text-align: left;
  padding: 7px 0;
  color: var(--ink-2);
}
.me {
  margin-top: auto;
  padding-right: 10px;
}
.switches {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 12px;
  margin-top: 6px;
}
.switches button,
.me a {
  padding: 0;
  color: var(--dew-deep);
  text-decoration: underline;
  text-underline-offset: 3px;
  min-height: 26px;
}
.narrow {
  display: none !important;
}
main {
  flex: 1;
  min-width: 0;
}
.skip {
  position: absolute;
  left: -999px;
}
.skip:focus {
  left: 8px;
  top: 8px;
  z-index: 99;
  background: var(--panel);
  padding: 8px;
}
@media (max-width: 720px) {
  .desk {
    flex-direction: column;
  }
  .nav {
    position: static;
    width: auto;
    height: auto;
    flex-flow: row wrap;
    align-items: center;
    padding: 6px 14px 0;
    column-gap: 12px;
    border-right: 0;
    border-bottom: 1px solid var(--hair);
  }
  .brand {
    margin: 0;
    font-size: 17px;
  }
  .brand::after {
    display: none;
  }
  .nav ul {
    order: 3;
    width: 100%;
    display: flex;
    gap: 20px;
    overflow-x: auto;
  }
  .nav a {
    padding: 11px 0;
  }
  .me {
    margin: 0 0 0 auto;
    padding: 0;
  }
  .me > p:not(.switches),
  .find-all kbd,
  .keys {
    display: none;
  }
  .switches {
    margin: 0;
    flex-wrap: nowrap;
  }
  .switches .narrow {
    display: inline-flex !important;
    align-items: center;
  }
  .switches button,
  .switches .narrow {
    min-height: 44px;
    white-space: nowrap;
  }
}
</style>
