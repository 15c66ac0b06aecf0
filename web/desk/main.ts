import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { fieldsText } from '../../contract/en.ts';
import { vocabulary } from '../../core/language/vocabulary.ts';
import { learn } from '../language/say.ts';
import { doingText } from '../tenant/en.ts';
import { createTheme } from '../theme/vuetify.ts';
import DeskApp from './DeskApp.vue';
import { dueDeskText } from '../due/en.ts';
import { deskText } from './en.ts';
import { router } from './router.ts';

learn({ ...fieldsText, ...vocabulary, ...doingText, ...deskText, ...dueDeskText });
createApp(DeskApp).use(createPinia()).use(router).use(createTheme()).mount('#app');
