/** A drill found by a teacher's words: a family, a skill, or what is wrong; worked out beside the page for the hand on the bench. */
import { FAMILIES, type DrillFamily, type NamedGrip } from '@finch/core/drills';
import type { DrillContext } from '@finch/core/hands';
import type { Found } from '@finch/core/syllabus';
import { computed, ref } from 'vue';
import { useSyllabus } from '../../session/queries';
import { FAMILY_WORDS } from '../../words/family-words';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';

const WORDS = Object.fromEntries(
  FAMILIES.map(({ name }) => [name, `${name} ${FAMILY_WORDS[name].trains}`]),
) as Record<DrillFamily, string>;
const NOTHING: Found = { families: FAMILIES.map((one) => one.name), drills: [], hurts: false };

export function useDrillFinder(hand: {
  readonly context: () => DrillContext;
  readonly grip: () => NamedGrip;
  readonly held: () => readonly NamedGrip[];
}) {
  const text = ref('');
  const { data: syllabus } = useSyllabus();
  const looking = useLatest(
    () => (text.value.trim() === '' ? null : ([text.value, hand.context(), hand.held()] as const)),
    ([typed, context, held]) =>
      benchWork().found(
        plain({
          text: typed,
          context,
          grip: hand.grip(),
          held,
          words: WORDS,
          skills: (syllabus.value?.skills ?? []).map(({ name, practice }) => ({ name, practice })),
        }),
      ),
    () => true,
  );
  return {
    text,
    failed: looking.failed,
    found: computed(() => (text.value.trim() === '' ? NOTHING : (looking.answer.value ?? NOTHING))),
  };
}
