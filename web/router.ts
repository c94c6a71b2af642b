import { createRouter, createWebHistory } from 'vue-router'
import { access } from './api/access.ts'
import { signedOut } from './api/request.ts'
import AheadScreen from './screens/ahead/AheadScreen.vue'
import PlanScreen from './screens/plan/PlanScreen.vue'
import SiteFrame from './screens/site/SiteFrame.vue'
import SitesScreen from './screens/sites/SitesScreen.vue'
import SurroundScreen from './screens/surround/SurroundScreen.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'sites', component: SitesScreen },
    {
      path: '/sign-in',
      name: 'sign-in',
      component: () => import('./screens/sites/SignInScreen.vue'),
    },
    {
      path: '/sites/:id',
      component: SiteFrame,
      children: [
        { path: '', redirect: (to) => ({ name: 'plan', params: to.params }) },
        {
          path: 'plan/:view(structure|inventory|addresses|figures|history)?',
          name: 'plan',
          component: PlanScreen,
        },
        {
          path: 'surround/:view(menus|marks|look|words|files|source|compare)?',
          name: 'surround',
          component: SurroundScreen,
        },
        {
          path: 'write/:view(source)?',
          name: 'write',
          component: () => import('./screens/write/WriteScreen.vue'),
        },
        {
          path: 'proof/:view(walk|links|looked-at)?',
          name: 'proof',
          component: () => import('./screens/proof/ProofScreen.vue'),
        },
        { path: ':ahead(publish)', name: 'ahead', component: AheadScreen },
      ],
    },
    { path: '/:lost(.*)*', redirect: '/' },
  ],
})

router.beforeEach(async ({ name, fullPath }) =>
  name === 'sign-in' || (await access.isIn()) ? true : { name: 'sign-in', query: { back: fullPath } },
)

signedOut.tell = () => {
  access.end()
  const { name, fullPath } = router.currentRoute.value
  if (name !== 'sign-in') void router.push({ name: 'sign-in', query: { back: fullPath } })
}
