/**
 * Changes of a syllabus one by one, each a value: so that they can be offered as cures, taken back and told in words. What a
 * change leaves behind, such as a need of what was taken out, is a fault that `faults.ts` names; ids never change.
 */
import equal from 'fast-deep-equal';
import type { Practice, Skill, Syllabus } from './skill';

export type SyllabusEdit =
  /** `beside` names a need of whose group it becomes one: either will do; `instead` one whose place it takes. */
  | {
      readonly do: 'need';
      readonly skill: string;
      readonly need: string;
      readonly beside?: string;
      readonly instead?: string;
    }
  | { readonly do: 'drop need'; readonly skill: string; readonly need: string }
  | {
      readonly do: 'set';
      readonly skill: string;
      readonly to: Partial<Pick<Skill, 'name' | 'sentence' | 'strand' | 'targetBpm'>>;
    }
  /** `at` is its place among the skills, the last one where it is left out. */
  | { readonly do: 'add'; readonly skill: Skill; readonly at?: number }
  | { readonly do: 'take out'; readonly skill: string }
  | { readonly do: 'drop drill'; readonly skill: string; readonly at: number }
  | { readonly do: 'leave out'; readonly course: string; readonly skill: string };

/** The syllabus after it; the same one where it changes nothing. */
export function edited(syllabus: Syllabus, edit: SyllabusEdit): Syllabus {
  switch (edit.do) {
    case 'need':
      return withSkill(syllabus, edit.skill, (skill) => ({
        ...skill,
        needs: withNeed(skill.needs, edit),
      }));
    case 'drop need':
      return withSkill(syllabus, edit.skill, (skill) => ({
        ...skill,
        needs: skill.needs
          .map((group) => group.filter((need) => need !== edit.need))
          .filter((group) => group.length),
      }));
    case 'set':
      return withSkill(syllabus, edit.skill, (skill) => ({ ...skill, ...edit.to }));
    case 'add':
      return syllabus.skills.some(({ id }) => id === edit.skill.id)
        ? syllabus
        : {
            ...syllabus,
            skills: syllabus.skills.toSpliced(edit.at ?? syllabus.skills.length, 0, edit.skill),
          };
    case 'take out':
      return { ...syllabus, skills: syllabus.skills.filter(({ id }) => id !== edit.skill) };
    case 'drop drill':
      return withSkill(syllabus, edit.skill, (skill) => ({
        ...skill,
        practice: skill.practice.filter((_, i) => i !== edit.at),
      }));
    case 'leave out':
      return {
        ...syllabus,
        courses: syllabus.courses.map((course) =>
          course.id === edit.course
            ? { ...course, skills: course.skills.filter((id) => id !== edit.skill) }
            : course,
        ),
      };
  }
}

function withSkill(syllabus: Syllabus, id: string, change: (skill: Skill) => Skill): Syllabus {
  let changed = false;
  const skills = syllabus.skills.map((skill) => {
    if (skill.id !== id) return skill;
    const next = change(skill);
    changed ||= !equal(next, skill);
    return next;
  });
  return changed ? { ...syllabus, skills } : syllabus;
}

function withNeed(
  needs: Skill['needs'],
  { need, beside, instead }: Extract<SyllabusEdit, { do: 'need' }>,
): Skill['needs'] {
  if (needs.flat().includes(need)) return needs;
  if (instead !== undefined) return needs.map((group) => group.map((one) => (one === instead ? need : one)));
  const joins = beside === undefined ? -1 : needs.findIndex((group) => group.includes(beside));
  return joins < 0 ? [...needs, [need]] : needs.map((group, i) => (i === joins ? [...group, need] : group));
}

/** What differs between two versions, by skill. */
export interface SyllabusDifference {
  readonly added: readonly string[];
  readonly gone: readonly string[];
  readonly changed: readonly string[];
  /** Skills whose drills, needs or recognition changed: what students hold of them is reckoned anew. */
  readonly counted: readonly string[];
  /** Name, strands, courses or the order of the skills. */
  readonly frame: boolean;
}

/** What of a skill the numbers of students rest on. */
export const countedPart = ({ id, needs, matches, practice, targetBpm }: Skill) => ({
  id,
  needs,
  matches,
  practice,
  targetBpm,
});

const frameOf = ({ name, strands, courses, skills }: Syllabus) => [
  name,
  strands,
  courses,
  skills.map(({ id }) => id),
];

export function differenceOf(before: Syllabus, after: Syllabus): SyllabusDifference {
  const was = new Map(before.skills.map((skill) => [skill.id, skill]));
  const now = new Set(after.skills.map(({ id }) => id));
  const added = after.skills.filter(({ id }) => !was.has(id)).map(({ id }) => id);
  const differs = (of: (skill: Skill) => unknown) =>
    after.skills.flatMap((skill) => {
      const old = was.get(skill.id);
      return old && old !== skill && !equal(of(old), of(skill)) ? [skill.id] : [];
    });
  return {
    added,
    gone: before.skills.filter(({ id }) => !now.has(id)).map(({ id }) => id),
    changed: differs((skill) => skill),
    counted: [...added, ...differs(countedPart)],
    frame: !equal(frameOf(before), frameOf(after)),
  };
}

interface NewSkill {
  readonly id: string;
  readonly name: string;
  readonly sentence: string;
  readonly strand: string;
  readonly practice: Practice;
}

/** A skill that is what one drill does: recognised by the drill's family and all of its plain parameters. */
export function skillOfDrill({ id, name, sentence, strand, practice }: NewSkill): Skill {
  const { family, parameters } = practice.recipe;
  const where = Object.fromEntries(
    Object.entries(parameters).flatMap(([parameter, value]: [string, unknown]) =>
      typeof value === 'string' || typeof value === 'number' || typeof value === 'boolean'
        ? [[parameter, [value]]]
        : [],
    ),
  );
  return {
    id,
    name,
    sentence,
    strand,
    needs: [],
    matches: [{ kind: 'drill', family, where }],
    practice: [practice],
    targetBpm: null,
    barre: false,
  };
}
