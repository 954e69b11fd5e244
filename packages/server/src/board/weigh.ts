/** The heaviest grips of skills for a hand. */
import { parseChord } from '@finch/core';
import { gradeIn, gripsOf } from '@finch/core/drills';
import type { TaughtHand } from '@finch/core/hands';
import { ownDrills, type Syllabus } from '@finch/core/syllabus';

/** What the weight of a grip rests on, and the skills asked about. */
interface WeighedHand extends Pick<TaughtHand, 'hand' | 'instrument' | 'pins'> {
  readonly skillIds: readonly string[];
}

export interface WeighAsked {
  readonly syllabus: Syllabus;
  readonly hands: readonly WeighedHand[];
}

/** A skill's heaviest grip, 0 to 100; one the hand cannot hold counts as the heaviest there is. */
export interface WeighedSkill {
  readonly skillId: string;
  readonly chord: string;
  readonly effort: number;
}

/** Of each hand the skills asked about that have grips at all. */
export function weighGrips({ syllabus, hands }: WeighAsked): (readonly WeighedSkill[])[] {
  return hands.map((hand) =>
    syllabus.skills.flatMap((skill): WeighedSkill[] => {
      if (!hand.skillIds.includes(skill.id)) return [];
      let worst: WeighedSkill | null = null;
      for (const { chord, frets } of ownDrills(skill).flatMap(gripsOf)) {
        const graded = gradeIn(frets, hand);
        const effort = graded.ok ? graded.value.total : 100;
        if (parseChord(chord).ok && effort > (worst?.effort ?? 0))
          worst = { skillId: skill.id, chord, effort };
      }
      return worst ? [worst] : [];
    }),
  );
}
