<script setup lang="ts">
/** The order of what is left, proposed beside the one that stands; whoever walks it chooses. */
import { computed } from 'vue';
import { say } from '../language/say.ts';
import { clockTime } from '../notices/clockTime.ts';
import type { InOrder, Proposed } from './useOnTheDay.ts';

const props = defineProps<{ proposed: Proposed; busy: boolean }>();
defineEmits<{ take: [order: readonly InOrder[]]; leave: [] }>();
const missedIn = (order: readonly InOrder[]) => order.filter(({ missed }) => missed).length;
const saved = computed(() => missedIn(props.proposed.stands) - missedIn(props.proposed.best));
</script>

<template>
  <section class="stack close no-print" aria-labelledby="new-order">
    <h2 id="new-order">{{ say('mishap.left') }}</h2>
    <p class="small">
      {{
        proposed.same
          ? say('mishap.same', { late: missedIn(proposed.best) })
          : say('mishap.better', { saved, late: missedIn(proposed.best) })
      }}
    </p>
    <ol class="ruled tight small">
      <li v-for="it in proposed.best" :key="`${it.stop.id} ${it.stop.back}`" class="row">
        <b>{{ clockTime(it.from) }}</b>
        <span>{{ it.stop.place }}</span>
        <span v-if="it.missed" class="alarm">{{
          say('mishap.after', { until: clockTime(it.stop.told?.until ?? 0) })
        }}</span>
      </li>
    </ol>
    <p class="row close">
      <VBtn color="primary" min-height="44" :loading="busy" @click="$emit('take', proposed.best)">{{
        say(proposed.same ? 'mishap.keepOrder' : 'mishap.takeOrder')
      }}</VBtn>
      <VBtn
        v-if="!proposed.same"
        variant="outlined"
        min-height="44"
        :disabled="busy"
        @click="$emit('take', proposed.stands)"
        >{{ say('mishap.keepOrder') }}</VBtn
      >
      <VBtn variant="text" min-height="44" @click="$emit('leave')">{{ say('mishap.leave') }}</VBtn>
    </p>
  </section>
</template>
