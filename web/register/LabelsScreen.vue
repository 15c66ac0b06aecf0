<script setup lang="ts">
/** Making sheets of labels. */
import { computed, onMounted, ref } from 'vue';
import { useRoute } from 'vue-router';
import { SHEETS, type SheetKey } from '../../contract/register/labels.ts';
import { WHOLE, useScopes } from '../due/scopes.ts';
import { say } from '../language/say.ts';
import PageFrame from '../kit/PageFrame.vue';

const route = useRoute();
const all = useScopes(String(route.query.where ?? WHOLE));
const { where } = all;
const sheet = ref<SheetKey>('a4-21');
const skip = ref(0);
const perSheet = computed(() => SHEETS[sheet.value].columns * SHEETS[sheet.value].rows);
const href = computed(() => {
  const used = Math.max(0, Math.min(perSheet.value - 1, Number(skip.value) || 0));
  return `/api/labels/${where.value}?with=${encodeURIComponent(JSON.stringify({ sheet: sheet.value, skip: used }))}`;
});
/** The sheet in small: used labels hollow. */
const cells = computed(() => Array.from({ length: perSheet.value }, (_, i) => i < Number(skip.value)));
onMounted(all.load);
</script>

<template>
  <PageFrame width="text" :title="say('labels.title')">
    <template #above
      ><RouterLink to="/homes">{{ say('nav.homes') }}</RouterLink></template
    >
    <template #lead
      ><p class="quiet lead">{{ say('labels.lead') }}</p></template
    >
    <div class="columns">
      <form class="stack tight start" @submit.prevent>
        <VAutocomplete v-model="where" :items="all.scopes.value" :label="say('labels.where')" />
        <VSelect
          v-model="sheet"
          :items="Object.keys(SHEETS).map((value) => ({ value, title: say(`labels.sheet.${value}`) }))"
          :label="say('labels.sheet')"
        />
        <VTextField v-model.number="skip" type="number" min="0" :max="perSheet - 1" :label="say('labels.skip')" />
        <VBtn color="primary" :href="href" target="_blank">{{ say('labels.print') }}</VBtn>
      </form>
      <div class="sheet" aria-hidden="true" :style="{ gridTemplateColumns: `repeat(${SHEETS[sheet].columns}, 1fr)` }">
        <i v-for="(used, i) in cells" :key="i" :class="{ used }" />
      </div>
    </div>
  </PageFrame>
</template>

<style scoped>
.sheet {
  display: grid;
  gap: 3px;
  width: 210px;
  padding: 10px;
  background: #fff;
  border: 1px solid var(--edge);
  aspect-ratio: 210 / 297;
}
.sheet i {
  border: 1px solid #cfd4d0;
  border-radius: 2px;
  background:
    linear-gradient(#18262b, #18262b) 12% 50% / 9px 9px no-repeat,
    linear-gradient(#9aa5a4, #9aa5a4) 70% 38% / 42% 2px no-repeat,
    linear-gradient(#c6ccca, #c6ccca) 62% 60% / 30% 2px no-repeat;
}
.sheet i.used {
  background: none;
  border-style: dashed;
  border-color: #84908f;
}
</style>
