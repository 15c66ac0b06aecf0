import { createPinia } from 'pinia';
import { createApp } from 'vue';
import { fieldsText } from '../../contract/form/en.ts';
import { vocabulary } from '../../core/language/vocabulary.ts';
import { learn } from '../language/say.ts';
import { doingText } from '../tenant/en.ts';
import { createTheme } from '../theme/vuetify.ts';
import '../kit/layout.css';
import DeskApp from './DeskApp.vue';
import { catalogueDeskText } from '../catalogue/en.ts';
import { catalogueWords } from '../../core/catalogue/en/words.ts';
import { dueDeskText } from '../due/en.ts';
import { measureDeskText } from '../measure/en.ts';
import { registerDeskText } from '../register/en.ts';
import { deskText } from './en.ts';
import { router } from './router.ts';

learn({
  ...fieldsText,
  ...vocabulary,
  ...doingText,
  ...catalogueWords,
  ...catalogueDeskText,
  ...registerDeskText,
  ...measureDeskText,
  ...deskText,
  ...dueDeskText,
});
createApp(DeskApp).use(createPinia()).use(router).use(createTheme()).mount('#app');
void import('../outbox/start.ts').then(({ startOutbox }) => startOutbox());
