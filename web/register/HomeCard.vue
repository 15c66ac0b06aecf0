<script setup lang="ts">
/**
 * A card for the tenant's kitchen door: a code to scan, and the same code to type. Told once; printed now or made anew.
 */
import { onMounted, ref } from 'vue';
import { say } from '../language/say.ts';

const props = defineProps<{ place: string; property: string; name: string; link: string; code: string }>();
/** Short enough to be typed: without the token. */
const address = props.link.replace(/^https?:\/\//, '').replace(/#.*$/, '');
const picture = ref('');
onMounted(async () => {
  const { toDataURL } = await import('qrcode');
  picture.value = await toDataURL(props.link, { margin: 1, width: 220, errorCorrectionLevel: 'M' });
});
const print = () => window.print();
</script>

<template>
  <div class="home-card">
    <img v-if="picture" :src="picture" :alt="say('card.scan')" width="110" height="110" />
    <div>
      <p class="strong">{{ place }}, {{ property }}</p>
      <p>{{ name }}</p>
      <p>{{ say('card.scan') }}</p>
      <p>
        {{ say('card.type', { address }) }} <b class="code">{{ code }}</b>
      </p>
    </div>
  </div>
  <button type="button" class="plain link no-print" @click="print">{{ say('card.print') }}</button>
</template>

<style scoped>
@media print {
  :global(body:has(.home-card) *) {
    visibility: hidden;
  }
  :global(body .home-card),
  :global(body .home-card *) {
    visibility: visible;
  }
  .home-card {
    position: fixed;
    left: 0;
    top: 0;
    width: 100mm;
  }
}
.home-card {
  display: flex;
  gap: 14px;
  align-items: center;
  border: 1px dashed var(--edge);
  border-radius: 8px;
  padding: 10px;
  background: #fff;
  color: var(--on-paper);
}
.code {
  font-size: 19px;
  letter-spacing: 0.04em;
  white-space: nowrap;
}
</style>
