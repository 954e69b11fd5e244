/** Which student is on the bench, and which lesson: kept for the tab, so that a reload finds them again. */
import { defineStore } from 'pinia';
import { STAGES, type Stage } from '@finch/core/pace';
import { ref, watch } from 'vue';

const KEY = 'finch-bench';

export const useBench = defineStore('bench', () => {
  const kept = JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as {
    studentId?: string;
    lessonId?: string;
    stage?: Stage;
  };
  const studentId = ref<string | null>(kept.studentId ?? null);
  const lessonId = ref<string | null>(kept.lessonId ?? null);
  /** How long the hand has played that is asked about while nobody is on the bench. */
  const stage = ref<Stage>(STAGES.find((one) => one === kept.stage) ?? 'first year');
  watch([studentId, lessonId, stage], () => {
    sessionStorage.setItem(
      KEY,
      JSON.stringify({ studentId: studentId.value, lessonId: lessonId.value, stage: stage.value }),
    );
  });
  return {
    studentId,
    lessonId,
    stage,
    put: (student: string, lesson: string | null) => {
      studentId.value = student;
      lessonId.value = lesson;
    },
    clear: () => {
      studentId.value = null;
      lessonId.value = null;
    },
  };
});
