import { firstSyllabus } from '@finch/core/syllabus';
import { readSyllabus } from './read-syllabus';

const [one] = firstSyllabus.skills;
const told = (content: unknown): string => {
  const read = readSyllabus(typeof content === 'string' ? content : JSON.stringify(content));
  return read.ok ? `${read.value.skills.length} skills` : read.problem.detail;
};

test('what was written is read as it was', () => {
  const read = readSyllabus(JSON.stringify(firstSyllabus));
  expect(read.ok && read.value).toEqual(JSON.parse(JSON.stringify(firstSyllabus)));
});

test('what is wrong is told with its place', () => {
  expect(told('{"skills": [')).toMatch(/^That file is no JSON: .*\. Nothing was taken\.$/);
  expect(told({ ...firstSyllabus, skills: [one, { ...one, id: 'open.e', practice: [] }] })).toBe(
    'At skills.1.practice (open.e): expected a drill that trains it. Nothing was taken.',
  );
  expect(told({ ...firstSyllabus, schemaVersion: 2 })).toBe(
    'At schemaVersion: expected a syllabus of schema version 1. Nothing was taken.',
  );
  expect(told([])).toMatch(/^At schemaVersion|^The file/);
  expect(told({ ...firstSyllabus, skills: [] })).toBe('At skills: expected a skill. Nothing was taken.');
});

test.each([0.1, 0.5, 0.9])('a file cut at %s of its length is refused', (share) => {
  const text = JSON.stringify(firstSyllabus);
  expect(told(text.slice(0, Math.floor(share * text.length)))).toMatch(/no JSON/);
});
