<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue';
import { newPerson } from '../../contract/people.ts';
import { api, newId } from '../door/door.ts';
import { useForm } from '../door/form.ts';
import { useLoading } from '../door/load.ts';
import { say } from '../language/say.ts';
import DutyPart from '../notices/DutyPart.vue';

const { value: answer, failure, reload } = useLoading(() => api('people.read'));
const adding = ref(false);
const blank = () => ({ id: newId(), name: '', email: '', password: '', roles: ['staff'] as ('manager' | 'staff')[] });
const entry = reactive(blank());
const { errors, refusal, busy, submit } = useForm(newPerson);

async function add(): Promise<void> {
  if (!(await submit(entry, (form) => api('people.create', { form, once: entry.id })))) return;
  Object.assign(entry, blank());
  adding.value = false;
  await reload();
}
onMounted(reload);
</script>

<template>
  <div class="page">
    <header>
      <h1>{{ say('people.title') }}</h1>
      <VBtn color="primary" :variant="adding ? 'outlined' : 'flat'" @click="adding = !adding">{{
        say(adding ? 'cancel' : 'people.add')
      }}</VBtn>
    </header>
    <form v-if="adding" class="panel entry" @submit.prevent="add">
      <VTextField v-model="entry.name" :label="say('people.name')" :error-messages="errors.name" />
      <VTextField v-model="entry.email" type="email" :label="say('people.email')" :error-messages="errors.email" />
      <VTextField
        v-model="entry.password"
        type="password"
        autocomplete="new-password"
        :label="say('people.password')"
        :error-messages="errors.password"
      />
      <VSelect
        v-model="entry.roles"
        multiple
        :items="(['manager', 'staff'] as const).map((value) => ({ value, title: say(`people.role.${value}`) }))"
        :label="say('people.roles')"
        :error-messages="errors.roles"
      />
      <p v-if="refusal" class="tell" role="alert">{{ refusal }}</p>
      <VBtn type="submit" color="primary" :loading="busy">{{ say('people.save') }}</VBtn>
    </form>
    <p v-if="failure" class="tell" role="alert">{{ failure }}</p>
    <ul v-if="answer" class="people">
      <li v-for="person in answer.people" :key="person.id">
        <span class="strong">{{ person.name }}</span><span class="quiet">{{
          person.roles.map((role) => say(`people.role.${role}`)).join(', ')
        }}</span
        ><span class="quiet">{{ person.email ?? '' }}</span>
      </li>
    </ul>
    <p class="quiet small">{{ say('people.tenantWhy') }}</p>
    <DutyPart />
  </div>
</template>

<style scoped>
.page {
  padding: 22px 26px;
  max-width: 860px;
  display: grid;
  gap: 16px;
}
header {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  flex-wrap: wrap;
}
.entry {
  padding: 16px;
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 4px 14px;
}
.entry .tell,
.entry .v-btn {
  grid-column: 1 / -1;
  justify-self: start;
}
.people li {
  display: grid;
  grid-template-columns: 1.2fr 1fr 1.6fr;
  gap: 12px;
  padding: 8px 0;
  border-top: 1px solid var(--hair);
}
</style>
