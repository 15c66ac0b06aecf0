<script setup lang="ts">
/** The proof queue: what was sent, what the checks say, one key a verdict. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useBoard } from '../due/boardStore.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import { useKeys } from '../kit/keys.ts';
import { usePageTitle } from '../kit/pageTitle.ts';
import ProofSheet from './ProofSheet.vue';
import ProofVerdict from './ProofVerdict.vue';
import Notice from '../kit/Notice.vue';
import UndoBar from '../kit/UndoBar.vue';
import EmptyState from '../kit/EmptyState.vue';

const route = useRoute();
const router = useRouter();
const board = useBoard();
const queue = useLoading(() => api('proof.queue'));
const id = computed(() => (route.params.id ? String(route.params.id) : null));
const proof = useLoading(() => api('proof.read', { id: id.value! }));
const done = ref('');
/** The proof whose verdict was just given, as long as it can be taken back. */
const undo = ref<string | null>(null);
const undoing = useSending();
const heading = ref<HTMLElement>();
usePageTitle(() => say('proof.title'), heading);
const verdict = ref<InstanceType<typeof ProofVerdict>>();
const waiting = computed(() => queue.value.value?.waiting ?? []);

async function open(first: string | undefined): Promise<void> {
  await router.replace(first ? `/proof/${first}` : '/proof');
}
function skip(): void {
  const at = waiting.value.findIndex((it) => it.id === id.value);
  void open(waiting.value[(at + 1) % Math.max(1, waiting.value.length)]?.id);
}
async function judged(said: string, undoable: string | null): Promise<void> {
  done.value = said;
  undo.value = undoable;
  const at = waiting.value.findIndex((it) => it.id === id.value);
  const next = waiting.value[at + 1] ?? waiting.value[at - 1];
  await Promise.all([queue.reload(), board.load()]);
  await open(next?.id);
}
async function takeBack(): Promise<void> {
  const last = undo.value!;
  await undoing.run(async () => {
    await api('proof.undo', { id: last });
    undo.value = null;
    await Promise.all([queue.reload(), board.load()]);
    if (id.value !== last) await open(last);
    await proof.reload();
    // Told once it is there to be judged again: whoever reads it may press the next key.
    done.value = say('proof.undone');
  });
}
watch(id, (now) => {
  if (now) void proof.reload();
});
useKeys({
  ArrowRight: () => proof.value.value !== null && skip(),
  u: () => undo.value !== null && takeBack(),
  a: () => verdict.value?.key('a'),
  s: () => verdict.value?.key('s'),
  r: () => verdict.value?.key('r'),
});
onMounted(async () => {
  await queue.reload();
  if (id.value) await proof.reload();
  else await open(waiting.value[0]?.id);
});
</script>

<template>
  <div class="panes">
    <section class="queue" :aria-label="say('proof.title')">
      <h1 ref="heading" tabindex="-1">{{ say('proof.title') }}</h1>
      <p class="quiet small">{{ say('proof.waiting', { count: waiting.length }) }}</p>
      <Notice class="small" :says="queue.failure.value" />
      <ol>
        <li v-for="it in waiting" :key="it.id">
          <RouterLink
            :to="`/proof/${it.id}`"
            :aria-current="it.id === id ? 'true' : undefined"
            :class="{ here: it.id === id }"
          >
            <b>{{ it.title }}</b><span class="quiet small">{{ it.place }} · {{ it.by }}</span>
            <span v-if="it.worst" class="small" :class="{ alarm: it.weight === 'fail' }">{{ it.worst }}</span>
          </RouterLink>
        </li>
      </ol>
    </section>
    <section class="sheet pane">
      <UndoBar
        class="small"
        :says="done"
        :undoable="undo !== null"
        :label="say('proof.undo')"
        hotkey="u"
        @undo="takeBack"
      />
      <Notice class="small" :says="undoing.failure.value" />
      <Notice v-if="proof.failure.value && id" :says="proof.failure.value" />
      <template v-if="id && proof.value.value?.id === id">
        <ProofSheet :proof="proof.value.value" />
        <ProofVerdict
          v-if="proof.value.value.state === 'waiting'"
          ref="verdict"
          :key="id"
          :proof="proof.value.value"
          @judged="judged"
          @skip="skip"
        />
        <p v-else class="quiet">{{ proof.value.value.judged ?? say('proof.judged') }}</p>
      </template>
      <EmptyState v-else-if="!id && queue.value.value" :title="say('proof.none')" :why="say('proof.none.why')" />
      <p v-else-if="!proof.failure.value" class="quiet">{{ say('loading') }}</p>
    </section>
  </div>
</template>

<style scoped>
.queue {
  width: 226px;
  flex: none;
  border-right: 1px solid var(--hair);
  padding: 18px 0;
  overflow-y: auto;
}
.queue > :not(ol) {
  margin: 0 16px;
}
.queue ol {
  margin-top: 10px;
}
.queue a {
  display: grid;
  padding: 9px 16px;
  border-top: 1px solid var(--hair);
  color: var(--ink);
  text-decoration: none;
}
.queue a.here {
  background: var(--pick);
  box-shadow: inset 4px 0 var(--dew);
}
.sheet {
  padding: 18px 22px 0;
  overflow-y: auto;
  gap: 10px;
}
</style>
