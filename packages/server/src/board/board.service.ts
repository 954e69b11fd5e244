/** The Board: who comes when, with what plan, and what fades, sticks or hurts. All of it computed from the log. */
import { routes, upcastPlan, type BoardBody, type StudentHead } from '@finch/contract';
import { ageAt } from '@finch/core/hands';
import { dayReader, type StudentState } from '@finch/core/mastery';
import { planMinutes } from '@finch/core/planning';
import type { Logger } from 'pino';
import type { DataSource, EntityManager } from 'typeorm';
import { studioOf } from '../accounts/accounts.service';
import { need, type Who } from '../accounts/rights';
import { lessonDay, nextOfEach, owedWriteUps } from '../lessons/diary.service';
import { lessonHead } from '../lessons/lessons.service';
import { promisedTo } from '../lessons/promised.service';
import type { Proposals } from '../lessons/proposals';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import type { LessonRow } from '../platform/entities';
import { makeFlight, type Flight } from '../platform/flight';
import { Prepared } from '../platform/http';
import { Refusal } from '../platform/problems';
import { questionsFor } from '../practice/log.service';
import { askedGoals, piecesOf, type AskedGoals } from '../students/goals.service';
import { putAway } from '../students/roster.service';
import type { States, StudentView } from '../students/states.service';
import { strandCells } from '../students/strands';
import type { Work } from '../work/work';
import { tooHardOf } from './too-hard';
import { makeWeights, type Weights } from './weights';

const DAY_MS = 86_400_000;
const SHOWN = 8;

export interface Board {
  readonly read: (who: Who) => Promise<Prepared>;
  /** Reads it once for nobody. */
  readonly warm: (studioId: string) => Promise<void>;
}

interface BoardParts {
  readonly database: DataSource;
  readonly clock: Clock;
  readonly states: States;
  readonly work: Work;
  readonly log: Logger;
  readonly proposals: Proposals;
}

/** A Board as it was last made. */
interface Made {
  readonly ground: string;
  readonly at: number;
  readonly answer: Prepared;
}
/** A Board is answered again as it is for so long where nothing was written: times on it are of minutes. */
const SAME_MS = 10_000;

/** Names which writing transactions of the database have ended: the same name, nothing new in it. */
async function lastWritten(manager: EntityManager): Promise<string> {
  const rows: { snapshot: string }[] = await manager.query('SELECT pg_current_snapshot()::text AS snapshot');
  return rows[0].snapshot;
}

/** The Board is the same for all who may see it: those who ask at once are answered at once. */
export function makeBoard(parts: BoardParts): Board {
  const flights = new Map<string, Flight<Prepared>>();
  const weights = makeWeights(parts.work, parts.log);
  const made = new Map<string, Made>();
  const read = (studioId: string): Promise<Prepared> =>
    inStudio(parts.database, studioId, async (manager) => {
      const ground = `${await lastWritten(manager)} ${parts.proposals.changes()} ${weights.changes()}`;
      const now = parts.clock.now();
      const known = made.get(studioId);
      if (known?.ground === ground && now >= known.at && now < known.at + SAME_MS) return known.answer;
      const body = await readBoard(parts, weights, manager, studioId, now);
      const answer = await Prepared.of(routes.board, body);
      made.set(studioId, { ground, at: now, answer });
      return answer;
    });
  const flightOf = (studioId: string): Flight<Prepared> => {
    let flight = flights.get(studioId);
    if (!flight) flights.set(studioId, (flight = makeFlight(() => read(studioId))));
    return flight;
  };
  return {
    read: async (who) => {
      need(who, 'board.read');
      return flightOf(who.studioId).join();
    },
    warm: async (studioId) => {
      for (let known = false; !known;)
        known = await flightOf(studioId)
          .join()
          .then(() => true)
          .catch((error: unknown) => {
            if (error instanceof Refusal && error.problem.code === 'server.reading') return false;
            throw error;
          });
    },
  };
}

async function readBoard(
  { states, proposals }: BoardParts,
  weights: Weights,
  manager: EntityManager,
  studioId: string,
  now: number,
): Promise<BoardBody> {
  const timeZone = (await studioOf(manager))?.timeZone ?? 'UTC';
  const views = await states.viewAll(manager, studioId, now);
  const byId = new Map(views.map((view) => [view.record.id, view]));
  const { day, lessons } = await lessonDay(manager, now, timeZone);
  const coming = await nextOfEach(manager, now);
  const { weighed, coming: gradesComing } = weights.of(views);
  proposals.keepOnly(lessons);
  const promised = await promisedTo(
    manager,
    lessons.map(({ studentId }) => studentId),
    now,
  );
  const pieces = await piecesOf(
    manager,
    lessons.flatMap(({ studentId }) => byId.get(studentId)?.record ?? []),
    now,
  );
  const asked = await questionsFor(manager, null, now);
  const told = views.map((view) => ({ view, cells: cellsOf(view) }));
  return {
    now: new Date(now).toISOString(),
    today: dayReader(timeZone)(now),
    timeZone,
    day,
    lessons: lessons.flatMap((lesson) => {
      const view = byId.get(lesson.studentId);
      const owed = promised.get(lesson.studentId) ?? [];
      return view
        ? [
            boardLesson(
              lesson,
              view,
              owed,
              askedGoals(view.record, view.syllabus.content, pieces, now),
              proposals,
              now,
            ),
          ]
        : [];
    }),
    strands: [...(views[0]?.syllabus.content.strands ?? [])],
    students: told.map(({ view, cells }) => ({
      ...studentHead(view, now, coming.get(view.record.id) ?? null),
      strands: cells.strands,
    })),
    slipping: told
      .flatMap(({ view: { record }, cells }) =>
        cells.slipping.map(({ skill, name }) => ({
          studentId: record.id,
          name: record.name,
          skill: name,
          was: skill.peak?.mean ?? 0,
          now: skill.chance?.mean ?? 0,
          days: Math.round((now - (skill.lastAt ?? now)) / DAY_MS),
        })),
      )
      .sort((a, b) => b.was - b.now - (a.was - a.now))
      .slice(0, SHOWN),
    stuck: told
      .flatMap(({ view: { record }, cells }) =>
        cells.stuck.map(({ skill, name }) => ({
          studentId: record.id,
          name: record.name,
          skill: name,
          takes: skill.attempts,
          now: skill.chance?.mean ?? 0,
        })),
      )
      .sort((a, b) => b.takes - a.takes)
      .slice(0, SHOWN),
    questions: asked
      .filter(({ answer }) => answer === null)
      .flatMap((question) => {
        const name = byId.get(question.studentId)?.record.name;
        return name === undefined ? [] : [{ ...question, name }];
      })
      .slice(0, SHOWN),
    hurting: views
      .filter((view) => view.state.pain.status !== 'free')
      .map(({ record, state }) => ({ studentId: record.id, name: record.name, pain: state.pain })),
    tooHard: views
      .flatMap((view, i) => {
        const found = tooHardOf(view, weighed[i]);
        return found ? [{ studentId: view.record.id, name: view.record.name, ...found }] : [];
      })
      .sort((a, b) => b.effort - b.limit - (a.effort - a.limit))
      .slice(0, SHOWN),
    gradesComing,
    writeUpsOwed: await owedWriteUps(manager),
    archived: await putAway(manager),
  };
}

/** What a state says at a glance; worked out once for each. */
const cellsByState = new WeakMap<StudentState, Cells>();
type Cells = {
  readonly strands: ReturnType<typeof strandCells>;
  readonly slipping: ReturnType<typeof marked>;
  readonly stuck: ReturnType<typeof marked>;
};

function cellsOf(view: StudentView): Cells {
  let cells = cellsByState.get(view.state);
  if (!cells) {
    cells = { strands: strandCells(view), slipping: marked(view, 'slipping'), stuck: marked(view, 'stuck') };
    cellsByState.set(view.state, cells);
  }
  return cells;
}

function boardLesson(
  lesson: LessonRow,
  view: StudentView,
  promised: readonly string[],
  goals: AskedGoals,
  proposals: Proposals,
  now: number,
): BoardBody['lessons'][number] {
  const kept = upcastPlan(lesson.plan);
  const over =
    lesson.state === 'taught' || lesson.state === 'written' || lesson.startsAt.getTime() + DAY_MS < now;
  const proposed = kept || over ? null : proposals.of(lesson, view, promised, goals);
  const plan = kept ?? proposed?.plan ?? null;
  const focus =
    plan?.blocks.find((block) => block.kind === 'new') ??
    plan?.blocks.find((block) => block.kind === 'repair' || block.kind === 'review');
  return {
    ...lessonHead(lesson),
    name: view.record.name,
    planStanding: lesson.planStanding,
    planMinutes: plan ? planMinutes(plan.blocks) : 0,
    planComing: proposed?.coming ?? false,
    focus: focus ? String(focus.title.values.skill ?? '') || null : null,
    pain: view.state.pain,
  };
}

function studentHead(view: StudentView, now: number, next: Date | null): Omit<StudentHead, 'strands'> {
  return {
    id: view.record.id,
    name: view.record.name,
    age: ageAt(view.record.bornOn, now),
    groups: [...view.record.groups],
    leftHanded: view.instrument.value.leftHanded,
    reachMm: view.hand.value.reachMm ?? null,
    takes: view.state.takes,
    lastTakeAt: view.state.lastTakeAt,
    pain: view.state.pain,
    next: next?.toISOString() ?? null,
  };
}

function marked(view: StudentView, mark: 'slipping' | 'stuck') {
  const names = new Map(view.syllabus.content.skills.map((skill) => [skill.id, skill.name]));
  return view.state.skills
    .filter((skill) => skill.marks[mark])
    .map((skill) => ({ skill, name: names.get(skill.skillId) ?? skill.skillId }));
}
