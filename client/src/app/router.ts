import { createRouter, createWebHistory } from 'vue-router';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/cases' },
    { path: '/cases', component: () => import('@/cases/list/CaseListView.vue') },
    {
      path: '/cases/:id/:stage(ask|measure|suspect|open|mend|prove)?',
      component: () => import('@/cases/case/CaseView.vue'),
      props: true,
    },
    { path: '/cases/:id/report', component: () => import('@/reports/ReportView.vue'), props: true },
    { path: '/shop', component: () => import('@/shop/ShopView.vue') },
    { path: '/pumps', component: () => import('@/pumps/list/PumpListView.vue') },
    { path: '/pumps/new', component: () => import('@/pumps/plate/PumpEditView.vue') },
    { path: '/pumps/:id', component: () => import('@/records/life/PumpLifeView.vue'), props: true },
    { path: '/pumps/:id/bench', component: () => import('@/pumps/bench/PumpView.vue'), props: true },
    { path: '/pumps/:id/edit', component: () => import('@/pumps/plate/PumpEditView.vue'), props: true },
    { path: '/pumps/:id/service', component: () => import('@/pumps/figures/ServiceView.vue'), props: true },
    { path: '/due', component: () => import('@/records/due/DueView.vue') },
    { path: '/record', component: () => import('@/records/shop/RecordView.vue') },
    { path: '/workings/:id?', component: () => import('@/workings/WorkingsView.vue'), props: true },
    { path: '/:rest(.*)*', component: () => import('@/shared/ui/NotFound.vue') },
  ],
});
