<script setup lang="ts">
/** Work in many homes at once: which, of what, to whom; given by the dozen, with a way back. */
import { computed, onMounted, reactive, ref, watch } from 'vue';
import { MOST_HOMES, type ManyGiven } from '../../contract/jobs/lists.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import CheckList from '../kit/CheckList.vue';
import ChoiceList from '../kit/ChoiceList.vue';
import Notice from '../kit/Notice.vue';
import ProgressBar from '../kit/ProgressBar.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ homes: readonly { readonly id: string; readonly name: string }[] }>();
const emit = defineEmits<{ given: []; close: [] }>();
const TENANTS = 'tenants';
const SHOWN = 12;
const entry = reactive({ which: 'past' as 'past' | 'near', who: TENANTS });
const chosen = ref<string[]>([]);
watch(
  () => props.homes,
  (homes) => {
    chosen.value = homes.map(({ id }) => id);
  },
  { immediate: true },
);
/** Who of the office may be given work, as the first of the homes knows them. */
const office = useLoading(() => api('list.read', { id: props.homes[0]!.id }));
const people = computed(() => office.value.value?.assignees.filter(({ role }) => role !== 'tenant') ?? []);

const { busy, failure, run } = useSending();
const done = ref(0);
const given = ref<ManyGiven | null>(null);
const back = ref<{ taken: number; kept: number } | null>(null);
let stopped = false;
const EMPTY: ManyGiven = { lists: [], jobs: 0, homes: 0, left: [] };

const partsOf = <T,>(all: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / MOST_HOMES) }, (_, i) => all.slice(i * MOST_HOMES, (i + 1) * MOST_HOMES));
async function give(): Promise<void> {
  Object.assign(given, { value: EMPTY });
  back.value = null;
  done.value = 0;
  stopped = false;
  await run(async () => {
    for (const placeIds of partsOf(chosen.value)) {
      if (stopped) return;
      const form = { placeIds, which: entry.which, assigneeId: entry.who === TENANTS ? null : entry.who };
      const part = await api('lists.giveMany', { form, once: newId() });
      const before = given.value!;
      given.value = {
        lists: [...before.lists, ...part.lists],
        jobs: before.jobs + part.jobs,
        homes: before.homes + part.homes,
        left: [...before.left, ...part.left],
      };
      done.value += placeIds.length;
    }
  });
  emit('given');
}
async function takeBack(): Promise<void> {
  const sums = { taken: 0, kept: 0 };
  const gone = await run(async () => {
    for (const ids of partsOf(given.value!.lists)) {
      const part = await api('lists.takeBack', { form: { ids } });
      sums.taken += part.taken;
      sums.kept += part.kept;
    }
  });
  if (gone) {
    back.value = sums;
    given.value = null;
  }
  emit('given');
}
onMounted(office.reload);
</script>

<template>
  <form class="panel card stack close no-print" @submit.prevent="give" @keydown.esc.stop="emit('close')">
    <div class="row apart">
      <h2>{{ say('giveMany.title', { count: chosen.length }) }}</h2>
      <button type="button" class="plain link" @click="emit('close')">{{ say(given ? 'close' : 'cancel') }}</button>
    </div>
    <template v-if="!given">
      <div class="columns">
        <ChoiceList
          v-model="entry.which"
          look="options"
          :legend="say('giveMany.which')"
          :choices="(['past', 'near'] as const).map((value) => ({ value, says: say(`giveMany.which.${value}`) }))"
        />
        <ChoiceList
          v-model="entry.who"
          look="options"
          :legend="say('point.who')"
          :choices="[
            { value: TENANTS, says: say('giveMany.tenants'), note: say('giveMany.tenants.note') },
            ...people.map(({ id: value, name: says, role }) => ({ value, says, note: say(`point.role.${role}`) })),
          ]"
        />
      </div>
      <details>
        <summary>{{ say('giveMany.homes', { count: chosen.length, of: homes.length }) }}</summary>
        <CheckList
          v-model="chosen"
          look="chips"
          :legend="say('giveMany.homes.legend')"
          :choices="homes.map(({ id: value, name: says }) => ({ value, says }))"
        />
      </details>
    </template>
    <Notice :says="failure" />
    <Notice v-if="back" done :says="say('giveMany.back', { ...back })" />
    <ProgressBar
      v-if="busy && !back"
      :done="done"
      :of="Math.max(1, chosen.length)"
      :label="say('giveMany.going', { done, of: chosen.length })"
      :stop="say('giveMany.stop')"
      @stop="stopped = true"
    />
    <template v-else-if="given">
      <Notice done
        >{{ say('giveMany.given', { jobs: given.jobs, homes: given.homes }) }}
        <button v-if="given.jobs" type="button" class="plain link" @click="takeBack">{{ say('undo') }}</button></Notice
      >
      <template v-if="given.left.length">
        <p>{{ say('giveMany.left', { count: given.left.length }) }}</p>
        <ul class="ruled small">
          <li v-for="(it, i) in given.left.slice(0, SHOWN)" :key="i">
            <RouterLink :to="`/homes/${it.placeId}`">{{ it.place }}</RouterLink> · {{ it.machine }}:
            <span class="quiet">{{ it.says }}</span>
          </li>
        </ul>
        <p v-if="given.left.length > SHOWN" class="quiet small">
          {{ say('more', { count: given.left.length - SHOWN }) }}
        </p>
      </template>
    </template>
    <p v-else>
      <VBtn type="submit" color="primary" :disabled="chosen.length === 0">{{ say('giveMany.give') }}</VBtn>
    </p>
  </form>
</template>
