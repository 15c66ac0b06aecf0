<script setup lang="ts">
/** Templates: what a unit begins with. One's own are changed, renamed, removed; those to begin with are copied. */
import { computed, onMounted, ref, watch } from 'vue';
import { useRouter } from 'vue-router';
import type { TemplateSummary } from '../../contract/register/bulk.ts';
import { api, newId } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import UndoBar from '../kit/UndoBar.vue';
import { say } from '../language/say.ts';
import TemplateForm from './TemplateForm.vue';

const NEW = 'new';
/** The template that is open; `new` for one that is to be. */
const props = defineProps<{ id?: string }>();
const router = useRouter();
const all = useLoading(() => api('templates.list'));
const machines = useLoading(() => api('catalogue.read'));
const nameOf = computed(() => new Map(machines.value.value?.machines.map(({ key, name }) => [key, name])));
const open = computed(() => all.value.value?.templates.find(({ id }) => id === props.id) ?? null);
const told = ref('');
/** The one that was just removed, as it was. */
const removed = ref<TemplateSummary | null>(null);
const sending = useSending();

async function saved(says: string): Promise<void> {
  removed.value = null;
  await all.reload();
  await router.push('/homes/templates');
  // Told once one is there: whoever reads it may press the next.
  told.value = says;
}
async function remove(template: TemplateSummary): Promise<void> {
  const { id, name } = template;
  if (!(await sending.run(async () => void (await api('template.remove', { id }))))) return;
  await saved(say('template.removed', { name }));
  removed.value = template;
}
async function restore(): Promise<void> {
  const id = newId();
  const { name, machines: kept } = removed.value!;
  const form = { id, name, machines: kept };
  if (!(await sending.run(async () => void (await api('template.create', { form, once: id }))))) return;
  await saved(say('template.restored', { name }));
}
const says = ({ machines: of }: TemplateSummary) => say.list(of.map(({ type }) => nameOf.value.get(type) ?? type));
watch(
  () => props.id,
  (id) => {
    if (id) told.value = '';
  },
);
onMounted(() => Promise.all([all.reload(), machines.reload()]));
</script>

<template>
  <PageFrame :title="say('template.title')" :of="all" width="text">
    <template #above
      ><RouterLink to="/homes">{{ say('nav.homes') }}</RouterLink></template
    >
    <template #lead
      ><p class="quiet">{{ say('template.lead') }}</p></template
    >
    <UndoBar :says="told" :undoable="removed !== null" :label="say('undo')" @undo="restore" />
    <Notice :says="sending.failure.value" />
    <template v-if="all.value.value && machines.value.value">
      <TemplateForm
        v-if="id === NEW || open"
        :key="id"
        :template="open"
        :catalogue="machines.value.value.machines"
        @saved="saved"
        @cancelled="router.push('/homes/templates')"
      />
      <Notice v-else-if="id" :says="say('template.gone')" />
      <p v-if="!id">
        <VBtn color="primary" to="/homes/templates/new">{{ say('template.new') }}</VBtn>
      </p>
      <section
        v-for="own in [true, false]"
        v-show="!id"
        :key="String(own)"
        class="stack close"
        :aria-label="say(own ? 'template.yours' : 'template.ready')"
      >
        <h2>{{ say(own ? 'template.yours' : 'template.ready') }}</h2>
        <p v-if="own && !all.value.value.templates.some((it) => it.own)" class="quiet">{{ say('template.none') }}</p>
        <ul class="ruled">
          <li v-for="it in all.value.value.templates.filter((of) => of.own === own)" :key="it.id" class="stack tight">
            <p class="row apart">
              <RouterLink :to="`/homes/templates/${it.id}`" class="strong">{{ it.name }}</RouterLink>
              <button v-if="own" type="button" class="plain link small" @click="remove(it)">
                {{ say('template.remove') }}<span class="unseen">: {{ it.name }}</span>
              </button>
            </p>
            <p class="quiet small">
              {{ say('units.says', { machines: it.machines.length, points: it.points })
              }}<template v-if="it.machines.length">: {{ says(it) }}</template>
            </p>
          </li>
        </ul>
      </section>
    </template>
  </PageFrame>
</template>
