import './styles/reset.css';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource/bricolage-grotesque/600.css';
import 'vuetify/styles';
import './styles/base.css';
import './styles/dryness.css';
import { speakMeasuresAs, speakMomentsAs } from '@fixatum/core';
import { createPinia } from 'pinia';
import { createApp } from 'vue';
import App from './App.vue';
import { router } from './router';
import { momentStyleHere, unitSystemHere } from './shared/deviceStyle';
import { openOffline } from './shared/offline';
import { vuetify } from './shared/vuetify';

speakMomentsAs(momentStyleHere());
speakMeasuresAs(unitSystemHere());
createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app');
openOffline();
