<script setup lang="ts">
/** The proof queue: what was sent, what the checks say, one key a verdict. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRoute, useRouter } from 'vue-router';
import { useBoard } from '../due/boardStore.ts';
import type { ProofAnswer } from '../../contract/proof/proof.ts';
import { api, photoUrl } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import { flagChoice, keepInAddress, oneChoice, textChoice } from '../kit/inAddress.ts';
import { useKeys } from '../kit/keys.ts';
import { usePageTitle } from '../kit/pageTitle.ts';
import JudgeMany from './JudgeMany.vue';
import LookRule from './LookRule.vue';
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
const proof = useLoading(() => (ahead?.id === id.value ? ahead.answer : api('proof.read', { id: id.value! })));
const done = ref('');
/** The proof whose verdict was just given, as long as it can be taken back. */
const undo = ref<string | null>(null);
const undoing = useSending();
const heading = ref<HTMLElement>();
usePageTitle(() => say('proof.title'), heading);
const verdict = ref<InstanceType<typeof ProofVerdict>>();
const rules = ref(false);
/** What of the queue is shown: what waits or what was accepted by rule, of one person or machine, in which order. */
const list = ref<'waiting' | 'byRule'>('waiting');
const only = ref<string | null>(null);
const order = ref<'oldest' | 'worst'>('oldest');
const WORST = ['fail', 'look', 'fine'];
const waiting = computed(() => {
  const all = queue.value.value?.[list.value] ?? [];
  const kept = only.value === null ? [...all] : all.filter((it) => [it.by, it.machineId].includes(only.value!));
  return order.value === 'oldest'
    ? kept
    : kept.sort((a, b) => WORST.indexOf(a.weight) - WORST.indexOf(b.weight) || a.sentAt - b.sentAt);
});
/** Several side by side, for one verdict on what is chosen of them. */
const sheet = ref(false);
keepInAddress({
  list: oneChoice(list, ['waiting', 'byRule']),
  only: textChoice(only, null),
  order: oneChoice(order, ['oldest', 'worst']),
  sheet: flagChoice(sheet),
});
const choices = computed(() => {
  const all = queue.value.value?.[list.value] ?? [];
  const people = [...new Set(all.map(({ by }) => by))].sort();
  const machines = new Map(all.map((it) => [it.machineId, `${it.machine}, ${it.place}`]));
  return [
    { value: null, title: say('proof.all') },
    ...people.map((value) => ({ value, title: say('proof.of', { name: value }) })),
    ...[...machines].map(([value, title]) => ({ value, title })),
  ];
});
/** Accepted by rule longer ago than what is listed. */
const byRuleHidden = computed(() => (queue.value.value?.byRuleCount ?? 0) - (queue.value.value?.byRule.length ?? 0));
/** The next proof is read before it is asked for, so that a verdict shows it at once. */
let ahead: { readonly id: string; readonly answer: Promise<ProofAnswer> } | null = null;
function readAhead(): void {
  const at = waiting.value.findIndex((it) => it.id === id.value);
  const next = waiting.value[at + 1];
  if (!next || ahead?.id === next.id) return;
  const answer = api('proof.read', { id: next.id });
  ahead = { id: next.id, answer };
  answer.then(
    ({ photos }) => photos.forEach((photo) => (new Image().src = photoUrl(photo.id))),
    () => (ahead = null),
  );
}
async function showOther(what: 'waiting' | 'byRule'): Promise<void> {
  list.value = what;
  only.value = null;
  await open(waiting.value[0]?.id);
}
/** After several verdicts: what waits is read again, and what is shown goes on to it. */
async function recount(): Promise<void> {
  undo.value = null;
  done.value = '';
  ahead = null;
  await Promise.all([queue.reload(), board.load()]);
  if (!waiting.value.some((it) => it.id === id.value)) await open(waiting.value[0]?.id);
}
async function lookAfterAll(): Promise<void> {
  const looked = id.value!;
  await undoing.run(async () => {
    await api('proof.undo', { id: looked });
    list.value = 'waiting';
    await Promise.all([queue.reload(), board.load()]);
    await proof.reload();
    done.value = say('proof.looked');
  });
}

async function open(first: string | undefined): Promise<void> {
  await router.replace({ path: first ? `/proof/${first}` : '/proof', query: route.query });
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
  // The next one first; what is counted follows.
  await open(next?.id);
  await Promise.all([queue.reload(), board.load()]);
}
async function takeBack(): Promise<void> {
  const last = undo.value!;
  await undoing.run(async () => {
    await api('proof.undo', { id: last });
    undo.value = null;
    ahead = null;
    await Promise.all([queue.reload(), board.load()]);
    if (id.value !== last) await open(last);
    await proof.reload();
    // Told once it is there to be judged again: whoever reads it may press the next key.
    done.value = say('proof.undone');
  });
}
watch(id, (now) => {
  if (now) void proof.reload().then(readAhead);
});
useKeys({
  ArrowRight: () => !sheet.value && proof.value.value !== null && skip(),
  u: () => undo.value !== null && takeBack(),
  a: () => verdict.value?.key('a'),
  s: () => verdict.value?.key('s'),
  r: () => verdict.value?.key('r'),
});
onMounted(async () => {
  await queue.reload();
  if (!id.value) return open(waiting.value[0]?.id);
  await proof.reload();
  readAhead();
});
</script>

<template>
  <div class="panes">
    <section class="queue no-print" :aria-label="say('proof.title')">
      <h1 ref="heading" tabindex="-1">{{ say('proof.title') }}</h1>
      <p class="quiet small">{{ say('proof.waiting', { count: queue.value.value?.waiting.length ?? 0 }) }}</p>
      <p class="row small no-print">
        <button
          v-if="queue.value.value?.byRule.length || list === 'byRule'"
          type="button"
          class="plain link"
          @click="showOther(list === 'waiting' ? 'byRule' : 'waiting')"
        >
          {{
            list === 'waiting' ? say('proof.byRule', { count: queue.value.value?.byRuleCount ?? 0 }) : say('proof.back')
          }}
        </button>
        <button type="button" class="plain link" :aria-expanded="rules" @click="rules = !rules">
          {{ say('look.title') }}
        </button>
      </p>
      <VSelect
        v-if="(queue.value.value?.[list].length ?? 0) > 3"
        v-model="only"
        class="only"
        density="compact"
        hide-details
        :items="choices"
        :label="say('proof.only')"
      />
      <p v-if="waiting.length > 3 || order === 'worst'" class="small">
        <button type="button" class="plain link" @click="order = order === 'oldest' ? 'worst' : 'oldest'">
          {{ say(order === 'oldest' ? 'proof.worstFirst' : 'proof.oldestFirst') }}
        </button>
      </p>
      <p v-if="list === 'waiting' && (waiting.length > 1 || sheet)" class="small">
        <button type="button" class="plain link" :aria-expanded="sheet" @click="sheet = !sheet">
          {{ say(sheet ? 'proof.oneByOne' : 'proof.sideBySide') }}
        </button>
      </p>
      <Notice class="small" :says="queue.failure.value" />
      <p v-if="list === 'byRule' && byRuleHidden > 0" class="quiet small">
        {{ say('proof.byRule.older', { count: byRuleHidden }) }}
      </p>
      <ol>
        <li v-for="it in waiting" :key="it.id">
          <RouterLink
            :to="{ path: `/proof/${it.id}`, query: route.query }"
            :aria-current="it.id === id ? 'true' : undefined"
            :class="{ here: it.id === id }"
            @click="sheet = false"
          >
            <b>{{ it.title }}</b><span class="quiet small">{{ it.place }}, {{ it.property }} · {{ it.by }}</span>
            <span v-if="it.worst" class="small" :class="{ alarm: it.weight === 'fail' }">{{ it.worst }}</span>
          </RouterLink>
        </li>
      </ol>
    </section>
    <section class="sheet pane">
      <LookRule v-if="rules && queue.value.value" :rule="queue.value.value.rule" @saved="queue.reload" />
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
      <JudgeMany v-if="sheet && list === 'waiting'" :proofs="waiting" @judged="recount" @open="sheet = false" />
      <template v-else-if="id && proof.value.value?.id === id">
        <ProofSheet :proof="proof.value.value" />
        <ProofVerdict
          v-if="proof.value.value.state === 'waiting'"
          ref="verdict"
          :key="id"
          :proof="proof.value.value"
          @judged="judged"
          @skip="skip"
        />
        <p v-else class="quiet">
          {{ proof.value.value.judged ?? say('proof.judged') }}
          <button v-if="list === 'byRule'" type="button" class="plain link" @click="lookAfterAll">
            {{ say('proof.lookAfterAll') }}
          </button>
        </p>
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
.queue > .only {
  margin-top: 8px;
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
