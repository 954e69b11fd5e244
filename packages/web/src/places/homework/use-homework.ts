/**
 * The week of the student on the bench: what was given home, what is proposed in its place, and what is changed by hand and not
 * given yet (a draft that outlives the page); given over the version the changes began from.
 */
import { routes, type HomeworkBody } from '@finch/contract';
import { cellLengthened, rowTakenOut, type HomeWeek, type WeekDay } from '@finch/core/planning';
import { useQueryClient } from '@tanstack/vue-query';
import { computed, readonly, ref, shallowRef, watch, type Ref } from 'vue';
import { call } from '../../session/api';
import { useDrafts } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';
import { readAnew } from '../../session/queries';
import { say, sayError } from '../../words';
import { spanText } from './week-words';

const STEPS_KEPT = 30;

interface Draft {
  readonly from: number;
  readonly week: HomeWeek;
}

export function useHomework(body: Readonly<Ref<HomeworkBody | undefined>>) {
  const client = useQueryClient();
  const drafts = useDrafts();
  const week = shallowRef<HomeWeek | null>(null);
  const before = shallowRef<readonly HomeWeek[]>([]);
  /** How it stands: proposed by the planner, given home, or changed since. */
  const standing = ref<'proposed' | 'given' | 'changed'>('proposed');
  const busy = ref(false);
  const trouble = ref('');
  const draftFrom = ref<number | null>(null);
  const laid = ref('');
  let version = 0;
  const key = (id: string) => `week:${id}`;
  const studentId = () => body.value?.student.id ?? '';

  function put(next: HomeWeek) {
    if (week.value) before.value = [...before.value.slice(1 - STEPS_KEPT), week.value];
    week.value = next;
  }
  function settle(now: HomeworkBody) {
    version = now.version;
    keeping.began(now.version);
    draftFrom.value = null;
    before.value = [];
    drafts.drop(key(now.student.id));
  }
  const keeping = useKeeping<HomeworkBody>({
    name: 'Week',
    send: async (from) => {
      if (!week.value) throw new RangeError('no week to give home');
      const kept = await call(routes.keepWeek, {
        params: { studentId: studentId() },
        body: { version: from, week: week.value },
      });
      version = kept.version;
      standing.value = 'given';
      draftFrom.value = null;
      drafts.drop(key(studentId()));
      void readAnew(client, 'homework', 'practice', 'board');
      return kept.version;
    },
    newest: () => call(routes.homework, { params: { studentId: studentId() } }),
    versionOf: (theirs) => theirs.version,
    inWords: ({ week: theirs }) =>
      theirs ? `${spanText(theirs.days)}: ${theirs.rows.map((row) => say(row.title)).join(', ')}` : 'no week',
    show: (theirs) => {
      settle(theirs);
      week.value = theirs.week;
      standing.value = 'given';
    },
  });
  /** Asks the planner; what is on the table can be had back by undo. */
  async function propose(days?: readonly WeekDay[]) {
    const id = studentId();
    const seen = week.value;
    const how = standing.value;
    busy.value = true;
    trouble.value = '';
    try {
      const made = await call(routes.proposeWeek, {
        params: { studentId: id },
        body: days ? { days: days.map((day) => ({ ...day })) } : {},
      });
      // What was changed or given meanwhile is not overwritten.
      if (studentId() !== id || week.value !== seen || standing.value !== how) return;
      const given = standing.value === 'given' || standing.value === 'changed';
      put(made);
      standing.value = given ? 'changed' : 'proposed';
    } catch (problem) {
      trouble.value = sayError(problem);
    } finally {
      busy.value = false;
    }
  }
  async function layStored(now: HomeworkBody) {
    settle(now);
    const { week: stored, today } = now;
    // A week that is over is not what they play now.
    if (stored && stored.days[stored.days.length - 1].day >= today) {
      week.value = stored;
      standing.value = 'given';
    } else {
      week.value = null;
      standing.value = 'proposed';
      await propose();
      before.value = [];
    }
  }
  watch(
    body,
    async (now) => {
      if (!now) {
        week.value = null;
        laid.value = '';
        return;
      }
      if (laid.value === now.student.id && (standing.value === 'changed' || version === now.version)) return;
      const other = laid.value !== now.student.id;
      laid.value = now.student.id;
      const draft = other ? drafts.read<Draft>(key(now.student.id)) : null;
      if (draft) {
        before.value = now.week ? [now.week] : [];
        week.value = draft.value.week;
        version = draft.value.from;
        keeping.began(version);
        standing.value = 'changed';
        draftFrom.value = draft.at;
        return;
      }
      await layStored(now);
    },
    { immediate: true },
  );
  watch([week, standing], ([now, how]) => {
    if (!now || how !== 'changed' || laid.value !== studentId()) return;
    drafts.write<Draft>(key(laid.value), { from: version, week: now });
  });
  function change(edit: (now: HomeWeek) => HomeWeek) {
    if (!week.value) return;
    const next = edit(week.value);
    if (next === week.value) return;
    put(next);
    standing.value = 'changed';
  }
  return {
    week: readonly(week) as Readonly<Ref<HomeWeek | null>>,
    standing: readonly(standing),
    busy,
    trouble,
    draftFrom,
    keeping,
    canUndo: computed(() => before.value.length > 0),
    propose,
    lengthen: (row: number, at: number, by: number) => change((now) => cellLengthened(now, row, at, by)),
    takeOut: (row: number) => change((now) => rowTakenOut(now, row)),
    undo: () => {
      const last = before.value.at(-1);
      if (!last) return;
      week.value = last;
      before.value = before.value.slice(0, -1);
      standing.value = last === body.value?.week ? 'given' : 'changed';
      if (standing.value === 'given') drafts.drop(key(studentId()));
    },
    /** The week is not at home any more; it stays on the table, to be given again. */
    takeBack: async () => {
      trouble.value = '';
      try {
        const kept = await call(routes.keepWeek, {
          params: { studentId: studentId() },
          body: { version, week: null },
        });
        version = kept.version;
        keeping.began(kept.version);
        standing.value = 'proposed';
        await readAnew(client, 'homework', 'practice', 'board');
      } catch (problem) {
        trouble.value = sayError(problem);
      }
    },
    /** Gives up the changes that are not given home. */
    dropDraft: async () => {
      if (body.value) await layStored(body.value);
    },
  };
}
