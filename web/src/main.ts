import '@fontsource-variable/fraunces/soft.css'
import '@fontsource-variable/instrument-sans'
import '@fontsource/noto-music/music.css'
import './look/tokens.css'
import './look/base.css'
import './look/nonce'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { Problem } from './api/client'
import { tell } from './desk/notice'
import { router } from './router'

/** What an act did not expect to fail is told all the same; gives whether it could be. */
function tellOf(failed: unknown): boolean {
  if (failed instanceof Problem) tell(failed.message)
  return failed instanceof Problem
}
addEventListener('unhandledrejection', ({ reason }) => tellOf(reason))

const app = createApp(App)
app.config.errorHandler = (failed) => tellOf(failed) || console.error(failed)
app.use(createPinia()).use(router).mount('#page')
