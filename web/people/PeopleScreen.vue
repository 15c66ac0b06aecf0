<script setup lang="ts">
import { onMounted, reactive, ref } from 'vue';
import { newPerson } from '../../contract/people/people.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { useLoading } from '../api/load.ts';
import { say } from '../language/say.ts';
import DutyPart from '../notices/DutyPart.vue';
import PageFrame from '../kit/PageFrame.vue';
import Notice from '../kit/Notice.vue';

const people = useLoading(() => api('people.read'));
const { value: answer, reload } = people;
const adding = ref(false);
const blank = () => ({ id: newId(), name: '', email: '', password: '', roles: ['staff'] as ('manager' | 'staff')[] });
const entry = reactive(blank());
const { errors, problem, busy, submit } = useForm(newPerson);

async function add(): Promise<void> {
  if (!(await submit(entry, (form) => api('people.create', { form, once: entry.id })))) return;
  Object.assign(entry, blank());
  adding.value = false;
  await reload();
}
onMounted(reload);
</script>

<template>
  <PageFrame width="text" :title="say('people.title')" :of="people">
    <template #actions
      ><VBtn color="primary" :variant="adding ? 'outlined' : 'flat'" @click="adding = !adding">{{
        say(adding ? 'cancel' : 'people.add')
      }}</VBtn></template
    >
    <form v-if="adding" class="panel card fields" @submit.prevent="add">
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
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" :loading="busy">{{ say('people.save') }}</VBtn>
    </form>

    <ul v-if="answer" class="people ruled">
      <li v-for="person in answer.people" :key="person.id" class="columns small-ones">
        <span class="strong">{{ person.name }}</span><span class="quiet">{{
          person.roles.map((role) => say(`people.role.${role}`)).join(', ')
        }}</span
        ><span class="quiet">{{ person.email ?? '' }}</span>
      </li>
    </ul>
    <p class="quiet small">{{ say('people.tenantWhy') }}</p>
    <DutyPart />
  </PageFrame>
</template>
