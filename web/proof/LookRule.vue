<script setup lang="ts">
/** How proofs are looked at: the first ones of a person, then one in so many by a draw. */
import { reactive, ref } from 'vue';
import { changeLookRule, type ChangeLookRule } from '../../contract/proof/proof.ts';
import { api } from '../api/api.ts';
import { useForm } from '../api/form.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';

const props = defineProps<{ rule: ChangeLookRule }>();
const emit = defineEmits<{ saved: [] }>();
const entry = reactive({ ...props.rule });
const saved = ref(false);
const { errors, problem, busy, submit } = useForm(changeLookRule);

async function save(): Promise<void> {
  saved.value = await submit(entry, (form) => api('proof.rule', { form }));
  if (saved.value) emit('saved');
}
</script>

<template>
  <form class="panel card stack close small" @submit.prevent="save">
    <p class="quiet">{{ say('look.why') }}</p>
    <div class="fields inline">
      <VTextField
        v-model.number="entry.first"
        type="number"
        min="0"
        density="compact"
        :label="say('look.first')"
        :error-messages="errors.first"
      />
      <VTextField
        v-model.number="entry.oneIn"
        type="number"
        min="1"
        density="compact"
        :label="say('look.oneIn')"
        :hint="say('look.oneIn.hint')"
        persistent-hint
        :error-messages="errors.oneIn"
      />
      <VBtn type="submit" variant="outlined" :loading="busy">{{ say('save') }}</VBtn>
    </div>
    <Notice :says="problem" />
    <Notice v-if="saved" done :says="say('look.saved')" />
  </form>
</template>
