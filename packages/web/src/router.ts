import { createRouter, createWebHistory } from 'vue-router';
import JournalView from './views/JournalView.vue';
import WorkshopView from './views/WorkshopView.vue';
import BenchView from './views/BenchView.vue';
import MaterialsView from './views/MaterialsView.vue';
import PieceView from './views/PieceView.vue';
import PiecesView from './views/PiecesView.vue';
import RunSheetsView from './views/RunSheetsView.vue';
import PlanView from './views/PlanView.vue';
import StartView from './views/StartView.vue';

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'start', component: StartView },
    { path: '/b/:build', redirect: (to) => ({ name: 'bench', params: to.params }) },
    { path: '/b/:build/bench', name: 'bench', component: BenchView },
    { path: '/b/:build/pieces', name: 'pieces', component: PiecesView },
    { path: '/b/:build/pieces/:piece', name: 'piece', component: PieceView },
    { path: '/b/:build/materials', name: 'materials', component: MaterialsView },
    { path: '/b/:build/journal', name: 'journal', component: JournalView },
    { path: '/b/:build/workshop', name: 'workshop', component: WorkshopView },
    { path: '/b/:build/run-sheets', name: 'run-sheets', component: RunSheetsView },
    { path: '/b/:build/plan', name: 'plan', component: PlanView },
    { path: '/:rest(.*)', redirect: '/' },
  ],
  scrollBehavior: (_to, _from, saved) => saved ?? { top: 0 },
});
