/** Asking from the practice room: kept on the device, shown as waiting, answered at its card, taken back; typing is not lost. */
import { ringCheck, warmUp } from '@finch/core/drills';
import type { AskedAbout, EventSaid, Question } from '@finch/core/mastery';
import { effectScope, nextTick, ref, shallowRef, type EffectScope } from 'vue';
import { useAsking, type Asking } from './use-asking';

const desk = {
  data: shallowRef<{ questions: Question[] }>({ questions: [] }),
  records: shallowRef<{ status: string; event: EventSaid & { id: string } }[]>([]),
  kept: [] as [string, EventSaid, string][],
  back: [] as string[],
  roles: ['student'],
  fails: null as string | null,
};
jest.mock('../../session/queries', () => ({ useQuestions: () => ({ data: desk.data }) }));
jest.mock('../../session/drafts', () => {
  const kept = new Map<string, unknown>();
  return {
    useDrafts: () => ({
      read: (key: string) => (kept.has(key) ? { at: 1, value: kept.get(key) } : null),
      write: (key: string, value: unknown) => kept.set(key, value),
      drop: (key: string) => kept.delete(key),
    }),
  };
});
jest.mock('../../session/seat', () => ({
  useSeat: () => ({
    get records() {
      return desk.records.value;
    },
    has: (role: string) => desk.roles.includes(role),
    now: () => Date.UTC(2026, 5, 9, 16),
    keep: async (studentId: string, event: EventSaid, label: string) => {
      if (desk.fails) throw new Error(desk.fails);
      desk.kept.push([studentId, event, label]);
      desk.records.value = [
        ...desk.records.value,
        { status: 'waiting', event: { ...event, id: `q${desk.kept.length}` } },
      ];
    },
    takeBack: async (_: string, id: string) => void desk.back.push(id),
  }),
}));

const EASY: AskedAbout = { title: 'Easy minutes', recipe: warmUp(2) };
const EM: AskedAbout = { title: 'Em', recipe: ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }) };
const AM: AskedAbout = { title: 'Am', recipe: ringCheck({ chord: 'Am', frets: [null, 0, 2, 2, 1, 0] }) };
const on = shallowRef<AskedAbout>(EM);
let scope: EffectScope;
let asking: Asking;
const question = (id: string, about: AskedAbout, answer: string | null): Question => ({
  id,
  studentId: 'ode',
  about,
  text: `${id}?`,
  at: 1,
  answer: answer === null ? null : { id: `${id}!`, text: answer, at: 2 },
});
const ids = (list: readonly { id: string }[]) => list.map(({ id }) => id);
const enter = () => {
  scope = effectScope();
  asking = scope.run(() =>
    useAsking(
      ref('ode'),
      () => on.value,
      () => [EASY, EM],
    ),
  ) as Asking;
};

beforeEach(() => {
  Object.assign(desk, { kept: [], back: [], roles: ['student'], fails: null });
  desk.data.value = { questions: [] };
  desk.records.value = [];
  on.value = EM;
  enter();
});
afterEach(() => {
  asking.draft.drop();
  scope.stop();
});

test('a question is kept with its card and its time, stands as waiting on this device, and the field is empty again', async () => {
  asking.text.value = '  Which finger first?  ';
  expect(await asking.ask()).toBe(true);
  expect(desk.kept).toEqual([
    [
      'ode',
      { kind: 'question', about: EM, text: 'Which finger first?', at: '2026-06-09T16:00:00.000Z' },
      'Question about Em',
    ],
  ]);
  expect(asking.open.value).toMatchObject([{ id: 'q1', text: 'Which finger first?', sent: false }]);
  expect(asking.text.value).toBe('');
  // The server has it: once, and as sent.
  desk.data.value = { questions: [question('q1', EM, null)] };
  expect(asking.open.value).toMatchObject([{ id: 'q1', sent: true }]);
});

test('nothing is asked with no words; what cannot be kept is said and stays typed', async () => {
  asking.text.value = '   ';
  expect(await asking.ask()).toBe(false);
  asking.text.value = 'Why?';
  desk.fails = 'the disk is full';
  expect(await asking.ask()).toBe(false);
  expect(desk.kept).toEqual([]);
  expect(asking.trouble.value).toMatch(/the disk is full.*send it again/);
  expect(asking.text.value).toBe('Why?');
});

test('what is typed stays with its card and is there after a reload', async () => {
  asking.text.value = 'Half a qu';
  on.value = EASY;
  await nextTick();
  expect(asking.text.value).toBe('');
  scope.stop();
  on.value = EM;
  enter();
  expect(asking.text.value).toBe('Half a qu');
});

test('an answer stands at its card; one of a card that is not there today stands with the first', () => {
  desk.data.value = {
    questions: [question('em', EM, 'yes'), question('am', AM, 'no'), question('wait', EM, null)],
  };
  expect([ids(asking.answered.value), ids(asking.open.value)]).toEqual([['em'], ['wait']]);
  on.value = EASY;
  expect([ids(asking.answered.value), ids(asking.open.value)]).toEqual([['am'], []]);
});

test('taken back, it is gone at once, before the server knows; what was refused is not waiting', async () => {
  desk.data.value = { questions: [question('em', EM, null)] };
  await asking.putAway('em');
  expect(desk.back).toEqual(['em']);
  const back: EventSaid = { kind: 'void', voids: 'em', at: '2026-06-09T16:00:00.000Z' };
  desk.records.value = [{ status: 'waiting', event: { ...back, id: 'v' } }];
  expect(asking.open.value).toEqual([]);
  const said: EventSaid = { kind: 'question', about: EM, text: 'x', at: '2026-06-09T16:00:00.000Z' };
  desk.records.value = [{ status: 'refused', event: { ...said, id: 'r' } }];
  expect(ids(asking.open.value)).toEqual(['em']);
});

test('who teaches does not ask', () => {
  desk.roles = ['teacher'];
  enter();
  expect(asking.mayAsk.value).toBe(false);
});
