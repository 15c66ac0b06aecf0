<script setup lang="ts">
/** People × days: each visit a block to drag, or to move by the arrows. */
import Sortable from 'sortablejs';
import { computed, nextTick, onBeforeUnmount, ref, watch, watchPostEffect } from 'vue';
import { dayFromIso, isoFromDay } from '../../core/calendar/day.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Plan, PlanPerson, PlanVisitAnswer } from '../../contract/rounds/rounds.ts';
import { say } from '../language/say.ts';
import type { Shape } from './usePlan.ts';

const props = defineProps<{ plan: Plan; open: number | null }>();
const emit = defineEmits<{ open: [visit: number]; shape: [it: Shape] }>();
const grid = ref<HTMLElement>();
const days = computed(() => {
  const from = dayFromIso(props.plan.from) + props.plan.week * 7;
  const all = Array.from({ length: 7 }, (_, i) => ({
    i,
    iso: isoFromDay(from + i),
    says: `${say.weekday(from + i)} ${say.shortDay(from + i)}`,
  }));
  // Days on which nobody works and nothing is planned are left out.
  return all.filter(
    ({ i, iso }) =>
      props.plan.people.some((it) => it.days[i]!.had > 0) || props.plan.visits.some((it) => it.day === iso),
  );
});
const byDay = computed(() => grouped(props.plan.visits, ({ personId, day }) => `${personId} ${day}`));
const visitsOf = ({ id }: PlanPerson, iso: string): readonly PlanVisitAnswer[] => byDay.value.get(`${id} ${iso}`) ?? [];

/** The block that is moved by keys keeps the focus where it lands; of one that is taken out the next has it. */
const followed = ref<number | null>(null);
const shape = (it: Shape): void => {
  followed.value = it.visit;
  emit('shape', it);
};
watch(
  () => props.plan.revision,
  async () => {
    await nextTick();
    const block =
      grid.value?.querySelector<HTMLElement>(`[data-visit="${followed.value}"]`) ??
      grid.value?.querySelector<HTMLElement>('[data-visit]');
    if (followed.value !== null) block?.focus();
    followed.value = null;
  },
);
function onKey(event: KeyboardEvent, visit: PlanVisitAnswer): void {
  const at = days.value.findIndex(({ iso }) => iso === visit.day);
  const row = props.plan.people.findIndex(({ id }) => id === visit.personId);
  const to = (day: number, person: number) => {
    const [iso, who] = [days.value[day]?.iso, props.plan.people[person]?.id];
    if (iso && who) shape({ shape: 'move', visit: visit.visit, day: iso, personId: who });
  };
  const keys: Readonly<Record<string, () => void>> = {
    ArrowLeft: () => to(at - 1, row),
    ArrowRight: () => to(at + 1, row),
    ArrowUp: () => to(at, row - 1),
    ArrowDown: () => to(at, row + 1),
    p: () => shape({ shape: visit.pinned ? 'free' : 'pin', visit: visit.visit }),
    Delete: () => shape({ shape: 'out', visit: visit.visit }),
  };
  const answer = keys[event.key];
  if (!answer || visit.takenOver) return;
  event.preventDefault();
  answer();
}

let lists: Sortable[] = [];
watchPostEffect(() => {
  for (const list of lists) list.destroy();
  lists = [...(grid.value?.querySelectorAll<HTMLElement>('[data-day]') ?? [])].map((cell) =>
    Sortable.create(cell, {
      group: 'visits',
      draggable: '.plan-block:not(.taken)',
      onEnd: ({ item, from, to, oldIndex }) => {
        // The list is drawn from the answer, and not by the hand that moved it.
        from.insertBefore(item, from.children[oldIndex!] ?? null);
        if (from === to) return;
        const { day, person: personId } = to.dataset;
        shape({ shape: 'move', visit: Number(item.dataset.visit), day: day!, personId: personId! });
      },
    }),
  );
  // Drawn anew whenever the plan is.
  void props.plan.revision;
});
onBeforeUnmount(() => {
  for (const list of lists) list.destroy();
});
</script>

<template>
  <div ref="grid" class="scroll">
    <table class="plan-grid">
      <thead>
        <tr>
          <th></th>
          <th v-for="day in days" :key="day.iso" scope="col">{{ day.says }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in plan.people" :key="person.id">
          <th scope="row">
            {{ person.name }}
            <RouterLink
              v-if="plan.visits.some((it) => it.takenOver && it.personId === person.id)"
              :to="`/round?person=${person.id}`"
              class="small plan-assumed"
              :aria-label="`${say('rounds.sheet')}: ${person.name}`"
              >{{ say('rounds.sheet') }}</RouterLink
            >
            <span v-if="person.assumed !== null" class="quiet small plan-assumed">{{
              say('rounds.assumed', { hours: person.assumed })
            }}</span>
          </th>
          <td v-for="day in days" :key="day.iso">
            <p class="plan-use small" :class="person.days[day.i]!.used > person.days[day.i]!.had ? 'alarm' : 'quiet'">
              <template v-if="person.days[day.i]!.had === 0 && !visitsOf(person, day.iso).length">{{
                say('rounds.away')
              }}</template>
              <template v-else-if="!visitsOf(person, day.iso).length">{{
                say('rounds.free', { had: person.days[day.i]!.had })
              }}</template>
              <template v-else>{{
                say('rounds.used', {
                  doors: visitsOf(person, day.iso).length,
                  used: person.days[day.i]!.used,
                  had: person.days[day.i]!.had,
                })
              }}</template>
            </p>
            <div class="plan-day" :data-day="day.iso" :data-person="person.id">
              <button
                v-for="visit in visitsOf(person, day.iso)"
                :key="visit.visit"
                type="button"
                class="plan-block"
                :class="{ taken: visit.takenOver, broken: visit.broken.length, open: visit.visit === open }"
                :data-visit="visit.visit"
                :aria-expanded="visit.visit === open"
                @click="emit('open', visit.visit)"
                @keydown="onKey($event, visit)"
              >
                <b>{{ visit.place }}</b>
                <span class="small">{{
                  say('rounds.block', { parts: visit.parts.length, minutes: visit.minutes })
                }}</span>
                <span v-if="visit.takenOver" class="small plan-told">{{ say('rounds.takenOver') }}</span>
                <span v-else-if="visit.pinned" class="small">{{ say('rounds.pinned') }}</span>
                <span v-if="visit.broken.length" class="small alarm">{{ say('rounds.broken') }}</span>
              </button>
            </div>
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.plan-grid {
  border-collapse: collapse;
  width: 100%;
  table-layout: fixed;
  min-width: 640px;
}
.plan-grid th {
  text-align: left;
  font-weight: 600;
  padding: 4px 6px;
  vertical-align: top;
}
.plan-grid th:first-child {
  width: 130px;
}
.plan-grid td {
  vertical-align: top;
  padding: 4px;
  border-top: 1px solid var(--hair);
}
.plan-grid tbody th {
  border-top: 1px solid var(--hair);
}
.plan-assumed {
  display: block;
  font-weight: 400;
}
.plan-use {
  min-height: 34px;
}
.plan-day {
  display: grid;
  gap: 5px;
  min-height: 44px;
  align-content: start;
}
.plan-block {
  display: grid;
  text-align: left;
  padding: 5px 7px;
  min-height: 44px;
  border: 1px solid var(--ink);
  border-radius: 5px;
  background: var(--paper);
  color: var(--ink);
  cursor: grab;
}
.plan-told {
  color: var(--dew);
  font-weight: 600;
}
.plan-block.taken {
  cursor: default;
  border-color: var(--dew);
}
.plan-block.broken {
  border: 2px solid var(--alarm);
}
.plan-block.open {
  outline: 2px solid var(--dew);
  outline-offset: 1px;
}
</style>
