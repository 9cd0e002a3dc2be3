import { createRouter, createWebHistory } from 'vue-router'
import { useSession } from './features/session/useSession'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/plan' },
    { path: '/sign-in', component: () => import('./features/session/SignInPage.vue'), meta: { open: true } },
    { path: '/setup', component: () => import('./features/session/SetUpPage.vue'), meta: { open: true } },
    {
      path: '/install',
      component: () => import('./features/session/InstallPage.vue'),
      meta: { bare: true, everyone: true },
    },
    {
      path: '/verify',
      component: () => import('./features/statement/VerifyPage.vue'),
      meta: { bare: true, everyone: true },
    },
    { path: '/earlier', component: () => import('./features/earlier/EarlierPage.vue') },
    {
      path: '/practice/:id',
      component: () => import('./features/graderpractice/PracticeRunPage.vue'),
      props: true,
    },
    { path: '/raised', component: () => import('./features/raised/RaisedPage.vue') },
    {
      path: '/incidents/:id',
      component: () => import('./features/incident/IncidentPage.vue'),
      props: true,
      meta: { student: true },
    },
    { path: '/statements', component: () => import('./features/statement/StatementsPage.vue') },
    { path: '/sign', component: () => import('./features/statement/SignPage.vue') },
    { path: '/plan', component: () => import('./features/sequence/PlanPage.vue') },
    { path: '/term', component: () => import('./features/calendar/TermPage.vue') },
    { path: '/techniques', component: () => import('./features/technique/TechniquesPage.vue') },
    { path: '/plan/:id', component: () => import('./features/sequence/SequencePage.vue'), props: true },
    { path: '/show', component: () => import('./features/demonstration/ShowListPage.vue') },
    { path: '/show/rounds', component: () => import('./features/demonstration/RoundSetUpPage.vue') },
    {
      path: '/show/rounds/:id',
      component: () => import('./features/demonstration/RoundPage.vue'),
      props: true,
      meta: { bare: true },
    },
    {
      path: '/show/:id',
      component: () => import('./features/demonstration/ShowPage.vue'),
      props: true,
      meta: { bare: true },
    },
    {
      path: '/class/:code',
      component: () => import('./features/demonstration/ClassPage.vue'),
      props: true,
      meta: { bare: true, everyone: true },
    },
    {
      path: '/client/:code',
      component: () => import('./features/practical/HandsetPage.vue'),
      props: true,
      meta: { bare: true, everyone: true },
    },
    { path: '/briefing', component: () => import('./features/briefing/BriefingPage.vue') },
    { path: '/door', component: () => import('./features/register/RegisterPage.vue') },
    { path: '/partners', component: () => import('./features/pairing/PartnersPage.vue') },
    { path: '/timetable', component: () => import('./features/timetable/TimetablePage.vue') },
    { path: '/floor', component: () => import('./features/practical/FloorPage.vue') },
    { path: '/grade', component: () => import('./features/practical/GradePage.vue') },
    { path: '/grade/:id', component: () => import('./features/practical/TablePage.vue'), props: true },
    { path: '/review', redirect: '/grade' },
    {
      path: '/review/:id',
      component: () => import('./features/practical/ReviewPage.vue'),
      props: true,
      meta: { student: true },
    },
    {
      path: '/compare/:first/:second',
      component: () => import('./features/practical/ComparePage.vue'),
      props: true,
      meta: { student: true },
    },
    {
      path: '/compare/:id/shown/:demonstration',
      component: () => import('./features/practical/BesideShownPage.vue'),
      props: true,
    },
    { path: '/track', component: () => import('./features/competency/TrackPage.vue') },
    {
      path: '/track/:id',
      component: () => import('./features/competency/StudentPage.vue'),
      props: true,
      meta: { student: true },
    },
    {
      path: '/peer',
      component: () => import('./features/practical/PeerPage.vue'),
      meta: { student: true },
    },
    {
      path: '/marks',
      component: () => import('./features/practical/MarksPage.vue'),
      meta: { student: true },
    },
    { path: '/me', component: () => import('./features/competency/MePage.vue'), meta: { student: true } },
    {
      path: '/school/profile/:id',
      component: () => import('./features/school/ProfilePage.vue'),
      props: true,
    },
    { path: '/school', component: () => import('./features/school/SchoolPage.vue') },
    { path: '/:rest(.*)', redirect: '/' },
  ],
})

router.beforeEach(async (to) => {
  if (to.meta.everyone) return true
  const session = useSession()
  if (!session.session) {
    try {
      await session.read()
    } catch {
      // The page says so itself; who is signed in is asked until somebody answers, and the page opened anew then.
      setTimeout(() => {
        if (!session.session && router.currentRoute.value.fullPath === to.fullPath)
          void router.replace({ ...to, force: true })
      }, 3000)
      return true
    }
  }
  if (session.session?.needsSetup) return to.path === '/setup' ? true : '/setup'
  if (!session.person)
    return to.meta.open && to.path !== '/setup' ? true : { path: '/sign-in', query: { to: to.fullPath } }
  if (to.meta.open) return session.staff ? '/plan' : '/me'
  if (!session.staff && !to.meta.student) return '/me'
  return true
})
