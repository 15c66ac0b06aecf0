<script setup lang="ts">
/** Importing a table: its columns, its rows looked through beside the page, and then all of it or nothing. */
import { computed, onBeforeUnmount, onMounted, ref, shallowRef } from 'vue';
import type { ImportAnswer, KnownAnswer } from '../../contract/register/bulk.ts';
import { MAX_IMPORT_MB } from '../../contract/form/limits.ts';
import { WANTED, type Column } from '../../core/register/columns.ts';
import { plainName } from '../../core/register/known.ts';
import { decoded } from '../../core/register/decode.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { hearing } from '../api/progress.ts';
import { useSending } from '../api/sending.ts';
import { say, spoken } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import { asTable } from './spreadsheet.ts';
import type { Ask, TableHeads, TableMessage, TableResult } from './tableWorker.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import ImportColumns from './ImportColumns.vue';
import ImportLook from './ImportLook.vue';
import UnknownMachines from './UnknownMachines.vue';
import WrongRows from './WrongRows.vue';
import EarlierImports from './EarlierImports.vue';
import FileButton from '../kit/FileButton.vue';
import ProgressBar from '../kit/ProgressBar.vue';

const file = shallowRef<File | null>(null);
const heads = shallowRef<TableHeads | null>(null);
const columns = ref<(Column | null)[]>([]);
const progress = shallowRef<{ share: number; rows: number } | null>(null);
const done = shallowRef<TableResult | null>(null);
const imported = shallowRef<ImportAnswer | null>(null);
const trouble = ref('');
const earlier = useLoading(() => api('imports.list'));
/** An import was just taken back. */
const undone = ref(false);
/** What the file's machines are, where no machine goes by their name; null: not taken. */
const named = ref<Record<string, { name: string; type: string | null }>>({});
/** Rows that are left out. */
const without = ref<number[]>([]);
/** Where the file names nobody, nobody lives there any more. */
const emptyIsVacant = ref(false);
/** How far the server is with it, 0 to 1. */
const share = ref<number | undefined>();
const { busy, failure, run } = useSending();
let worker: Worker | null = null;
let key = newId();

const missing = computed(() => WANTED.filter((column) => !columns.value.includes(column)));

function ask(question: Ask): void {
  worker?.terminate();
  worker = new Worker(new URL('./tableWorker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<TableMessage>) => {
    if (data.told === 'progress') progress.value = data;
    else if (data.told === 'heads') {
      heads.value = data;
      columns.value = [...data.columns];
      if (data.heads.every((head) => head === '')) trouble.value = say('import.empty');
      else if (missing.value.length === 0) void look();
    } else {
      progress.value = null;
      done.value = data;
    }
  };
  worker.onerror = () => {
    progress.value = null;
    trouble.value = say('import.empty');
  };
  worker.postMessage({ ...question, language: spoken.value });
}
async function pick(chosen: File): Promise<void> {
  const picked = await asTable(chosen).catch(() => new File([], chosen.name));
  Object.assign(imported, { value: null });
  heads.value = null;
  done.value = null;
  const empty = picked.size === 0 ? say('import.empty') : '';
  trouble.value = picked.size > MAX_IMPORT_MB * 1024 * 1024 ? say('import.big', { mb: MAX_IMPORT_MB }) : empty;
  file.value = picked;
  named.value = {};
  without.value = [];
  emptyIsVacant.value = false;
  key = newId();
  if (!trouble.value) ask({ ask: 'heads', file: picked });
}
let known: KnownAnswer | null = null;
/** An install without a property takes the zone of whoever fills it. */
const zoneOf = ({ zone }: KnownAnswer) => (zone === 'UTC' ? deviceZone() : zone);
async function look(): Promise<void> {
  done.value = null;
  progress.value = { share: 0, rows: 0 };
  await run(async () => {
    known = await api('register.known');
  });
  if (!known) {
    progress.value = null;
    return;
  }
  ask({
    ask: 'rows',
    file: file.value!,
    columns: [...columns.value],
    encoding: heads.value!.encoding,
    known: { ...known, zone: zoneOf(known) },
    named: Object.fromEntries(Object.entries(named.value).map(([plain, { type }]) => [plain, type])),
    without: [...without.value],
    emptyIsVacant: emptyIsVacant.value,
  });
}
async function name(called: string, type: string | null): Promise<void> {
  named.value[plainName(called)] = { name: called, type };
  change();
  await look();
}
async function leaveOut(rows: readonly number[]): Promise<void> {
  without.value.push(...rows);
  change();
  await look();
}
function stop(): void {
  worker?.terminate();
  progress.value = null;
  trouble.value = say('import.stopped');
}
let sending: AbortController | null = null;
async function send(): Promise<void> {
  undone.value = false;
  sending = new AbortController();
  const stop = sending.signal;
  share.value = undefined;
  await run(async () => {
    const { text } = decoded(new Uint8Array(await file.value!.arrayBuffer()));
    const form = {
      csv: text,
      columns: columns.value,
      zone: zoneOf(known!),
      named: Object.values(named.value),
      without: without.value,
      emptyIsVacant: emptyIsVacant.value,
    };
    imported.value = await hearing(
      'import',
      (done) => (share.value = done),
      () => api('register.import', { form, once: key, stop }),
    );
  });
  if (stop.aborted) {
    failure.value = '';
    trouble.value = say('import.stopped');
    done.value = null;
    key = newId();
  }
  await earlier.reload();
}
async function takeBack(id: string): Promise<void> {
  const gone = await run(async () => void (await api('import.undo', { id })));
  await earlier.reload();
  if (!gone) return;
  undone.value = true;
  imported.value = null;
  done.value = null;
  key = newId();
}
function change(): void {
  done.value = null;
  key = newId();
}
onMounted(earlier.reload);
onBeforeUnmount(() => worker?.terminate());
</script>

<template>
  <PageFrame :title="say('import.title')">
    <template #above
      ><RouterLink to="/homes">{{ say('nav.homes') }}</RouterLink></template
    >
    <div v-if="imported" class="told" role="status">
      <p class="strong">{{ say('import.done', { ...imported }) }}</p>
      <p class="row">
        <RouterLink to="/homes">{{ say('import.homes') }}</RouterLink><RouterLink to="/homes/baseline">{{
          say('import.baseline')
        }}</RouterLink>
        <button type="button" class="plain link" :disabled="busy" @click="takeBack(imported.id)">
          {{ say('import.undo') }}
        </button>
      </p>
    </div>
    <Notice v-if="imported" :says="failure" />
    <Notice v-if="undone" done :says="say('import.undone')" />
    <template v-if="!imported">
      <p class="quiet lead">
        {{ say('import.lead') }} <a href="/api/register/table" download>{{ say('import.example') }}</a>
      </p>
      <p>
        <FileButton again accept=".csv,.txt,.tsv,text/csv,text/plain,.xlsx" @picked="pick">{{
          say(file ? 'import.again' : 'import.pick')
        }}</FileButton>
      </p>
      <p v-if="file" class="small quiet">{{ file.name }}</p>
      <Notice :says="trouble || failure" />
      <p v-if="heads && heads.encoding !== 'utf-8'" class="caution small">
        {{ say(`import.encoding.${heads.encoding}`) }}
      </p>
      <ImportColumns v-if="heads && !trouble" v-model="columns" :heads="heads" @change="change" />
      <template v-if="heads && !trouble">
        <p v-if="missing.length" class="alarm" role="alert">
          {{ say('import.missing', { columns: missing.map((column) => say(`column.${column}`)).join(', ') }) }}
        </p>
        <p v-else-if="!done && !progress">
          <VBtn color="primary" @click="look">{{ say('import.read') }}</VBtn>
        </p>
      </template>
      <ProgressBar
        v-if="progress"
        :done="progress.share"
        :of="1"
        :label="`${say('import.reading')} ${progress.rows}`"
        :stop="say('import.cancel')"
        @stop="stop"
      />
      <p v-if="done && columns.includes('tenant') && done.running">
        <label
          ><input v-model="emptyIsVacant" type="checkbox" @change="(change(), look())" />
          {{ say('import.emptyIsVacant') }}</label
        >
      </p>
      <section class="stack close start" v-if="done" aria-live="polite">
        <p class="strong">
          {{
            say('import.counts', {
              rows: done.rows,
              properties: done.properties,
              units: done.units,
              machines: done.machines,
            })
          }}
          <span v-if="done.left" class="quiet">{{ say('import.left', { count: done.left }) }}</span>
        </p>
        <UnknownMachines :unknown="done.unknown" :types="done.types" @named="name" />
        <WrongRows v-if="done.wrong" :done="done" @without="leaveOut" />
        <template v-else-if="done.rows">
          <table v-if="done.units || !done.changes.length" class="table">
            <caption class="quiet small">
              {{
                say('import.sample', { shown: done.sample.length })
              }}
            </caption>
            <thead>
              <tr>
                <th scope="col">{{ say('column.unit') }}</th>
                <th scope="col">{{ say('column.tenant') }}</th>
                <th scope="col">{{ say('column.machine') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="it in done.sample" :key="it.property + it.unit">
                <th scope="row">
                  {{ it.unit }}<small class="block quiet">{{ it.property }}</small>
                </th>
                <td>{{ it.tenant || '–' }}</td>
                <td>{{ it.machines.join(' · ') || '–' }}</td>
              </tr>
            </tbody>
          </table>
          <ImportLook :changes="done.changes" :counts="done.counts" :running="done.running" />
          <p class="dew">{{ say(done.changes.length ? 'import.right.changes' : 'import.right') }}</p>
          <VBtn color="primary" :loading="busy" @click="send">{{ say('import.go') }}</VBtn>
          <ProgressBar
            v-if="busy"
            :of="1"
            :done="share"
            :label="say('import.going')"
            :stop="say('import.cancel')"
            @stop="sending?.abort()"
          />
        </template>
      </section>
    </template>
    <EarlierImports
      v-if="earlier.value.value"
      :imports="earlier.value.value.imports.filter(({ id }) => id !== imported?.id)"
      @undo="takeBack"
    />
  </PageFrame>
</template>
