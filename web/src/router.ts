import { createRouter, createWebHistory } from 'vue-router'
import HomeView from './steps/home/HomeView.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', component: HomeView },
    {
      path: '/sessions/:session',
      component: () => import('./steps/session/SessionFrame.vue'),
      props: true,
      children: [
        { path: '', redirect: (to) => `${to.path}/input-list` },
        { path: 'rig', component: () => import('./steps/rig/RigView.vue') },
        { path: 'input-list', component: () => import('./steps/inputs/InputListView.vue') },
        { path: 'tracks', component: () => import('./steps/tracks/TracksView.vue') },
        { path: 'cues', component: () => import('./steps/cues/CuesView.vue') },
      ],
    },
    { path: '/:anything(.*)*', redirect: '/' },
  ],
})
