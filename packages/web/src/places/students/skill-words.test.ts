import type { SkillStateBody } from '@finch/contract';
import { stateWord } from '../../words';
import { markWord, needOf } from './skill-words';

const skill = (more: Partial<SkillStateBody>): SkillStateBody =>
  ({
    skillId: 's',
    state: 'workable',
    attempts: 9,
    recall: 0.87,
    peak: null,
    marks: { due: false, slipping: false, stuck: false },
    ...more,
  }) as SkillStateBody;
const marks = (more: object) => skill({ marks: { due: false, slipping: false, stuck: false, ...more } });

test('few takes are not called rough, many are', () => {
  expect(stateWord({ state: 'rough', attempts: 4 })).toBe('not sure yet');
  expect(stateWord({ state: 'rough', attempts: 5 })).toBe('rough');
  expect(stateWord({ state: 'clean', attempts: 3 })).toBe('clean');
});

test('slipping comes before stuck, stuck before due', () => {
  const order = [marks({ due: true }), marks({ slipping: true }), marks({}), marks({ stuck: true })];
  expect(order.map(needOf)).toEqual([1, 4, 0, 3]);
  expect(markWord(skill({}))).toBe('recall 87 in 100');
  expect(markWord(skill({ attempts: 1 }))).toBe('not sure yet: 1 take');
  expect(markWord(marks({ stuck: true }))).toBe('stuck after 9 takes');
});
