import { createRouter, createWebHistory } from 'vue-router';
import { viewLazily } from '../ui/lazily';
import BoardFrame from './BoardFrame.vue';

/** Views that belong to a board, in the order of the work. */
export const BOARD_VIEWS = ['ground', 'section', 'pieces', 'cuts', 'coats', 'supplies', 'days', 'bench', 'logbook'] as const;
export type BoardView = (typeof BOARD_VIEWS)[number];

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'boards', component: viewLazily(() => import('../views/boards/BoardsView.vue')) },
    {
      path: '/boards/:boardId',
      component: BoardFrame,
      props: true,
      redirect: { name: 'ground' },
      children: [
        { path: 'ground', name: 'ground', component: viewLazily(() => import('../views/ground/GroundView.vue')) },
        { path: 'section', name: 'section', component: viewLazily(() => import('../views/section/SectionView.vue')) },
        { path: 'pieces', name: 'pieces', component: viewLazily(() => import('../views/pieces/PiecesView.vue')) },
        { path: 'cuts', name: 'cuts', component: viewLazily(() => import('../views/cuts/CutsView.vue')) },
        { path: 'coats', name: 'coats', component: viewLazily(() => import('../views/coats/CoatsView.vue')) },
        { path: 'supplies', name: 'supplies', component: viewLazily(() => import('../views/supplies/SuppliesView.vue')) },
        { path: 'logbook', name: 'logbook', component: viewLazily(() => import('../views/logbook/LogbookView.vue')) },
        { path: 'bench', name: 'bench', component: viewLazily(() => import('../views/bench/BenchView.vue')) },
        { path: 'days', name: 'days', component: viewLazily(() => import('../views/days/DaysView.vue')) },
      ],
    },
    { path: '/join', name: 'join', component: viewLazily(() => import('./server/JoinView.vue')) },
    { path: '/workshop', name: 'workshop', component: viewLazily(() => import('../views/workshop/WorkshopView.vue')) },
    { path: '/:rest(.*)*', redirect: { name: 'boards' } },
  ],
});
