/** A syllabus that somebody changed: kept as a newer version, refused with faults, and what students hold stays theirs. */
import { firstSyllabus, edited, type Syllabus } from '@finch/core/syllabus';
import { changeLoop } from '@finch/core/drills';
import type TestAgent from 'supertest/lib/agent';
import { v7 as uuid } from 'uuid';
import { shipSyllabus } from '../demo/prepare';
import { sampleEvent } from '../test/requests';
import { makeTestWorld, NOW, type TestWorld } from '../test/world';

let world: TestWorld;
let teacher: TestAgent;
beforeAll(async () => {
  world = await makeTestWorld();
  teacher = await world.sit(world.here.teacherId);
});
afterAll(() => world.end());

const newest = async (): Promise<string> => (await teacher.get('/api/syllabus').expect(200)).body.version;
const keep = async (content: Syllabus, version?: string) =>
  teacher.put('/api/syllabus').send({ version: version ?? (await newest()), content });
const renamed = (name: string) => edited(firstSyllabus, { do: 'set', skill: 'open.em', to: { name } });

test('a changed one is the newest, the earlier ones stay to be read, with who kept them', async () => {
  const first = await newest();
  const kept = await keep(renamed('Em, two fingers'));
  expect(kept.status).toBe(200);
  expect(await newest()).toBe(kept.body.version);
  const { body } = await teacher.get('/api/syllabus/versions').expect(200);
  expect(body.versions).toEqual([
    expect.objectContaining({
      version: kept.body.version,
      by: 'Teacher',
      skills: firstSyllabus.skills.length,
    }),
    expect.objectContaining({ version: first, by: null, name: firstSyllabus.name }),
  ]);
  const old = await teacher.get(`/api/syllabus/versions/${first}`).expect(200);
  expect(old.body.content).toEqual(JSON.parse(JSON.stringify(firstSyllabus)));
  await teacher.get(`/api/syllabus/versions/${uuid()}`).expect(404);
});

test('the same again makes no version; one that somebody kept meanwhile is not written over', async () => {
  const first = await newest();
  const one = await keep(renamed('One'));
  expect((await keep(renamed('One'))).body).toEqual({ version: one.body.version });
  const late = await keep(renamed('Two'), first);
  expect([late.status, late.body.code]).toEqual([409, 'write.stale']);
  const { body } = await teacher.get('/api/syllabus').expect(200);
  expect(body.skills[0].name).toBe('One');
});

test('six who keep at once: one of them does, the others are told', async () => {
  const from = await newest();
  const answers = await Promise.all([1, 2, 3, 4, 5, 6].map((i) => keep(renamed(`At once ${i}`), from)));
  expect(answers.map(({ status }) => status).sort()).toEqual([200, 409, 409, 409, 409, 409]);
});

test.each<[string, Syllabus, string, string]>([
  [
    'a need on itself',
    edited(firstSyllabus, { do: 'need', skill: 'open.em', need: 'open.em' }),
    'syllabus.cycle',
    'open.em',
  ],
  [
    'a need of what is gone',
    edited(firstSyllabus, { do: 'take out', skill: 'open.em' }),
    'syllabus.need',
    'open.e',
  ],
  ['a drill that trains something else', trainedBy('open.em', 'near.c-g'), 'syllabus.drill', 'open.em'],
  [
    'one id twice',
    { ...firstSyllabus, skills: [...firstSyllabus.skills, firstSyllabus.skills[0]] },
    'syllabus.twice',
    'open.em',
  ],
  ['none', { ...firstSyllabus, skills: [] }, 'request.body', 'content.skills'],
  ['701', { ...firstSyllabus, skills: many(701) }, 'request.body', 'content.skills'],
  [
    'no drill',
    edited(firstSyllabus, { do: 'set', skill: 'open.em', to: { practice: [] } as object }),
    'request.body',
    'content.skills.0.practice',
  ],
])('%s is refused by place and nothing is kept', async (_, content, code, at) => {
  const first = await newest();
  const { status, body } = await keep(content);
  expect([status, body.code, body.at]).toEqual([422, code, at]);
  expect(await newest()).toBe(first);
});

test('5,000 skills are too much for one request', async () => {
  expect((await keep({ ...firstSyllabus, skills: many(5_000) })).status).toBe(413);
});

/** The first drill of a skill is one of another. */
function trainedBy(id: string, other: string): Syllabus {
  const practice = firstSyllabus.skills.find((one) => one.id === other)?.practice ?? [];
  return {
    ...firstSyllabus,
    skills: firstSyllabus.skills.map((one) => (one.id === id ? { ...one, practice } : one)),
  };
}
function many(count: number): Syllabus['skills'] {
  const [one] = firstSyllabus.skills;
  return Array.from({ length: count }, (_, i) => ({
    ...one,
    id: `own.${i}`,
    practice: one.practice.slice(0, 1),
  }));
}

describe('students keep what they showed', () => {
  const number = async (id: string): Promise<unknown> => {
    const { body } = await teacher.get(`/api/students/${world.here.studentId}`).expect(200);
    const found = body.skills.find(({ skillId }: { skillId: string }) => skillId === id);
    return found && [found.attempts, found.chance?.mean];
  };
  beforeAll(async () => {
    await keep(firstSyllabus);
    const { studentId } = world.here;
    const em = firstSyllabus.skills[0].practice[0].recipe;
    const frets = [0, 2, 2, 0, 0, 0];
    for (let i = 0; i < 3; i++) {
      const event = sampleEvent(studentId, NOW - (i + 1) * 86_400_000);
      const item = {
        kind: 'grip',
        frets,
        fingers: [],
        tuning: [40, 45, 50, 55, 59, 64],
        capo: 0,
        chord: 'Em',
      };
      const take = { ...event.take, recipe: em, items: [item] };
      await teacher
        .post('/api/events')
        .send({ events: [{ ...event, take }] })
        .expect(200);
    }
  });

  test('other words change no number; a taken-out skill comes back with all its takes', async () => {
    const before = await number('open.em');
    expect(before).toEqual([3, expect.any(Number)]);
    await keep(renamed('Em, of two fingers'));
    expect(await number('open.em')).toEqual(before);
    let without = edited(firstSyllabus, { do: 'take out', skill: 'open.em' });
    for (const { id } of firstSyllabus.skills)
      without = edited(without, { do: 'drop need', skill: id, need: 'open.em' });
    for (const { id } of firstSyllabus.courses)
      without = edited(without, { do: 'leave out', course: id, skill: 'open.em' });
    expect((await keep(without)).status).toBe(200);
    expect(await number('open.em')).toBeUndefined();
    expect((await keep(firstSyllabus)).status).toBe(200);
    expect(await number('open.em')).toEqual(before);
  });

  test('another target tempo is another number of the same takes', async () => {
    await keep(firstSyllabus);
    const before = await number('open.em');
    const fast = changeLoop({
      grips: [
        { chord: 'Em', frets: [0, 2, 2, 0, 0, 0] },
        { chord: 'F', frets: [1, 3, 3, 2, 1, 1] },
      ],
      beatsEach: 4,
    });
    const harder = {
      ...firstSyllabus,
      skills: firstSyllabus.skills.map((one) =>
        one.id === 'open.em'
          ? { ...one, targetBpm: 240, practice: [{ step: 'change' as const, recipe: fast }, ...one.practice] }
          : one,
      ),
    };
    expect((await keep(harder)).status).toBe(200);
    const after = await number('open.em');
    expect(after).toEqual([3, expect.any(Number)]);
    expect((after as number[])[1]).toBeLessThan((before as number[])[1] - 0.1);
  });

  test('the class says the same numbers as each student does', async () => {
    await keep(firstSyllabus);
    const { body } = await teacher.get('/api/class').expect(200);
    expect(body.version).toBe(await newest());
    expect(body.skills).toEqual(firstSyllabus.skills.map(({ id }) => id));
    expect(body.students.map(({ id }: { id: string }) => id).sort()).toEqual(
      [world.here.studentId, world.here.otherStudentId, world.here.selfTaughtStudentId].sort(),
    );
    for (const one of body.students) {
      const { body: student } = await teacher.get(`/api/students/${one.id}`).expect(200);
      const words = ['not met', 'rough', 'workable', 'clean', 'settled'];
      for (const [i, id] of body.skills.entries()) {
        const skill = student.skills.find(({ skillId }: { skillId: string }) => skillId === id);
        expect([id, one.chances[i], words[one.states[i]], one.marks[i] & 1]).toEqual([
          id,
          skill.chance && Math.round(100 * skill.chance.mean) / 100,
          skill.state,
          skill.marks.due ? 1 : 0,
        ]);
      }
    }
  });
});

test('a later first syllabus does not take the place of one that somebody changed', async () => {
  const own = await keep(renamed('Em, mine'));
  await shipSyllabus(world.owner, world.here.studioId, NOW);
  expect(await newest()).toBe(own.body.version);
});
