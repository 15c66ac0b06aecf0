<script setup lang="ts">
/** The frame of a screen: its width, its title, and in place of what it shows that this is on its way or went wrong. */
import { ref } from 'vue';
import type { Loading } from '../api/load.ts';
import LoadState from './LoadState.vue';
import { usePageTitle } from './pageTitle.ts';

const props = withDefaults(
  defineProps<{
    /** Not known while what it names is on its way. */
    title?: string | undefined;
    width?: 'phone' | 'text' | 'wide';
    /** What the screen shows, where it must be loaded. */
    of?: Pick<Loading<unknown>, 'value' | 'failure' | 'mayHelp' | 'reload'>;
  }>(),
  { title: '', width: 'wide', of: undefined },
);
const heading = ref<HTMLElement>();
usePageTitle(() => props.title, heading);
</script>

<template>
  <div class="page" :class="width">
    <header v-if="title || $slots.above" class="stack tight">
      <p v-if="$slots.above" class="quiet small"><slot name="above" /></p>
      <div v-if="title" class="row apart">
        <h1 ref="heading" tabindex="-1">
          <slot name="title">{{ title }}</slot>
        </h1>
        <slot name="actions" />
      </div>
      <slot name="lead" />
    </header>
    <LoadState v-if="of" :of="of" />
    <slot />
  </div>
</template>
