/**
 * A place built frame by frame: what the eye goes to first stands in the first, the rest follows, so that no press waits
 * for the whole of it.
 */
import { onScopeDispose, readonly, ref, type Ref } from 'vue';

/** Runs once the frame that is being made has been painted: a timer from within a frame runs after it. */
export function afterPaint(run: () => void): void {
  requestAnimationFrame(() => setTimeout(run));
}

/**
 * Counts from 0 to `last`, one a painted frame.
 * @param last stages after the first, 1 and more
 */
export function useStages(last: number): Readonly<Ref<number>> {
  const stage = ref(0);
  let gone = false;
  const next = () =>
    afterPaint(() => {
      if (gone) return;
      stage.value += 1;
      if (stage.value < last) next();
    });
  next();
  onScopeDispose(() => (gone = true));
  return readonly(stage);
}
