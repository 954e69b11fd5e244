/** Names what is wrong with a syllabus: unknown needs, cycles, skills no drill of theirs exercises. */
import { makeDrill } from '../drills/make-drill';
import type { DrillContext } from '../hands/taught-hand';
import type { Problem } from '../kernel/result';
import type { Syllabus } from './skill';
import { skillsOf } from './skills-of';

/** Every fault found; an empty list means a sound syllabus. */
export function checkSyllabus(syllabus: Syllabus, context: DrillContext): Problem[] {
  const problems: Problem[] = [];
  const ids = new Set(syllabus.skills.map((skill) => skill.id));
  const strands = new Set(syllabus.strands.map((strand) => strand.id));
  if (ids.size < syllabus.skills.length)
    problems.push({ code: 'syllabus.twice', at: 'skills', detail: 'one id for each skill' });
  for (const skill of syllabus.skills) {
    if (!strands.has(skill.strand))
      problems.push({ code: 'syllabus.strand', at: skill.id, detail: skill.strand });
    for (const need of skill.needs.flat()) {
      if (!ids.has(need)) problems.push({ code: 'syllabus.need', at: skill.id, detail: need });
    }
    for (const [index, { recipe }] of skill.practice.entries()) {
      const drill = makeDrill(recipe, context);
      if (!drill.ok)
        problems.push({
          code: drill.problem.code,
          at: `${skill.id}, practice ${index + 1}`,
          detail: drill.problem.detail,
        });
      else if (!skillsOf(drill.value, syllabus).some((found) => found.skill.id === skill.id)) {
        problems.push({
          code: 'syllabus.untrained',
          at: `${skill.id}, practice ${index + 1}`,
          detail: 'a drill whose items the skill matches',
        });
      }
    }
    if (skill.practice.length === 0)
      problems.push({ code: 'syllabus.untrained', at: skill.id, detail: 'at least one recipe' });
  }
  for (const { id, skills } of syllabus.courses)
    for (const one of skills)
      if (!ids.has(one)) problems.push({ code: 'syllabus.course', at: id, detail: one });
  for (const id of cycleIn(syllabus))
    problems.push({ code: 'syllabus.cycle', at: id, detail: 'a need that does not lead back' });
  return problems;
}

/** Skills that can only be reached through themselves: what is left when reachable ones are taken away. */
function cycleIn(syllabus: Syllabus): string[] {
  const reached = new Set<string>();
  for (let grew = true; grew;) {
    grew = false;
    for (const skill of syllabus.skills) {
      if (reached.has(skill.id)) continue;
      if (skill.needs.every((group) => group.some((need) => reached.has(need)))) {
        reached.add(skill.id);
        grew = true;
      }
    }
  }
  return syllabus.skills.filter((skill) => !reached.has(skill.id)).map((skill) => skill.id);
}
