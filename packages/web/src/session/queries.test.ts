/** The Board as it is asked for: by whom, and how often while something of it is being made. */
import type { Role } from '@finch/contract';
import { toValue } from 'vue';
import { useBoard } from './queries';

const sits: { roles: Role[] } = { roles: [] };
interface Asked {
  readonly enabled: unknown;
  readonly refetchInterval: (query: { state: { data?: unknown } }) => number | false;
}
let asked: Asked;
jest.mock('@tanstack/vue-query', () => ({ useQuery: (options: Asked) => (asked = options) }));
jest.mock('./seat', () => ({
  useSeat: () => ({
    seat: { membershipId: 'm' },
    arrived: 0,
    has: (...roles: Role[]) => roles.some((role) => sits.roles.includes(role)),
  }),
}));
jest.mock('./api', () => ({ call: jest.fn() }));

const isAsked = (roles: Role[], on?: boolean) => {
  sits.roles = roles;
  useBoard(on);
  return toValue(asked.enabled);
};

test('only a teacher or an owner asks for the Board, and only where it is wanted', () => {
  expect([isAsked(['teacher']), isAsked(['owner']), isAsked(['teacher'], false)]).toEqual([
    true,
    true,
    false,
  ]);
  for (const role of ['student', 'guardian', 'self-taught'] as const)
    expect([role, isAsked([role])]).toEqual([role, false]);
});

test('it is asked for again while a plan or grades are being made, and not otherwise', () => {
  useBoard();
  const again = (data?: unknown) => asked.refetchInterval({ state: { data } });
  const lessons = (planComing: boolean) => ({
    gradesComing: false,
    lessons: [{ planComing: false }, { planComing }],
  });
  expect(again(lessons(true))).toBeGreaterThan(0);
  expect(again({ ...lessons(false), gradesComing: true })).toBeGreaterThan(0);
  expect([again(lessons(false)), again()]).toEqual([false, false]);
});
