import 'vuetify/styles/layers'
import 'vuetify/styles/core'
import '@fontsource-variable/atkinson-hyperlegible-next'
import '@fontsource-variable/bricolage-grotesque'
import './tokens.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'
import { vuetify } from './vuetify'

createApp(App).use(createPinia()).use(router).use(vuetify).mount('#app')
// Not before the first page stands: it only matters once a core was loaded.
void import('./core/newerApp').then(({ renewWhenOutdated }) => renewWhenOutdated(router))
