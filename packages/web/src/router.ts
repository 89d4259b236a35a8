import { createRouter, createWebHistory } from 'vue-router';
import BoardsView from './boards/BoardsView.vue';

/** Views that belong to a board, in the order of the work. */
export const BOARD_VIEWS = ['ground', 'section', 'cuts', 'supplies', 'days'] as const;
export type BoardView = (typeof BOARD_VIEWS)[number];

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'boards', component: BoardsView },
    {
      path: '/boards/:boardId',
      component: () => import('./frame/BoardFrame.vue'),
      props: true,
      redirect: { name: 'ground' },
      children: [
        { path: 'ground', name: 'ground', component: () => import('./ground/GroundView.vue') },
        { path: 'section', name: 'section', component: () => import('./section/SectionView.vue') },
        { path: 'cuts', name: 'cuts', component: () => import('./cuts/CutsView.vue') },
        { path: 'supplies', name: 'supplies', component: () => import('./supplies/SuppliesView.vue') },
        { path: 'days', name: 'days', component: () => import('./days/DaysView.vue') },
      ],
    },
    { path: '/:rest(.*)*', redirect: { name: 'boards' } },
  ],
});
