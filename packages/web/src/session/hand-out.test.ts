/** What is handed on from a bench: into which plan, what is said of it, the ways back, and home. */
import { routes, type LessonBody } from '@finch/contract';
import { ringCheck } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import type { LessonPlan, PlanBlock } from '@finch/core/planning';
import { away, emptyHouse, house, refused, settle } from '../test-house';
import { makeDrafts, planDraft, type PlanDraft } from './drafts';
import { blockOf, useHandOut } from './hand-out';

interface Act {
  label: string;
  run: () => void | Promise<void>;
}
const said: { text: string; acts: readonly Act[] }[] = [];
jest.mock('@tanstack/vue-query', () => jest.requireActual('../test-house').modules.query);
jest.mock('./api', () => jest.requireActual('../test-house').modules.api);
jest.mock('./bench', () => jest.requireActual('../test-house').modules.bench);
jest.mock('./queries', () => jest.requireActual('../test-house').modules.queries);
jest.mock('./seat', () => jest.requireActual('../test-house').modules.seat);
jest.mock('./notices', () => ({
  useNotices: () => ({
    tell: (text: string, acts: readonly Act[] = []) => said.push({ text, acts }),
    trouble: (text: string) => said.push({ text: `trouble: ${text}`, acts: [] }),
  }),
}));
const context = { hand: averageHand, instrument: standardGuitar };
const C = ringCheck({ chord: 'C', frets: [null, 3, 2, 0, 1, 0] });
const F = ringCheck({ chord: 'F', frets: [1, 3, 3, 2, 1, 1] });
const planOf = (...blocks: PlanBlock[]): LessonPlan => ({
  schemaVersion: 1,
  minutes: 45,
  blocks,
  leftOut: [],
  modelVersion: 'plan-1',
});
const long: PlanBlock = { ...blockOf(F, context), id: 'long', minutes: 44, locked: false };
/** A server with one lesson, which keeps what it is told. */
function serve(lesson: Partial<LessonBody> | null, more: { lessons?: unknown[]; twice?: boolean } = {}) {
  let held = {
    id: 'next',
    studentId: 'ode',
    minutes: 45,
    version: 1,
    plan: null,
    planStanding: 'none',
    ...lesson,
  } as LessonBody;
  house.benched = { studentId: 'ode', lessonId: null };
  house.answer = ([path, body]) => {
    if (path === routes.student.path)
      return { name: 'Ode Pettibrand', nextLesson: lesson && { id: held.id }, lessons: more.lessons ?? [] };
    if (path === routes.bookLesson.path) return (held = { ...held, id: String(body.id) });
    if (path === routes.putInPlan.path) {
      const before = { plan: held.plan, standing: held.planStanding };
      if (more.twice && !body.again) return { lesson: held, added: false, before };
      held = {
        ...held,
        version: held.version + 1,
        plan: planOf(...(held.plan?.blocks ?? []), body.block as PlanBlock),
      };
      return { lesson: held, added: true, before };
    }
    if (path === routes.keepPlan.path)
      return (held = { ...held, version: held.version + 1, plan: body.plan as LessonPlan });
    return undefined;
  };
}
const last = () => said[said.length - 1];
const press = async (label: string) => {
  await last()
    .acts.find((act) => act.label === label)
    ?.run();
  await settle();
};
const sent = (route: { path: string }) =>
  house.sent.filter((one) => one[0] === route.path).map((one) => one[1]);
beforeEach(() => {
  emptyHouse();
  said.length = 0;
});

test('a block is a drill with its grade; one with a barre counts the minutes it is pressed, one without none', () => {
  expect(blockOf(C, context)).toMatchObject({
    minutes: 6,
    barreMinutes: 0,
    locked: true,
    skillId: null,
    recipe: C,
  });
  const barred = blockOf(
    F,
    context,
    { code: 'title.blank', values: { text: 'x' } },
    { kind: 'repair', skillId: 's' },
  );
  expect(barred.barreMinutes).toBeGreaterThan(0);
  expect(barred.barreMinutes).toBeLessThan(6);
  expect([barred.kind, barred.skillId]).toEqual(['repair', 's']);
  expect(barred.effort).toBeGreaterThan(blockOf(C, context).effort);
});

test('into the plan of the next lesson, which comes to the bench; said with its minutes, taken out again', async () => {
  serve({ plan: planOf(long) });
  await useHandOut().put(blockOf(C, context));
  expect(last().text).toMatch(
    /^C.* is in the plan of Ode Pettibrand, 6 minutes; what was in it stays\. 50 of 45 minutes, 5 over\.$/,
  );
  expect(house.benched).toEqual({ studentId: 'ode', lessonId: 'next' });
  expect((house.cache.get('lesson next') as LessonBody).plan?.blocks).toHaveLength(2);
  expect(house.readAnew).toEqual(['board', 'student']);
  await press('Undo');
  expect(sent(routes.keepPlan)).toMatchObject([
    { version: 2, plan: { blocks: [{ id: 'long' }] }, standing: 'none' },
  ]);
  expect(last().text).toMatch(/out of the plan again/);
});

test('over the minutes it is fitted where the teacher says so: what was put in stays as long as it is', async () => {
  serve({ plan: planOf(long) });
  await useHandOut().put(blockOf(C, context));
  await press('Fit to 45 min');
  const [{ plan }] = sent(routes.keepPlan) as [{ plan: LessonPlan }];
  expect(plan.blocks.map((one) => one.minutes)).toEqual([39, 6]);
  expect(last().text).toMatch(/^Shorter: .* 44 to 39\.$/);
  await press('Undo both');
  expect((sent(routes.keepPlan)[1] as { plan: LessonPlan }).plan.blocks.map((one) => one.minutes)).toEqual([
    44,
  ]);
});

test('inside the minutes nothing is offered to fit', async () => {
  serve({ plan: null });
  await useHandOut().put(blockOf(C, context));
  expect(last().text).toMatch(/the rest is proposed around it\. 6 of 45 minutes\.$/);
  expect(last().acts.map((act) => act.label)).toEqual(['Undo']);
});

test('what is in the plan already is put in again only when that is pressed', async () => {
  serve({ plan: planOf(long) }, { twice: true });
  const block = blockOf(C, context);
  await useHandOut().put(block);
  expect(last().text).toMatch(/ is in this plan already\.$/);
  await press('Put it in once more');
  const puts = sent(routes.putInPlan) as { again: boolean; block: PlanBlock }[];
  expect(puts.map((one) => one.again)).toEqual([false, true]);
  expect(puts[1].block.id).not.toBe(block.id);
});

test('the lesson on the bench comes before the next one, unless it is written up', async () => {
  const lessons = [{ id: 'here', state: 'running' }];
  serve({}, { lessons });
  house.benched.lessonId = 'here';
  await useHandOut().put(blockOf(C, context));
  expect(house.sent.at(-1)?.[0]).toBe(routes.putInPlan.path);
  expect(last().text).not.toMatch(/booked/);
  serve(null, { lessons: [{ id: 'here', state: 'written' }] });
  house.benched.lessonId = 'here';
  await useHandOut().put(blockOf(C, context));
  expect(sent(routes.bookLesson)).toMatchObject([
    { studentId: 'ode', minutes: 45, startsAt: '2026-06-09T16:00:00.000Z' },
  ]);
  expect(last().text).toMatch(/No lesson was ahead, so one is booked for now\.$/);
});

test('changes that are not kept yet get the block too, and lose it with the undo', async () => {
  serve({ plan: planOf(long) });
  const drafts = makeDrafts(
    localStorage,
    () => 'teacher',
    () => 0,
  );
  drafts.write<PlanDraft>(planDraft('next'), { from: 1, plan: planOf({ ...long, id: 'typed' }) });
  const ids = () => drafts.read<PlanDraft>(planDraft('next'))?.value.plan.blocks.map((one) => one.id);
  const block = blockOf(C, context);
  await useHandOut().put(block);
  expect(ids()).toEqual(['typed', block.id]);
  expect(last().text).toMatch(/your changes that are not kept yet have it too/);
  await press('Undo');
  expect(ids()).toEqual(['typed']);
});

test('nobody on the bench: it is said, and nothing is sent', async () => {
  await useHandOut().put(blockOf(C, context));
  expect([last().text, house.sent.length]).toEqual([
    'Nobody is on the bench. Put a student there first: pick one on the Board.',
    0,
  ]);
});

test('pressed twice it is put in once; a server that is away or refuses is said in words, and the next press works', async () => {
  serve({});
  const handOut = useHandOut();
  let open = () => {};
  house.gate = new Promise((resolve) => (open = resolve));
  const first = handOut.put(blockOf(C, context));
  await handOut.put(blockOf(C, context));
  expect(handOut.busy.value).toBe(true);
  open();
  await first;
  expect([sent(routes.putInPlan).length, handOut.busy.value]).toEqual([1, false]);
  for (const problem of [away, refused('right.missing', 403)]) {
    house.answer = problem;
    await handOut.put(blockOf(C, context));
    expect([last().text.startsWith('trouble: '), handOut.busy.value]).toEqual([true, false]);
  }
});

test('home goes the drill under a short name in words of no school', async () => {
  serve({});
  const title = { code: 'title.blank', values: { text: 'x'.repeat(99) } };
  await useHandOut().home(C, title, 'open.c');
  expect(sent(routes.assignHome)).toMatchObject([{ recipe: C, skillId: 'open.c', title: 'x'.repeat(80) }]);
  expect(house.readAnew).toEqual(['student']);
  expect(last().text).toMatch(/goes home\.$/);
});
