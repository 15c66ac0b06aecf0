/** The desk's screens and who they are for. */
import { createRouter, createWebHistory } from 'vue-router';
import { knowGoing } from '../kit/going.ts';
import { useDesk } from '../people/deskStore.ts';

declare module 'vue-router' {
  interface RouteMeta {
    readonly open?: boolean;
    /** Where a letter leads: open to whoever holds it, signed in or not. */
    readonly letter?: boolean;
    readonly manager?: boolean;
    /** About the whole office: for managers who are not limited to some properties. */
    readonly wholeOffice?: boolean;
    /** For owners too, who have no other. */
    readonly owner?: boolean;
  }
}

/** Where somebody begins who asked for nothing. */
function firstScreen(): string {
  const desk = useDesk();
  if (desk.isOwner) return '/standing';
  return desk.isManager ? '/line' : '/today';
}

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: firstScreen },
    { path: '/alarm', component: () => import('../notices/AlarmScreen.vue'), meta: { letter: true } },
    { path: '/owner', component: () => import('../people/OwnerScreen.vue'), meta: { letter: true } },
    { path: '/access', component: () => import('../people/AccessScreen.vue'), meta: { letter: true } },
    { path: '/account', component: () => import('../people/AccountScreen.vue') },
    { path: '/sign-in', component: () => import('../people/SignInScreen.vue'), meta: { open: true } },
    { path: '/first-run', component: () => import('../people/FirstRunScreen.vue'), meta: { open: true } },
    { path: '/line/:number(\\d+)?', component: () => import('../pages/LineScreen.vue'), meta: { manager: true } },
    {
      path: '/line/:number(\\d+)/working',
      component: () => import('../due/WorkingScreen.vue'),
      meta: { manager: true },
      props: true,
    },
    {
      path: '/line/:number(\\d+)/filters',
      component: () => import('../stock/FilterScreen.vue'),
      meta: { manager: true },
      props: true,
    },
    {
      path: '/practice/:part?',
      component: () => import('../due/PracticeScreen.vue'),
      meta: { manager: true },
      props: (to) => ({ part: String(to.params.part ?? '') }),
    },
    { path: '/look/:number(\\d+)', component: () => import('../due/LookScreen.vue'), props: true },
    { path: '/proof/:id?', component: () => import('../proof/ProofScreen.vue'), meta: { manager: true } },
    { path: '/asked', component: () => import('../notices/AskedScreen.vue'), meta: { manager: true } },
    { path: '/faults', component: () => import('../pages/FaultsScreen.vue') },
    { path: '/faults/report', component: () => import('../faults/StaffReportScreen.vue') },
    { path: '/inspections', component: () => import('../faults/InspectionsScreen.vue') },
    { path: '/inspections/:id', component: () => import('../faults/InspectionScreen.vue'), props: true },
    { path: '/faults/:id', component: () => import('../pages/FaultScreen.vue'), props: true },
    {
      path: '/standing',
      component: () => import('../standing/StandingScreen.vue'),
      meta: { manager: true, owner: true },
    },
    { path: '/homes', component: () => import('../register/HomesScreen.vue'), meta: { manager: true } },
    { path: '/homes/import', component: () => import('../register/ImportScreen.vue'), meta: { wholeOffice: true } },
    { path: '/homes/baseline', component: () => import('../register/BaselineScreen.vue'), meta: { manager: true } },
    {
      path: '/homes/templates/:id?',
      component: () => import('../register/TemplatesScreen.vue'),
      meta: { wholeOffice: true },
      props: true,
    },
    { path: '/homes/labels', component: () => import('../register/LabelsScreen.vue'), meta: { manager: true } },
    { path: '/homes/:id', component: () => import('../pages/PlaceScreen.vue'), props: true },
    {
      path: '/homes/:id/tape',
      component: () => import('../pages/TapeScreen.vue'),
      props: ({ params }) => ({ scope: 'place', id: params.id }),
    },
    {
      path: '/machines/:id/tape',
      component: () => import('../pages/TapeScreen.vue'),
      props: ({ params }) => ({ scope: 'machine', id: params.id }),
    },
    {
      path: '/homes/:id/turnover',
      component: () => import('../register/TurnoverScreen.vue'),
      meta: { manager: true },
      props: true,
    },
    { path: '/homes/:id/list', component: () => import('../jobs/MonthListSheet.vue'), props: true },
    { path: '/homes/:id/walk', component: () => import('../register/WalkScreen.vue'), props: true },
    { path: '/procedures', component: () => import('../catalogue/ProceduresScreen.vue') },
    {
      path: '/procedures/machines',
      component: () => import('../catalogue/DefinedScreen.vue'),
      meta: { wholeOffice: true },
    },
    {
      path: '/procedures/machines/:id',
      component: () => import('../catalogue/DefineScreen.vue'),
      props: true,
      meta: { wholeOffice: true },
    },
    { path: '/procedures/:id', component: () => import('../catalogue/ProcedureScreen.vue'), props: true },
    { path: '/procedures/:id/rehearsal', component: () => import('../catalogue/RehearsalScreen.vue'), props: true },
    { path: '/rounds', component: () => import('../rounds/RoundsScreen.vue') },
    { path: '/round', component: () => import('../rounds/RoundSheet.vue') },
    { path: '/stock', component: () => import('../stock/StockScreen.vue') },
    { path: '/measure', component: () => import('../measure/MeasureScreen.vue') },
    { path: '/m/:number(\\d+)', component: () => import('../pages/MachineScreen.vue'), props: true },
    { path: '/people', component: () => import('../people/PeopleScreen.vue'), meta: { wholeOffice: true } },
    { path: '/today', component: () => import('../jobs/TodayScreen.vue') },
    { path: '/jobs/:id', component: () => import('../jobs/StaffJobScreen.vue'), props: true },
    { path: '/kept', component: () => import('../outbox/KeptScreen.vue') },
    { path: '/:rest(.*)*', component: () => import('./NotFoundScreen.vue') },
  ],
});
knowGoing(router);

router.beforeEach(async (to) => {
  const desk = useDesk();
  if (to.meta.letter) return true;
  if (!desk.known) await desk.recognise().catch(() => undefined);
  if (desk.firstRun) return to.path === '/first-run' ? true : '/first-run';
  if (to.meta.open) return desk.me ? '/' : true;
  if (!desk.me) return { path: '/sign-in', query: to.fullPath === '/' ? {} : { to: to.fullPath } };
  if (desk.me.roles.every((role) => role === 'tenant' || role === 'contractor')) {
    location.assign(to.path.startsWith('/m/') ? `/home${to.path}` : '/home/');
    return false;
  }
  if (desk.isOwner) return to.meta.owner ? true : firstScreen();
  if (to.meta.wholeOffice && !desk.managesAll) return firstScreen();
  return to.meta.manager && !desk.isManager ? firstScreen() : true;
});
