import { createRouter, createWebHistory } from 'vue-router';
import { benchParts } from './bench/benchParts';
import { onceTallEnough } from './shared/onceTallEnough';

const benchView = () => import('./bench/BenchView.vue');
const piecesView = () => import('./pieces/PiecesView.vue');
const pieceView = () => import('./piece/PieceView.vue');
const planView = () => import('./plan/PlanView.vue');
/** What who has a build open needs next: all of the Bench, then the screens beside it. */
export const nextParts = [
  benchView,
  ...Object.values(benchParts),
  () => import('./bench/OwnTimer.vue'),
  () => import('./shared/usedTins'),
  () => import('./shared/HowToDialog.vue'),
  piecesView,
  planView,
  pieceView,
];

// Each view is loaded when it is first visited.
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'start', component: () => import('./start/StartView.vue') },
    { path: '/find', name: 'find', component: () => import('./records/FindView.vue') },
    { path: '/b/:build', redirect: (to) => ({ name: 'bench', params: to.params }) },
    { path: '/b/:build/bench', name: 'bench', component: benchView },
    { path: '/b/:build/pieces', name: 'pieces', component: piecesView },
    { path: '/b/:build/pieces/:piece', name: 'piece', component: pieceView },
    { path: '/b/:build/template', name: 'shapes', component: () => import('./shapes/ShapesView.vue') },
    {
      path: '/b/:build/pieces/:piece/drawing',
      name: 'drawing',
      component: () => import('./shapes/DrawingView.vue'),
    },
    { path: '/b/:build/pieces/:piece/card', name: 'card', component: () => import('./records/CardView.vue') },
    {
      path: '/b/:build/materials',
      name: 'materials',
      component: () => import('./materials/MaterialsView.vue'),
    },
    { path: '/b/:build/shelf', name: 'shelf', component: () => import('./shelf/ShelfView.vue') },
    { path: '/b/:build/mixes', name: 'mixes', component: () => import('./shelf/MixesView.vue') },
    { path: '/b/:build/colour', name: 'colour', component: () => import('./colour/ColourView.vue') },
    { path: '/b/:build/finish', name: 'finish', component: () => import('./colour/FinishView.vue') },
    { path: '/b/:build/shopping', name: 'shopping', component: () => import('./shelf/ShoppingView.vue') },
    { path: '/b/:build/journal', name: 'journal', component: () => import('./journal/JournalView.vue') },
    { path: '/b/:build/workshop', name: 'workshop', component: () => import('./workshop/WorkshopView.vue') },
    {
      path: '/b/:build/run-sheets',
      name: 'run-sheets',
      component: () => import('./bench/RunSheetsView.vue'),
    },
    {
      path: '/b/:build/techniques',
      name: 'techniques',
      component: () => import('./techniques/TechniquesView.vue'),
    },
    { path: '/b/:build/plan', name: 'plan', component: planView },
    { path: '/:rest(.*)', redirect: '/' },
  ],
  scrollBehavior: async (to, from, saved) => {
    if (saved) return (await onceTallEnough(saved.top)) && saved;
    // What is chosen on a screen stands in its address, and is no other place.
    return to.path === from.path ? false : { top: 0 };
  },
});
