import { createVuetify } from 'vuetify'
import { aliases, mdi } from 'vuetify/iconsets/mdi-svg'

/** The two faces of the app: linen for the desk, night for the projector. Colours are those of tokens.css. */
export const vuetify = createVuetify({
  icons: { defaultSet: 'mdi', aliases, sets: { mdi } },
  defaults: {
    VBtn: { rounded: 'lg', variant: 'flat', minHeight: 44 },
    VTextField: { variant: 'outlined', density: 'comfortable', color: 'primary' },
    VTextarea: { variant: 'outlined', density: 'comfortable', color: 'primary' },
    VSelect: { variant: 'outlined', density: 'comfortable', color: 'primary' },
    VSwitch: { color: 'primary' },
  },
  theme: {
    defaultTheme: 'linen',
    themes: {
      linen: {
        dark: false,
        colors: {
          background: '#f5f1e6',
          surface: '#fffdf6',
          primary: '#22302c',
          'on-primary': '#fffdf6',
          'on-surface': '#22302c',
          'on-background': '#22302c',
          error: '#8c1d1d',
        },
        variables: { 'medium-emphasis-opacity': 0.8, 'high-emphasis-opacity': 1 },
      },
      night: {
        dark: true,
        colors: {
          background: '#14201e',
          surface: '#1d2b28',
          primary: '#f5ecdc',
          'on-primary': '#14201e',
          'on-surface': '#f5ecdc',
          'on-background': '#f5ecdc',
          error: '#ffb4a6',
        },
        variables: { 'medium-emphasis-opacity': 0.85, 'high-emphasis-opacity': 1 },
      },
    },
  },
})
