<script setup lang="ts">
/** What a scanned label opens: this machine's due work, a look, a fault; as much as whoever scans may see. */
import { onMounted, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { useLoading } from '../api/load.ts';
import { gaugeOf } from './gauge.ts';
import KindGlyph from '../strip/KindGlyph.vue';
import StripGauge from '../strip/StripGauge.vue';
import ReportFault from '../faults/ReportFault.vue';
import { say } from '../language/say.ts';
import { readKept } from '../outbox/kept.ts';
import BeginHere from '../catalogue/BeginHere.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ number: string; placeLink: boolean }>();
const label = useLoading(() => readKept('machine.read', { number: props.number }));
const { value: machine, reload } = label;
const reporting = ref(false);
const beginning = ref(false);
const told = ref<'label.told' | 'fault.kept' | null>(null);
async function sent(kept: boolean): Promise<void> {
  reporting.value = false;
  told.value = kept ? 'fault.kept' : 'label.told';
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame width="phone" :title="machine?.name" :of="label">
    <template v-if="machine" #lead
      ><p class="quiet">
        {{ machine.place.name }}, {{ machine.place.property }} · {{ say('label.number', { number: machine.number })
        }}<template v-if="machine.maker"> · {{ machine.maker }} {{ machine.model }}</template>
      </p></template
    >
    <template v-if="machine">
      <p v-if="machine.retired" class="caution">
        {{ say('label.retired', { day: say.day(dayFromIso(machine.retired)) }) }}
      </p>
      <Notice v-if="told" done :says="say(told)" />
      <ReportFault v-if="reporting" :machines="[machine.reportable]" @sent="sent" />
      <BeginHere v-else-if="beginning" :machine="machine" @close="beginning = false" />
      <template v-else>
        <section v-if="machine.job" class="panel card stack close">
          <h2>{{ say('label.job') }}</h2>
          <p>{{ machine.job.title }}</p>
          <VBtn color="primary" size="large" block :to="`/jobs/${machine.job.id}`">{{ say('label.start') }}</VBtn>
        </section>
        <p v-else-if="machine.othersJob" class="quiet">{{ say('label.others') }}</p>
        <section class="stack close" v-if="machine.faults.length">
          <h2>{{ say('label.faults') }}</h2>
          <ul>
            <li v-for="fault in machine.faults" :key="fault.id" class="caution">{{ fault.says }}</li>
          </ul>
        </section>
        <section class="stack close" v-if="machine.points.length">
          <h2>{{ say('label.open') }}</h2>
          <StripGauge :marks="gaugeOf(machine.points)" :today="machine.place.today" />
          <ul class="points ruled tight apart middle">
            <li v-for="point in machine.points" :key="point.number">
              <span
                ><KindGlyph :kind="point.kind" /> {{ point.name }}<br /><small class="quiet">{{
                  point.due
                }}</small></span
              ><VBtn
                variant="outlined"
                :to="`/look/${point.number}`"
                :aria-label="`${say('label.look')}: ${point.name}`"
                >{{ say('label.look') }}</VBtn
              >
            </li>
          </ul>
        </section>
        <slot name="office" :machine="machine" />
        <VBtn
          v-if="machine.points.some(({ may }) => may)"
          variant="outlined"
          size="large"
          block
          @click="beginning = true"
          >{{ say('label.begin') }}</VBtn
        >
        <VBtn v-if="!machine.retired" variant="outlined" size="large" block @click="reporting = true">{{
          say('label.fault')
        }}</VBtn>
        <RouterLink v-if="placeLink" :to="`/homes/${machine.place.id}`">{{ say('label.place') }}</RouterLink>
      </template>
    </template>
  </PageFrame>
</template>
