import '@fontsource/barlow/latin-400.css'
import '@fontsource/barlow/latin-ext-400.css'
import '@fontsource/barlow/latin-500.css'
import '@fontsource/barlow/latin-ext-500.css'
import '@fontsource/barlow/latin-600.css'
import '@fontsource/barlow/latin-ext-600.css'
import '@fontsource/barlow-semi-condensed/latin-500.css'
import '@fontsource/barlow-semi-condensed/latin-600.css'
import '@fontsource/ibm-plex-mono/latin-400.css'
import './theme/base.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { SITE_FRAME } from './screens/screens.ts'

// What a site stands in is asked for before anything else is made.
if (location.pathname.startsWith('/sites/')) SITE_FRAME().catch(() => undefined)

createApp(App).use(createPinia()).use(router).mount('#app')
