/** The published schema of a syllabus file says what the boundary says; judged by another program. Made anew by UPDATE_DOCS=1. */
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { edited, firstSyllabus } from '@finch/core/syllabus';
import { toJsonSchema } from '@valibot/to-json-schema';
import Ajv from 'ajv';
import * as v from 'valibot';
import { MOST_SKILLS, syllabusContentSchema } from './syllabus';

const file = join(__dirname, '../../web/public/schemas/syllabus.schema.json');
const schema = {
  $id: 'syllabus.schema.json',
  title: 'A syllabus of Zealous Finch: skills, what each needs first, how it is told and what trains it',
  // What a pattern of checks in code says beyond the schema is told by the program when a file is read.
  ...toJsonSchema(syllabusContentSchema, { errorMode: 'ignore', typeMode: 'input' }),
};
const text = `${JSON.stringify(schema, null, 1)}\n`;
if (process.env.UPDATE_DOCS) {
  mkdirSync(dirname(file), { recursive: true });
  writeFileSync(file, text);
}

const read = () => JSON.parse(readFileSync(file, 'utf8')) as object;
const judged = (content: unknown): boolean => new Ajv({ strict: false }).compile(read())(content) === true;
const parsed = (content: unknown): boolean => v.safeParse(syllabusContentSchema, content).success;
const plain = (content: unknown): unknown => JSON.parse(JSON.stringify(content));

test('the schema that is published is the one of the boundary', () => {
  expect(existsSync(file)).toBe(true);
  expect(readFileSync(file, 'utf8')).toBe(text);
});

test('what the boundary takes is written back as it was', () => {
  expect(v.parse(syllabusContentSchema, plain(firstSyllabus))).toEqual(plain(firstSyllabus));
});

const [one] = firstSyllabus.skills;
test.each<[string, unknown, boolean]>([
  ['the shipped syllabus', firstSyllabus, true],
  ['an edited one', edited(firstSyllabus, { do: 'set', skill: one.id, to: { targetBpm: 66 } }), true],
  ['no skill', { ...firstSyllabus, skills: [] }, false],
  ['more than there may be', { ...firstSyllabus, skills: Array.from({ length: MOST_SKILLS + 1 }, (_, i) => ({ ...one, id: `a.${i}` })) }, false], // prettier-ignore
  ['a name of nothing', { ...firstSyllabus, skills: [{ ...one, name: '' }] }, false],
  ['a tempo of 3', { ...firstSyllabus, skills: [{ ...one, targetBpm: 3 }] }, false],
  ['no drill', { ...firstSyllabus, skills: [{ ...one, practice: [] }] }, false],
  ['a family that is none', { ...firstSyllabus, skills: [{ ...one, matches: [{ kind: 'drill', family: 'juggling', where: {} }] }] }, false], // prettier-ignore
  ['an id with a space', { ...firstSyllabus, skills: [{ ...one, id: 'open em' }] }, false],
  ['a list', [], false],
])('%s: both judges agree', (_, content, sound) => {
  expect([judged(plain(content)), parsed(plain(content))]).toEqual([sound, sound]);
});
