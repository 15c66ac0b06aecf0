<script setup lang="ts">
/** The board's sentence: every kept part in exactly one of its counts, and what of them hides. */
import { computed, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { usePageTitle } from '../kit/pageTitle.ts';
import { say } from '../language/say.ts';
import { useBoard, type Focus } from './boardStore.ts';

const board = useBoard();
const heading = ref<HTMLElement>();
usePageTitle(() => say('line.title'), heading);
const look = (focus: Focus) => {
  board.focus = board.focus === focus ? 'all' : focus;
};
/** A register of which nothing is known is not short of the line. */
const unknown = computed(
  () => board.counts.noRecord > 0 && board.counts.noRecord + board.counts.onHold === board.counts.all,
);
const plan = computed(() => board.answer?.waiting.baseline ?? null);
const rest = computed(() => (['later', 'onHold', 'sent'] as const).filter((key) => board.counts[key] > 0));
</script>

<template>
  <h1 ref="heading" tabindex="-1" class="headline">
    <template v-if="unknown">{{ `${say('line.unknown', { count: board.counts.noRecord })} ` }}</template>
    <template v-else>
      <template v-if="board.counts.past">
        <button type="button" class="plain figure alarm" :aria-pressed="board.focus === 'past'" @click="look('past')">
          {{ say('line.past', { count: board.counts.past }) }}</button>{{
          say('line.inHomes', { count: board.counts.homes })
        }},
        <button
          type="button"
          class="plain figure"
          :disabled="!board.counts.nobody"
          :aria-pressed="board.focus === 'nobody'"
          @click="look('nobody')"
        >
          {{ say('line.nobody', { count: board.counts.nobody }) }}</button>.
      </template>
      <template v-else>{{ say(board.counts.noRecord ? 'line.none.known' : 'line.none') }}</template>
      {{ ' '
      }}<button type="button" class="plain figure" :aria-pressed="board.focus === 'soon'" @click="look('soon')">
        {{ say('line.reach', { count: board.counts.soon }) }}</button
      >{{ say('line.within') }}
      <button
        v-if="board.counts.noRecord"
        type="button"
        class="plain figure"
        :aria-pressed="board.focus === 'noRecord'"
        @click="look('noRecord')"
      >
        {{ say('line.noRecord', { count: board.counts.noRecord }) }}</button>{{ ' ' }}
    </template>
    <template v-if="board.counts.noRecord">
      <RouterLink v-if="plan" class="figure" to="/homes/baseline">{{
        say('line.baseline.planned', { count: plan.planned, until: say.day(dayFromIso(plan.until)) })
      }}</RouterLink><RouterLink v-else class="figure" to="/homes/baseline">{{ say('line.baseline') }}</RouterLink
      >{{ ' ' }}
    </template>
    <RouterLink v-if="board.counts.proofs" class="figure" to="/proof">{{
      say('line.proofs', { count: board.counts.proofs })
    }}</RouterLink>{{ ' ' }}
    <RouterLink v-if="board.counts.faults" class="figure" to="/faults">{{
      say('line.faults', { count: board.counts.faults })
    }}</RouterLink>{{ ' ' }}
    <RouterLink
      v-if="board.counts.repairsOver || board.counts.repairsSoon"
      class="figure"
      :class="{ alarm: board.counts.repairsOver }"
      to="/faults"
      >{{ say('line.repairs', { over: board.counts.repairsOver, soon: board.counts.repairsSoon }) }}</RouterLink>{{
      ' '
    }}
    <RouterLink v-if="board.answer?.waiting.handBacks" class="figure" to="/faults">{{
      say('line.handBacks', { count: board.answer.waiting.handBacks })
    }}</RouterLink>
  </h1>
  <p class="small quiet">
    {{ say('line.of', { all: board.counts.all })
    }}<template v-for="key in rest" :key="key"
      >,
      <button type="button" class="plain figure" :aria-pressed="board.focus === key" @click="look(key)">
        {{ say(`line.rest.${key}`, { count: board.counts[key] }) }}
      </button></template
    >.
    <label v-if="board.counts.riders" class="riders"
      ><input v-model="board.riders" type="checkbox" /> {{ say('line.riders', { count: board.counts.riders })
      }}<b v-if="!board.riders && board.counts.hiddenLate" class="alarm">
        {{ say('line.riders.late', { count: board.counts.hiddenLate }) }}</b
      ></label
    >
  </p>
</template>

<style scoped>
.headline {
  font-weight: 460;
  max-width: 62ch;
  font-size: 22px;
  margin-bottom: 6px;
}
.figure {
  text-decoration: underline;
  text-decoration-thickness: 1.5px;
  text-underline-offset: 5px;
  text-decoration-color: var(--edge);
  color: inherit;
  display: inline;
}
.figure.alarm {
  color: var(--alarm);
  font-weight: 680;
  text-decoration-color: var(--alarm);
}
.figure[aria-pressed='true'] {
  background: var(--pick);
}
.figure:disabled {
  text-decoration: none;
  cursor: default;
}
.riders {
  display: inline-flex;
  gap: 6px;
  align-items: center;
  margin-left: 14px;
  padding: 4px 0;
}
</style>
