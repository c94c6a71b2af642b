import { createRouter, createWebHistory } from 'vue-router'
import { access } from './api/access.ts'
import { readAhead } from './api/readAhead.ts'
import { signedOut } from './api/request.ts'
import { SCREENS, SITE_FRAME } from './screens/screens.ts'
import SitesScreen from './screens/sites/SitesScreen.vue'

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
      path: '/existing',
      name: 'existing',
      component: () => import('./screens/existing/ExistingScreen.vue'),
    },
    {
      path: '/sites/:id',
      component: SITE_FRAME,
      children: [
        { path: '', redirect: (to) => ({ name: 'plan', params: to.params }) },
        {
          path: 'plan/:view(structure|inventory|addresses|statistics|history)?',
          name: 'plan',
          component: SCREENS.plan,
        },
        {
          path: 'surround/:view(menus|current-page|design|labels|files|source|compare)?',
          name: 'surround',
          component: SCREENS.surround,
        },
        {
          path: 'write/:view(source)?',
          name: 'write',
          component: SCREENS.write,
        },
        {
          path: 'proof/:view(link-check|links|review)?',
          name: 'proof',
          component: SCREENS.proof,
        },
        {
          path: 'settings/:view(addresses|dictionary)?',
          name: 'settings',
          component: SCREENS.settings,
        },
        {
          path: 'publish/:view(publications|visitors|host)?',
          name: 'publish',
          component: SCREENS.publish,
        },
      ],
    },
    { path: '/:lost(.*)*', name: 'lost', component: () => import('./screens/LostScreen.vue') },
  ],
})

router.beforeEach(async ({ name, fullPath, params }, from) => {
  if (name === 'sign-in') return true
  if (!(await access.isIn())) return { name: 'sign-in', query: { back: fullPath } }
  const id = params['id']
  if (typeof id === 'string' && id !== from.params['id']) readAhead(id)
  return true
})

signedOut.tell = () => {
  access.end()
  const { name, fullPath } = router.currentRoute.value
  if (name !== 'sign-in') void router.push({ name: 'sign-in', query: { back: fullPath } })
}
