<script setup lang="ts">
/** Defining a machine that the catalogue lacks: what it is, its parts, how each is served and proven. */
import { computed, onMounted, reactive, ref } from 'vue';
import { useRouter } from 'vue-router';
import { ISOLATIONS, MOST_PARTS, partKey, type PartDefinition } from '../../core/catalogue/definition.ts';
import { FUELS } from '../../contract/register/machines.ts';
import { saveDefined } from '../../contract/catalogue/defined.ts';
import { api, newId, Problem } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import PageFrame from '../kit/PageFrame.vue';
import PartFields from './PartFields.vue';
import { emptyDefinition, emptyPart, type Draft } from './draft.ts';

const props = defineProps<{ id: string }>();
const router = useRouter();
const id = props.id === 'new' ? newId() : props.id;
const known = useLoading(async () => {
  if (props.id === 'new') return null;
  const found = (await api('defined.list')).machines.find((it) => it.id === props.id);
  if (!found) throw new Problem(404, say('define.gone'));
  return found;
});
const entry = reactive<{ content: Draft }>({ content: emptyDefinition() });
const standing = computed(() => (known.value.value?.machines ?? 0) > 0);
/** The part that is open; one at a time. */
const open = ref(0);
const { errors, problem, busy, submit } = useForm(saveDefined);

function addPart(): void {
  const { parts } = entry.content;
  parts.push({
    ...emptyPart(),
    key: partKey(
      'filter',
      parts.map(({ key }) => key),
    ),
  });
  open.value = parts.length - 1;
}
/** The key of a part begins with its kind. */
function setKind(part: Draft['parts'][number], kind: PartDefinition['kind']): void {
  part.kind = kind;
  const others = entry.content.parts.filter((it) => it !== part).map(({ key }) => key);
  part.key = partKey(kind, others);
}
async function save(): Promise<void> {
  const basedOn = known.value.value?.version ?? 0;
  if (await submit({ id, content: entry.content, basedOn }, async (form) => void (await api('defined.save', { form }))))
    await router.push('/procedures/machines');
}
const errorsOf = (i: number) =>
  Object.fromEntries(
    Object.entries(errors)
      .filter(([path]) => path.startsWith(`content.parts[${i}].`))
      .map(([path, says]) => [path.slice(`content.parts[${i}].`.length), says]),
  );
onMounted(async () => {
  await known.reload();
  if (known.value.value) entry.content = structuredClone(known.value.value.content) as Draft;
  else addPart();
});
</script>

<template>
  <PageFrame :title="entry.content.name || say('defined.new')" :of="id === props.id ? known : undefined" width="text">
    <template #above
      ><RouterLink to="/procedures/machines">{{ say('defined.title') }}</RouterLink></template
    >
    <form class="stack" @submit.prevent="save">
      <p class="caution">{{ say('define.caution') }}</p>
      <div class="fields">
        <VTextField v-model="entry.content.name" :label="say('define.name')" :error-messages="errors['content.name']" />
        <VSelect
          v-model="entry.content.isolation"
          :items="ISOLATIONS.map((value) => ({ value, title: say(`define.isolation.${value}`) }))"
          :label="say('define.isolation')"
        />
        <VSelect
          v-model="entry.content.fuels"
          multiple
          :items="FUELS.map((value) => ({ value, title: say(`machine.fuel.${value}`) }))"
          :label="say('define.fuels')"
          :error-messages="errors['content.fuels']"
        />
        <VTextField
          v-model="entry.content.source"
          :label="say('define.source')"
          :hint="say('define.source.hint')"
          :error-messages="errors['content.source']"
        />
      </div>
      <label><input v-model="entry.content.drains" type="checkbox" /> {{ say('define.drains') }}</label>
      <Notice :says="errors['content.parts'] ?? ''" />
      <section v-for="(part, i) in entry.content.parts" :key="part.key" class="panel card stack close">
        <div class="row apart">
          <h2>
            <button type="button" class="plain link" :aria-expanded="open === i" @click="open = open === i ? -1 : i">
              {{ i + 1 }}. {{ part.name || say('define.part') }}
            </button>
          </h2>
          <button
            v-if="!standing && entry.content.parts.length > 1"
            type="button"
            class="plain link small"
            @click="entry.content.parts.splice(i, 1)"
          >
            {{ say('define.part.remove') }}
          </button>
        </div>
        <p v-if="open !== i && Object.keys(errorsOf(i)).length" class="alarm small">{{ say('define.part.look') }}</p>
        <PartFields
          v-if="open === i"
          :part="part"
          :errors="errorsOf(i)"
          :fixed="standing"
          :isolation="entry.content.isolation"
          @kind="setKind(part, $event)"
        />
      </section>
      <p v-if="entry.content.parts.length < MOST_PARTS">
        <VBtn variant="outlined" @click="addPart">{{ say('define.part.add') }}</VBtn>
      </p>
      <Notice :says="problem" />
      <p class="row close">
        <VBtn type="submit" color="primary" :loading="busy">{{ say('define.save') }}</VBtn><VBtn
          variant="outlined"
          @click="router.push('/procedures/machines')"
          >{{ say('cancel') }}</VBtn
        >
      </p>
    </form>
  </PageFrame>
</template>
