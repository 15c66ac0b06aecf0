<script setup lang="ts">
/** What whoever goes into a home must know: days without entry, a dog, the key, when visits are liked. */
import { onMounted, reactive, ref, watch } from 'vue';
import { homeAccess, type HomeAccess } from '../../contract/rounds/rounds.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import LoadState from '../kit/LoadState.vue';
import Notice from '../kit/Notice.vue';
import TickBox from '../kit/TickBox.vue';
import WeekdayPicker from '../kit/WeekdayPicker.vue';
import { HALVES } from '../../core/rounds/instance.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ placeId: string }>();
const read = useLoading(() => api('place.access', { id: props.placeId }));
const { value: known, reload } = read;
const entry = reactive({
  closed: [] as number[],
  liked: [] as number[],
  half: 'any' as HomeAccess['half'],
  dog: false,
  key: '',
  prefers: '',
});
const saved = ref(false);
const { errors, problem, busy, submit } = useForm(homeAccess);
watch(known, (it) => {
  if (it) Object.assign(entry, { ...it, closed: [...it.closed], liked: [...it.liked] });
});
async function save(): Promise<void> {
  saved.value = await submit(entry, (form) => api('place.accessChange', { id: props.placeId, form }));
}
onMounted(reload);
</script>

<template>
  <section class="stack close">
    <h2>{{ say('rounds.access') }}</h2>
    <LoadState v-if="!known" :of="read" />
    <form v-else class="fields" @submit.prevent="save">
      <VTextField v-model="entry.key" maxlength="120" :label="say('rounds.access.key')" :error-messages="errors.key" />
      <VTextField
        v-model="entry.prefers"
        maxlength="120"
        :label="say('rounds.access.prefers')"
        :error-messages="errors.prefers"
      />
      <TickBox v-model="entry.dog" class="whole">{{ say('rounds.access.dog') }}</TickBox>
      <WeekdayPicker v-model="entry.closed" class="whole" :label="say('rounds.access.closed')" />
      <WeekdayPicker v-model="entry.liked" class="whole" :label="say('rounds.access.liked')" />
      <VSelect
        v-model="entry.half"
        :items="['any', ...HALVES].map((half) => ({ value: half, title: say('rounds.access.half.is', { half }) }))"
        :label="say('rounds.access.half')"
        :hint="say('rounds.access.weighs')"
        persistent-hint
      />
      <Notice :says="problem" />
      <p class="whole">
        <VBtn type="submit" variant="outlined" size="small" :loading="busy">{{ say('rounds.access.save') }}</VBtn>{{
          ' '
        }}
        <span v-if="saved" class="told" role="status">{{ say('numbers.saved') }}</span>
      </p>
    </form>
  </section>
</template>
