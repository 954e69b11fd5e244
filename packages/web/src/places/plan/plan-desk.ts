/** The plan being changed by hand: its blocks, which one is picked, and the way back. Knows no server. */
import { inOrder, type LessonPlan, type PlanBlock } from '@finch/core/planning';
import { computed, readonly, ref, shallowRef } from 'vue';

const STEPS_KEPT = 30;

export function usePlanDesk() {
  const plan = shallowRef<LessonPlan | null>(null);
  const before = shallowRef<readonly LessonPlan[]>([]);
  const picked = ref(0);
  const dirty = ref(false);
  /** What dirty is judged against: a change taken back whole is none. */
  let stored: LessonPlan | null = null;
  const blocks = computed<readonly PlanBlock[]>(() => plan.value?.blocks ?? []);

  const pick = (index: number) => {
    picked.value = Math.max(0, Math.min(index, blocks.value.length - 1));
  };
  function put(next: LessonPlan) {
    if (plan.value) before.value = [...before.value.slice(1 - STEPS_KEPT), plan.value];
    plan.value = next;
    pick(picked.value);
  }
  return {
    plan: readonly(plan),
    blocks,
    picked: readonly(picked),
    dirty: readonly(dirty),
    canUndo: computed(() => before.value.length > 0),
    pick,
    /** Lays out what is stored: nothing to undo, nothing changed by hand. */
    lay: (now: LessonPlan) => {
      stored = plan.value = now;
      before.value = [];
      dirty.value = false;
      pick(picked.value);
    },
    /** Nothing on the bench: another lesson comes. */
    clear: () => {
      stored = plan.value = null;
      before.value = [];
      dirty.value = false;
    },
    /** Puts another plan in its place, as one step; a change by hand where somebody asked for it. */
    replace: (next: LessonPlan, asked = false) => {
      put(next);
      if (asked) dirty.value = true;
      else stored = next;
    },
    /**
     * Changes the blocks by a function; one that returns its own input changes nothing. Where there is no plan yet,
     * `onto` is what it changes.
     */
    change: (
      edit: (blocks: readonly PlanBlock[]) => readonly PlanBlock[],
      onto: LessonPlan | null = plan.value,
    ) => {
      if (!onto) return;
      const next = edit(blocks.value);
      if (next === blocks.value) return;
      put({ ...onto, blocks: [...next] });
      dirty.value = true;
    },
    /** The blocks as they were dragged; what goes home stays last. */
    order: (next: readonly PlanBlock[]) => {
      if (!plan.value) return;
      const ordered = inOrder(blocks.value, next);
      if (ordered === blocks.value) return;
      put({ ...plan.value, blocks: [...ordered] });
      dirty.value = true;
    },
    undo: () => {
      const last = before.value.at(-1);
      if (!last) return;
      plan.value = last;
      before.value = before.value.slice(0, -1);
      dirty.value = last !== stored;
      pick(picked.value);
    },
    kept: () => {
      stored = plan.value;
      dirty.value = false;
    },
  };
}
