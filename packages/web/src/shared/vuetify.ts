import { createVuetify } from 'vuetify';
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg';

/**
 * Two themes, both neutral so that paint colours read true: `paper` for planning, `workshop`, dim, for the bench.
 */
export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  theme: {
    defaultTheme: 'paper',
    themes: {
      paper: {
        dark: false,
        colors: {
          background: '#f2f2f0',
          surface: '#fbfbfa',
          'surface-bright': '#ffffff',
          'surface-light': '#ececea',
          'surface-variant': '#e4e4e1',
          'on-surface-variant': '#1b1c1d',
          primary: '#232527',
          'on-primary': '#fbfbfa',
          secondary: '#55585a',
          error: '#96291a',
          warning: '#7a5200',
          success: '#22603c',
        },
        variables: { 'border-color': '#1b1c1d', 'border-opacity': 0.16 },
      },
      workshop: {
        dark: true,
        colors: {
          background: '#17181a',
          surface: '#202225',
          'surface-bright': '#d2d4d4',
          'surface-light': '#3a3d42',
          'surface-variant': '#303338',
          'on-surface-variant': '#ececea',
          primary: '#ececea',
          'on-primary': '#17181a',
          secondary: '#b0b4b6',
          error: '#ff9c8a',
          warning: '#f0c36a',
          success: '#8fd3a9',
        },
        variables: { 'border-color': '#ececea', 'border-opacity': 0.18 },
      },
    },
  },
  defaults: {
    VBtn: { variant: 'outlined', rounded: 'sm', class: 'text-none' },
    VTextField: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VCombobox: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VSelect: {
      variant: 'outlined',
      density: 'comfortable',
      hideDetails: 'auto',
      menuProps: { maxHeight: 720 },
      listProps: { density: 'compact' },
    },
    VAutocomplete: {
      variant: 'outlined',
      density: 'comfortable',
      hideDetails: 'auto',
      autoSelectFirst: true,
      menuProps: { maxHeight: 720 },
      listProps: { density: 'compact' },
    },
    VTextarea: { variant: 'outlined', density: 'comfortable', hideDetails: 'auto' },
    VCheckbox: { density: 'comfortable', hideDetails: 'auto' },
    VCard: { rounded: 'sm', elevation: 0, border: true },
    VDialog: { maxWidth: 640 },
    // A menu that is still fading away takes no press when it is opened again.
    VMenu: { transition: false },
  },
});
