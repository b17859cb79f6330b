import './styles/reset.css';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/bricolage-grotesque';
import 'vuetify/styles';
import './styles/base.css';
import './styles/dryness.css';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { vuetify } from './shared/vuetify';

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app');
