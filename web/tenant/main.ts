import { createApp } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import { fieldsText } from '../../contract/form/en.ts';
import type { Language } from '../../core/language/languages.ts';
import { openSession, readSession } from '../api/api.ts';
import { expectedLanguage } from '../api/reading.ts';
import { learn, speak, spoken } from '../language/say.ts';
import { createTheme } from '../theme/vuetify.ts';
import '../kit/layout.css';
import { askEarly } from '../outbox/kept.ts';
import { doingText } from './en.ts';
import HomeScreen from './HomeScreen.vue';
import TenantApp from './TenantApp.vue';

learn({
  // Comes with the entry, like the first screen; another language comes beside the question who is in.
  en: () => ({ ...fieldsText, ...doingText }),
  de: async () => (await import('./voice.de.ts')).tenantVoiceDe,
});

const createTenantRouter = () =>
  createRouter({
    history: createWebHistory('/home/'),
    routes: [
      // Comes with the entry: on a thin line a second wave of files is half a second.
      { path: '/', component: HomeScreen },
      { path: '/jobs/:id', component: () => import('./TenantJobScreen.vue'), props: true },
      { path: '/look/:number(\\d+)', component: () => import('./TenantLookScreen.vue'), props: true },
      { path: '/m/:number(\\d+)', component: () => import('./TenantMachineScreen.vue'), props: true },
      { path: '/faults/:id', component: () => import('./FaultScreen.vue'), props: true },
      { path: '/list', component: () => import('../jobs/MonthListSheet.vue') },
      { path: '/report', component: () => import('./ReportScreen.vue') },
      { path: '/kept', component: () => import('../outbox/KeptScreen.vue') },
      { path: '/:rest(.*)*', redirect: '/' },
    ],
  });

/** A personal link carries its token behind the hash, which no server log sees; it is exchanged once and taken off. */
async function enter(): Promise<string> {
  const token = location.hash.slice(1);
  if (token.length >= 8) {
    history.replaceState(null, '', '/home/');
    try {
      await openSession('link.exchange', { form: { token } });
      return '';
    } catch (error) {
      return error instanceof Error ? error.message : '';
    }
  }
  await readSession().catch(() => undefined);
  return '';
}

const expected = expectedLanguage();
// Where its words do not come, English is here.
const speakOr = (language: Language) => speak(language).catch(() => speak('en'));
const [problem] = await Promise.all([enter(), speakOr(expected)]);
// Whoever came in may read another one than this device expected.
if (expectedLanguage() !== expected) await speakOr(expectedLanguage());
if (location.pathname === '/home/') askEarly('home.read');
createApp(TenantApp, { problem }).use(createTenantRouter()).use(createTheme(spoken.value)).mount('#app');

// What was left waiting goes out once the first screen has had its turn.
const LATER_MS = 1500;
setTimeout(() => void import('../outbox/start.ts').then(({ startOutbox }) => startOutbox()), LATER_MS);
