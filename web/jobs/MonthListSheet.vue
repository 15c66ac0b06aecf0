<script setup lang="ts">
/** The month's list of one home, on a phone and on one page: sittings with their parts, ticked as they are sent. */
import { computed, onBeforeUnmount, onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { onTaken } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import EmptyState from '../kit/EmptyState.vue';
import PageFrame from '../kit/PageFrame.vue';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { getKept } from '../outbox/kept.ts';

/** Of the office: whose home it is; a tenant reads their own. */
const props = defineProps<{ id?: string }>();
const keptAt = ref<number | null>(null);
const read = useLoading(async () => {
  const kept = await (props.id === undefined ? getKept('monthList.mine') : getKept('monthList.read', { id: props.id }));
  keptAt.value = kept.keptAt;
  return kept.answer;
});
const { value: list, reload } = read;
const sent = computed(() => list.value?.sittings.filter(({ state }) => state === 'sent').length ?? 0);
const minutes = computed(() => list.value?.sittings.reduce((sum, it) => sum + it.minutes, 0) ?? 0);
const title = computed(() =>
  list.value?.day ? say('monthList.of', { day: say.day(dayFromIso(list.value.day)) }) : say('monthList.title'),
);
const print = () => window.print();
onMounted(reload);
onBeforeUnmount(onTaken(reload));
</script>

<template>
  <PageFrame width="phone" :title="title" :of="read">
    <template v-if="list">
      <p class="quiet small">{{ list.place }}, {{ list.property }}</p>
      <p v-if="keptAt !== null" class="quiet small">{{ say('kept.asOf', { at: say.time(keptAt, deviceZone()) }) }}</p>
      <EmptyState
        v-if="!list.sittings.length"
        :title="say(list.rule ? 'monthList.empty' : 'monthList.none')"
        :why="list.rule ? list.says : say('monthList.none.why')"
      />
      <template v-else>
        <p>
          {{
            list.given
              ? say('monthList.done', { sent, count: list.sittings.length })
              : say('monthList.toCome', { count: list.sittings.length })
          }}
          <span class="quiet">{{ say('monthList.minutes', { minutes }) }}</span>
        </p>
        <ol class="ruled">
          <li v-for="(it, i) in list.sittings" :key="it.jobId ?? i" class="stack tight">
            <p>
              <span aria-hidden="true">{{ it.state === 'sent' ? '☑' : '☐' }}</span>{{ ' '
              }}<RouterLink v-if="it.jobId && it.mine && it.state !== 'over'" :to="`/jobs/${it.jobId}`">{{
                it.machine
              }}</RouterLink
              ><b v-else>{{ it.machine }}</b>
              <span v-if="it.state !== 'open' && it.state !== 'toCome'" class="quiet small">
                {{ say('monthList.state', { state: it.state }) }}</span
              >
            </p>
            <p class="small">{{ say.list(it.parts) }}</p>
          </li>
        </ol>
        <p v-if="list.given" class="quiet small">{{ say('monthList.proof') }}</p>
        <p v-for="it in list.left" :key="it" class="quiet small">{{ it }}</p>
        <p class="no-print">
          <VBtn variant="outlined" min-height="44" @click="print">{{ say('monthList.print') }}</VBtn>
        </p>
      </template>
    </template>
  </PageFrame>
</template>
