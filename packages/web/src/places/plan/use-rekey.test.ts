/** A lesson re-keyed without a browser: who is offered, what is shown first, all or nothing, and the way back. */
import { routes, type LessonBody } from '@finch/contract';
import { numberCalls, warmUp } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import type { PlanBlock } from '@finch/core/planning';
import { ref, shallowRef } from 'vue';
import { emptyHouse, enter, house, leave, refused, settle } from '../../test-house';
import { useRekey } from './use-rekey';

const desk = {
  blocks: shallowRef<readonly PlanBlock[]>([]),
  told: [] as [string, readonly { run: () => void }[]][],
};
const board = ref({
  students: [
    { id: 'ode', name: 'Ode' },
    { id: 'bram', name: 'Bram' },
    { id: 'fenno', name: 'Fenno' },
  ],
  stuck: [
    { studentId: 'ode', name: 'Ode', skill: 'numbers' },
    { studentId: 'bram', name: 'Bram', skill: 'numbers' },
    { studentId: 'fenno', name: 'Fenno', skill: 'barre' },
  ],
});
jest.mock('@tanstack/vue-query', () => jest.requireActual('../../test-house').modules.query);
jest.mock('../../session/api', () => jest.requireActual('../../test-house').modules.api);
jest.mock('../../session/queries', () => ({
  ...jest.requireActual('../../test-house').modules.queries,
  useBoard: () => ({ data: board }),
  useSyllabus: () => ({ data: ref({ skills: [{ id: 'n', name: 'numbers' }] }) }),
}));
jest.mock('../../session/seat', () => jest.requireActual('../../test-house').modules.seat);
jest.mock('../../session/notices', () => ({
  useNotices: () => ({
    tell: (words: string, acts: readonly { run: () => void }[] = []) => void desk.told.push([words, acts]),
    trouble: (words: string) => void desk.told.push([words, []]),
  }),
}));
jest.mock('../../workers/bench', () => jest.requireActual('../../test-house').modules.worker);

const block = (id: string, recipe: PlanBlock['recipe'], skillId: string | null = null): PlanBlock => ({
  id,
  kind: 'new',
  minutes: 6,
  title: { code: 'title.warm-up', values: {} },
  because: { code: 'because.chosen', values: {} },
  skillId,
  recipe,
  effort: 1,
  barreMinutes: 0,
  locked: false,
});
const calls = (key: string) =>
  numberCalls({ key, pool: '1 4 5', keys: 1, length: 4, lead: 4, layout: 'nearest' });
const LESSON = [block('w', warmUp(3)), block('n', calls('G major'), 'n')];
const taught = { hand: averageHand, instrument: standardGuitar };
const keys = (blocks: readonly PlanBlock[]) =>
  blocks.map(({ recipe }) => (recipe?.family === 'number calls' ? recipe.parameters.key : '-'));
let version = 0;
beforeEach(() => {
  emptyHouse();
  desk.told = [];
  desk.blocks.value = LESSON;
  version = 4;
  house.answer = ([path, body]) => {
    if (path === routes.student.path) return { id: 'bram', name: 'Bram', taught, nextLesson: { id: 'his' } };
    if (path === routes.putInPlan.path)
      return {
        added: true,
        before: { plan: null, standing: 'none' },
        lesson: { id: 'his', version: ++version, body },
      };
    return { id: 'his', version: ++version };
  };
});
afterEach(leave);
async function begin() {
  const open = ref(false);
  const lesson = shallowRef({ id: 'hers', studentId: 'ode' } as LessonBody);
  const rekey = enter(() =>
    useRekey(open, lesson, shallowRef(taught), {
      blocks: desk.blocks,
      change: (edit) => (desk.blocks.value = edit(desk.blocks.value)),
    }),
  );
  open.value = true;
  await settle();
  return rekey;
}
const sent = (path: string) => house.sent.filter((one) => one[0] === path).map((one) => one[1]);

test('stands on the root of the lesson; offers those who are stuck on one of its skills, not the student of it', async () => {
  const rekey = await begin();
  expect(rekey.to.value).toBe('G');
  expect(rekey.stuck.value.map((one) => one.name)).toEqual(['Bram']);
  expect(rekey.others.value.map((one) => one.name)).toEqual(['Fenno']);
  desk.blocks.value = [LESSON[0]];
  await settle();
  expect(rekey.stuck.value).toEqual([]);
  desk.blocks.value = LESSON;
  await settle();
  // In the same key for the same hand there is nothing to do.
  expect(rekey.ready.value).toBe(false);
});

test('shows first what each drill becomes; done in one step, and undone', async () => {
  const rekey = await begin();
  rekey.to.value = 'Db';
  await settle();
  expect(rekey.blocks.value.map((one) => one.followed)).toEqual(['keyless', 'moved']);
  expect(desk.blocks.value).toBe(LESSON);
  expect(await rekey.apply()).toBe(true);
  expect(keys(desk.blocks.value)).toEqual(['-', 'Db major']);
  expect(desk.told[0][0]).toBe('This lesson in D♭: 2 drills; not kept yet.');
  desk.told[0][1][0].run();
  await settle();
  expect(desk.blocks.value).toEqual(LESSON);
});

test('what was changed by hand since stays when it is undone', async () => {
  const rekey = await begin();
  rekey.to.value = 'Db';
  await settle();
  await rekey.apply();
  desk.blocks.value = desk.blocks.value.map((one) => (one.id === 'w' ? { ...one, minutes: 9 } : one));
  desk.told[0][1][0].run();
  await settle();
  expect(keys(desk.blocks.value)).toEqual(['-', 'G major']);
  expect(desk.blocks.value[0].minutes).toBe(9);
});

test('into another plan each drill goes in its own hand, with ids of its own; undone it is as before', async () => {
  const rekey = await begin();
  rekey.to.value = 'Db';
  rekey.own.value = false;
  rekey.picked.value = ['bram'];
  await settle();
  expect(rekey.forOthers.value.map((one) => [one.name, keys(one.blocks.map((each) => each.block))])).toEqual([['Bram', ['-', 'Db major']]]); // prettier-ignore
  expect(await rekey.apply()).toBe(true);
  const put = sent(routes.putInPlan.path).map((body) => body.block as PlanBlock);
  expect(keys(put)).toEqual(['-', 'Db major']);
  expect(put.map((one) => one.id)).not.toContain('n');
  expect(desk.blocks.value).toBe(LESSON);
  expect(house.readAnew).toContain('board');
  desk.told[0][1][0].run();
  await settle();
  expect(sent(routes.keepPlan.path)).toEqual([{ version: 6, plan: null, standing: 'none' }]);
  expect(desk.told.at(-1)?.[0]).toBe('All of it is as it was.');
});

test('where one drill is refused nothing of it stays: what went in before is taken out, the lesson is not touched', async () => {
  const rekey = await begin();
  rekey.to.value = 'Db';
  rekey.picked.value = ['bram'];
  await settle();
  const usual = house.answer;
  let puts = 0;
  house.answer = (one) => (one[0] === routes.putInPlan.path && ++puts === 2 ? refused('plan.full')() : usual(one)); // prettier-ignore
  expect(await rekey.apply()).toBe(false);
  expect(sent(routes.keepPlan.path)).toEqual([{ version: 5, plan: null, standing: 'none' }]);
  expect(desk.blocks.value).toBe(LESSON);
  expect(rekey.trouble.value).toMatch(/^Nothing was handed on/);
  expect(rekey.busy.value).toBe(false);
});

test('a student without a lesson ahead gets one', async () => {
  const usual = house.answer;
  house.answer = (one) =>
    one[0] === routes.student.path ? { id: 'bram', name: 'Bram', taught, nextLesson: null } : usual(one);
  const rekey = await begin();
  rekey.picked.value = ['bram'];
  rekey.own.value = false;
  await settle();
  expect(await rekey.apply()).toBe(true);
  expect(sent(routes.bookLesson.path)).toMatchObject([{ studentId: 'bram', minutes: 45 }]);
});
