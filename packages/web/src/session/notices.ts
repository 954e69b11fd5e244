/**
 * What was just done, said once at the lower edge with the way back: act first, then offer to take it back. One notice
 * stands at a time, for ten seconds, longer while it is pointed at or focused; trouble stands until it is put away.
 */
import { defineStore } from 'pinia';
import { ref, shallowRef } from 'vue';

export interface NoticeAct {
  readonly label: string;
  /** What it does; a notice of its own says how it went. */
  readonly run: () => void | Promise<void>;
  /** The way back, which Ctrl Z takes too. */
  readonly undo?: boolean;
}
export interface Notice {
  readonly text: string;
  readonly trouble: boolean;
  readonly acts: readonly NoticeAct[];
}

export const NOTICE_MS = 10_000;

export const useNotices = defineStore('notices', () => {
  const notice = shallowRef<Notice | null>(null);
  const held = ref(false);
  let timer: ReturnType<typeof setTimeout> | undefined;
  const clear = () => {
    clearTimeout(timer);
    notice.value = null;
    held.value = false;
  };
  const wait = () => {
    clearTimeout(timer);
    if (notice.value && !notice.value.trouble && !held.value) timer = setTimeout(clear, NOTICE_MS);
  };
  const show = (next: Notice) => {
    notice.value = next;
    held.value = false;
    wait();
  };
  return {
    notice,
    tell: (text: string, acts: readonly NoticeAct[] = []) => show({ text, trouble: false, acts }),
    trouble: (text: string, acts: readonly NoticeAct[] = []) => show({ text, trouble: true, acts }),
    clear,
    /** Pointed at or focused: it stays. */
    hold: (on: boolean) => {
      held.value = on;
      wait();
    },
    /** Runs one act of the notice, which is then answered. */
    act: async (act: NoticeAct) => {
      clear();
      await act.run();
    },
  };
});
