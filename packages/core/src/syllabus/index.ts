export {
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
export { pieceItems, pieceSkills } from './piece-skills';
export {
  countedPart,
  differenceOf,
  edited,
  skillOfDrill,
  type SyllabusDifference,
  type SyllabusEdit,
} from './edit';
export { drillFaults, graphFaults, type FaultCode, type SyllabusFault } from './faults';
export { openedBy, stepsTo } from './graph';
export { firstSyllabus } from './first-syllabus';
export { findDrills, type Finding, type Found, type FoundDrill } from './find-drill';
