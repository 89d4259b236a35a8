import { createRouter, createWebHistory } from 'vue-router';
import BoardsView from '../views/boards/BoardsView.vue';

/** Views that belong to a board, in the order of the work. */
export const BOARD_VIEWS = ['ground', 'section', 'cuts', 'supplies', 'days'] as const;
export type BoardView = (typeof BOARD_VIEWS)[number];

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'boards', component: BoardsView },
    {
      path: '/boards/:boardId',
      component: () => import('./BoardFrame.vue'),
      props: true,
      redirect: { name: 'ground' },
      children: [
        { path: 'ground', name: 'ground', component: () => import('../views/ground/GroundView.vue') },
        { path: 'section', name: 'section', component: () => import('../views/section/SectionView.vue') },
        { path: 'cuts', name: 'cuts', component: () => import('../views/cuts/CutsView.vue') },
        { path: 'supplies', name: 'supplies', component: () => import('../views/supplies/SuppliesView.vue') },
        { path: 'days', name: 'days', component: () => import('../views/days/DaysView.vue') },
      ],
    },
    { path: '/:rest(.*)*', redirect: { name: 'boards' } },
  ],
});
