<script setup lang="ts">
/** The parts of a week of the baseline, and giving what is open of them, or what is chosen. */
import { ref } from 'vue';
import type { BaselineAnswer, BaselineWeek } from '../../contract/due/baseline.ts';
import { say } from '../language/say.ts';
import KindGlyph from '../strip/KindGlyph.vue';

/** `kept`: the plan stands, so that its weeks may be given. */
const props = defineProps<{
  week: BaselineWeek;
  assignees: BaselineAnswer['assignees'];
  kept: boolean;
  busy: boolean;
}>();
const emit = defineEmits<{ give: [assigneeId: string | null, pointIds: string[] | null] }>();
const TENANTS = 'tenants';
const who = ref(props.assignees[0]?.id ?? TENANTS);
/** None: all that is open of the week. */
const chosen = ref<string[]>([]);
function give(): void {
  emit('give', who.value === TENANTS ? null : who.value, chosen.value.length > 0 ? chosen.value : null);
  chosen.value = [];
}
</script>

<template>
  <div class="stack close">
    <form
      v-if="kept && week.points.some(({ state }) => state === 'open')"
      class="fields inline short"
      @submit.prevent="give"
    >
      <VSelect
        v-model="who"
        :items="[
          { value: TENANTS, title: say('giveMany.tenants') },
          ...assignees.map(({ id, name }) => ({ value: id, title: name })),
        ]"
        :label="say('baseline.give')"
        hide-details
        density="compact"
      />
      <VBtn type="submit" variant="outlined" :loading="busy">{{
        chosen.length ? say('baseline.giveChosen', { count: chosen.length }) : say('point.giveNow')
      }}</VBtn>
    </form>
    <ul class="small ruled tight ink-link">
      <li
        v-for="point in week.points"
        :key="point.pointId"
        class="row apart"
        :class="{ quiet: point.state !== 'open' }"
      >
        <RouterLink :to="`/line/${point.number}`"><KindGlyph :kind="point.kind" /> {{ point.name }}</RouterLink>
        <span class="quiet">{{ point.place }}</span>
        <label v-if="kept && point.state === 'open'"
          ><input v-model="chosen" type="checkbox" :value="point.pointId" />{{ ' ' }} {{ say('baseline.state.open')
          }}<span class="unseen">: {{ point.name }}, {{ point.place }}</span></label
        >
        <span v-else>{{ say(`baseline.state.${point.state}`) }}</span>
      </li>
    </ul>
  </div>
</template>
