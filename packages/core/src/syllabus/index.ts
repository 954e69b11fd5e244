export {
  goalSkills,
  isGoal,
  isUse,
  ownDrills,
  PRACTICE_STEPS,
  type Course,
  type GripMatch,
  type Practice,
  type PracticeStep,
  type Skill,
  type SkillMatch,
  type Syllabus,
} from './skill';
export { skillsOf } from './skills-of';
export { checkSyllabus } from './check-syllabus';
export { firstSyllabus } from './first-syllabus';
export { findDrills, type Finding, type Found, type FoundDrill } from './find-drill';
