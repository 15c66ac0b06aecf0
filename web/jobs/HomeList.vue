<script setup lang="ts">
/** One request for one home: what is near its line, machine by machine, given to one person at once. */
import { computed, onMounted, ref, watch } from 'vue';
import { giveList } from '../../contract/jobs/lists.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import Notice from '../kit/Notice.vue';
import ChoiceList from '../kit/ChoiceList.vue';
import CheckList from '../kit/CheckList.vue';

const props = defineProps<{ placeId: string }>();
const emit = defineEmits<{ given: [says: string]; close: [] }>();
const { value: list, failure, reload } = useLoading(() => api('list.read', { id: props.placeId }));
const who = ref('');
const chosen = ref<string[]>([]);
const { errors, problem, busy, submit } = useForm(giveList);
const listId = newId();

const assignee = computed(() => list.value?.assignees.find(({ id }) => id === who.value));
const isTenant = computed(() => assignee.value?.role === 'tenant');
const sittings = computed(() =>
  (list.value?.sittings ?? [])
    .map((sitting) => ({ ...sitting, points: sitting.points.filter(({ forTenant }) => forTenant || !isTenant.value) }))
    .filter(({ points }) => points.length > 0),
);
const picked = computed(() =>
  sittings.value
    .map(({ points }) => points.filter(({ id }) => chosen.value.includes(id)))
    .filter((points) => points.length > 0),
);
const minutes = computed(() =>
  Math.round(picked.value.flat().reduce((sum, point) => sum + point.minutes, 0) * (assignee.value?.pace ?? 1)),
);

/** For a tenant only as much is ticked beforehand as this month still holds. */
watch([who, sittings], () => {
  let left = isTenant.value ? (assignee.value?.left ?? Infinity) : Infinity;
  chosen.value = sittings.value
    .flatMap(({ points }) => points)
    .sort((a, b) => (b.share ?? 1) - (a.share ?? 1))
    .filter((point) => (left -= point.minutes * (assignee.value?.pace ?? 1)) >= 0)
    .map(({ id }) => id);
});

async function give(): Promise<void> {
  const form = {
    id: listId,
    assigneeId: who.value,
    sittings: picked.value.map((points) => ({ id: newId(), pointIds: points.map(({ id }) => id) })),
  };
  if (await submit(form, (it) => api('list.give', { form: it, once: listId })))
    emit('given', say('list.given', { name: assignee.value!.name, count: picked.value.length }));
}
onMounted(async () => {
  await reload();
  who.value = list.value?.assignees.find(({ may }) => may)?.id ?? '';
});
</script>

<template>
  <form class="home-list panel card stack close" @submit.prevent="give">
    <div class="row apart">
      <h2>{{ say('list.title') }}</h2>
      <button type="button" class="plain link" @click="emit('close')">{{ say('cancel') }}</button>
    </div>
    <Notice :says="failure" />
    <template v-if="list">
      <p v-if="list.sittings.length === 0" class="quiet">{{ say('list.none') }}</p>
      <template v-else>
        <ChoiceList
          v-model="who"
          look="options"
          :legend="say('point.who')"
          :choices="
            list.assignees.map(({ id: value, name: says, may, budget, role }) => ({
              value,
              says,
              note: budget ?? say(`point.role.${role}`),
              disabled: !may,
            }))
          "
        />
        <div class="columns small-ones">
          <CheckList
            v-for="sitting in sittings"
            :key="sitting.machine"
            v-slot="{ choice: { point } }"
            v-model="chosen"
            look="options"
            :legend="sitting.machine"
            :choices="sitting.points.map((point) => ({ value: point.id, says: point.name, point }))"
          >
            {{ point.name }}
            <span class="small" :class="point.share !== null && point.share > 1 ? 'alarm' : 'quiet'"
              >{{
                point.share === null
                  ? say('line.scale.none')
                  : say('list.used', { percent: Math.round(point.share * 100) })
              }}<template v-if="point.rides"> · {{ say('words.rides') }}</template></span
            >
          </CheckList>
        </div>
        <p class="strong">{{ say('list.sum', { count: picked.length, minutes }) }}</p>
        <Notice :says="errors.assigneeId ?? problem" />
        <p>
          <VBtn type="submit" color="primary" :disabled="picked.length === 0 || !who" :loading="busy">{{
            say('list.give')
          }}</VBtn>
        </p>
      </template>
    </template>
    <p v-else-if="!failure" class="quiet">{{ say('loading') }}</p>
  </form>
</template>
