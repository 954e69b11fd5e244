/** What is heard of the drill in hand: chosen once, kept from drill to drill where it can be had, the click for called numbers. */
import { heardChoices, heardScore, instrumentFor, type Drill, type Heard } from '@finch/core/drills';
import type { Instrument } from '@finch/core/fretboard';
import type { Score } from '@finch/core/score';
import { computed, ref, type Ref } from 'vue';

export function useHeard(drill: Readonly<Ref<Drill | null>>, own: Readonly<Ref<Instrument | null>>) {
  const wished = ref<Heard | null>(null);
  const choices = computed<readonly Heard[]>(() =>
    drill.value && own.value ? heardChoices(drill.value, own.value) : [],
  );
  const heard = computed<Heard>({
    get: () => {
      // The chords of called numbers are to be found, not heard first.
      const usual = drill.value?.steps.some((step) => step.called) ? 'click' : 'drill';
      const wanted = wished.value ?? usual;
      return choices.value.includes(wanted) ? wanted : (choices.value[0] ?? 'drill');
    },
    set: (now) => (wished.value = now),
  });
  const score = computed<Score | null>(() =>
    drill.value && own.value ? heardScore(drill.value, own.value, heard.value) : null,
  );
  const instrument = computed(() =>
    drill.value && own.value ? instrumentFor(drill.value, own.value) : own.value,
  );
  return { heard, choices, score, instrument };
}
