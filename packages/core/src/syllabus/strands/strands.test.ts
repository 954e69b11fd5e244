/** The syllabus that ships: deep enough in every strand, joined to every drill family both ways, playable by small hands. */
import { evidenceOf, FAMILIES, makeDrill } from '../../drills';
import { averageHand, makeHand, standardGuitar } from '../../fretboard';
import { must } from '../../kernel';
import { drillFaults, graphFaults } from '../faults';
import { firstSyllabus } from '../first-syllabus';
import { ownDrills, PRACTICE_STEPS } from '../skill';
import { skillsOf } from '../skills-of';

const { skills, strands } = firstSyllabus;
const small = must(makeHand({ ...averageHand, sizeFactor: 0.75 }));

test('150 skills and more, no strand under twelve, each with one sentence', () => {
  expect(skills.length).toBeGreaterThanOrEqual(150);
  for (const { id } of strands)
    expect([id, skills.filter((skill) => skill.strand === id).length >= 12]).toEqual([id, true]);
  for (const { id, sentence } of skills)
    expect([id, /^[A-Z0-9].*[.]$/.test(sentence), sentence.length < 100]).toEqual([id, true, true]);
  expect(new Set(skills.map(({ name }) => name)).size).toBe(skills.length);
});

test.each([
  ['a grown hand', averageHand],
  ['a child’s', small],
])(
  'sound for %s: no cycle, nothing unreachable, every drill made and recognised as its skill’s',
  (_, hand) => {
    expect(graphFaults(firstSyllabus)).toEqual([]);
    expect(drillFaults(firstSyllabus.skills, { hand, instrument: standardGuitar })).toEqual([]);
  },
);

test('every family but the warm-up trains a skill, and every skill is trained by a family', () => {
  const used = new Set(skills.flatMap((skill) => skill.practice.map(({ recipe }) => recipe.family)));
  const names = FAMILIES.map(({ name }) => name);
  expect(names.filter((name) => !used.has(name))).toEqual(['warm up']);
  expect(skills.filter((skill) => skill.practice.length === 0)).toEqual([]);
});

test('a skill has several drills: what it is about and one that comes to it, uses it or hears it; most have three', () => {
  const steps = new Map(skills.map(({ id, practice }) => [id, new Set(practice.map(({ step }) => step))]));
  // Nothing else shows a grip shaped above the strings.
  expect([...steps].filter(([, all]) => all.size < 2).map(([id]) => id)).toEqual(['changes.air']);
  expect([...steps].filter(([, all]) => all.size >= 3).length / skills.length).toBeGreaterThan(0.6);
  const whole = [...steps].filter(([, all]) => all.size === PRACTICE_STEPS.length).length;
  expect(whole).toBeGreaterThan(20);
  // No drill twice for one skill.
  for (const { id, practice } of skills)
    expect([id, new Set(practice.map(({ recipe }) => JSON.stringify(recipe))).size]).toEqual([
      id,
      practice.length,
    ]);
});

test('what is heard of a skill is not played: its kind is that of its own drills, the others stay apart', () => {
  const kinds = (id: string) =>
    skills.find((one) => one.id === id)?.practice.map(({ recipe }) => evidenceOf(recipe));
  expect(kinds('open.c')).toEqual(['play', 'play', 'play', 'play', 'hear']);
  expect(kinds('roots.6')).toEqual(['play', 'name', 'play']);
  // What a skill is about is of one kind.
  for (const skill of skills) {
    const own = new Set(ownDrills(skill).map(evidenceOf));
    expect([skill.id, own.size]).toEqual([skill.id, 1]);
  }
});

test('what a skill needs stands before it in no more than its own order: lighter drills first, needs of other strands too', () => {
  const place = new Map(skills.map(({ id }, i) => [id, i]));
  for (const skill of skills) {
    const own = skill.needs.flat().filter((need) => skills[place.get(need) ?? 0].strand === skill.strand);
    for (const need of own)
      expect([skill.id, need, (place.get(need) ?? 0) < (place.get(skill.id) ?? 0)]).toEqual([
        skill.id,
        need,
        true,
      ]);
  }
});

test('four ways in and three styles, each in an order in which it can be met: whatever a skill needs came before it', () => {
  const { courses } = firstSyllabus;
  expect(courses.filter(({ kind }) => kind === 'way in')).toHaveLength(4);
  expect(courses.filter(({ kind }) => kind === 'style').length).toBeGreaterThanOrEqual(3);
  const needsOf = new Map(skills.map(({ id, needs }) => [id, needs]));
  for (const course of courses)
    for (const [i, id] of course.skills.entries()) {
      const before = course.skills.slice(0, i);
      const missing = needsOf.get(id)?.filter((group) => !group.some((need) => before.includes(need)));
      expect([course.id, id, missing]).toEqual([course.id, id, []]);
    }
});

test('a drill is matched by its parameters: five choices of degrees are not the skill of two', () => {
  const found = (id: string) => {
    const skill = skills.find((one) => one.id === id);
    if (!skill) throw new Error(id);
    const drill = must(
      makeDrill(skill.practice[0].recipe, { hand: averageHand, instrument: standardGuitar }),
    );
    return skillsOf(drill, firstSyllabus).map((one) => one.skill.id);
  };
  expect(found('ear.home').filter((id) => id.startsWith('ear.'))).toEqual(['ear.home']);
  expect(found('ear.degrees').filter((id) => id.startsWith('ear.'))).toEqual(['ear.degrees']);
  // Heard over C, it is no scale on A.
  expect(found('ear.degrees').includes('scales.major-position')).toBe(true);
  expect(found('ear.degrees').includes('scales.box-1')).toBe(false);
  expect(found('reading.spell-all-keys')).toEqual(['reading.spell-all-keys']);
  const boxes = found('scales.boxes-4-5');
  expect([boxes.includes('scales.boxes-4-5'), boxes.includes('scales.boxes-2-3')]).toEqual([true, false]);
});
