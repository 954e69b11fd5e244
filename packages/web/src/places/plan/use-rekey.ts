/**
 * The lesson on the bench in another key, or for other hands: what each drill becomes is worked out before anything is
 * changed, for this student and for everybody picked; then all of it is done in one step that can be undone.
 */
import { routes, type LessonBody, type StudentBody } from '@finch/contract';
import type { DrillContext } from '@finch/core/hands';
import { rootOfBlocks, type PlanBlock, type RekeyedBlock } from '@finch/core/planning';
import { noteText, pitchClassOf, readNote, rootNamed } from '@finch/core/theory';
import { useQueryClient } from '@tanstack/vue-query';
import { computed, ref, shallowRef, watch, type Ref } from 'vue';
import { call } from '../../session/api';
import { handInto, type Handed } from '../../session/hand-to-many';
import { useNotices } from '../../session/notices';
import { readAnew, useBoard, useSyllabus } from '../../session/queries';
import { useSeat } from '../../session/seat';
import { plural, sayError } from '../../words';
import { chordText } from '../../words/names';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';

interface Desk {
  readonly blocks: Readonly<Ref<readonly PlanBlock[]>>;
  readonly change: (edit: (blocks: readonly PlanBlock[]) => readonly PlanBlock[]) => void;
}
export interface OtherHand {
  readonly id: string;
  readonly name: string;
  readonly blocks: readonly RekeyedBlock[];
}

export function useRekey(
  open: Readonly<Ref<boolean>>,
  lesson: Readonly<Ref<LessonBody | undefined>>,
  drilling: Readonly<Ref<DrillContext>>,
  desk: Desk,
) {
  const client = useQueryClient();
  const notices = useNotices();
  const seat = useSeat();
  const { data: board } = useBoard(open);
  const { data: syllabus } = useSyllabus();
  /** The root it goes to, as it is written; the one it stands on where only the hand is another. */
  const to = ref('');
  const own = ref(true);
  const picked = ref<string[]>([]);
  const busy = ref(false);
  const trouble = ref('');
  const from = computed(() => rootOfBlocks(desk.blocks.value));
  watch(open, (now) => {
    if (!now) return;
    to.value = from.value ? noteText(from.value) : '';
    own.value = true;
    picked.value = [];
    trouble.value = '';
  });
  const roots = computed(() =>
    Array.from({ length: 12 }, (_, pitchClass) => {
      const here = from.value && pitchClassOf(from.value) === pitchClass;
      const name = noteText(here && from.value ? from.value : rootNamed(pitchClass));
      return { value: name, text: `${chordText(name)}${here ? ', as it is' : ''}` };
    }),
  );
  const names = computed(() => new Map((syllabus.value?.skills ?? []).map((one) => [one.id, one.name])));
  /** Those who are stuck on a skill of this lesson; anybody else is added by name. */
  const stuck = computed(() => {
    const skills = desk.blocks.value.flatMap((one) => names.value.get(one.skillId ?? '') ?? []);
    const others = (board.value?.stuck ?? []).filter((one) => one.studentId !== lesson.value?.studentId);
    const here = others.filter((one) => skills.includes(one.skill));
    return [...new Map(here.map((one) => [one.studentId, one])).values()];
  });
  const others = computed(() =>
    (board.value?.students ?? []).filter(
      (one) => one.id !== lesson.value?.studentId && !stuck.value.some((other) => other.studentId === one.id),
    ),
  );
  const target = computed(() => readNote(to.value)?.note ?? null);
  const shown = useLatest(
    () => (open.value ? ([desk.blocks.value, from.value, target.value, drilling.value] as const) : null),
    ([blocks, root, there, context]) =>
      benchWork().rekeyed(plain(blocks), plain(root), plain(there), plain(context)),
    () => true,
  );
  const blocks = computed<readonly RekeyedBlock[]>(() => shown.answer.value ?? []);
  /** Students picked, as they are on record now. */
  const students = shallowRef<readonly StudentBody[]>([]);
  const hands = useLatest(
    () => (open.value ? ([picked.value, desk.blocks.value, from.value, target.value] as const) : null),
    async ([ids, all, root, there]) => {
      const read = await Promise.all(ids.map((studentId) => call(routes.student, { params: { studentId } })));
      students.value = read;
      return Promise.all(
        read.map(async (one): Promise<OtherHand> => ({
          id: one.id,
          name: one.name,
          blocks: await benchWork().rekeyed(plain(all), plain(root), plain(there), plain(one.taught)),
        })),
      );
    },
    () => true,
  );
  const forOthers = computed<readonly OtherHand[]>(() =>
    (hands.answer.value ?? []).filter((one) => picked.value.includes(one.id)),
  );
  const changes = computed(
    () =>
      own.value &&
      blocks.value.some((one) => JSON.stringify(one.block.recipe) !== JSON.stringify(one.was.recipe)),
  );
  const ready = computed(
    () =>
      !busy.value &&
      !shown.busy.value &&
      !hands.busy.value &&
      (changes.value || (picked.value.length > 0 && forOthers.value.length === picked.value.length)),
  );

  const said = (all: readonly RekeyedBlock[]) => {
    const stays = all.filter((one) => one.followed === 'stays').length;
    const near = all.filter((one) => one.followed === 'nearest').length;
    const went = all.length - stays - near;
    return `${plural(went, 'drill')}${near ? `, ${near} by the nearest` : ''}${stays ? `, ${stays} as it was` : ''}`;
  };
  /** All of it, or nothing of what goes to others; whether it was done. */
  async function apply(): Promise<boolean> {
    if (!ready.value) return false;
    busy.value = true;
    trouble.value = '';
    const handed: Handed[] = [];
    const mine = changes.value ? blocks.value : [];
    const name = chordText(to.value);
    try {
      for (const one of forOthers.value) {
        const student = students.value.find((other) => other.id === one.id);
        if (student) handed.push(await handInto(student, one.blocks.map((each) => each.block), seat.now())); // prettier-ignore
      }
    } catch (problem) {
      for (const one of handed.reverse()) await one.undo().catch(() => undefined);
      trouble.value = `Nothing was handed on: ${sayError(problem)}`;
      busy.value = false;
      return false;
    }
    if (mine.length) {
      const next = new Map(mine.map((one) => [one.was.id, one.block]));
      desk.change((now) => now.map((one) => next.get(one.id) ?? one));
    }
    const read = () => void readAnew(client, 'board', 'student', 'lesson');
    read();
    const undo = async () => {
      try {
        // Only what is still as it was made: what was changed since stays.
        const made = new Map(mine.map((one) => [one.block, one.was]));
        if (mine.length) desk.change((now) => now.map((one) => made.get(one) ?? one));
        for (const one of handed) await one.undo();
        read();
        notices.tell('All of it is as it was.');
      } catch (problem) {
        notices.trouble(`Not all could be taken back: ${sayError(problem)}`);
      }
    };
    const toOthers = forOthers.value.map((one) => `${one.name}: ${said(one.blocks)}`);
    notices.tell(
      [
        mine.length ? `This lesson in ${name}: ${said(mine)}; not kept yet.` : '',
        toOthers.length ? `In the plans of ${toOthers.join('; ')}.` : '',
      ]
        .filter(Boolean)
        .join(' '),
      [{ label: 'Undo', undo: true, run: () => void undo() }],
    );
    busy.value = false;
    return true;
  }
  return {
    to,
    own,
    picked,
    roots,
    from,
    stuck,
    others,
    blocks,
    forOthers,
    failed: computed(() => shown.failed.value || hands.failed.value),
    looking: computed(() => shown.busy.value || hands.busy.value),
    busy,
    trouble,
    ready,
    apply,
  };
}
