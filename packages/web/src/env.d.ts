declare module '*.vue' {
  import type { DefineComponent } from 'vue';
  const component: DefineComponent<object, object, unknown>;
  export default component;
}
declare module '@fontsource-variable/atkinson-hyperlegible-next';
declare module '@fontsource/bricolage-grotesque/600.css';
declare module 'vuetify/styles';
