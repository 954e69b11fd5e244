import {
  FAMILIES,
  firstRecipe,
  handAlone,
  isQuiet,
  makeDrill,
  type DrillFamily,
  type Take,
  type TakeResult,
} from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { NOTHING_ON_RECORD, PRIOR_FIT, taughtHand } from '../hands';
import { must } from '../kernel';
import { replay, type EventOf, type LogEvent } from '../mastery';
import { firstSyllabus } from '../syllabus';
import { planMinutes, type PlanBlock } from '.';
import { quietPlan } from './quiet-plan';

const drill = { hand: averageHand, instrument: standardGuitar };
const at = (day: number) => new Date(Date.UTC(2026, 2, 2, 16) + day * 86_400_000).toISOString();
let n = 0;
function attempt(
  skillId: string,
  day: number,
  result: TakeResult,
  hurts = false,
  of = 0,
): EventOf<'attempt'> {
  const skill = firstSyllabus.skills.find((one) => one.id === skillId);
  if (!skill) throw new Error(skillId);
  const made = must(makeDrill(skill.practice[of].recipe, drill));
  const take: Take = {
    recipe: made.recipe,
    items: made.items,
    startedAt: at(day),
    timeZone: 'UTC',
    durationSeconds: 60,
    tempoBpm: made.tempoBpm,
    steps: [],
    result,
    feel: hurts ? { hand: 'pain', where: 'wrist', side: 'left' } : { hand: 'easy' },
    source: 'teacher',
  };
  const stamps = { sentAt: at(day), receivedAt: at(day) };
  const ids = { id: `id-${String(n).padStart(6, '0')}`, studentId: 's', actorId: 'a', deviceId: 'd', deviceSeq: n++ }; // prettier-ignore
  return { schemaVersion: 1, kind: 'attempt', ...ids, ...stamps, take };
}
const clean = (id: string) => Array.from({ length: 8 }, (_, day) => attempt(id, day, 'clean'));
const seasoned = ['open.em', 'open.e', 'open.am', 'open.a', 'open.d', 'open.c', 'open.g'].flatMap(clean);
const hurt = () => attempt('open.em', 20, 'not yet', true);
const context = {
  syllabus: firstSyllabus,
  hands: [],
  instruments: [],
  difficultyFit: PRIOR_FIT,
  playedFor: [],
  timeZone: 'UTC',
};
const plan = (events: LogEvent[], minutes = 45, locked: PlanBlock[] = [], waived: string[] = []) =>
  quietPlan(
    replay(events, context, Date.parse(at(21))),
    firstSyllabus,
    { minutes, waived, taught: taughtHand({ ...NOTHING_ON_RECORD, bornOn: null }, Date.parse(at(21))) },
    locked,
  );
const families = (blocks: readonly PlanBlock[]) => blocks.flatMap(({ recipe }) => recipe?.family ?? []);

test.each([
  ['a beginner', [hurt()]],
  ['somebody who holds seven chords', [...seasoned, hurt()]],
])('%s: after pain a lesson is a lesson, and no hand plays in it', (_, events) => {
  for (const minutes of [10, 20, 30, 45, 60]) {
    const { blocks } = plan(events, minutes);
    expect(planMinutes(blocks)).toBe(minutes);
    expect(blocks.every(({ recipe }) => recipe === null || isQuiet(recipe))).toBe(true);
    expect(blocks.every(({ effort, barreMinutes }) => effort === 0 && barreMinutes === 0)).toBe(true);
    for (const { recipe } of blocks) if (recipe) expect(makeDrill(recipe, drill).ok).toBe(true);
    const told = blocks.map(({ recipe }) => JSON.stringify(recipe));
    expect(new Set(told).size).toBe(told.length);
    expect(blocks.filter(({ kind }) => kind === 'new').length).toBeLessThanOrEqual(minutes >= 45 ? 3 : 2);
    expect(blocks.filter(({ recipe }) => recipe).length).toBeGreaterThanOrEqual(minutes >= 45 ? 3 : 1);
  }
});

test('drills of one family do not follow each other while there is another, and skills in the hand are heard', () => {
  const { blocks } = plan([...seasoned, hurt()]);
  const row = families(blocks);
  expect(new Set(row).size).toBeGreaterThan(1);
  expect(row.filter((family, i) => family === row[i - 1])).toEqual([]);
  expect(blocks.some(({ skillId, kind }) => skillId?.startsWith('open.') && kind === 'apply')).toBe(true);
});

test('what was heard often steps back behind what was not', () => {
  const em = firstSyllabus.skills.find(({ id }) => id === 'open.em');
  const heard = em?.practice.findIndex(({ recipe }) => isQuiet(recipe)) ?? -1;
  expect(heard).toBeGreaterThan(0);
  const often = Array.from({ length: 12 }, (_, i) => attempt('open.em', 9 + i / 4, 'clean', false, heard));
  // The ear's own skill by the same drill is left out, so that nothing else asks for it; two blocks are all there is room for.
  const asked = (events: LogEvent[]) =>
    plan(events, 14, [], ['ear.third']).blocks.some(({ skillId }) => skillId === 'open.em');
  expect(asked([...clean('open.em'), hurt()])).toBe(true);
  expect(asked([...clean('open.em'), ...often, hurt()])).toBe(false);
});

test('locked blocks stay where no hand plays in them; the others are said to be out', () => {
  const [own] = plan([...seasoned, hurt()]).blocks;
  const playing: PlanBlock = { ...own, id: 'p', skillId: 'open.g', recipe: firstSyllabus.skills[0].practice[0].recipe, locked: true }; // prettier-ignore
  const words: PlanBlock = { ...own, id: 'w', skillId: null, recipe: null, minutes: 9, locked: true };
  const made = plan([...seasoned, hurt()], 45, [words, playing]);
  expect(made.blocks).toContainEqual(words);
  expect(made.blocks).not.toContainEqual(playing);
  expect(made.leftOut).toEqual([
    { title: playing.title, skillId: 'open.g', because: { code: 'left.pain', values: {} } },
  ]);
  expect(planMinutes(made.blocks)).toBe(45);
});

test('each block says why, the tapping at the end that pain is the reason', () => {
  const { blocks } = plan([...seasoned, hurt()]);
  expect(blocks.at(-1)).toMatchObject({
    kind: 'apply',
    skillId: null,
    recipe: { family: 'tap it', parameters: { level: 1 } },
    because: { code: 'because.pain', values: { where: 'wrist' } },
  });
  for (const { because } of blocks.slice(0, -1)) {
    expect(because.code).toBe('because.quiet');
    expect(['new', 'half', 'due', 'played']).toContain(because.values.how);
  }
});

test('the rhythm at the end is that of the furthest skill that was begun, and no block’s own', () => {
  const rhythm = (...ids: string[]) => plan([...ids.map((id, i) => attempt(id, 9 + i, 'clean')), hurt()]).blocks; // prettier-ignore
  const tapped = (blocks: readonly PlanBlock[]) =>
    blocks.flatMap(({ recipe, skillId }) =>
      recipe?.family === 'tap it' ? [[skillId, recipe.parameters.level]] : [],
    );
  const one = rhythm('rhythm.beats');
  expect(tapped(one)).toContainEqual(['rhythm.beats', 1]);
  expect(one.at(-1)?.recipe?.family).toBe('tap it');
  const two = rhythm('open.em', 'rhythm.beats', 'rhythm.quavers');
  expect(tapped(two)).toContainEqual(['rhythm.quavers', 2]);
  const asked = two.map(({ recipe }) => JSON.stringify(recipe));
  expect(asked.filter((one, i) => asked.indexOf(one) < i)).toEqual([]);
});

test('what is heard or named is quiet; what is written is done by a hand', () => {
  const of = (family: DrillFamily) => firstRecipe(family, { grip: { chord: 'C', frets: [null, 3, 2, 0, 1, 0] }, from: null, held: [], instrument: standardGuitar }); // prettier-ignore
  const quiet = FAMILIES.map(({ name }) => name).filter((name) => isQuiet(of(name)));
  expect(quiet.toSorted()).toEqual([
    'ear pairs',
    'key detective',
    'sing it',
    'spell it',
    'string walk',
    'tap it',
  ]);
});

describe('where the teacher allows one hand alone', () => {
  const allows = (oneHand: 'left' | 'right'): LogEvent => ({
    schemaVersion: 1,
    ...{
      id: 'allows',
      studentId: 's',
      actorId: 't',
      deviceId: 'd',
      deviceSeq: 99,
      kind: 'clearance' as const,
    },
    ...{ sentAt: at(20.5), receivedAt: at(20.5), at: at(20.5), oneHand },
  });
  const side = (one: 'left' | 'right'): LogEvent => {
    const event = hurt();
    if (event.kind !== 'attempt') throw new Error(event.kind);
    return { ...event, take: { ...event.take, feel: { hand: 'pain', where: 'wrist', side: one } } };
  };
  const alone = (events: LogEvent[], minutes = 45) =>
    plan(events, minutes).blocks.flatMap(({ recipe, skillId, minutes: long }) =>
      recipe && handAlone(recipe) ? [{ hand: handAlone(recipe), skillId, long }] : [],
    );

  test('the striking hand has open strings, the fretting hand the furthest grips it had in the air; it fills the lesson still', () => {
    const left = [...seasoned, side('left'), allows('right')];
    expect(alone(left)).toEqual([{ hand: 'striking', skillId: null, long: 5 }]);
    expect(planMinutes(plan(left).blocks)).toBe(45);
    const right = [...seasoned, side('right'), allows('left')];
    const [fretted] = alone(right);
    expect(fretted).toMatchObject({ hand: 'fretting', long: 5 });
    expect(['open.em', 'open.e', 'open.am', 'open.a', 'open.d', 'open.c', 'open.g']).toContain(
      fretted.skillId,
    );
    expect(alone(right, 15)).toEqual([]);
    expect(
      plan(left).blocks.every(
        ({ recipe }) => recipe === null || isQuiet(recipe) || handAlone(recipe) === 'striking',
      ),
    ).toBe(true);
  });

  test('who has nothing begun shapes nothing; the hand that hurts never plays', () => {
    expect(alone([side('right'), allows('left')])).toEqual([]);
    expect(alone([...seasoned, side('right'), allows('right')])).toEqual([]);
  });
});
