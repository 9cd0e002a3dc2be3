/// <reference types="vite/client" />
declare module 'vuetify/styles/layers'
declare module 'vuetify/styles/core'
declare module '@fontsource-variable/atkinson-hyperlegible-next'
declare module '@fontsource-variable/bricolage-grotesque'
