<script setup lang="ts">
/** One request for one home: what is near its line, machine by machine, given to one person at once. */
import { computed, onMounted, ref, watch } from 'vue';
import { giveList } from '../../contract/lists.ts';
import { api, newId } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { useLoading } from '../door/load.ts';
import { say } from '../language/say.ts';

const props = defineProps<{ placeId: string }>();
const emit = defineEmits<{ given: [says: string]; close: [] }>();
const { value: list, failure, reload } = useLoading(() => api('list.read', { id: props.placeId }));
const who = ref('');
const chosen = ref<string[]>([]);
const { errors, refusal, busy, submit } = useForm(giveList);
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
  <form class="panel home-list" @submit.prevent="give">
    <div class="head">
      <h2>{{ say('list.title') }}</h2>
      <button type="button" class="plain link" @click="emit('close')">{{ say('cancel') }}</button>
    </div>
    <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
    <template v-if="list">
      <p v-if="list.sittings.length === 0" class="quiet">{{ say('list.none') }}</p>
      <template v-else>
        <fieldset>
          <legend>{{ say('point.who') }}</legend>
          <label v-for="it in list.assignees" :key="it.id" :class="{ quiet: !it.may }"
            ><input v-model="who" type="radio" name="list-who" :value="it.id" :disabled="!it.may" /> {{ it.name }}
            <span class="quiet small">{{ it.budget ?? say(`point.role.${it.role}`) }}</span></label
          >
        </fieldset>
        <div class="sittings">
          <fieldset v-for="sitting in sittings" :key="sitting.machine">
            <legend>{{ sitting.machine }}</legend>
            <label v-for="point in sitting.points" :key="point.id"
              ><input v-model="chosen" type="checkbox" :value="point.id" />{{ ' ' }}
              <span
                >{{ point.name }}
                <span class="small" :class="point.share !== null && point.share > 1 ? 'alarm' : 'quiet'"
                  >{{
                    point.share === null
                      ? say('line.scale.none')
                      : say('list.used', { percent: Math.round(point.share * 100) })
                  }}<template v-if="point.rides"> · {{ say('words.rides') }}</template></span
                ></span
              ></label
            >
          </fieldset>
        </div>
        <p class="strong">{{ say('list.sum', { count: picked.length, minutes }) }}</p>
        <p v-if="refusal || errors.assigneeId" class="tell" role="alert">{{ errors.assigneeId ?? refusal }}</p>
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

<style scoped>
.home-list {
  padding: 14px 16px;
  display: grid;
  gap: 10px;
  margin: 10px 0;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
.sittings {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(230px, 1fr));
  gap: 10px 20px;
}
fieldset {
  border: 0;
  padding: 0;
  display: grid;
  gap: 2px;
  align-content: start;
}
legend {
  font-weight: 640;
  padding: 0;
}
label {
  display: flex;
  gap: 8px;
  align-items: baseline;
  padding: 3px 0;
}
</style>
