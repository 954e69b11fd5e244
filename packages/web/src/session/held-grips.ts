/** Grips and chords a student holds: those of grips whose skills are clean or settled. */
import type { SkillStateBody } from '@finch/contract';
import { gripsOf, type NamedGrip } from '@finch/core/drills';
import { ownDrills, type Practice } from '@finch/core/syllabus';

interface Practised {
  readonly skills: readonly { readonly id: string; readonly practice: readonly Practice[] }[];
}
type States = readonly Pick<SkillStateBody, 'skillId' | 'state'>[];

/** Each grip once, in the order of the syllabus. */
export function heldGrips(states: States, syllabus: Practised | undefined): NamedGrip[] {
  const held = new Set(
    states.filter((one) => one.state === 'clean' || one.state === 'settled').map((one) => one.skillId),
  );
  const grips = (syllabus?.skills ?? [])
    .filter((skill) => held.has(skill.id))
    .flatMap((skill) => ownDrills(skill).flatMap(gripsOf));
  return [...new Map(grips.map((grip) => [`${grip.chord} ${grip.frets.join()}`, grip])).values()];
}

export const heldChords = (states: States, syllabus: Practised | undefined): string[] => [
  ...new Set(heldGrips(states, syllabus).map((grip) => grip.chord)),
];
