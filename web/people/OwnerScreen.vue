<script setup lang="ts">
/** What an owner's link opens: it lets them in and leads on to how the homes stand. */
import { onMounted, ref } from 'vue';
import { useRouter } from 'vue-router';
import { openSession } from '../api/api.ts';
import { sentenceOf } from '../api/sentence.ts';
import Notice from '../kit/Notice.vue';
import { say } from '../language/say.ts';
import { useDesk } from './deskStore.ts';
import FrontPage from './FrontPage.vue';

const desk = useDesk();
const router = useRouter();
const failure = ref('');
onMounted(async () => {
  const token = location.hash.slice(1);
  // Whoever looks over the shoulder, or at the history later, finds no key there.
  history.replaceState(history.state, '', location.pathname);
  try {
    await openSession('link.exchange', { form: { token } });
    await desk.recognise();
    await router.replace('/standing');
  } catch (error) {
    failure.value = sentenceOf(error);
  }
});
</script>

<template>
  <FrontPage :title="say('standing.title')" :why="say('owner.why')"><Notice :says="failure" /></FrontPage>
</template>
