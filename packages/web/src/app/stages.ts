/**
 * A place built frame by frame: what the eye goes to first stands in the first, the rest follows, so that no press waits
 * for the whole of it.
 */
import { onScopeDispose, readonly, ref, type Ref } from 'vue';

/**
 * Counts from 0 to `last`, one a painted frame.
 * @param last stages after the first, 1 and more
 */
export function useStages(last: number): Readonly<Ref<number>> {
  const stage = ref(0);
  let gone = false;
  const next = () =>
    // A timer from within a frame runs once that frame has been painted.
    requestAnimationFrame(() =>
      setTimeout(() => {
        if (gone) return;
        stage.value += 1;
        if (stage.value < last) next();
      }),
    );
  next();
  onScopeDispose(() => (gone = true));
  return readonly(stage);
}
