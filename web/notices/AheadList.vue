<script setup lang="ts">
/** What households are to be asked for next, the first first, and whether that is done by itself. */
import { computed, onMounted, ref } from 'vue';
import type { AheadHome } from '../../contract/notices/messages.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import { say } from '../language/say.ts';

const SHOWN = 8;
const most = ref(SHOWN);
const read = useLoading(() => api('askings.ahead'));
const { value: ahead } = read;
const homes = computed(() => ahead.value?.homes ?? []);
const words = ({ parts, lineDay, earlier }: AheadHome) =>
  say('ahead.home', { parts, line: say.shortDay(lineDay), earlier: String(earlier) });
onMounted(read.reload);
</script>

<template>
  <section class="stack close">
    <h2>{{ say('ahead.title') }}</h2>
    <LoadState v-if="!ahead" :of="read" />
    <template v-else>
      <p class="quiet small lead">
        {{ say('ahead.by', { gives: String(ahead.gives) }) }}
        <RouterLink to="/people">{{ say('ahead.rule') }}</RouterLink>
      </p>
      <p v-if="!homes.length">{{ say('ahead.none', { days: ahead.days }) }}</p>
      <ul v-else class="ruled tight" :aria-label="say('ahead.title')">
        <li v-for="it in homes.slice(0, most)" :key="it.placeId" class="stack tight">
          <div class="row apart">
            <span
              ><b>{{ it.person }}</b
              >{{ ' ' }}<RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink
              >{{ ' ' }}<span class="quiet small">{{ words(it) }}</span></span
            >
            <b class="small">{{
              say('ahead.day', {
                day: say.shortDay(it.askDay),
                late: String(it.askDay <= it.today),
                own: String(ahead.gives && it.why === null),
              })
            }}</b>
          </div>
          <p v-if="it.why" class="small alarm">{{ it.why }}</p>
        </li>
      </ul>
      <p v-if="ahead.more && homes.length <= most" class="quiet small">
        {{ say('ahead.more', { count: ahead.more }) }}
      </p>
      <button v-if="homes.length > most" type="button" class="plain link" @click="most = homes.length">
        {{ say('more', { count: homes.length - most }) }}
      </button>
      <p v-if="ahead.withStaff || ahead.takenBack" class="small">
        {{ say('ahead.withStaff', { count: ahead.withStaff }) }}
        {{ say('ahead.takenBack', { count: ahead.takenBack }) }}
      </p>
    </template>
  </section>
</template>
