import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { learn } from '../language/say.ts';
import { createTheme } from '../theme/vuetify.ts';
import '../kit/layout.css';
import DeskApp from './DeskApp.vue';
import { router } from './router.ts';
import { deskVoice } from './voice.ts';

learn(deskVoice);
createApp(DeskApp).use(createPinia()).use(router).use(createTheme()).mount('#app');
void import('../outbox/start.ts').then(({ startOutbox }) => startOutbox());
