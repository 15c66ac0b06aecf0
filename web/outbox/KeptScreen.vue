<script setup lang="ts">
/** Everything that waits on this device, in order, and why it could not be sent. */
import { onMounted, ref } from 'vue';
import type { Parcel } from '../../core/outbox/deliver.ts';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { deliverNow, discard, hindrance, look, tryAgain, waiting } from './outbox.ts';
import PageFrame from '../kit/PageFrame.vue';

/** The device's own. */
const ZONE = deviceZone();
const sure = ref<number | null>(null);
const busy = ref(false);

function nameOf({ content }: Parcel): string {
  if (content.kind === 'photo') return say('kept.photo');
  if (content.path.endsWith('/submission')) return say('kept.submission');
  if (content.path.endsWith('/moves')) return say('kept.move');
  if (content.path.startsWith('/round')) return say('kept.round');
  return say(content.path === '/looks' ? 'kept.look' : 'kept.report');
}
const isOfJob = ({ content }: Parcel) => content.kind === 'form' && content.path.startsWith('/jobs/');
async function send(work: () => Promise<void>): Promise<void> {
  busy.value = true;
  await work();
  busy.value = false;
}
onMounted(look);
</script>

<template>
  <PageFrame width="phone" :title="say('kept.title')">
    <p v-if="!waiting.length" class="quiet">{{ say('kept.none') }}</p>
    <template v-else>
      <p class="quiet">
        {{ say('kept.lead') }} <span v-if="hindrance === 'session'">{{ say('kept.session') }}</span>
      </p>
      <VBtn color="primary" size="large" :loading="busy" @click="send(deliverNow)">{{ say('kept.now') }}</VBtn>
      <ul class="ruled">
        <li v-for="it in waiting" :key="it.order" class="stack close">
          <p>
            <b>{{ nameOf(it) }}</b> <span class="quiet small">{{ say('kept.at', { at: say.time(it.at, ZONE) }) }}</span>
          </p>
          <p v-if="it.refused === null" class="quiet small">{{ say('kept.waits') }}</p>
          <template v-else>
            <p class="tell small">{{ it.refused }}</p>
            <p class="row close">
              <VBtn v-if="isOfJob(it)" variant="outlined" :to="`/jobs/${it.subject}`">{{ say('kept.open') }}</VBtn>
              <VBtn v-else variant="outlined" @click="send(() => tryAgain(it))">{{ say('kept.again') }}</VBtn>
              <VBtn v-if="sure !== it.order" variant="text" @click="sure = it.order">{{ say('kept.discard') }}</VBtn>
              <VBtn v-else variant="text" color="error" @click="discard(it.order)">{{ say('kept.discard.sure') }}</VBtn>
            </p>
          </template>
        </li>
      </ul>
    </template>
  </PageFrame>
</template>
