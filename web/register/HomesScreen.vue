<script setup lang="ts">
/** All properties and what stands in them; where registering begins. */
import { computed, onMounted, ref } from 'vue';
import { api } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { useSending } from '../api/sending.ts';
import { keepInAddress, oneChoice, textChoice } from '../kit/inAddress.ts';
import { useKeys } from '../kit/keys.ts';
import { say } from '../language/say.ts';
import { useBoard } from '../due/boardStore.ts';
import { useDesk } from '../people/deskStore.ts';
import ChoiceList from '../kit/ChoiceList.vue';
import ManyAtOnce from './ManyAtOnce.vue';
import HomesOfProperty from './HomesOfProperty.vue';
import { KEPT_VERDICTS, standingsOf, verdictChoices, type HomeStanding, type KeptVerdict } from './homeStanding.ts';
import ManyForm from './ManyForm.vue';
import PlaceForm from './PlaceForm.vue';
import PropertyFacts from './PropertyFacts.vue';
import PropertyForm from './PropertyForm.vue';
import UnitsForm from './UnitsForm.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';
import UndoBar from '../kit/UndoBar.vue';
import EmptyState from '../kit/EmptyState.vue';

const homes = useLoading(() => api('homes.read'));
const { value: answer, reload } = homes;
type What = 'place' | 'facts' | 'units' | 'many';
const find = ref('');
const told = ref('');
const desk = useDesk();
const adding = ref(false);
const open = ref<{ property: string; what: What } | null>(null);

const board = useBoard();
const standings = computed(() =>
  board.answer ? standingsOf(board.answer, board.rows) : new Map<string, HomeStanding>(),
);
const verdict = ref<KeptVerdict>('all');
const choices = computed(() => {
  const all = [...standings.value.values()];
  return verdictChoices((kept) => all.filter((it) => kept === 'all' || it.verdict === kept).length);
});

const shown = computed(() => {
  const wanted = find.value.trim().toLowerCase();
  return (answer.value?.properties ?? [])
    .map((property) => ({
      ...property,
      places: property.places.filter(
        ({ id, name, tenant }) =>
          (verdict.value === 'all' || standings.value.get(id)?.verdict === verdict.value) &&
          [name, tenant ?? '', property.name, property.address].some((text) => text.toLowerCase().includes(wanted)),
      ),
    }))
    .filter(({ places }) => (wanted === '' && verdict.value === 'all') || places.length > 0);
});

keepInAddress({ find: textChoice(find, ''), verdict: oneChoice(verdict, KEPT_VERDICTS) });

/** Something is done in the homes that are shown. */
const many = ref(false);
const homesShown = computed(() => shown.value.flatMap(({ places }) => places.map(({ id, name }) => ({ id, name }))));

const undoable = ref<readonly string[]>([]);
const sending = useSending();
async function undo(): Promise<void> {
  if (
    await sending.run(async () => {
      await api('units.remove', { form: { ids: undoable.value } });
    })
  ) {
    told.value = say('units.undone');
    undoable.value = [];
  }
  await Promise.all([reload(), board.load()]);
}
async function saved(says = '', ids: readonly string[] = []): Promise<void> {
  told.value = says;
  undoable.value = ids;
  adding.value = false;
  open.value = null;
  await Promise.all([reload(), board.load()]);
}
const toggle = (property: string, what: What) => {
  open.value = open.value?.property === property && open.value.what === what ? null : { property, what };
};
useKeys({
  Escape: () => {
    const shut = adding.value || open.value !== null;
    adding.value = false;
    open.value = null;
    return shut;
  },
});
onMounted(() => Promise.all([reload(), board.load()]));
</script>

<template>
  <PageFrame :title="say('homes.title')" :of="homes">
    <template #actions>
      <VTextField
        v-if="answer?.properties.length"
        v-model="find"
        class="find push no-print"
        :label="say('homes.find')"
        hide-details
        density="compact"
      />
      <VBtn v-if="desk.managesAll" color="primary" :variant="adding ? 'outlined' : 'flat'" @click="adding = !adding">{{
        say(adding ? 'cancel' : 'homes.addProperty')
      }}</VBtn>
    </template>
    <PropertyForm v-if="adding" @saved="saved" />
    <UndoBar :says="told" :undoable="undoable.length > 0" :label="say('practice.undo')" @undo="undo" />
    <Notice :says="sending.failure.value" />
    <p v-if="answer?.properties.length" class="row small no-print">
      <RouterLink v-if="desk.managesAll" to="/homes/import">{{ say('homes.import') }}</RouterLink><a
        href="/api/register/table"
        download
        >{{ say('homes.export') }}</a
      ><a v-if="desk.managesAll" href="/api/export" download>{{ say('homes.exportAll') }}</a
      ><RouterLink to="/homes/baseline">{{ say('homes.baseline') }}</RouterLink
      ><RouterLink to="/homes/labels">{{ say('homes.labels') }}</RouterLink
      ><RouterLink v-if="desk.managesAll" to="/homes/templates">{{ say('template.title') }}</RouterLink
      ><button v-if="homesShown.length" type="button" class="plain link" :aria-expanded="many" @click="many = !many">
        {{ say('atOnce.open') }}
      </button>
    </p>
    <ChoiceList
      v-if="answer?.properties.length && standings.size"
      v-model="verdict"
      class="no-print"
      :legend="say('standing.column.verdict')"
      hide-legend
      look="chips"
      :choices="choices"
    />
    <ManyAtOnce v-if="many && homesShown.length" :homes="homesShown" @changed="board.load()" @close="many = false" />
    <EmptyState
      v-if="answer && answer.properties.length === 0 && !adding"
      :title="say('homes.none')"
      :why="say(desk.managesAll ? 'homes.none.why' : 'homes.none.limited')"
    >
      <RouterLink v-if="desk.managesAll" to="/homes/import">{{ say('homes.import') }}</RouterLink>
    </EmptyState>
    <section v-for="property in shown" :key="property.id" class="property stack close">
      <div class="row underlined">
        <h2>{{ property.name }}</h2>
        <p class="quiet small">
          {{ property.address }} · {{ property.practiceSays }} · {{ say(`property.source.${property.water.source}`)
          }}<template v-if="property.water.hardnessMgL !== null">, {{ property.water.hardnessMgL }} mg/L</template> ·
          {{ property.zone }}
        </p>
        <span class="row push no-print">
          <button
            type="button"
            class="plain link"
            :aria-label="`${say('homes.facts')}, ${property.name}`"
            @click="toggle(property.id, 'facts')"
          >
            {{ say('homes.facts') }}
          </button>
          <button
            type="button"
            class="plain link"
            :aria-label="`${say('homes.addUnits')}, ${property.name}`"
            @click="toggle(property.id, 'units')"
          >
            {{ say('homes.addUnits') }}
          </button>
          <button
            v-if="property.places.length"
            type="button"
            class="plain link"
            :aria-label="`${say('homes.addMany')}, ${property.name}`"
            @click="toggle(property.id, 'many')"
          >
            {{ say('homes.addMany') }}
          </button>
          <button
            type="button"
            class="plain link"
            :aria-label="`${say('homes.addPlace')}, ${property.name}`"
            @click="toggle(property.id, 'place')"
          >
            {{ say('homes.addPlace') }}
          </button>
        </span>
      </div>
      <PropertyFacts
        v-if="open?.property === property.id && open.what === 'facts'"
        :property="property"
        @saved="saved()"
      />
      <UnitsForm
        v-if="open?.property === property.id && open.what === 'units'"
        :property-id="property.id"
        :buildings="property.buildings"
        @saved="saved"
      />
      <ManyForm v-if="open?.property === property.id && open.what === 'many'" :property="property" @saved="saved" />
      <PlaceForm v-if="open?.property === property.id && open.what === 'place'" :property="property" @saved="saved()" />
      <HomesOfProperty :places="property.places" :standings="standings" />
    </section>
  </PageFrame>
</template>
