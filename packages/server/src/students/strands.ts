/** One strand of a student for the heat map: the mean of what was met, and whether anything in it needs care. */
import type { StrandCell } from '@finch/contract';
import type { StudentView } from './states.service';

export function strandCells({ state, syllabus }: StudentView): StrandCell[] {
  const strandOf = new Map(syllabus.content.skills.map((skill) => [skill.id, skill.strand]));
  return syllabus.content.strands.map((strand) => {
    const skills = state.skills.filter((skill) => strandOf.get(skill.skillId) === strand.id);
    const met = skills.filter((skill) => skill.chance !== null);
    const mean = (pick: 'mean' | 'low' | 'high') =>
      met.reduce((sum, skill) => sum + (skill.chance?.[pick] ?? 0), 0) / met.length;
    return {
      strandId: strand.id,
      chance: met.length ? { mean: mean('mean'), low: mean('low'), high: mean('high') } : null,
      met: met.length,
      of: skills.length,
      marks: {
        due: met.some((skill) => skill.marks.due),
        slipping: met.some((skill) => skill.marks.slipping),
        stuck: met.some((skill) => skill.marks.stuck),
      },
    };
  });
}
