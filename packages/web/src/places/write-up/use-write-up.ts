/** The write-up of one lesson: its rows and note as they are typed (a draft outlives the page), kept over their version. */
import { routes, type LessonBody } from '@finch/contract';
import { useQueryClient } from '@tanstack/vue-query';
import { computed, ref, watch, type Ref } from 'vue';
import { readAnew } from '../../session/queries';
import { call } from '../../session/api';
import { useDrafts } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';
import { useRuns } from '../../session/lesson-run';
import { say } from '../../words';
import { noteFrom, readMinutes, rowsOf, type Row } from './write-up-rows';

interface Draft {
  readonly from: number;
  readonly rows: Row[];
  readonly note: string;
}

export function useWriteUp(lesson: Readonly<Ref<LessonBody | undefined>>) {
  const client = useQueryClient();
  const drafts = useDrafts();
  const runs = useRuns();
  const rows = ref<Row[]>([]);
  const note = ref('');
  const nothingTaught = ref(false);
  const kept = ref(false);
  /** When what is typed here and not kept was typed, where it came back from an earlier look. */
  const draftFrom = ref<number | null>(null);
  const laid = ref('');
  let version = 0;
  let typing = false;
  const key = (id: string) => `write-up:${id}`;

  function lay(now: LessonBody) {
    typing = false;
    version = now.version;
    rows.value = rowsOf(now);
    note.value = noteFrom(now, runs.value[now.id]?.note ?? '');
    draftFrom.value = null;
  }
  const keeping = useKeeping<LessonBody>({
    name: 'Write-up',
    send: async (from) => {
      if (!lesson.value) throw new RangeError('no lesson to write up');
      const made = await call(routes.keepWriteUp, {
        params: { lessonId: lesson.value.id },
        body: {
          version: from,
          done: {
            schemaVersion: 1,
            blocks: rows.value.map((row) => ({ ...row, minutes: readMinutes(row.minutes) })),
          },
          note: note.value,
          nothingTaught: nothingTaught.value,
        },
      });
      kept.value = true;
      version = made.version;
      typing = false;
      draftFrom.value = null;
      drafts.drop(key(made.id));
      client.setQueryData(['lesson', made.id], made);
      const { [made.id]: _written, ...others } = runs.value;
      runs.value = others;
      void readAnew(client, 'board', 'student');
      return made.version;
    },
    newest: () => call(routes.lesson, { params: { lessonId: lesson.value?.id ?? '' } }),
    versionOf: (theirs) => theirs.version,
    inWords: (theirs) =>
      [
        (theirs.done?.blocks ?? [])
          .map((row) => `${say(row.title)} ${Math.round(row.minutes)} min`)
          .join(', '),
        theirs.note,
      ]
        .filter(Boolean)
        .join('\n') || 'nothing written',
    show: lay,
  });
  watch(
    lesson,
    (now) => {
      // Once laid out, what is on the screen belongs to the teacher; a newer version is met when it is kept.
      if (!now || laid.value === now.id) return;
      laid.value = now.id;
      kept.value = false;
      nothingTaught.value = false;
      lay(now);
      const draft = drafts.read<Draft>(key(now.id));
      if (draft) {
        rows.value = draft.value.rows;
        note.value = draft.value.note;
        version = draft.value.from;
        draftFrom.value = draft.at;
      }
      keeping.began(version);
    },
    { immediate: true },
  );
  watch(
    [rows, note],
    () => {
      if (!typing || !laid.value) return;
      kept.value = false;
      drafts.write<Draft>(key(laid.value), { from: version, rows: rows.value, note: note.value });
    },
    { deep: true, flush: 'sync' },
  );
  const change = (edit: () => void) => {
    typing = true;
    edit();
    typing = false;
  };
  const doneMinutes = computed(() => rows.value.reduce((sum, row) => sum + readMinutes(row.minutes), 0));
  return {
    rows,
    note,
    kept,
    keeping,
    draftFrom,
    doneMinutes,
    setMinutes: (i: number, typed: unknown) =>
      change(() => (rows.value[i] = { ...rows.value[i], minutes: typed as number })),
    setNote: (text: string) => change(() => (note.value = text)),
    setRows: (next: Row[]) => change(() => (rows.value = next)),
    /** Keeps it as a lesson in which nothing was taught. */
    keepEmpty: async () => {
      nothingTaught.value = true;
      await keeping.keep();
      nothingTaught.value = false;
    },
    dropDraft: () => {
      if (!lesson.value) return;
      drafts.drop(key(lesson.value.id));
      lay(lesson.value);
      keeping.began(version);
    },
  };
}
