/** Places and who may enter them. Views are loaded when first entered. */
import type { Role } from '@finch/contract';
import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router';
import { useSeat } from '../session/seat';
import { homeOf } from './home';

declare module 'vue-router' {
  interface RouteMeta {
    readonly roles?: readonly Role[];
    readonly title: string;
    /** Shown under this name in the bar. */
    readonly place?: string;
    readonly bare?: boolean;
  }
}

const TEACHES: readonly Role[] = ['teacher', 'owner', 'self-taught'];

const routes: RouteRecordRaw[] = [
  {
    path: '/',
    name: 'board',
    component: () => import('../places/board/BoardPlace.vue'),
    meta: { roles: ['teacher', 'owner'], title: 'Board', place: 'Board' },
  },
  {
    path: '/sit',
    name: 'sit',
    component: () => import('../places/sit/SitPlace.vue'),
    meta: { title: 'Sit down', bare: true },
  },
  {
    path: '/week',
    name: 'week',
    component: () => import('../places/week/WeekPlace.vue'),
    meta: { roles: ['teacher', 'owner'], title: 'Week', place: 'Week' },
  },
  {
    path: '/students',
    name: 'students',
    component: () => import('../places/students/StudentsPlace.vue'),
    meta: { roles: ['teacher', 'owner'], title: 'Students', place: 'Students' },
  },
  {
    path: '/students/:studentId',
    name: 'student',
    component: () => import('../places/students/StudentPlace.vue'),
    props: true,
    meta: { roles: TEACHES, title: 'Student', place: 'Students' },
  },
  {
    path: '/students/:studentId/family',
    name: 'family',
    component: () => import('../places/family/FamilyPlace.vue'),
    props: true,
    meta: { roles: [...TEACHES, 'guardian'], title: 'Page for parents', place: 'Students' },
  },
  {
    path: '/students/:studentId/check-up',
    name: 'check-up',
    component: () => import('../places/check-up/CheckUpPlace.vue'),
    props: true,
    meta: { roles: ['teacher', 'owner'], title: 'Check-up', place: 'Students' },
  },
  {
    path: '/syllabus',
    name: 'syllabus',
    component: () => import('../places/syllabus/SyllabusPlace.vue'),
    meta: { roles: TEACHES, title: 'Syllabus', place: 'Syllabus' },
  },
  {
    path: '/progress',
    name: 'progress',
    component: () => import('../places/progress/ProgressPlace.vue'),
    meta: { roles: ['teacher', 'owner'], title: 'Progress', place: 'Progress' },
  },
  {
    path: '/outbox',
    name: 'outbox',
    component: () => import('../places/outbox/OutboxPlace.vue'),
    meta: { roles: ['teacher', 'owner'], title: 'Outbox', place: 'Progress' },
  },
  {
    path: '/plan/:lessonId?',
    name: 'plan',
    component: () => import('../places/plan/PlanPlace.vue'),
    props: true,
    meta: { roles: TEACHES, title: 'Plan', place: 'Plan' },
  },
  {
    path: '/lesson/:lessonId?',
    name: 'lesson',
    component: () => import('../places/lesson/LessonPlace.vue'),
    props: true,
    meta: { roles: TEACHES, title: 'Lesson', place: 'Lesson' },
  },
  {
    path: '/shapes',
    name: 'shapes',
    component: () => import('../places/shapes/ShapesPlace.vue'),
    meta: { roles: TEACHES, title: 'Shapes', place: 'Shapes' },
  },
  {
    path: '/changes',
    name: 'changes',
    component: () => import('../places/changes/ChangesPlace.vue'),
    meta: { roles: TEACHES, title: 'Changes', place: 'Changes' },
  },
  {
    path: '/harmony',
    name: 'harmony',
    component: () => import('../places/harmony/HarmonyPlace.vue'),
    meta: { roles: TEACHES, title: 'Harmony', place: 'Harmony' },
  },
  {
    path: '/pieces/:pieceId?',
    name: 'pieces',
    component: () => import('../places/pieces/PiecesPlace.vue'),
    props: true,
    meta: { roles: TEACHES, title: 'Pieces', place: 'Pieces' },
  },
  {
    path: '/drills',
    name: 'drills',
    component: () => import('../places/drills/DrillsPlace.vue'),
    meta: { roles: TEACHES, title: 'Drills', place: 'Drills' },
  },
  {
    path: '/write-up/:lessonId?',
    name: 'write-up',
    component: () => import('../places/write-up/WriteUpPlace.vue'),
    props: true,
    meta: { roles: TEACHES, title: 'Write-up', place: 'Write-up' },
  },
  {
    path: '/homework/:studentId?',
    name: 'homework',
    component: () => import('../places/homework/HomeworkPlace.vue'),
    props: true,
    meta: { roles: TEACHES, title: 'Homework', place: 'Homework' },
  },
  {
    path: '/studio',
    name: 'studio',
    component: () => import('../places/studio/StudioPlace.vue'),
    meta: { roles: TEACHES, title: 'Studio', place: 'Studio' },
  },
  {
    path: '/practice',
    name: 'practice',
    component: () => import('../places/practice/PracticePlace.vue'),
    meta: { roles: ['student', 'self-taught'], title: 'Practice room', bare: true },
  },
  {
    path: '/:rest(.*)',
    name: 'lost',
    component: () => import('../places/sit/LostPlace.vue'),
    meta: { title: 'Not here' },
  },
];

export const router = createRouter({ history: createWebHistory(), routes });

router.beforeEach((to) => {
  const seat = useSeat().seat;
  if (to.name === 'sit' || to.name === 'lost') return true;
  if (!seat) return { name: 'sit', query: to.fullPath === '/' ? {} : { then: to.fullPath } };
  if (to.meta.roles && !to.meta.roles.some((role) => seat.roles.includes(role)))
    return homeOf(seat.roles, seat.studentId);
  return true;
});
