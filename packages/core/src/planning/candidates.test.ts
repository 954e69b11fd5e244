/** What could be done in a lesson, and why not: needs, slipping, waived skills, goals, tempi. */
import { makeDrill, tempoOf } from '../drills';
import { makeHand } from '../fretboard';
import { makeLimits, NOTHING_ON_RECORD, taughtHand } from '../hands';
import { must } from '../kernel';
import { stageOf, type SkillState, type StudentState } from '../mastery';
import { makeGrader } from '../mastery/difficulty';
import { firstSyllabus, isUse, ownDrills } from '../syllabus';
import { lessonCandidates, rankedSkills, type CandidateContext } from './candidates';
import { madeFor } from './fitted-drill';
import { nothingPlayed, wishFor } from './nothing-played';

const NOW = Date.UTC(2026, 2, 2, 16);
const context: CandidateContext = {
  taught: taughtHand(NOTHING_ON_RECORD, NOW),
  syllabus: firstSyllabus,
  goals: [],
  waived: [],
  allowBarre: true,
};
const nothing = nothingPlayed(NOW);
/** The state of a beginner with some skills as they are given. */
const state = (given: Readonly<Record<string, Partial<SkillState>>>): StudentState => ({
  ...nothing,
  skills: nothing.skills.map((one) => ({ ...one, ...given[one.skillId] })),
});
const held: Partial<SkillState> = { attempts: 20, state: 'clean', everClean: true };
const slipping = { ...held, marks: { due: true, slipping: true, stuck: false } };
const all = (given: Readonly<Record<string, Partial<SkillState>>>, more: Partial<CandidateContext> = {}) =>
  lessonCandidates(state(given), { ...context, ...more });
const of = (id: string, ...rest: Parameters<typeof all>) => all(...rest).find((one) => one.skill.id === id);
/** Its drill as this hand plays it. */
const recipeOf = (id: string, given: Parameters<typeof all>[0]) => {
  const found = of(id, given);
  const grader = makeGrader(context.taught, stageOf(null));
  return (found && madeFor(found, state(given), context, grader)?.recipe) ?? null;
};
/** Before only the best are looked at. */
const ranked = (id: string, given: Parameters<typeof all>[0], more: Partial<CandidateContext> = {}) =>
  rankedSkills(state(given), { ...context, ...more }).find((one) => one.skill.id === id);

/** A skill that needs exactly one other, so that nothing else decides. */
const child = firstSyllabus.skills.find(
  (skill) => skill.needs.length === 1 && skill.needs[0].length === 1 && !isUse(skill) && !skill.barre,
);
if (!child) throw new Error('no skill with one need');
const [[parent]] = child.needs;

test('a skill is open when its need was once clean; not before, and not while that is slipping', () => {
  expect(ranked(child.id, {})).toBeUndefined();
  expect(ranked(child.id, { [parent]: { attempts: 20, state: 'workable' } })).toBeUndefined();
  expect(ranked(child.id, { [parent]: held })?.kind).toBe('new');
  expect(ranked(child.id, { [parent]: slipping })).toBeUndefined();
});

test('a need that is waived for this hand opens it, and what is waived is never asked', () => {
  expect(ranked(child.id, {}, { waived: [parent] })?.kind).toBe('new');
  expect(ranked(parent, {}, { waived: [parent] })).toBeUndefined();
});

test('a goal is worth more than the same skill without it, and what leads to it a little more', () => {
  const worth = (id: string, goals: readonly string[]) =>
    ranked(id, { [parent]: held }, { goals: goals.map((one) => wishFor([one])) })?.worth ?? 0;
  expect(worth(child.id, [child.id])).toBeCloseTo(worth(child.id, []) * 1.6, 9);
  const onTheWay = firstSyllabus.skills.find(({ needs }) => needs.flat().includes(child.id))?.id ?? '';
  expect(worth(child.id, [onTheWay])).toBeCloseTo(worth(child.id, []) * (1 + 0.6 * 0.7), 9);
});

test('of each kind only the best are made, the most worth first, and what is in trouble whatever its worth', () => {
  const ids = firstSyllabus.skills.filter((skill) => !isUse(skill)).map(({ id }) => id);
  const begun = { attempts: 9, state: 'workable' as const, chance: { mean: 0.5, low: 0.4, high: 0.6 } };
  const given = Object.fromEntries(ids.slice(0, 60).map((id) => [id, begun]));
  const plain = all(given);
  expect(plain.filter(({ kind }) => kind === 'repair')).toHaveLength(18);
  expect(plain.filter(({ kind }) => kind === 'new').length).toBeLessThanOrEqual(6);
  const worths = plain.map(({ worth }) => worth);
  expect(worths).toEqual(worths.toSorted((a, b) => b - a));
  const left = ids.slice(0, 60).find((id) => !plain.some(({ skillId }) => skillId === id)) ?? '';
  const stuck = { ...begun, marks: { due: false, slipping: false, stuck: true } };
  expect(all({ ...given, [left]: stuck }).map(({ skillId }) => skillId)).toContain(left);
});

test('what is begun and rough is mended at length, however few its takes; what is half done is not', () => {
  const [id] = firstSyllabus.skills.filter((skill) => !isUse(skill)).map((one) => one.id);
  const at = (mean: number) =>
    of(id, { [id]: { attempts: 1, state: 'rough' as const, chance: { mean, low: 0, high: 1 } } });
  expect(at(0.39)?.lengths).toEqual([5, 6, 7]);
  expect(at(0.41)?.lengths).toEqual([3, 4, 5, 6, 7]);
});

test('music that was never played is told from what is played, and both kinds are looked at', () => {
  const uses = firstSyllabus.skills.filter(isUse).map(({ id }) => id);
  const played = { attempts: 9, state: 'workable' as const, chance: { mean: 0.6, low: 0.5, high: 0.7 } };
  const open = Object.fromEntries(firstSyllabus.skills.map(({ id }) => [id, { ...held, attempts: 0 }]));
  const given = { ...open, ...Object.fromEntries(uses.slice(0, 12).map((id) => [id, played])) };
  const music = all(given).filter(({ kind }) => kind === 'apply');
  expect(music.filter(({ unmet }) => unmet)).toHaveLength(3);
  expect(music.filter(({ unmet }) => !unmet)).toHaveLength(6);
  expect(music.every(({ known, unmet }) => known === !unmet)).toBe(true);
  // What is rough is no pleasure yet.
  const [first] = uses;
  const rough = { ...played, state: 'rough' as const, chance: { mean: 0.3, low: 0.2, high: 0.4 } };
  expect(of(first, { ...open, [first]: rough })).toMatchObject({ kind: 'apply', known: false, unmet: false });
});

test('a drill that is too heavy as it is comes with lighter grips where there are any', () => {
  const task = firstSyllabus.skills.find(({ id }) => id === 'scales.one-string');
  if (!task) throw new Error('no such skill');
  const rough = { attempts: 2, state: 'rough' as const, chance: { mean: 0.2, low: 0, high: 0.5 } };
  const gripEffort = 48;
  const hand = must(makeHand({ sizeFactor: 0.8 }));
  const taught = { ...context.taught, hand, limits: must(makeLimits({ gripEffort })) };
  const free = makeDrill(task.practice[0].recipe, { hand, instrument: taught.instrument });
  // A hand without limits is given grips over this one's.
  expect(free.ok && free.value.heaviestGrip).toBeGreaterThan(gripEffort + 3);
  expect(of(task.id, { [task.id]: rough }, { taught })?.kind).toBe('repair');
});

test('what is made for a hand is never over its limit, though its first drill or a hand near it would be', () => {
  const gripEffort = 44;
  const hand = must(makeHand({ sizeFactor: 0.8 }));
  const taught = { ...context.taught, hand, limits: must(makeLimits({ gripEffort })) };
  const rough = { attempts: 2, state: 'rough' as const, chance: { mean: 0.2, low: 0, high: 0.5 } };
  const several = firstSyllabus.skills.filter((skill) => !isUse(skill) && ownDrills(skill).length > 1);
  const grader = makeGrader(taught, stageOf(null));
  let heavier = 0;
  for (const skill of several) {
    const found = of(skill.id, { [skill.id]: rough }, { taught });
    const made = found && madeFor(found, state({ [skill.id]: rough }), { ...context, taught }, grader);
    if (!made) continue;
    expect(made.drill.heaviestGrip).toBeLessThanOrEqual(gripEffort);
    const first = makeDrill(ownDrills(skill)[0], taught);
    if (first.ok && first.value.heaviestGrip > gripEffort) heavier++;
  }
  expect(heavier).toBeGreaterThan(0);
});

test('what slips is repaired, what is due is reviewed, what is held and not due is left', () => {
  const marks = { due: false, slipping: false, stuck: false };
  expect(of(parent, { [parent]: slipping })?.kind).toBe('repair');
  expect(of(parent, { [parent]: { ...held, marks: { ...marks, due: true } } })?.kind).toBe('review');
  expect(of(parent, { [parent]: { ...held, marks } })).toBeUndefined();
});

test('no barre where none is allowed', () => {
  const barre = new Set(firstSyllabus.skills.filter((skill) => skill.barre).map((skill) => skill.id));
  const begun = Object.fromEntries([...barre].map((id) => [id, { attempts: 5, state: 'workable' as const }]));
  expect(all(begun).some((one) => barre.has(one.skill.id))).toBe(true);
  expect(all(begun, { allowBarre: false }).some((one) => barre.has(one.skill.id))).toBe(false);
});

test('a change goes on from the tempo it last had: three more after a clean take, two fewer after another', () => {
  const change = firstSyllabus.skills.find(
    (skill) => skill.practice[0].recipe.family === 'change loop' && skill.targetBpm !== null && !skill.barre,
  );
  if (!change) throw new Error('no change');
  // Able enough that no tempo has to give way.
  const able = { ...nothing.skills[0], attempts: 20, state: 'workable' as const };
  const tempoAfter = (lastBpm: number, lastClean: boolean) => {
    const recipe = recipeOf(change.id, {
      [change.id]: { ...able, skillId: change.id, belief: { mean: 6, variance: 0.01 }, lastBpm, lastClean },
    });
    return recipe && tempoOf(recipe);
  };
  expect(tempoAfter(50, true)).toBe(53);
  expect(tempoAfter(50, false)).toBe(48);
  expect(tempoAfter((change.targetBpm ?? 0) - 1, true)).toBe(change.targetBpm);
});

test('where the chance is low only the tempo gives way; the grips stay those of the skill', () => {
  const changes = firstSyllabus.skills.filter((skill) => ownDrills(skill)[0].family === 'change loop');
  const rough = { attempts: 9, state: 'rough' as const, belief: { mean: -4, variance: 0.2 }, lastBpm: 60 };
  let slower = 0;
  // At the slowest tempo nothing gives way.
  for (const { id } of changes.slice(0, 8)) {
    const own = changes.find((one) => one.id === id);
    const slowest = recipeOf(id, { [id]: { ...rough, lastBpm: 23 } });
    const loop = own && ownDrills(own).find(({ family }) => family === 'change loop');
    if (slowest?.family !== 'change loop' || loop?.family !== 'change loop') continue;
    expect(slowest.parameters.grips).toEqual(loop.parameters.grips);
  }
  for (const { id } of changes.slice(0, 8)) {
    const skill = changes.find((one) => one.id === id);
    const recipe = recipeOf(id, { [id]: rough });
    const own = skill && ownDrills(skill).find(({ family }) => family === 'change loop');
    if (recipe?.family !== 'change loop' || own?.family !== 'change loop') continue;
    expect(recipe.parameters.grips).toEqual(own.parameters.grips);
    if ((tempoOf(recipe) ?? 60) < 58) slower++;
  }
  expect(slower).toBeGreaterThan(0);
});
