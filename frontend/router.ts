import { createRouter, createWebHistory } from 'vue-router'

export const router = createRouter({
  history: createWebHistory('/'),
  routes: [
    { path: '/', name: 'start', component: () => import('./start/StartView.vue') },
    { path: '/figures', name: 'figures', component: () => import('./figures/list/FiguresView.vue') },
    { path: '/figures/reading', name: 'reading', component: () => import('./figures/reading/ReadingView.vue') },
    { path: '/figures/:id(\\d+)', name: 'dataset', component: () => import('./figures/dataset/DatasetView.vue') },
    {
      path: '/figures/:id(\\d+)/settings',
      name: 'settings',
      component: () => import('./figures/settings/SettingsView.vue'),
    },
    { path: '/charts', name: 'charts', component: () => import('./charts/list/ChartsView.vue') },
    { path: '/charts/new', name: 'question', component: () => import('./charts/chart/ChartRoute.vue') },
    { path: '/charts/:id(\\d+)', name: 'chart', component: () => import('./charts/chart/ChartRoute.vue') },
    { path: '/reports', name: 'reports', component: () => import('./reports/list/ReportsView.vue') },
    { path: '/reports/:id(\\d+)', name: 'report', component: () => import('./reports/report/ReportView.vue') },
    {
      path: '/reports/:id(\\d+)/present',
      name: 'present',
      component: () => import('./reports/present/PresentView.vue'),
    },
    { path: '/reports/:id(\\d+)/print', name: 'print', component: () => import('./reports/present/PrintView.vue') },
    {
      path: '/reports/:id(\\d+)/issues/:number(\\d+)',
      name: 'issued',
      component: () => import('./reports/issued/IssuedView.vue'),
    },
    { path: '/month/:period(\\d{4}-\\d{2})?', name: 'month', component: () => import('./month/MonthView.vue') },
    { path: '/figures/:id(\\d+)/sources/new', name: 'new-source', component: () => import('./sources/SourceView.vue') },
    { path: '/sources/:source(\\d+)', name: 'source', component: () => import('./sources/SourceView.vue') },
    { path: '/arrivals/:id(\\d+)', name: 'arrival', component: () => import('./arrivals/ArrivalView.vue') },
    { path: '/:rest(.*)', name: 'nothing', component: () => import('./shared/NothingHere.vue') },
  ],
})

/** A part that cannot be loaded, as after an update, comes with the whole page. */
router.onError((_, to) => {
  if (location.pathname + location.search !== to.fullPath) location.assign(to.fullPath)
})
