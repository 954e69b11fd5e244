/** The planner behind the adapter: what it believes and what a visit is worth, worked by hand on four rows; and what it is asked. */
import { makeVoice, SKILL_VOICES, type PracticeRow } from '@finch/core/estimates';
import { makePolicy, prospectOf } from './policy';

const row = (
  skill: string,
  day: number,
  minute: number,
  tempoBpm: number,
  clean: number,
  tries: number,
): PracticeRow => ({
  student: 's1',
  skill,
  item: `i${skill.slice(1)}`,
  day,
  minute,
  tempoBpm,
  tries,
  clean,
});
const ROWS = [
  row('k1', 0, 0, 80, 3, 8),
  row('k1', 0, 5, 80, 5, 8),
  row('k2', 0, 10, 60, 1, 4),
  row('k1', 3, 0, 90, 6, 8),
];
const SKILLS = [
  { id: 'k1', needs: [] },
  { id: 'k2', needs: [] },
  { id: 'k3', needs: ['k1'] },
  { id: 'k4', needs: ['k2'] },
  { id: 'k5', needs: [] },
];
const OPEN = ['k1', 'k2', 'k3', 'k5'];

test('what is believed of each, before practice and forgetting', () => {
  const voice = makeVoice(SKILL_VOICES[0]);
  for (const one of ROWS) voice.learn(one, voice.say(one));
  const base = (skill: string, tempoBpm: number | null) =>
    prospectOf(voice, { student: 's1', skill, day: 5, tempoBpm }).base;
  expect(base('k1', 90)).toBeCloseTo(-0.2862, 4);
  expect(base('k2', 60)).toBeCloseTo(-0.88, 4);
  expect(base('k3', null)).toBeCloseTo(-0.8797, 4);
  expect(base('k5', null)).toBeCloseTo(-0.8797, 4);
});

test('the order of a day, and what is wished for first', () => {
  const choose = makePolicy({ skills: SKILLS, minutes: 30 });
  const ask = { student: 's1', day: 5, open: OPEN, rows: ROWS };
  expect(choose(ask)).toEqual(['k3', 'k5', 'k2', 'k1']);
  const goals = [{ skills: ['k2', 'k4'], day: 84 }];
  expect(choose({ ...ask, goals })[0]).toBe('k2');
  // A goal whose day is over is none.
  expect(choose({ ...ask, goals: [{ ...goals[0], day: 4 }] })).toEqual(['k3', 'k5', 'k2', 'k1']);
});

test('worth of a visit, to four places', () => {
  expect(
    makePolicy({ skills: SKILLS, minutes: 30 }).worth({ student: 's1', day: 5, open: OPEN, rows: ROWS }),
  ).toEqual(
    new Map([
      ['k1', expect.closeTo(0.0663, 4)],
      ['k2', expect.closeTo(0.0901, 4)],
      ['k3', expect.closeTo(0.1206, 4)],
      ['k5', expect.closeTo(0.1206, 4)],
    ]),
  );
});

test('at most three new ones a day, whatever is open; another student changes nothing of the graph', () => {
  const skills = Array.from({ length: 9 }, (_, i) => ({ id: `n${i}`, needs: [] }));
  const choose = makePolicy({ skills, minutes: 30 });
  expect(choose({ student: 's', day: 0, open: skills.map(({ id }) => id), rows: [] })).toEqual([
    'n0',
    'n1',
    'n2',
  ]);
});
