<script setup lang="ts">
/** One field for everything: typed words find, nothing typed shows where one was lately; arrows and Enter open. */
import { computed, nextTick, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { FoundKind } from '../../contract/pages/search.ts';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import { recentPlaces } from './recent.ts';

const PAUSE_MS = 120;
const shown = defineModel<boolean>({ required: true });
const props = defineProps<{ pages: readonly { readonly to: string; readonly name: string }[] }>();
const desk = useDesk();
const router = useRouter();
const words = ref('');
const at = ref(0);
const field = ref<HTMLInputElement>();
const finding = useLoading(() => api('search.find', { form: { words: words.value.trim() } }));

interface Line {
  readonly key: string;
  readonly kind: string;
  readonly name: string;
  readonly about: string;
  readonly path: string;
}
const pagesLike = computed(() => {
  const plain = words.value.trim().toLowerCase();
  return props.pages.filter(({ name }) => name.toLowerCase().includes(plain));
});
const lines = computed<Line[]>(() => {
  if (!words.value.trim())
    return recentPlaces(desk.me?.id ?? '').map(({ path, name }) => ({
      key: path,
      kind: say('search.recent'),
      name,
      about: '',
      path,
    }));
  const pages = pagesLike.value.map(({ to, name }) => ({
    key: to,
    kind: say('search.page'),
    name,
    about: '',
    path: to,
  }));
  const found = finding.value.value?.found ?? [];
  return [...pages, ...found.map((it, i) => ({ ...it, key: `${it.kind} ${i}`, kind: say(`search.${it.kind}`) }))];
});
const more = computed(() => say.list((finding.value.value?.more ?? []).map((it: FoundKind) => say(`search.${it}`))));

let waiting: ReturnType<typeof setTimeout> | undefined;
watch(words, () => {
  at.value = 0;
  clearTimeout(waiting);
  if (words.value.trim()) waiting = setTimeout(() => void finding.reload(), PAUSE_MS);
});
watch(shown, async (open) => {
  if (!open) return;
  words.value = '';
  at.value = 0;
  await nextTick();
  field.value?.focus();
});
function step(by: number): void {
  at.value = Math.max(0, Math.min(lines.value.length - 1, at.value + by));
  document.getElementById(`found-${at.value}`)?.scrollIntoView({ block: 'nearest' });
}
async function open(line: Line | undefined): Promise<void> {
  if (!line) return;
  shown.value = false;
  await router.push(line.path);
}
</script>

<template>
  <VDialog v-model="shown" max-width="620" :aria-label="say('search.title')">
    <div class="panel card stack close">
      <input
        ref="field"
        v-model="words"
        class="seek"
        type="search"
        role="combobox"
        aria-autocomplete="list"
        aria-expanded="true"
        aria-controls="found"
        :aria-activedescendant="lines.length ? `found-${at}` : undefined"
        :aria-label="say('search.title')"
        :placeholder="say('search.hint')"
        @keydown.down.prevent="step(1)"
        @keydown.up.prevent="step(-1)"
        @keydown.enter.prevent="open(lines[at])"
      />
      <ul id="found" role="listbox" class="ruled tight found" :aria-label="say('search.found')">
        <li
          v-for="(line, i) in lines"
          :id="`found-${i}`"
          :key="line.key"
          role="option"
          :aria-selected="i === at"
          @click="open(line)"
        >
          <b>{{ line.name }}</b> <span class="quiet small">{{ line.about }}</span>
          <span class="quiet small push">{{ line.kind }}</span>
        </li>
      </ul>
      <p
        v-if="words.trim() && !lines.length && !finding.loading.value && finding.value.value"
        class="quiet"
        role="status"
      >
        {{ say('search.none', { words: words.trim() }) }}
      </p>
      <p v-else-if="words.trim() && more" class="quiet small">{{ say('search.more', { kinds: more }) }}</p>
      <Notice :says="finding.failure.value" />
    </div>
  </VDialog>
</template>
