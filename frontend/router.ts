import { createRouter, createWebHistory } from 'vue-router'
import StartView from './start/StartView.vue'

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', name: 'start', component: StartView },
    { path: '/figures', name: 'figures', component: () => import('./figures/list/FiguresView.vue') },
    { path: '/figures/reading', name: 'reading', component: () => import('./figures/reading/ReadingView.vue') },
    { path: '/figures/:id(\\d+)', name: 'dataset', component: () => import('./figures/dataset/DatasetView.vue') },
    {
      path: '/figures/:id(\\d+)/settings',
      name: 'settings',
      component: () => import('./figures/settings/SettingsView.vue'),
    },
    { path: '/charts', name: 'charts', component: () => import('./charts/list/ChartsView.vue') },
    { path: '/charts/new', name: 'question', component: () => import('./charts/chart/ChartView.vue') },
    { path: '/charts/:id(\\d+)', name: 'chart', component: () => import('./charts/chart/ChartView.vue') },
    { path: '/:rest(.*)', name: 'nothing', component: () => import('./shared/NothingHere.vue') },
  ],
})
