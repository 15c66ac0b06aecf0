<script setup lang="ts">
/** A look in twenty seconds: five pictures, one tap, sent. For whoever scans the label. */
import { onMounted, reactive, ref } from 'vue';
import { dayFromIso } from '../../core/calendar/day.ts';
import { newLook, type LookDone } from '../../contract/due/signals.ts';
import GradePicker from '../catalogue/GradePicker.vue';
import { newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import { pathOf } from '../../contract/calls.ts';
import { readKept } from '../outbox/kept.ts';
import { sendOrKeep } from '../outbox/outbox.ts';
import { usePageTitle } from '../kit/pageTitle.ts';
import PlainField from '../kit/PlainField.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ number: string; home: string; homeName: string }>();
const point = useLoading(() => readKept('look.open', { number: props.number }));
const { value: look, reload } = point;
const id = newId();
const entry = reactive<{ grade: string | null; day: string; note: string }>({ grade: null, day: '', note: '' });
const earlier = ref(false);
const done = ref('');
const heading = ref<HTMLElement>();
usePageTitle(() => look.value?.name, heading);
const { errors, problem, busy, submit } = useForm(newLook);

async function send(): Promise<void> {
  await submit(
    {
      id,
      number: Number(props.number),
      grade: entry.grade,
      note: entry.note,
      day: earlier.value && entry.day ? entry.day : null,
    },
    async (form) => {
      const outcome = await sendOrKeep(id, { kind: 'form', path: pathOf('look.create', {}), form }, id);
      done.value = outcome.ended === 'kept' ? say('look.kept') : (outcome.answer as LookDone).says;
    },
  );
}
onMounted(reload);
</script>

<template>
  <PageFrame width="phone" :of="point">
    <template v-if="done"
      ><div role="status">
        <h1>{{ done }}</h1>
      </div>
      <VBtn color="primary" size="large" block :to="home">{{ homeName }}</VBtn></template
    >
    <form v-else-if="look" class="stack" @submit.prevent="send">
      <header>
        <p class="quiet small">{{ look.place }} · {{ look.machine }}</p>
        <h1 ref="heading" tabindex="-1">{{ look.name }}</h1>
        <p class="quiet small">
          {{ look.due }} ·
          {{ look.served ? say('look.served', { day: say.day(dayFromIso(look.served)) }) : say('look.never') }}
        </p>
      </header>
      <GradePicker
        v-model="entry.grade"
        :procedure="look.procedure"
        :label="say('look.title')"
        :choices="look.grades"
        :error="errors.grade"
      />
      <VBtn type="submit" color="primary" size="large" block :disabled="!entry.grade" :loading="busy">{{
        say('look.send')
      }}</VBtn>
      <Notice :says="problem" />
      <p class="quiet small">{{ say('look.why') }}</p>
      <button v-if="!earlier" type="button" class="plain link" @click="earlier = true">
        {{ say('look.earlier') }}
      </button>
      <template v-else>
        <PlainField v-model="entry.day" type="date" :max="look.today" :label="say('look.day')" :error="errors.day" />
        <PlainField v-model="entry.note" :label="say('look.note')" :rows="1" :error="errors.note" />
      </template>
    </form>
  </PageFrame>
</template>
