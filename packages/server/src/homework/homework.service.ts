/** The week at home: proposed for a student's practice days until they come again, kept as the teacher leaves it, followed by the Practice room. */
import { TZDate } from '@date-fns/tz';
import type { HomeworkBody } from '@finch/contract';
import type { Recipe } from '@finch/core/drills';
import { dayReader, historyPoints } from '@finch/core/mastery';
import { WEEK, type HomeWeek, type WeekConstraints, type WeekDay } from '@finch/core/planning';
import { addDays, format, getISODay, startOfDay } from 'date-fns';
import type { DataSource, EntityManager } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import { nextOfEach } from '../lessons/diary.service';
import { goalsAsked } from '../lessons/lessons.service';
import { begunInLast } from '../lessons/promised.service';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { refuse, Refusal } from '../platform/problems';
import { givenHome } from '../practice/room.service';
import { studentOf } from '../students/roster.service';
import type { States, StudentView } from '../students/states.service';
import type { Work } from '../work/work';
import { weeksOf, writeWeek, type KeptWeek } from './homework.repository';

export interface Homework {
  readonly read: (who: Who, studentId: string) => Promise<HomeworkBody>;
  /** @param days those asked for; without them the student's own until the next lesson */
  readonly propose: (who: Who, studentId: string, days: readonly WeekDay[] | undefined) => Promise<HomeWeek>;
  readonly keep: (
    who: Who,
    studentId: string,
    version: number,
    week: HomeWeek | null,
  ) => Promise<{ version: number }>;
}

const STALE = 'the newer week; yours is still on your screen';
/** Days where no lesson is ahead. */
const USUAL_DAYS = 7;

export function makeHomework(database: DataSource, clock: Clock, states: States, work: Work): Homework {
  const viewed = async (manager: EntityManager, who: Who, studentId: string) => {
    const view = await states.view(manager, who.studioId, studentId, clock.now());
    const morning = addDays(startOfDay(new TZDate(clock.now(), view.record.timeZone)), 1);
    const next = (await nextOfEach(manager, morning.getTime())).get(studentId) ?? null;
    return { view, next };
  };
  return {
    read: async (who, studentId) => {
      need(who, 'homework.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        const { view, next } = await viewed(manager, who, studentId);
        const [kept] = await weeksOf(manager, [studentId]);
        return bodyOf(view, kept, next);
      });
    },
    propose: async (who, studentId, days) => {
      need(who, 'home.assign', studentId);
      const asked = await inStudio(database, who.studioId, async (manager) => {
        const { view, next } = await viewed(manager, who, studentId);
        const { taught, record, syllabus, state } = view;
        const { goals, pieces } = await goalsAsked(manager, view, clock.now());
        const given = await givenHome(manager, who.studioId, studentId);
        const constraints: WeekConstraints = {
          taught,
          goals,
          waived: record.waived,
          days: days ?? daysUntil(view, clock.now(), next),
          given: given.map(({ id, skillId, title, recipe, since }) => ({
            id,
            skillId,
            title: { code: 'title.blank', values: { text: title } },
            recipe: recipe as Recipe,
            since: since.getTime(),
          })),
          begun: await begunInLast(manager, studentId, clock.now()),
          timeZone: record.timeZone,
        };
        return [state, syllabus.content, constraints, pieces, syllabus.id] as const;
      });
      const made = await work.run('planWeek', ...asked);
      return made.ok ? made.value : refuse(made.problem);
    },
    keep: async (who, studentId, version, week) => {
      need(who, 'home.assign', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        await studentOf(manager, studentId);
        const row = { studioId: who.studioId, studentId, week, at: new Date(clock.now()) };
        if (!(await writeWeek(manager, row, version))) throw new Refusal('write.stale', 'version', STALE);
        return { version: version + 1 };
      });
    },
  };
}

/** From tomorrow to the day before the next lesson: a lesson's own day is its own. */
function daysUntil({ record }: StudentView, now: number, next: Date | null): WeekDay[] {
  const { timeZone, practiceDays, practiceMinutes } = record;
  const tomorrow = addDays(startOfDay(new TZDate(now, timeZone)), 1);
  const days: WeekDay[] = [];
  for (let i = 0; i < (next ? WEEK.mostDays : USUAL_DAYS); i++) {
    const day = addDays(tomorrow, i);
    const last = next !== null && addDays(day, 1).getTime() > next.getTime();
    if (last && days.length > 0) break;
    days.push({
      day: format(day, 'yyyy-MM-dd'),
      minutes: practiceDays.includes(getISODay(day)) ? practiceMinutes : 0,
    });
    if (last) break;
  }
  return days;
}

function bodyOf(
  { record, state, taught }: StudentView,
  kept: KeptWeek | undefined,
  next: Date | null,
): HomeworkBody {
  const week = kept?.week ?? null;
  const dayOf = dayReader(record.timeZone);
  const from = week?.days[0].day ?? '';
  const ids = new Set(week?.rows.flatMap(({ skillId }) => skillId ?? []));
  const played = state.skills.flatMap(({ skillId, history, lastAt }) => {
    if (!ids.has(skillId) || lastAt === null) return [];
    const days = [...historyPoints(history).map(({ at }) => at), lastAt].map(dayOf);
    return [[skillId, [...new Set(days)].filter((day) => day >= from)] as const];
  });
  return {
    student: { id: record.id, name: record.name, version: record.version },
    practice: { days: [...record.practiceDays], minutes: record.practiceMinutes },
    today: state.today,
    timeZone: record.timeZone,
    pain: state.pain,
    limits: { load: taught.limits.load, barreMinutes: taught.limits.barreMinutes },
    version: kept?.version ?? 0,
    week,
    keptAt: week && kept ? kept.keptAt.toISOString() : null,
    played: Object.fromEntries(played),
    nextLessonAt: next?.toISOString() ?? null,
  };
}
