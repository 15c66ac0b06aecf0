<script setup lang="ts">
/** Addresses by which a calendar is read elsewhere: made here, told once, revoked here. */
import { computed, onMounted, ref } from 'vue';
import type { FeedKind } from '../../contract/pages/feeds.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';

const props = defineProps<{ kind: FeedKind; propertyId?: string }>();
const { value: all, reload } = useLoading(() => api('feeds.list'));
const feeds = computed(
  () => all.value?.feeds.filter((it) => it.kind === props.kind && it.propertyId === (props.propertyId ?? null)) ?? [],
);
const { busy, failure, run } = useSending();
/** Told once. */
const made = ref('');
const copied = ref(false);
async function make(): Promise<void> {
  copied.value = false;
  await run(async () => {
    const form = { kind: props.kind, propertyId: props.propertyId ?? null };
    made.value = (await api('feed.create', { form, once: newId() })).address;
  });
  await reload();
}
async function revoke(id: string): Promise<void> {
  made.value = '';
  await run(async () => void (await api('feed.revoke', { id })));
  await reload();
}
async function copy(): Promise<void> {
  await navigator.clipboard.writeText(made.value);
  copied.value = true;
}
const at = (instant: number) => say.time(instant, deviceZone());
onMounted(reload);
</script>

<template>
  <div class="stack close">
    <p class="quiet small">{{ say('feed.why', { kind }) }}</p>
    <ul v-if="feeds.length" class="ruled tight small">
      <li v-for="it in feeds" :key="it.id" class="row apart">
        <span>{{ say('feed.made', { at: at(it.createdAt), read: it.readAt === null ? 'none' : at(it.readAt) }) }}</span>
        <button
          type="button"
          class="plain link"
          :aria-label="`${say('feed.revoke')}: ${at(it.createdAt)}`"
          @click="revoke(it.id)"
        >
          {{ say('feed.revoke') }}
        </button>
      </li>
    </ul>
    <template v-if="made">
      <div class="panel card stack tight small wide" role="status">
        <p>{{ say('feed.once') }}</p>
        <code>{{ made }}</code>
        <p v-if="copied">{{ say('feed.copied') }}</p>
      </div>
    </template>
    <Notice class="small" :says="failure" />
    <p class="row close no-print">
      <VBtn v-if="made" variant="outlined" min-height="44" @click="copy">{{ say('feed.copy') }}</VBtn>
      <VBtn variant="outlined" min-height="44" :loading="busy" @click="make">{{
        say(feeds.length ? 'feed.another' : 'feed.make')
      }}</VBtn>
    </p>
  </div>
</template>
