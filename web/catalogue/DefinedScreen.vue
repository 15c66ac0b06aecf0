<script setup lang="ts">
/** Machines that the office has defined itself: to change, to share as a file, to take in from one. */
import { onMounted } from 'vue';
import { useRouter } from 'vue-router';
import { fileNameOf, type DefinitionFile, type TakeDefined } from '../../contract/catalogue/defined.ts';
import type { MachineDefinition } from '../../core/catalogue/definition.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import FileButton from '../kit/FileButton.vue';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';

const all = useLoading(() => api('defined.list'));
const { failure, run, busy } = useSending();
const router = useRouter();

async function take(from: Omit<TakeDefined, 'id'>): Promise<void> {
  const id = newId();
  if (await run(async () => void (await api('defined.take', { form: { id, ...from } })))) await all.reload();
}
/** A file that is none of ours is told so by the server. */
async function takeFile(file: File): Promise<void> {
  let read: DefinitionFile | null = null;
  try {
    read = JSON.parse(await file.text()) as DefinitionFile;
  } catch {
    failure.value = say('defined.noFile');
  }
  if (read) await take({ file: read, ready: null });
}
async function remove(id: string): Promise<void> {
  if (await run(async () => void (await api('defined.remove', { id })))) await all.reload();
}
const partsOf = ({ parts }: MachineDefinition) => say.list(parts.map(({ name }) => name));
onMounted(all.reload);
</script>

<template>
  <PageFrame :title="say('defined.title')" :of="all" width="text">
    <template #above
      ><RouterLink to="/procedures">{{ say('procedures.title') }}</RouterLink></template
    >
    <template #lead
      ><p class="quiet">{{ say('defined.lead') }}</p></template
    >
    <p class="row">
      <VBtn color="primary" @click="router.push('/procedures/machines/new')">{{ say('defined.new') }}</VBtn>
      <FileButton quiet accept=".json,application/json" @picked="takeFile">{{ say('defined.takeFile') }}</FileButton>
    </p>
    <Notice :says="failure" />
    <template v-if="all.value.value">
      <ul v-if="all.value.value.machines.length" class="ruled">
        <li v-for="it in all.value.value.machines" :key="it.id" class="stack tight">
          <p class="row apart">
            <RouterLink :to="`/procedures/machines/${it.id}`" class="strong">{{ it.content.name }}</RouterLink>
            <span class="row small">
              <a :href="`/api/machine-definitions/${it.id}/file`" :download="fileNameOf(it.content)">{{
                say('defined.file')
              }}</a>
              <button v-if="it.machines === 0" type="button" class="plain link" :disabled="busy" @click="remove(it.id)">
                {{ say('defined.remove') }}
              </button>
            </span>
          </p>
          <p class="quiet small">{{ partsOf(it.content) }}</p>
          <p class="quiet small">{{ say('defined.stands', { machines: it.machines }) }} · {{ it.content.source }}</p>
        </li>
      </ul>
      <p v-else class="quiet">{{ say('defined.none') }}</p>
      <section v-if="all.value.value.ready.length" class="stack close">
        <h2>{{ say('defined.ready') }}</h2>
        <p class="quiet small">{{ say('defined.ready.why') }}</p>
        <ul class="ruled">
          <li v-for="it in all.value.value.ready" :key="it.key" class="stack tight">
            <p class="row apart">
              <b>{{ it.content.name }}</b>
              <button
                type="button"
                class="plain link small"
                :disabled="busy"
                :aria-label="say('defined.take.named', { name: it.content.name })"
                @click="take({ file: null, ready: it.key })"
              >
                {{ say('defined.take') }}
              </button>
            </p>
            <p class="quiet small">{{ partsOf(it.content) }}</p>
            <p class="quiet small">{{ it.content.source }}</p>
          </li>
        </ul>
      </section>
    </template>
  </PageFrame>
</template>
