<script setup lang="ts">
import { computed, onMounted, ref } from 'vue';
import { PATTERNS_SHOWN } from '../../contract/faults/patterns.ts';
import { useDesk } from '../people/deskStore.ts';
import { useBoard } from '../due/boardStore.ts';
import { api, ownCurrency } from '../api/api.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import HandBackList from '../jobs/HandBackList.vue';
import AlarmList from '../faults/AlarmList.vue';
import SignalList from '../due/SignalList.vue';
import ClockList from '../faults/ClockList.vue';
import DeficiencyList from '../faults/DeficiencyList.vue';
import PatternList from '../faults/PatternList.vue';
import FaultList from '../faults/FaultList.vue';
import RemedyList from '../faults/RemedyList.vue';
import SharedList from '../faults/SharedList.vue';
import UpkeepEffects from '../faults/UpkeepEffects.vue';
import PageFrame from '../kit/PageFrame.vue';

const desk = useDesk();
const board = useBoard();
const faults = useLoading(() => api('faults.list'));
const { value: answer, reload } = faults;
const most = ref(PATTERNS_SHOWN);
const patterns = useLoading(() => api('patterns.list', { form: { most: most.value } }));
async function showMore(): Promise<void> {
  most.value += PATTERNS_SHOWN;
  await patterns.reload();
}
const shared = useLoading(() => api('shared.list'));
const effects = useLoading(() => api('upkeepEffects.list'));
const signals = useLoading(() => api('signals.list'));
const deficiencies = useLoading(() => api('deficiencies.list'));
const clocks = useLoading(() => api('clocks.list'));
const open = computed(() => answer.value?.faults.filter(({ closedAt }) => closedAt === null) ?? []);
const alarms = useLoading(() => api('alarms.list'));
const backs = useLoading(() => api('handBacks.read'));
/** Once somebody sees to it, its fault, the first of the list, says the rest. */
const unanswered = computed(
  () =>
    alarms.value.value?.alarms
      .filter(({ acknowledgedBy }) => acknowledgedBy === null)
      .map((it) => ({ ...it, at: say.time(it.at, it.zone) })) ?? [],
);
/** What a repair may cost without a yes, for whoever closes one. */
const limit = computed(() => ({ amount: answer.value?.approvalLimit ?? null }));
const asked = computed(() => open.value.filter(({ approval }) => approval && approval.answer === null).length);
const closed = computed(() => answer.value?.faults.filter(({ closing }) => closing !== null) ?? []);

/** What the page comes to, in a sentence. */
const head = computed(() => {
  const it = patterns.value.value;
  return (
    it && {
      ...it.counted,
      failed: it.remedies.filter(({ verdict }) => verdict === 'failed').length,
      open: open.value.length,
      late: open.value.filter(({ correctBy }) => correctBy < Date.now()).length,
    }
  );
});

/** The remedy that was decided just now, which may be undone. */
const latest = ref<string | null>(null);
async function decided(id: string): Promise<void> {
  latest.value = id;
  // What was decided may have opened a deficiency, with a clock.
  await Promise.all([patterns.reload(), clocks.reload(), deficiencies.reload()]);
}

async function changed(): Promise<void> {
  await Promise.all([
    reload(),
    clocks.reload(),
    deficiencies.reload(),
    patterns.reload(),
    signals.reload(),
    alarms.reload(),
    ...(desk.isManager ? [backs.reload()] : []),
  ]);
  if (desk.isManager) await board.load();
}
onMounted(async () => {
  await changed();
  // The longest sums of the page, and the last that one looks for.
  await Promise.all([shared.reload(), effects.reload()]);
});
</script>

<template>
  <PageFrame :title="say('faults.title')" :of="faults">
    <template #actions
      ><span class="row close push"
        ><VBtn variant="outlined" to="/inspections">{{ say('inspections.title') }}</VBtn>
        <VBtn variant="outlined" to="/faults/report">{{ say('faults.report') }}</VBtn></span
      ></template
    >
    <template v-if="answer">
      <AlarmList :alarms="unanswered" with-place @changed="changed" />
      <p v-if="head" class="strong lead">{{ say('faults.head', head) }}</p>
      <p v-if="asked" class="strong">{{ say('approval.waiting', { count: asked }) }}</p>
      <ClockList
        v-if="clocks.value.value"
        :answer="clocks.value.value"
        :may-change="desk.isManager"
        @changed="changed"
      />
      <section aria-labelledby="open">
        <h2 id="open">{{ say('faults.openOnes') }}</h2>
        <p v-if="!open.length" class="quiet">{{ say('faults.none.why') }}</p>
        <p v-if="answer.avoided.count" class="quiet">
          {{
            say('faults.avoided', {
              count: answer.avoided.count,
              price: answer.avoided.price === null ? 'none' : say.money(answer.avoided.price, ownCurrency),
            })
          }}
        </p>
        <FaultList v-if="open.length" :faults="open" :limit="limit" with-place @changed="changed" />
      </section>
      <section v-if="patterns.value.value" aria-labelledby="comes-back">
        <h2 id="comes-back">{{ say('patterns.title') }}</h2>
        <PatternList
          :patterns="patterns.value.value.patterns"
          :may-decide="desk.isManager"
          @decided="decided"
          @priced="patterns.reload()"
        />
        <button v-if="patterns.value.value.more" type="button" class="plain link" @click="showMore">
          {{ say('more', { count: patterns.value.value.more }) }}
        </button>
      </section>
      <section v-if="shared.value.value" aria-labelledby="shared">
        <h2 id="shared">{{ say('shared.title') }}</h2>
        <SharedList :answer="shared.value.value" />
      </section>
      <div class="columns">
        <section v-if="patterns.value.value?.remedies.length" aria-labelledby="held">
          <h2 id="held">{{ say('remedies.title') }}</h2>
          <RemedyList
            :remedies="patterns.value.value.remedies"
            :latest="latest"
            :may-decide="desk.isManager"
            @changed="changed"
          />
        </section>
        <section v-if="effects.value.value" aria-labelledby="effects">
          <h2 id="effects">{{ say('effect.title') }}</h2>
          <UpkeepEffects :answer="effects.value.value" />
        </section>
        <section>
          <h2>{{ say('signals.title') }}</h2>
          <SignalList :signals="signals.value.value?.signals ?? []" with-place @changed="changed" />
        </section>
        <section>
          <h2>{{ say('deficiencies.title') }}</h2>
          <DeficiencyList v-if="deficiencies.value.value" :answer="deficiencies.value.value" @changed="changed" />
        </section>
        <section v-if="desk.isManager && backs.value.value">
          <h2>{{ say('handBack.title') }}</h2>
          <HandBackList :open="backs.value.value.open" with-place @changed="changed" />
          <p v-if="!backs.value.value.open.length" class="quiet">{{ say('handBack.none') }}</p>
        </section>
        <section v-if="answer.uncoded.count" aria-labelledby="uncoded">
          <h2 id="uncoded">{{ say('faults.uncoded.title') }}</h2>
          <p class="quiet">{{ say('faults.uncoded', { count: answer.uncoded.count }) }}</p>
          <FaultList :faults="answer.uncoded.faults" with-place @changed="changed" />
        </section>
        <section v-if="closed.length">
          <h2>{{ say('faults.closed') }}</h2>
          <FaultList :faults="closed" with-place @changed="changed" />
        </section>
      </div>
    </template>
  </PageFrame>
</template>
