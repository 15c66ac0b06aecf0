<script setup lang="ts">
/** Importing a table: its columns, its rows looked through beside the page, and then all of it or nothing. */
import { computed, onBeforeUnmount, ref, shallowRef } from 'vue';
import type { ImportAnswer, KnownAnswer } from '../../contract/bulk.ts';
import { MAX_IMPORT_MB } from '../../contract/limits.ts';
import { COLUMNS, WANTED, type Column } from '../../core/register/columns.ts';
import { decoded } from '../../core/register/decode.ts';
import { api, newId } from '../door/door.ts';
import { pickedFile, useSending } from '../door/sending.ts';
import { say } from '../language/say.ts';
import { deviceZone } from '../language/zone.ts';
import type { Ask, Told } from './tableWorker.ts';

type Heads = Extract<Told, { told: 'heads' }>;
type Done = Extract<Told, { told: 'done' }>;

const file = shallowRef<File | null>(null);
const heads = shallowRef<Heads | null>(null);
const columns = ref<(Column | null)[]>([]);
const progress = shallowRef<{ share: number; rows: number } | null>(null);
const done = shallowRef<Done | null>(null);
const imported = shallowRef<ImportAnswer | null>(null);
const trouble = ref('');
/** Whether a head of the file is known for nothing, so that the person is asked. */
const unsure = ref(true);
const { busy, failure, run } = useSending();
let worker: Worker | null = null;
let key = newId();

const missing = computed(() => WANTED.filter((column) => !columns.value.includes(column)));
const choices = computed(() => [
  { value: null, title: say('import.skip') },
  ...COLUMNS.map((column) => ({ value: column, title: say(`column.${column}`) })),
]);

function ask(question: Ask): void {
  worker?.terminate();
  worker = new Worker(new URL('./tableWorker.ts', import.meta.url), { type: 'module' });
  worker.onmessage = ({ data }: MessageEvent<Told>) => {
    if (data.told === 'progress') progress.value = data;
    else if (data.told === 'heads') {
      heads.value = data;
      columns.value = [...data.columns];
      unsure.value = data.columns.includes(null);
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
  worker.postMessage(question);
}
function pick(event: Event): void {
  const picked = pickedFile(event);
  if (!picked) return;
  Object.assign(imported, { value: null });
  heads.value = null;
  done.value = null;
  const empty = picked.size === 0 ? say('import.empty') : '';
  trouble.value = picked.size > MAX_IMPORT_MB * 1024 * 1024 ? say('import.big', { mb: MAX_IMPORT_MB }) : empty;
  file.value = picked;
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
  });
}
function stop(): void {
  worker?.terminate();
  progress.value = null;
  trouble.value = say('import.stopped');
}
async function send(): Promise<void> {
  await run(async () => {
    const { text } = decoded(new Uint8Array(await file.value!.arrayBuffer()));
    imported.value = await api('register.import', {
      form: { csv: text, columns: columns.value, zone: zoneOf(known!) },
      once: key,
    });
  });
}
function change(): void {
  done.value = null;
  key = newId();
}
onBeforeUnmount(() => worker?.terminate());
</script>

<template>
  <div class="page">
    <header>
      <p class="small">
        <RouterLink to="/homes">{{ say('nav.homes') }}</RouterLink>
      </p>
      <h1>{{ say('import.title') }}</h1>
    </header>
    <div v-if="imported" class="told" role="status">
      <p class="strong">{{ say('import.done', { ...imported }) }}</p>
      <p class="links">
        <RouterLink to="/homes">{{ say('import.homes') }}</RouterLink><RouterLink to="/homes/baseline">{{
          say('import.baseline')
        }}</RouterLink>
      </p>
    </div>
    <template v-else>
      <p class="quiet lead">
        {{ say('import.lead') }} <a href="/api/register/table" download>{{ say('import.example') }}</a>
      </p>
      <label class="pick"
        ><input type="file" accept=".csv,.txt,.tsv,text/csv,text/plain" class="unseen" @change="pick" /><span>{{
          say(file ? 'import.again' : 'import.pick')
        }}</span></label
      >
      <p v-if="file" class="small quiet">{{ file.name }}</p>
      <p v-if="trouble || failure" class="tell" role="alert">{{ trouble || failure }}</p>
      <p v-if="heads && heads.encoding !== 'utf-8'" class="caution small">
        {{ say(`import.encoding.${heads.encoding}`) }}
      </p>
      <details v-if="heads && !trouble" class="columns" :open="unsure">
        <summary>
          <h2>{{ say('import.columns') }}</h2>
          {{ ' ' }}
          <span class="quiet small">{{
            say('import.columns.count', {
              taken: columns.filter(Boolean).length,
              left: columns.filter((it) => !it).length,
            })
          }}</span>
        </summary>
        <p class="quiet small">{{ say('import.columns.why') }}</p>
        <ul class="heads">
          <li v-for="(head, i) in heads.heads" :key="i">
            <span
              ><b>{{ head || '–' }}</b
              ><small class="quiet">{{ heads.sample[i] || ' ' }}</small></span
            >
            <label
              ><span class="unseen">{{ say('import.example.none') }} {{ head }}</span
              ><select v-model="columns[i]" @change="change">
                <option v-for="it in choices" :key="String(it.value)" :value="it.value">{{ it.title }}</option>
              </select></label
            >
          </li>
        </ul>
      </details>
      <template v-if="heads && !trouble">
        <p v-if="missing.length" class="alarm" role="alert">
          {{ say('import.missing', { columns: missing.map((column) => say(`column.${column}`)).join(', ') }) }}
        </p>
        <VBtn v-else-if="!done && !progress" color="primary" @click="look">{{ say('import.read') }}</VBtn>
      </template>
      <div v-if="progress" class="reading" role="status">
        <p>{{ say('import.reading') }} {{ progress.rows }}</p>
        <progress :value="progress.share" max="1" :aria-label="say('import.reading')" /><VBtn
          variant="outlined"
          size="small"
          @click="stop"
          >{{ say('import.cancel') }}</VBtn
        >
      </div>
      <section v-if="done" aria-live="polite">
        <p class="strong">
          {{
            say('import.counts', {
              rows: done.rows,
              properties: done.properties,
              units: done.units,
              machines: done.machines,
            })
          }}
        </p>
        <template v-if="done.wrong">
          <p class="alarm strong">{{ say('import.wrong', { count: done.wrong }) }}</p>
          <table>
            <thead>
              <tr>
                <th scope="col">{{ say('import.row') }}</th>
                <th scope="col">{{ say('import.what') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="it in done.first" :key="it.row">
                <th scope="row">{{ it.row }}</th>
                <td>{{ it.says.join(' ') }}</td>
              </tr>
            </tbody>
          </table>
          <p v-if="done.wrong > done.first.length" class="quiet small">
            {{ say('import.more', { count: done.wrong - done.first.length }) }}
          </p>
        </template>
        <template v-else-if="done.rows">
          <table class="units">
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
                  {{ it.unit }}<small class="quiet">{{ it.property }}</small>
                </th>
                <td>{{ it.tenant || '–' }}</td>
                <td>{{ it.machines.join(' · ') || '–' }}</td>
              </tr>
            </tbody>
          </table>
          <p class="dew">{{ say('import.right') }}</p>
          <VBtn color="primary" :loading="busy" @click="send">{{ say('import.go') }}</VBtn>
          <p v-if="busy" role="status" class="small quiet">{{ say('import.going') }}</p>
        </template>
      </section>
    </template>
  </div>
</template>

<style scoped>
.page {
  padding: 22px 26px;
  max-width: 1000px;
  display: grid;
  gap: 14px;
  justify-items: start;
}
.page > section,
.columns,
header {
  width: 100%;
}
.lead {
  max-width: 70ch;
}
.pick {
  display: inline-flex;
  align-items: center;
  min-height: 44px;
  padding: 0 18px;
  border: 1.5px solid var(--edge);
  border-radius: 8px;
  font-weight: 600;
  cursor: pointer;
  color: var(--dew-deep);
  background: var(--panel);
}
.pick:focus-within {
  outline: 3px solid var(--dew);
  outline-offset: 2px;
}
summary {
  cursor: pointer;
}
summary h2 {
  display: inline;
}
.heads {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(230px, 1fr));
  gap: 8px 18px;
  margin: 10px 0;
}
.heads li {
  display: flex;
  justify-content: space-between;
  gap: 10px;
  align-items: center;
  border-top: 1px solid var(--hair);
  padding: 5px 0;
}
.heads span {
  display: grid;
  min-width: 0;
  overflow: hidden;
}
.heads small {
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}
select {
  font: inherit;
  color: var(--ink);
  background: var(--panel);
  border: 1px solid var(--edge);
  border-radius: 5px;
  padding: 4px;
  max-width: 130px;
}
.reading {
  display: flex;
  gap: 14px;
  align-items: center;
  width: 100%;
}
progress {
  flex: 1;
  max-width: 420px;
  accent-color: var(--dew-deep);
}
table {
  border-collapse: collapse;
  width: 100%;
  font-size: 14px;
}
th {
  text-align: left;
  padding: 4px 14px 4px 0;
  border-top: 1px solid var(--hair);
  vertical-align: top;
  font-weight: 640;
}
td {
  border-top: 1px solid var(--hair);
  padding: 4px 0;
}
caption {
  text-align: left;
  padding: 6px 0;
}
.units {
  margin-bottom: 12px;
}
.units small {
  display: block;
  font-weight: 400;
}
.units td {
  padding-right: 14px;
}
.links {
  display: flex;
  gap: 16px;
}
</style>
