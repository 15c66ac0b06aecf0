import { createApp } from 'vue';
import { createRouter, createWebHistory } from 'vue-router';
import { fieldsText } from '../../contract/en.ts';
import { openSession, readSession } from '../door/door.ts';
import { learn } from '../language/say.ts';
import { createTheme } from '../theme/vuetify.ts';
import { doingText } from './en.ts';
import TenantApp from './TenantApp.vue';

learn({ ...fieldsText, ...doingText });

const createTenantRouter = () => createRouter({
  history: createWebHistory('/home/'),
  routes: [
    { path: '/', component: () => import('./HomeScreen.vue') },
    { path: '/jobs/:id', component: () => import('./TenantJobScreen.vue'), props: true },
    { path: '/look/:number(\\d+)', component: () => import('./TenantLookScreen.vue'), props: true },
    { path: '/m/:number(\\d+)', component: () => import('./TenantMachineScreen.vue'), props: true },
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
      await openSession('/link', { token });
    } catch (error) {
      return error instanceof Error ? error.message : '';
    }
  }
  await readSession().catch(() => undefined);
  return '';
}

const refusal = await enter();
createApp(TenantApp, { refusal }).use(createTenantRouter()).use(createTheme()).mount('#app');

// What can wait until the first screen is there.
void import('../outbox/start.ts').then(({ startOutbox }) => startOutbox());
