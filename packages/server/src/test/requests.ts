/**
 * One good request of every route, filled with what is there: what is asked again and again, bent and sent six times at once by
 * tests and scripts. A route that is not here is missed by its test.
 */
import { routes } from '@finch/contract';
import { changeLoop, ringCheck } from '@finch/core/drills';
import { firstSyllabus } from '@finch/core/syllabus';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { v7 as uuid } from 'uuid';

export type RouteName = keyof typeof routes;

/** What is there to be asked about; versions as they are stored. */
export interface Here {
  readonly studioId: string;
  readonly membershipId: string;
  readonly studentId: string;
  /** A second one, to be merged into the first or erased; with their name. */
  readonly double: { readonly id: string; readonly name: string };
  readonly lessonId: string;
  readonly cardId: string;
  readonly pieceId: string;
  /** A letter that waits in the outbox. */
  readonly letterId: string;
  /** The newest version of the syllabus. */
  readonly syllabusId: string;
  /** ms since 1970. */
  readonly now: number;
  readonly versions: Readonly<Record<'student' | 'lesson' | 'piece' | 'letter' | 'week', number>>;
}

export interface Sample {
  readonly params?: Readonly<Record<string, string>>;
  readonly query?: Readonly<Record<string, string>>;
  readonly body?: object;
}

export const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
export const SUBJECT = '40-45-50-55-59-64 x-3-2-0-1-0';
export const CHART = 'title: Tin Heron\nkey: C\n\n[A]\n| C | F |';

/** A block of a plan. */
export const block = () => ({
  id: uuid(),
  kind: 'new',
  minutes: 5,
  title: { code: 'title.loop', values: { from: 'C', to: 'F' } },
  because: { code: 'because.chosen', values: {} },
  skillId: null,
  recipe: changeLoop({ grips: [C, F], beatsEach: 4 }),
  effort: 20,
  barreMinutes: 0,
  locked: true,
});

/** A row of a week of one day. */
export const weekRow = () => ({
  id: 'given:c',
  kind: 'repair',
  title: { code: 'title.blank', values: { text: 'C to F' } },
  because: { code: 'because.begun', values: {} },
  skillId: 'open.c',
  recipe: changeLoop({ grips: [C, F], beatsEach: 4 }),
  effort: 20,
  barreShare: 0,
  minutes: [5],
  aimBpm: 66,
});

/** A take played at an instant. */
export const sampleEvent = (studentId: string, at: number) => ({
  schemaVersion: 1,
  id: uuid({ msecs: at }),
  studentId,
  deviceId: uuid(),
  deviceSeq: 1,
  sentAt: new Date(at).toISOString(),
  kind: 'attempt',
  take: {
    recipe: ringCheck(C),
    items: [{ kind: 'key', key: 'C major' }],
    startedAt: new Date(at).toISOString(),
    timeZone: 'UTC',
    durationSeconds: 10,
    tempoBpm: null,
    steps: [],
    result: 'clean',
    feel: { hand: 'easy' },
    source: 'self',
  },
});

/** What is written to somebody at home. */
export const LETTER = {
  to: ['Ines Quill'],
  subject: 'The week',
  paragraphs: ['Three days of seven.', 'The C rings.'],
};

/** A good request of each route; ids of what it makes are new at each call. */
export function sampleRequests(here: Here): Readonly<Record<RouteName, Sample>> {
  const { studentId, lessonId, cardId, pieceId, syllabusId, studioId, membershipId, now, versions } = here;
  const startsAt = new Date(now + 86_400_000).toISOString();
  const ofStudent = { studentId };
  const ofLesson = { lessonId };
  return {
    health: {},
    seats: {},
    session: {},
    sitDown: { body: { membershipId } },
    standUp: {},
    nameStudio: { body: { name: 'Here', teacher: 'Owner', timeZone: 'UTC' } },
    nameSeat: { params: { membershipId }, body: { name: 'Another name' } },
    board: {},
    class: {},
    progress: {},
    letters: {},
    sendLetter: { params: ofStudent, body: { id: uuid(), content: LETTER } },
    changeLetter: {
      params: { letterId: here.letterId },
      body: { version: versions.letter, state: 'handed on', content: LETTER },
    },
    syllabus: {},
    keepSyllabus: { body: { version: syllabusId, content: { ...firstSyllabus, name: `Own ${uuid()}` } } },
    syllabusVersions: {},
    syllabusVersion: { params: { versionId: syllabusId } },
    addStudent: { body: { id: uuid(), name: `New ${uuid()}`, bornOn: '2014-02-28' } },
    student: { params: ofStudent },
    report: { params: ofStudent },
    why: { params: { studentId, skillId: 'open.em' } },
    keepStudent: {
      params: ofStudent,
      body: { version: versions.student, name: `Named ${uuid()}`, bornOn: null, archived: false },
    },
    mergeStudent: { params: ofStudent, body: { version: versions.student, double: here.double.id } },
    eraseStudent: { params: { studentId: here.double.id }, body: { name: here.double.name } },
    keepHand: {
      params: ofStudent,
      body: {
        version: versions.student,
        hand: averageHand,
        instrument: standardGuitar,
        limits: { schemaVersion: 1, gripEffort: 60, load: 6, barreMinutes: 4, assumed: false },
        playedFor: { months: 12 },
      },
    },
    keepGoals: {
      params: ofStudent,
      body: {
        version: versions.student,
        goals: [
          { id: 'style.swing', weight: 'first' },
          { id: 'open.c', weight: 'more' },
        ],
      },
    },
    keepNote: { params: ofStudent, body: { version: versions.student, note: 'Sings while playing.' } },
    keepPractice: { params: ofStudent, body: { version: versions.student, days: [1, 3, 5], minutes: 20 } },
    homework: { params: ofStudent },
    proposeWeek: { params: ofStudent, body: { days: [{ day: '2026-06-10', minutes: 12 }] } },
    keepWeek: {
      params: ofStudent,
      body: {
        version: versions.week,
        week: {
          schemaVersion: 1,
          days: [{ day: '2026-06-10', minutes: 12 }],
          rows: [weekRow()],
          leftOut: [],
          modelVersion: 'week-1',
        },
      },
    },
    propose: { params: ofStudent, body: { minutes: 30, locked: [] } },
    practice: { params: ofStudent },
    questions: { params: ofStudent },
    checkUp: { params: ofStudent },
    assignHome: {
      params: ofStudent,
      body: { id: uuid(), recipe: ringCheck(C), skillId: null, title: 'C rings' },
    },
    endHome: { params: { studentId, cardId }, body: { ended: true } },
    bookLesson: { body: { id: uuid(), studentId, startsAt, minutes: 30, weeks: 2 } },
    lessons: { query: { from: new Date(now).toISOString(), to: startsAt } },
    lesson: { params: ofLesson },
    moveLesson: {
      params: ofLesson,
      body: { version: versions.lesson, startsAt, minutes: 45, cancelled: false, following: false },
    },
    keepPlan: {
      params: ofLesson,
      body: {
        version: versions.lesson,
        plan: { schemaVersion: 1, minutes: 30, blocks: [block()], leftOut: [], modelVersion: 'plan-1' },
        standing: 'kept',
      },
    },
    putInPlan: { params: ofLesson, body: { block: block(), again: false } },
    keepShare: {
      params: ofLesson,
      body: {
        share: { id: uuid(), at: null, movedAt: now, note: '', blocks: [] },
        state: 'running',
        again: false,
      },
    },
    keepWriteUp: {
      params: ofLesson,
      body: {
        version: versions.lesson,
        done: { schemaVersion: 1, blocks: [] },
        note: 'Nobody came.',
        nothingTaught: true,
      },
    },
    schools: { query: { student: studentId } },
    keepSchools: {
      params: { scope: 'studio', subjectId: studioId },
      body: { version: 0, says: { thumb: 'over the top' } },
    },
    keepPin: {
      params: ofStudent,
      body: { subject: SUBJECT, fingers: [null, 3, 2, 0, 1, 0], version: 0 },
    },
    keepHook: { body: { subject: SUBJECT, nickname: 'the ladder', picture: null, version: 0 } },
    pieces: {},
    keepPiece: {
      params: { pieceId },
      body: { version: versions.piece, chart: CHART, concert: null, locks: {}, parts: {} },
    },
    removePiece: { params: { pieceId }, query: { version: String(versions.piece) } },
    paper: {
      body: {
        layout: 'chart',
        title: 'Tin Heron',
        foot: '',
        paper: 'a4',
        chart: CHART,
        grips: [],
        part: 'full',
        instrument: standardGuitar,
      },
    },
    sendEvents: { body: { events: [sampleEvent(studentId, now)] } },
  };
}

/** Method and address of a sample. */
export function addressOf(name: RouteName, { params = {}, query = {} }: Sample): string {
  const path = routes[name].path.replace(/:(\w+)/g, (_, key: string) =>
    encodeURIComponent(params[key] ?? ''),
  );
  const asked = new URLSearchParams(query).toString();
  return asked ? `${path}?${asked}` : path;
}
