<script setup lang="ts">
/** Beside the plan: what each machine on its own day would cost, what finds no place, and every part counted. */
import { computed } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import type { Plan } from '../../contract/rounds/rounds.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ plan: Plan }>();
const count = (value: number) => say('rounds.count', { value });
const hours = (of: number) => say('rounds.hours', { minutes: Math.round(of * 60) });
const rows = computed(() => {
  const { costs, alone } = props.plan;
  const percent = (share: number) => `${Math.round(share * 100)} %`;
  return [
    [say('rounds.costs.doors'), count(costs.doors), count(alone.doors)],
    [say('rounds.costs.hours'), hours(costs.hours), hours(alone.hours)],
    [say('rounds.costs.past'), count(costs.pastRisk), count(alone.pastRisk)],
    [say('rounds.costs.thrown'), percent(costs.thrown), percent(alone.thrown)],
  ];
});
const COUNTED = ['inPlan', 'forTenants', 'withTenants', 'awaiting', 'licensed', 'later', 'onHold', 'noRecord'] as const;
const SHOWN = 12;
</script>

<template>
  <aside class="stack airy">
    <section class="stack close">
      <h2>{{ say('rounds.costs') }}</h2>
      <table class="compared">
        <thead>
          <tr>
            <th></th>
            <th scope="col">{{ say('rounds.costs.plan') }}</th>
            <th scope="col">{{ say('rounds.costs.alone') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="[name, ours, alone] in rows" :key="name">
            <th scope="row">{{ name }}</th>
            <td>
              <b>{{ ours }}</b>
            </td>
            <td>{{ alone }}</td>
          </tr>
        </tbody>
      </table>
      <p class="quiet small">{{ say('rounds.costs.bound', { doors: plan.fewestDoors, unliked: plan.unliked }) }}</p>
    </section>
    <section v-if="plan.leftOut.length" class="stack close">
      <h2>{{ say('rounds.noPlace') }}</h2>
      <ul class="ruled small">
        <li v-for="it in plan.leftOut.slice(0, SHOWN)" :key="`${it.part.number} ${it.part.line}`">
          <RouterLink :to="`/line/${it.part.number}`"
            ><b>{{ it.place }}</b
            >, {{ it.part.says }}</RouterLink
          >
          <p class="quiet">{{ it.says }} {{ it.remedy }}</p>
        </li>
      </ul>
      <p v-if="plan.leftOutCount > SHOWN" class="quiet small">
        {{ say('rounds.noPlace.more', { count: plan.leftOutCount - SHOWN }) }}
      </p>
    </section>
    <section v-if="plan.tenants.length" class="stack close">
      <h2>{{ say('rounds.asked') }}</h2>
      <ul class="ruled tight small">
        <li v-for="it in plan.tenants.slice(0, SHOWN)" :key="it.placeId" class="row apart">
          <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink>
          <span class="quiet"
            >{{ say('rounds.asked.home', { parts: it.parts })
            }}<span :class="{ alarm: it.late }">{{
              say('rounds.asked.by', {
                day: it.askBy === null ? 'none' : say.shortDay(dayFromIso(it.askBy)),
                late: String(it.late),
              })
            }}</span></span
          >
        </li>
      </ul>
      <p v-if="plan.tenants.length > SHOWN" class="quiet small">
        {{ say('rounds.noPlace.more', { count: plan.tenants.length - SHOWN }) }}
      </p>
    </section>
    <section class="stack close">
      <h2>{{ say('rounds.counted') }}</h2>
      <ul class="ruled tight small">
        <template v-for="key in COUNTED" :key="key">
          <li v-if="plan.counted[key] > 0" class="row apart">
            <span>{{ say(`rounds.counted.${key}`) }}</span>
            <b>{{ count(plan.counted[key]) }}</b>
          </li>
        </template>
      </ul>
    </section>
  </aside>
</template>
