import { createRouter, createWebHistory } from 'vue-router'
import HomeView from './steps/home/HomeView.vue'
import { lastStep } from './desk/pageState'
import { BESIDE, STEPS } from './steps/steps'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: HomeView },
    {
      path: '/sessions/:session',
      component: () => import('./steps/session/SessionFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => `${to.path.replace(/\/$/, '')}/${lastStep(String(to.params.session))}` },
        ...[...STEPS, ...BESIDE].map((step) => ({ path: step.path, component: step.view })),
      ],
    },
    { path: '/:anything(.*)*', redirect: '/' },
  ],
})
