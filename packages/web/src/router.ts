import { createRouter, createWebHistory } from 'vue-router';
import JournalView from './journal/JournalView.vue';
import WorkshopView from './workshop/WorkshopView.vue';
import BenchView from './bench/BenchView.vue';
import MaterialsView from './materials/MaterialsView.vue';
import PieceView from './piece/PieceView.vue';
import PiecesView from './pieces/PiecesView.vue';
import RunSheetsView from './bench/RunSheetsView.vue';
import PlanView from './plan/PlanView.vue';
import StartView from './start/StartView.vue';

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
