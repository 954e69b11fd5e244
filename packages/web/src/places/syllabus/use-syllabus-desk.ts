/**
 * The syllabus being changed: what is kept, what is on the desk, its faults, the way back. What was changed and not kept
 * survives a reload and another place; nothing is kept while a fault stands.
 */
import { MARK_BITS, routes, type SyllabusVersionBody } from '@finch/contract';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import {
  differenceOf,
  edited,
  graphFaults,
  type Skill,
  type Syllabus,
  type SyllabusEdit,
} from '@finch/core/syllabus';
import { useQuery, useQueryClient } from '@tanstack/vue-query';
import { computed, ref, shallowRef, watch } from 'vue';
import { call } from '../../session/api';
import { useDrafts } from '../../session/drafts';
import { useKeeping } from '../../session/keeping';
import { useNotices } from '../../session/notices';
import { readAnew, useClass, useSyllabus } from '../../session/queries';
import { benchWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import { sayDifference, sayEdit } from './fault-words';

interface SyllabusDraft {
  /** The version it began from. */
  readonly from: string;
  readonly content: Syllabus;
}
const DRAFT = 'syllabus';

/** What stands on a skill of the drawing: of one student, or of all. */
export interface Laid {
  /** 0 to 1; null until met. */
  readonly share: number | null;
  /** As it is written: a number of 100, or so many of so many. */
  readonly text: string;
  readonly mark: 'slipping' | 'stuck' | 'due' | null;
}

export function useSyllabusDesk() {
  const drafts = useDrafts();
  const notices = useNotices();
  const client = useQueryClient();
  const head = useSyllabus();
  const stored = useQuery({
    queryKey: computed(() => ['syllabus version', head.data.value?.version]),
    queryFn: () => call(routes.syllabusVersion, { params: { versionId: head.data.value?.version ?? '' } }),
    enabled: computed(() => head.data.value !== undefined),
    staleTime: Number.POSITIVE_INFINITY,
  });
  const kept = computed<Syllabus | null>(() => stored.data.value?.content ?? null);
  const now = shallowRef<Syllabus | null>(null);
  /** Contents before each change, the last one last. */
  const before = shallowRef<readonly Syllabus[]>([]);
  const chosen = ref<string | null>(null);

  const keeping = useKeeping<SyllabusVersionBody, string>(
    {
      name: 'Syllabus',
      send: async (version) => {
        const content = now.value as Syllabus;
        const made = (await call(routes.keepSyllabus, { body: { version, content } })).version;
        client.setQueryData(['syllabus version', made], { version: made, at: '', content });
        return made;
      },
      newest: async () => {
        const { version } = await call(routes.syllabus);
        return call(routes.syllabusVersion, { params: { versionId: version } });
      },
      versionOf: ({ version }) => version,
      inWords: ({ content }) =>
        (kept.value && sayDifference(differenceOf(kept.value, content))) ?? 'the same as before',
      show: ({ content }) => {
        begin(content);
        drafts.drop(DRAFT);
        void readAnew(client, 'syllabus');
      },
    },
    '',
  );
  function begin(content: Syllabus) {
    now.value = content;
    before.value = [];
    chosen.value = content.skills.some(({ id }) => id === chosen.value)
      ? chosen.value
      : (content.skills[0]?.id ?? null);
  }
  watch(
    () => stored.data.value,
    (version) => {
      // What is being changed stands, whatever was kept beside it: keeping says so.
      if (!version || (now.value && changed.value)) return;
      const draft = drafts.read<SyllabusDraft>(DRAFT)?.value;
      begin(draft?.content ?? version.content);
      keeping.began(draft?.from ?? version.version);
    },
    { immediate: true },
  );

  const difference = computed(() => (kept.value && now.value ? differenceOf(kept.value, now.value) : null));
  const changed = computed(() => difference.value && sayDifference(difference.value));
  const byId = computed(() => new Map((now.value?.skills ?? []).map((skill) => [skill.id, skill])));
  const nameOf = (id: string): string =>
    byId.value.get(id)?.name ??
    kept.value?.skills.find((skill) => skill.id === id)?.name ??
    now.value?.courses.find((course) => course.id === id)?.name ??
    id;
  const touched = computed<readonly Skill[]>(() => {
    const { added, counted } = difference.value ?? { added: [], counted: [] };
    return [...new Set([...added, ...counted])].flatMap((id) => byId.value.get(id) ?? []);
  });
  // Drills are made on a thread: a file may bring hundreds.
  const drills = useLatest(
    () => (touched.value.length ? touched.value : null),
    (skills) => benchWork().drillFaults(plain(skills), { hand: averageHand, instrument: standardGuitar }),
    () => true,
  );
  const faults = computed(() => [
    ...(now.value ? graphFaults(now.value, kept.value ?? now.value) : []),
    // Those of a moment ago may be cured by now.
    ...(touched.value.length ? (drills.answer.value ?? []) : []).filter(({ at }) => byId.value.has(at[0])),
  ]);

  function put(content: Syllabus) {
    if (!now.value || content === now.value) return false;
    before.value = [...before.value, now.value];
    now.value = content;
    draftIt();
    return true;
  }
  function draftIt() {
    if (!now.value || !head.data.value) return;
    const from = drafts.read<SyllabusDraft>(DRAFT)?.value.from ?? head.data.value.version;
    if (changed.value) drafts.write(DRAFT, { from, content: now.value } satisfies SyllabusDraft);
    else drafts.drop(DRAFT);
  }
  function edit(one: SyllabusEdit): void {
    if (now.value && put(edited(now.value, one)))
      notices.tell(`${sayEdit(one, nameOf)}: done.`, [{ label: 'Undo', undo: true, run: undo }]);
  }
  function undo(): void {
    const last = before.value.at(-1);
    if (!last) return;
    now.value = last;
    before.value = before.value.slice(0, -1);
    if (chosen.value && !byId.value.has(chosen.value)) chosen.value = last.skills[0]?.id ?? null;
    draftIt();
  }
  async function keep(): Promise<void> {
    if (!changed.value || faults.value.length || keeping.busy.value) return;
    const told = changed.value;
    if (await keeping.keep()) await isKept(told);
  }
  async function isKept(told: string | null): Promise<void> {
    drafts.drop(DRAFT);
    before.value = [];
    notices.tell(`Kept as a new version${told ? `: ${told}` : ''}. The earlier one stays under Versions.`);
    await readAnew(client, 'syllabus', 'syllabus versions', 'board', 'student', 'class', 'proposal');
  }
  /** Back to what is kept; the changes can be taken up again. */
  function drop(): void {
    if (kept.value && put(kept.value))
      notices.tell('As it is kept.', [{ label: 'Undo', undo: true, run: undo }]);
  }

  return {
    kept,
    now,
    version: computed(() => stored.data.value ?? null),
    error: computed(() => head.error.value ?? stored.error.value),
    reading: computed(() => now.value === null),
    again: () => (head.error.value ? head.refetch() : stored.refetch()),
    chosen,
    faults,
    checking: drills.busy,
    changed,
    undoable: computed(() => before.value.length > 0),
    keeping,
    nameOf,
    byId,
    edit,
    put,
    undo,
    keep,
    isKept,
    drop,
    laid: useLaid(),
  };
}

/** A skill counts as held from clean on. */
const HELD = 3;

/** Whose numbers are laid over the syllabus: nobody's, the class's or one student's. */
function useLaid() {
  const over = ref<string>('');
  const { data, error, isFetching } = useClass();
  const people = computed(() => data.value?.students ?? []);
  const of = computed(() => {
    const laid = new Map<string, Laid>();
    const { skills = [], students = [] } = data.value ?? {};
    if (!over.value) return laid;
    const one = students.find(({ id }) => id === over.value);
    const all = over.value === 'class';
    for (const [i, id] of skills.entries()) {
      if (one) {
        const share = one.chances[i];
        const marks = one.marks[i];
        laid.set(id, {
          share,
          text: share === null ? 'not met' : String(Math.round(100 * share)),
          mark: (['slipping', 'stuck', 'due'] as const).find((mark) => marks & MARK_BITS[mark]) ?? null,
        });
      } else if (all) {
        const met = students.filter(({ chances }) => chances[i] !== null);
        const held = met.filter(({ states }) => states[i] >= HELD).length;
        laid.set(id, {
          share: met.length ? held / students.length : null,
          text: met.length ? `${held} of ${students.length}` : 'not met',
          mark: null,
        });
      }
    }
    return laid;
  });
  return { over, of, people, error, reading: isFetching };
}
