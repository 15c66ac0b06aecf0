<script setup lang="ts">
/** The figures of a set of homes, each with its terms and with what it leaves out. */
import { computed } from 'vue';
import type { FiguresAnswer } from '../../contract/standing/standing.ts';
import { EVIDENCE_LEVELS } from '../../core/proof/record.ts';
import FactList, { type Fact } from '../kit/FactList.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ figures: FiguresAnswer }>();

const facts = computed<Fact[]>(() => {
  const { standing, days, pastShare, onTime } = props.figures;
  const { evidence } = standing;
  const shown = Object.values(evidence).reduce((sum, { count }) => sum + count, 0);
  return [
    { name: say('standing.parts'), note: say('standing.parts.note'), value: say('standing.of', standing.inOrder) },
    { name: say('standing.parts.critical'), value: say('standing.of', standing.safetyCritical) },
    {
      name: say('standing.past'),
      note: say('standing.past.note', { known: days.known }),
      value: pastShare === null ? '–' : say('standing.past.value', { share: pastShare }),
      aside: say('standing.past.aside', { past: days.past }),
    },
    {
      name: say('standing.notCounted'),
      value: say('standing.notCounted.value', { unknown: days.unknown, held: days.held }),
    },
    {
      name: say('standing.services'),
      note: say('standing.services.note', { count: standing.onTime.of }),
      value: onTime ? say('standing.services.value', { share: onTime.share }) : say('standing.services.none'),
      aside: onTime ? say('standing.services.aside', { low: onTime.low, high: onTime.high }) : undefined,
    },
    ...EVIDENCE_LEVELS.map((level) => ({
      name: say(`standing.level.${level}`),
      value: say('standing.of', evidence[level]),
    })),
    { name: say('standing.level.none'), value: String(evidence.proven.of - shown) },
  ];
});
</script>

<template>
  <FactList :facts="facts" />
</template>
