import '@fontsource-variable/fraunces/soft.css'
import '@fontsource-variable/instrument-sans'
import './look/tokens.css'
import './look/base.css'
import './look/nonce'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'

createApp(App).use(createPinia()).use(router).mount('#page')
