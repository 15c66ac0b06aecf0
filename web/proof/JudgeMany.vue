<script setup lang="ts">
/** Proofs side by side, their photos and what the checks say: one verdict on those that are chosen. */
import { computed, reactive, ref, watch } from 'vue';
import { judgeMany, MOST_JUDGED, type ProofAnswer, type ProofSummary } from '../../contract/proof/proof.ts';
import { api, newId, photoUrl } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useInParts } from '../api/inParts.ts';
import LeftList from '../kit/LeftList.vue';
import Notice from '../kit/Notice.vue';
import PartsProgress from '../kit/PartsProgress.vue';
import { say } from '../language/say.ts';
import ReasonForm from './ReasonForm.vue';

const props = defineProps<{ proofs: readonly ProofSummary[] }>();
const emit = defineEmits<{ judged: []; open: [] }>();

/** As many as one verdict takes. */
const shown = computed(() => props.proofs.slice(0, MOST_JUDGED));
const read = reactive(new Map<string, ProofAnswer>());
const chosen = ref<string[]>([]);
const reading = useInParts();
async function look(): Promise<void> {
  chosen.value = chosen.value.filter((id) => shown.value.some((it) => it.id === id));
  const wanted = shown.value.filter(({ id }) => !read.has(id));
  await reading.each(wanted, 4, async (part) => {
    for (const proof of await Promise.all(part.map(({ id }) => api('proof.read', { id })))) read.set(proof.id, proof);
  });
}
watch(() => shown.value.map(({ id }) => id).join(), look, { immediate: true });

/** What contradicts itself is judged by itself, with its own reason. */
const able = (it: ProofSummary) => it.weight !== 'fail' && read.has(it.id) && !read.get(it.id)!.own;
const clean = computed(() => shown.value.filter((it) => able(it) && it.weight === 'fine'));

const sendingBack = ref(false);
const reason = ref('');
const { errors, problem, busy, submit } = useForm(judgeMany);
const undoing = useInParts();
const told = ref('');
const undoable = ref<readonly string[]>([]);
const left = ref<readonly { readonly to: string; readonly what: string; readonly says: string }[]>([]);

async function judge(verdict: 'accept' | 'sendBack'): Promise<void> {
  const names = new Map(shown.value.map((it) => [it.id, `${it.title}, ${it.place}`]));
  const form = { ids: chosen.value, verdict, reason: verdict === 'sendBack' ? reason.value : '' };
  const went = await submit(form, async (it) => {
    const answer = await api('proof.judgeMany', { form: it, once: newId() });
    undoable.value = answer.done;
    told.value = say(`proof.many.${verdict}`, { count: answer.done.length });
    left.value = answer.left.map(({ id, says }) => ({ to: `/proof/${id}`, what: names.get(id) ?? '', says }));
  });
  if (!went) return;
  chosen.value = [];
  sendingBack.value = false;
  reason.value = '';
  emit('judged');
}
async function takeBack(): Promise<void> {
  let count = 0;
  const went = await undoing.each(undoable.value, 1, async ([id]) => {
    await api('proof.undo', { id: id! });
    read.delete(id!);
    count += 1;
  });
  told.value = say('proof.many.undone', { count });
  if (went) undoable.value = [];
  left.value = [];
  emit('judged');
}
</script>

<template>
  <div class="stack close">
    <h2>{{ say('proof.many.title', { count: shown.length, of: proofs.length }) }}</h2>
    <Notice v-if="told" done
      >{{ told }}{{ ' ' }}
      <button v-if="undoable.length" type="button" class="plain link" @click="takeBack">
        {{ say('undo') }}
      </button></Notice
    >
    <LeftList :says="say('proof.many.left', { count: left.length })" :left="left" />
    <Notice :says="undoing.failure.value || reading.failure.value || problem" />
    <PartsProgress :of="reading" />
    <PartsProgress :of="undoing" />
    <ul class="columns tiles close">
      <li v-for="it in shown" :key="it.id" class="panel card stack tight small">
        <label class="row close"
          ><input v-model="chosen" type="checkbox" :value="it.id" :disabled="!able(it)" /><span
            ><b>{{ it.title }}</b
            ><br />{{ it.place }}, {{ it.property }} · {{ it.by }}</span
          ></label
        >
        <p v-if="read.has(it.id)" class="row close thumbs">
          <img
            v-for="photo in read.get(it.id)!.photos.filter(({ kept }) => kept)"
            :key="photo.id"
            :src="photoUrl(photo.id)"
            :alt="`${photo.label}: ${it.title}, ${it.place}`"
            loading="lazy"
          />
        </p>
        <p v-if="read.get(it.id)?.photos.length === 0" class="quiet">{{ say('proof.many.noPhotos') }}</p>
        <p v-if="read.get(it.id)?.gradeSays">{{ read.get(it.id)!.gradeSays }}</p>
        <p v-if="it.worst" :class="{ alarm: it.weight === 'fail' }">{{ it.worst }}</p>
        <p v-if="it.weight === 'fail'" class="quiet">{{ say('proof.many.alone') }}</p>
        <p v-else-if="read.get(it.id)?.own" class="quiet">{{ say('proof.many.own') }}</p>
        <p>
          <RouterLink :to="`/proof/${it.id}`" @click="emit('open')"
            >{{ say('proof.many.open') }}<span class="unseen"> {{ it.title }}, {{ it.place }}</span></RouterLink
          >
        </p>
      </li>
    </ul>
    <div class="foot stack close">
      <ReasonForm
        v-if="sendingBack"
        v-model="reason"
        :label="say('proof.reason')"
        :error="errors.reason"
        :action="say('proof.many.sendBackNow', { count: chosen.length })"
        :busy="busy"
        @send="judge('sendBack')"
      />
      <div class="row close middle">
        <VBtn
          color="primary"
          :disabled="chosen.length === 0"
          :loading="busy && !sendingBack"
          @click="judge('accept')"
          >{{ say('proof.many.acceptNow', { count: chosen.length }) }}</VBtn
        >
        <VBtn variant="outlined" :disabled="chosen.length === 0" @click="sendingBack = !sendingBack">{{
          say('proof.sendBack')
        }}</VBtn>
        <button v-if="clean.length" type="button" class="plain link" @click="chosen = clean.map(({ id }) => id)">
          {{ say('proof.many.chooseClean', { count: clean.length }) }}
        </button>
        <button v-if="chosen.length" type="button" class="plain link" @click="chosen = []">
          {{ say('proof.many.none') }}
        </button>
      </div>
    </div>
  </div>
</template>
