/** A syllabus that was stored before: its drills get their steps, and a later first syllabus becomes the newest version. */
import { firstSyllabus, type Syllabus } from '@finch/core/syllabus';
import { v7 as uuid } from 'uuid';
import { shipSyllabus } from '../demo/prepare';
import { inStudio } from '../platform/database';
import { SyllabusSteps1764900000000 } from '../platform/migrations/syllabus-steps';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';
import { addSyllabus, currentSyllabus } from './syllabus.repository';

let world: TestWorld;
beforeEach(async () => {
  world = await makeTestWorld();
});
afterEach(() => world.end());

const versions = (studioId: string): Promise<{ id: string; content: Syllabus }[]> =>
  inStudio(world.owner, studioId, (manager) =>
    manager.query('SELECT id, content FROM syllabus_version ORDER BY id'),
  );
const keep = (studioId: string, content: unknown, by: string | null = null) =>
  inStudio(world.owner, studioId, (manager) =>
    addSyllabus(manager, studioId, uuid(), content as Syllabus, new Date(NOW), by),
  );
const [held, used] = [firstSyllabus.skills[0], firstSyllabus.skills.find(({ id }) => id === 'numbers.145')];
if (!used) throw new Error('no use');

test('drills that were stored without a step are held, those of a use are used; what has steps stays as it is', async () => {
  const { studioId } = world.here;
  const before = [held, used].map(({ sentence: _, practice, ...skill }) => ({
    ...skill,
    use: skill.id === used.id,
    practice: practice.map(({ recipe }) => recipe),
  }));
  const { courses: _, ...old } = firstSyllabus;
  await keep(studioId, { ...old, skills: before });
  const runner = world.owner.createQueryRunner();
  await new SyllabusSteps1764900000000().up(runner);
  const [shipped, moved] = (await versions(studioId)).map(({ content }) => content);
  expect(shipped).toEqual(JSON.parse(JSON.stringify(firstSyllabus)));
  expect(moved.skills.map(({ practice }) => practice)).toEqual([
    held.practice.map(({ recipe }) => ({ step: 'hold', recipe })),
    used.practice.map(({ recipe }) => ({ step: 'use', recipe })),
  ]);
  expect(moved.skills.map((skill) => ['use' in skill, skill.sentence])).toEqual([
    [false, ''],
    [false, ''],
  ]);
  expect(moved.courses).toEqual([]);
  await new SyllabusSteps1764900000000().down(runner);
  const back = (await versions(studioId))[1].content;
  expect('courses' in back).toBe(false);
  expect(back.skills).toEqual(JSON.parse(JSON.stringify(before)));
  await runner.release();
});

test('a later first syllabus becomes the newest version, once; one that somebody made their own is left alone', async () => {
  const { studioId } = world.here;
  await shipSyllabus(world.owner, studioId, NOW);
  expect(await versions(studioId)).toHaveLength(1);
  await keep(studioId, { ...firstSyllabus, skills: firstSyllabus.skills.slice(0, 29) });
  await shipSyllabus(world.owner, studioId, NOW);
  await shipSyllabus(world.owner, studioId, NOW);
  const kept = await versions(studioId);
  expect(kept.map(({ content }) => content.skills.length)).toEqual([
    firstSyllabus.skills.length,
    29,
    firstSyllabus.skills.length,
  ]);
  const newest = await inStudio(world.owner, studioId, currentSyllabus);
  expect(newest.id).toBe(kept[2].id);
  await keep(studioId, { ...firstSyllabus, skills: firstSyllabus.skills.slice(0, 3) }, world.here.teacherId);
  await shipSyllabus(world.owner, studioId, NOW);
  expect(await versions(studioId)).toHaveLength(4);
});
