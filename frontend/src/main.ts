import '@fontsource-variable/archivo/standard.css'
import './shell/base.css'
import './shell/controls.css'
import { createPinia } from 'pinia'
import PrimeVue from 'primevue/config'
import { createApp } from 'vue'
import { createRouter, createWebHistory } from 'vue-router'
import AppShell from './shell/AppShell.vue'
import { DraftingTable } from './shell/preset'

const part = '/jobs/:number/parts/:partId(\\d+)'
const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'counter', component: () => import('./counter/CounterScreen.vue') },
    { path: '/jobs/:number/take-in', name: 'take-in', component: () => import('./takein/TakeInScreen.vue') },
    { path: '/jobs/:number/line', name: 'line', component: () => import('./line/LineScreen.vue') },
    {
      path: '/jobs/:number/strip-sheet',
      name: 'strip-sheet',
      component: () => import('./line/StripSheet.vue'),
    },
    { path: `${part}/bench`, name: 'bench', component: () => import('./bench/BenchScreen.vue') },
    { path: `${part}/match`, name: 'match', component: () => import('./match/MatchScreen.vue') },
    { path: `${part}/seats`, name: 'seats', component: () => import('./seats/SeatsScreen.vue') },
    {
      path: `${part}/enquiry`,
      name: 'enquiry',
      component: () => import('./bench/EnquirySheet.vue'),
    },
    { path: '/jobs/:number/fit-up', name: 'fit-up', component: () => import('./fitup/FitUpScreen.vue') },
    {
      path: '/jobs/:number/fit-up-sheet',
      name: 'fit-up-sheet',
      component: () => import('./fitup/FitUpPaper.vue'),
    },
    { path: '/jobs/:number/proof', name: 'proof', component: () => import('./proof/ProofScreen.vue') },
    { path: '/shop', name: 'shop', component: () => import('./shop/ShopScreen.vue') },
    { path: '/shop/people', name: 'people', component: () => import('./shop/PeopleScreen.vue') },
    { path: '/shop/record', name: 'record', component: () => import('./shop/RecordScreen.vue') },
    {
      path: '/jobs/:number/history',
      name: 'job-history',
      component: () => import('./history/JobHistory.vue'),
    },
    {
      path: '/units/:unitId(\\d+)',
      name: 'history',
      component: () => import('./history/HistoryScreen.vue'),
    },
    {
      path: '/nothing-yet/:stage(bench|match|seats)',
      name: 'nothing-yet',
      component: () => import('./shell/NothingYet.vue'),
    },
    {
      path: '/reference/:question?',
      name: 'reference',
      component: () => import('./reference/ReferenceScreen.vue'),
    },
    { path: '/orders', name: 'order', component: () => import('./order/OrderScreen.vue') },
    { path: '/:anything(.*)', name: 'nowhere', component: () => import('./shell/NowhereScreen.vue') },
  ],
})

const nonce = document.querySelector<HTMLMetaElement>('meta[property="csp-nonce"]')?.nonce
createApp(AppShell)
  .use(createPinia())
  .use(router)
  .use(PrimeVue, {
    csp: { nonce },
    theme: { preset: DraftingTable, options: { darkModeSelector: 'none', cssLayer: false } },
  })
  .mount('#app')
