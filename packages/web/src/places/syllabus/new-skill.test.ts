import { firstSyllabus } from '@finch/core/syllabus';
import { newSkillId } from './new-skill';

test('an id is made of the name, in letters any file takes, and none is given twice', () => {
  expect(newSkillId('Bass run, Łódź style', firstSyllabus)).toBe('own.bass-run-o-dz-style');
  expect(newSkillId('♭9', firstSyllabus)).toBe('own.9');
  expect(newSkillId('…', firstSyllabus)).toBe('own.skill');
  const one = { ...firstSyllabus.skills[0], id: 'own.skill' };
  expect(newSkillId('!', { skills: [one] })).toBe('own.skill-2');
  expect(newSkillId('!', { skills: [one, { ...one, id: 'own.skill-2' }] })).toBe('own.skill-3');
  expect(newSkillId('a'.repeat(200), firstSyllabus).length).toBeLessThanOrEqual(80);
});
