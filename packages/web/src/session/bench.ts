/** Which student is on the bench, and which lesson: kept for the tab, so that a reload finds them again. */
import { defineStore } from 'pinia';
import { ref, watch } from 'vue';

const KEY = 'finch-bench';

export const useBench = defineStore('bench', () => {
  const kept = JSON.parse(sessionStorage.getItem(KEY) ?? '{}') as { studentId?: string; lessonId?: string };
  const studentId = ref<string | null>(kept.studentId ?? null);
  const lessonId = ref<string | null>(kept.lessonId ?? null);
  watch([studentId, lessonId], () => {
    sessionStorage.setItem(KEY, JSON.stringify({ studentId: studentId.value, lessonId: lessonId.value }));
  });
  return {
    studentId,
    lessonId,
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
