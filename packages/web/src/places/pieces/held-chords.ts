/** Chords a student holds: those of grips whose skills are clean or settled. */
import type { SkillStateBody, SyllabusBody } from '@finch/contract';

export function heldChords(states: readonly SkillStateBody[], syllabus: SyllabusBody | undefined): string[] {
  const held = new Set(
    states.filter((one) => one.state === 'clean' || one.state === 'settled').map((one) => one.skillId),
  );
  const chords = (syllabus?.skills ?? [])
    .filter((skill) => held.has(skill.id))
    .flatMap((skill) =>
      skill.practice.flatMap((recipe): string[] => {
        if (recipe.family === 'ring check') return [recipe.parameters.grip.chord];
        return recipe.family === 'change loop' ? recipe.parameters.grips.map((grip) => grip.chord) : [];
      }),
    );
  return [...new Set(chords)];
}
