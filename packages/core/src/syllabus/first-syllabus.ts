/** The first syllabus that ships: twelve strands, from two-finger open chords to styles and pieces. */
import type { Syllabus } from './skill';
import { SKILLS, STRANDS } from './strands';
import { COURSES } from './strands/courses';

export const firstSyllabus: Syllabus = {
  schemaVersion: 1,
  name: 'First syllabus',
  strands: STRANDS,
  skills: SKILLS,
  courses: COURSES,
};
