import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { expectedLanguage } from '../api/reading.ts';
import { learn, speak, spoken } from '../language/say.ts';
import { useDesk } from '../people/deskStore.ts';
import { createTheme } from '../theme/vuetify.ts';
import '../kit/layout.css';
import DeskApp from './DeskApp.vue';
import { router } from './router.ts';

learn({
  en: async () => (await import('./voice.ts')).deskVoice,
  de: async () => (await import('./voice.de.ts')).deskVoiceDe,
});
const app = createApp(DeskApp).use(createPinia());
// Who is in is asked while the words come; where they read another language than was expected, that one comes, too.
await Promise.all([
  speak(expectedLanguage()),
  useDesk()
    .recognise()
    .catch(() => undefined),
]);
app.use(router).use(createTheme(spoken.value)).mount('#app');
void import('../outbox/start.ts').then(({ startOutbox }) => startOutbox());
