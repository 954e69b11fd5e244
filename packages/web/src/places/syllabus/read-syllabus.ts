/** A syllabus out of the text of a file: what is wrong is told with its place in the file. */
import { syllabusContentSchema } from '@finch/contract';
import { fail, ok, type Result } from '@finch/core/kernel';
import type { Syllabus } from '@finch/core/syllabus';
import * as v from 'valibot';

/** Problems: `syllabus.file`, with words that name the place and what belongs there. */
export function readSyllabus(text: string): Result<Syllabus> {
  let data: unknown;
  try {
    data = JSON.parse(text);
  } catch (problem) {
    return fail('syllabus.file', 'file', `That file is no JSON: ${(problem as Error).message}. Nothing was taken.`); // prettier-ignore
  }
  const parsed = v.safeParse(syllabusContentSchema, data, { abortEarly: true });
  if (parsed.success) return ok(parsed.output);
  const [issue] = parsed.issues;
  const path = v.getDotPath(issue);
  return fail(
    'syllabus.file',
    path ?? 'file',
    `${path ? `At ${placeOf(path, data)}` : 'The file'}: expected ${issue.message}. Nothing was taken.`,
  );
}

/** "skills.4.practice" with the id of the skill it is in, where it has one. */
function placeOf(path: string, data: unknown): string {
  const [list, at] = path.split('.');
  const skill = list === 'skills' ? (data as { skills?: { id?: unknown }[] }).skills?.[Number(at)] : null;
  return typeof skill?.id === 'string' ? `${path} (${skill.id.slice(0, 80)})` : path;
}
