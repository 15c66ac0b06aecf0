<script setup lang="ts">
/** What is changed about a property: its name and buildings, its water and practice from a day on, its numbers. */
import { reactive } from 'vue';
import { propertyChange, type PropertySummary } from '../../contract/register/register.ts';
import { api, newId } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import { say } from '../language/say.ts';
import EntryRuleForm from '../notices/EntryRuleForm.vue';
import CalendarAddress from '../people/CalendarAddress.vue';
import NumbersForm from '../notices/NumbersForm.vue';
import PropertyEdit from './PropertyEdit.vue';
import WalkingOrder from './WalkingOrder.vue';
import WaterAndPractice from './WaterAndPractice.vue';
import Notice from '../kit/Notice.vue';

const props = defineProps<{ property: PropertySummary }>();
const emit = defineEmits<{ saved: [] }>();
const key = newId();
const entry = reactive({
  water: { ...props.property.water },
  practice: props.property.practice,
  from: props.property.today,
});
const { errors, problem, busy, submit } = useForm(propertyChange);

async function save(): Promise<void> {
  if (await submit(entry, (form) => api('property.change', { id: props.property.id, form, once: key }))) emit('saved');
}
</script>

<template>
  <div class="stack close">
    <PropertyEdit :property="property" @saved="emit('saved')" />
    <form class="panel card fields wide-ones" @submit.prevent="save">
      <WaterAndPractice v-model:water="entry.water" v-model:practice="entry.practice" :errors="errors" />
      <VTextField v-model="entry.from" type="date" :label="say('property.from')" :error-messages="errors.from" />
      <Notice :says="problem" />
      <VBtn type="submit" color="primary" :loading="busy">{{ say('spec.save') }}</VBtn>
    </form>
    <EntryRuleForm :property-id="property.id" :known="property.noticeHours" />
    <NumbersForm :property-id="property.id" :numbers="property.numbers" />
    <WalkingOrder v-if="property.places.length > 1" :property="property" @saved="emit('saved')" />
    <section class="panel card stack close">
      <h3>{{ say('feed.title') }}</h3>
      <CalendarAddress kind="property" :property-id="property.id" />
    </section>
  </div>
</template>
