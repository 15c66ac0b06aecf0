<script setup lang="ts">
/**
 * Where a letter about an alarm leads: one button that says who sees to it. Opening the page says nothing to anybody.
 */
import { ref } from 'vue';
import type { AlarmAnswer } from '../../contract/faults/alarms.ts';
import { api } from '../api/api.ts';
import { useSending } from '../api/sending.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';

const token = location.hash.slice(1);
const alarm = ref<AlarmAnswer | null>(null);
const { busy, failure, run } = useSending();
const answer = () =>
  run(async () => {
    alarm.value = await api('alarm.answer', { form: { token } });
  });
</script>

<template>
  <main class="page phone">
    <h1>{{ say(alarm ? 'alarm.page.done' : 'alarm.page.title') }}</h1>
    <template v-if="alarm">
      <p class="caution">
        <b>{{ alarm.says }}</b><br />{{ alarm.machine }}, {{ alarm.place
        }}<template v-if="alarm.note"><br />“{{ alarm.note }}”</template>
      </p>
      <p>
        {{
          say('alarm.page.who', { name: alarm.acknowledgedBy ?? '', by: alarm.by, at: say.time(alarm.at, alarm.zone) })
        }}
      </p>
      <VBtn variant="outlined" to="/faults">{{ say('alarm.page.faults') }}</VBtn>
    </template>
    <template v-else>
      <p>{{ say('alarm.page.why') }}</p>
      <Notice :says="failure" />
      <VBtn color="primary" size="x-large" block :loading="busy" :disabled="!token" @click="answer">{{
        say('alarm.seeTo')
      }}</VBtn>
    </template>
  </main>
</template>
