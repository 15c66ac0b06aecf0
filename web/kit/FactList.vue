<script setup lang="ts">
/** Facts with their figures, one a line; the last may be what they come to. */
export interface Fact {
  readonly name: string;
  readonly note?: string | undefined;
  readonly value: string;
  readonly aside?: string | undefined;
  readonly sum?: boolean;
}
defineProps<{ facts: readonly Fact[] }>();
</script>

<template>
  <dl class="facts">
    <div v-for="(fact, i) in facts" :key="i" :class="{ sum: fact.sum }">
      <dt>
        {{ fact.name }}<small v-if="fact.note">{{ fact.note }}</small>
      </dt>
      <dd>
        {{ fact.value }}<small v-if="fact.aside">{{ fact.aside }}</small>
      </dd>
    </div>
  </dl>
</template>
