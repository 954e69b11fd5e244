import { routes, type StudentBody, type SyllabusBody } from '@finch/contract';
import { firstSyllabus } from '@finch/core/syllabus';
import * as v from 'valibot';
import { offered, toggled, wishesOf } from './wishes';

const syllabus: SyllabusBody = v.parse(routes.syllabus.output, { version: '1', ...firstSyllabus });
const skill = (skillId: string, state: string) => ({ skillId, state }) as StudentBody['skills'][number];
const roots = syllabus.courses.find(({ id }) => id === 'way.roots');
if (!roots) throw new Error('no way by roots');

test('a wish says how much of it is held: clean and settled count, workable does not', () => {
  const skills = [
    skill(roots.skills[0], 'clean'),
    skill(roots.skills[1], 'settled'),
    skill(roots.skills[2], 'workable'),
  ];
  const [way, single] = wishesOf({ goals: ['way.roots', roots.skills[2], 'gone'], skills }, syllabus);
  expect([way.name, way.held, way.of]).toEqual([roots.name, 2, roots.skills.length]);
  expect([single.held, single.of, single.sentence]).toEqual([0, 1, '']);
  expect(wishesOf({ goals: ['gone'], skills }, syllabus)).toEqual([]);
});

test('all ways in and all styles are offered, wished for or not', () => {
  const names = (kind: 'way in' | 'style') => offered(kind, [], syllabus).map(({ id }) => id.split('.')[0]);
  expect(names('way in')).toEqual(['way', 'way', 'way', 'way']);
  expect(names('style').length).toBeGreaterThanOrEqual(3);
  expect(new Set(names('style'))).toEqual(new Set(['style']));
});

test('ticked once it is wished for, twice it is not; the others stay in their order', () => {
  expect(toggled(['a', 'b'], 'c')).toEqual(['a', 'b', 'c']);
  expect(toggled(['a', 'b'], 'a')).toEqual(['b']);
});
