<script setup lang="ts">
/** The week's visits by house and day, for whoever thinks in houses and where each has its own person. */
import { computed } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { grouped } from '../../core/statistics/grouped.ts';
import type { Plan, PlanVisitAnswer } from '../../contract/rounds/rounds.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ plan: Plan; open: number | null }>();
const emit = defineEmits<{ open: [visit: number | null] }>();
const names = computed(() => new Map(props.plan.people.map(({ id, name }) => [id, name])));
const houses = computed(() =>
  [...grouped(props.plan.visits, ({ property }) => property)]
    .sort(([a], [b]) => a.localeCompare(b))
    .map(([property, visits]) => ({
      property,
      days: [...grouped(visits, ({ day }) => day)].sort(([a], [b]) => (a < b ? -1 : 1)),
    })),
);
const words = ({ personId, parts, minutes }: PlanVisitAnswer) =>
  say('rounds.byHouse.visit', { person: names.value.get(personId) ?? '', parts: parts.length, minutes });
</script>

<template>
  <div class="stack close">
    <p v-if="!houses.length" class="quiet">{{ say('rounds.byHouse.none') }}</p>
    <section v-for="{ property, days } in houses" :key="property" class="stack tight">
      <h3>{{ property }}</h3>
      <div v-for="[day, visits] in days" :key="day" class="stack tight">
        <b class="small">{{ say.day(dayFromIso(day)) }}</b>
        <ul class="ruled tight">
          <li v-for="it in visits" :key="it.visit" class="row apart">
            <button
              type="button"
              class="plain link"
              :aria-expanded="open === it.visit"
              @click="emit('open', open === it.visit ? null : it.visit)"
            >
              {{ it.place }}
            </button>
            <span class="small" :class="it.broken.length ? 'alarm' : 'quiet'">{{
              it.broken.length ? it.broken[0]!.says : words(it)
            }}</span>
          </li>
        </ul>
      </div>
    </section>
  </div>
</template>
