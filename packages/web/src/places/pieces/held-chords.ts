/** Chords a student holds: those of grips whose skills are clean or settled. */
import type { SkillStateBody } from '@finch/contract';
import { gripsOf, type Recipe } from '@finch/core/drills';

interface Practised {
  readonly skills: readonly { readonly id: string; readonly practice: readonly Recipe[] }[];
}

export function heldChords(
  states: readonly Pick<SkillStateBody, 'skillId' | 'state'>[],
  syllabus: Practised | undefined,
): string[] {
  const held = new Set(
    states.filter((one) => one.state === 'clean' || one.state === 'settled').map((one) => one.skillId),
  );
  const chords = (syllabus?.skills ?? [])
    .filter((skill) => held.has(skill.id))
    .flatMap((skill) => skill.practice.flatMap((recipe) => gripsOf(recipe).map((grip) => grip.chord)));
  return [...new Set(chords)];
}
