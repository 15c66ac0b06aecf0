<script setup lang="ts">
/** Whether parts past their line bring more faults here, by kind, with how sure that is. */
import { ownCurrency } from '../api/api.ts';
import type { UpkeepEffectsAnswer, UpkeepEffectSummary } from '../../contract/faults/upkeepEffects.ts';
import { say } from '../language/say.ts';

defineProps<{ answer: UpkeepEffectsAnswer }>();
function verdictOf({ low, high }: UpkeepEffectSummary): 'more' | 'fewer' | 'unclear' {
  if (low > 1) return 'more';
  return high < 1 ? 'fewer' : 'unclear';
}
const tidy = (value: number) => Number(value.toPrecision(2));
</script>

<template>
  <p class="quiet small lead">{{ say('effect.lead') }}</p>
  <ul class="ruled">
    <li v-for="it in answer.effects" :key="it.kind" class="stack tight">
      <p>
        <b>{{ say(`kind.${it.kind}`) }}</b>: {{ say(`effect.${verdictOf(it)}`) }}
      </p>
      <p class="small">
        {{
          say('effect.ratio', {
            ratio: tidy(it.ratio),
            low: tidy(it.low),
            high: tidy(it.high),
            past: it.past.faults,
            pastYears: tidy(it.past.years),
            inOrder: it.inOrder.faults,
            inOrderYears: tidy(it.inOrder.years),
          })
        }}
        <template v-if="verdictOf(it) === 'more'">{{
          say('effect.cost', {
            faults: tidy(it.faultsPer100Days.middle),
            low: tidy(it.faultsPer100Days.low),
            high: tidy(it.faultsPer100Days.high),
            minutes: Math.round(it.minutesAFault ?? 0),
            cost: it.costAFault === null ? 'none' : say.money(Math.round(it.costAFault), ownCurrency),
          })
        }}</template>
      </p>
    </li>
  </ul>
  <p v-if="answer.untold.length" class="quiet small">
    {{ say('effect.untold', { kinds: say.list(answer.untold.map(({ kind }) => say(`kind.${kind}`))) }) }}
  </p>
</template>
