export type { GripMatch, Skill, SkillMatch, Syllabus } from './skill';
export { skillsOf } from './skills-of';
export { checkSyllabus } from './check-syllabus';
export { firstSyllabus } from './first-syllabus';
