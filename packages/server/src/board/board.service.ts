/** The Board: who comes when, with what plan, and what fades, sticks or hurts. All of it computed from the log. */
import type { BoardBody, StudentHead } from '@finch/contract';
import { parseChord } from '@finch/core';
import { gradeIn, gripsOf } from '@finch/core/drills';
import { ageAt } from '@finch/core/hands';
import { dayReader } from '@finch/core/mastery';
import { planMinutes } from '@finch/core/planning';
import type { DataSource } from 'typeorm';
import { studioOf } from '../accounts/accounts.service';
import { need, type Who } from '../accounts/rights';
import { lessonDay, nextOfEach, owedWriteUps } from '../lessons/diary.service';
import { lessonHead, proposalFor } from '../lessons/lessons.service';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import type { LessonRow } from '../platform/entities';
import { upcastPlan } from '@finch/contract';
import { putAway } from '../students/roster.service';
import type { States, StudentView } from '../students/states.service';
import { strandCells } from '../students/strands';

const DAY_MS = 86_400_000;
const SHOWN = 8;

export interface Board {
  readonly read: (who: Who) => Promise<BoardBody>;
}

export function makeBoard(database: DataSource, clock: Clock, states: States): Board {
  return {
    read: async (who) => {
      need(who, 'board.read');
      return inStudio(database, who.studioId, async (manager) => {
        const now = clock.now();
        const timeZone = (await studioOf(manager))?.timeZone ?? 'UTC';
        const views = await states.viewAll(manager, who.studioId, now);
        const byId = new Map(views.map((view) => [view.record.id, view]));
        const { day, lessons } = await lessonDay(manager, now, timeZone);
        const coming = await nextOfEach(manager, now);
        const nameOf = (view: StudentView) => view.record.name;
        return {
          now: new Date(now).toISOString(),
          today: dayReader(timeZone)(now),
          timeZone,
          day,
          lessons: lessons.flatMap((lesson) => {
            const view = byId.get(lesson.studentId);
            return view ? [boardLesson(lesson, view, now)] : [];
          }),
          strands: [...(views[0]?.syllabus.content.strands ?? [])],
          students: views.map((view) => studentHead(view, now, coming.get(view.record.id) ?? null)),
          slipping: views
            .flatMap((view) =>
              marked(view, 'slipping').map(({ skill, name }) => ({
                studentId: view.record.id,
                name: nameOf(view),
                skill: name,
                was: skill.peak?.mean ?? 0,
                now: skill.chance?.mean ?? 0,
                days: Math.round((now - (skill.lastAt ?? now)) / DAY_MS),
              })),
            )
            .sort((a, b) => b.was - b.now - (a.was - a.now))
            .slice(0, SHOWN),
          stuck: views
            .flatMap((view) =>
              marked(view, 'stuck').map(({ skill, name }) => ({
                studentId: view.record.id,
                name: nameOf(view),
                skill: name,
                takes: skill.attempts,
                now: skill.chance?.mean ?? 0,
              })),
            )
            .sort((a, b) => b.takes - a.takes)
            .slice(0, SHOWN),
          hurting: views
            .filter((view) => view.state.pain.status !== 'free')
            .map((view) => ({ studentId: view.record.id, name: nameOf(view), pain: view.state.pain })),
          tooHard: views
            .flatMap((view) => tooHard(view))
            .sort((a, b) => b.effort - b.limit - (a.effort - a.limit))
            .slice(0, SHOWN),
          writeUpsOwed: await owedWriteUps(manager),
          archived: await putAway(manager),
        };
      });
    },
  };
}

function boardLesson(lesson: LessonRow, view: StudentView, now: number): BoardBody['lessons'][number] {
  const kept = upcastPlan(lesson.plan);
  const over =
    lesson.state === 'taught' || lesson.state === 'written' || lesson.startsAt.getTime() + DAY_MS < now;
  const plan = kept ?? (over ? null : proposalFor(view, { minutes: lesson.minutes, locked: [] }));
  const focus =
    plan?.blocks.find((block) => block.kind === 'new') ??
    plan?.blocks.find((block) => block.kind === 'repair' || block.kind === 'review');
  return {
    ...lessonHead(lesson),
    name: view.record.name,
    planStanding: lesson.planStanding,
    planMinutes: plan ? planMinutes(plan.blocks) : 0,
    focus: focus ? String(focus.title.values.skill ?? '') || null : null,
    pain: view.state.pain,
  };
}

function studentHead(view: StudentView, now: number, next: Date | null): StudentHead {
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
    strands: strandCells(view),
    next: next?.toISOString() ?? null,
  };
}

function marked(view: StudentView, mark: 'slipping' | 'stuck') {
  const names = new Map(view.syllabus.content.skills.map((skill) => [skill.id, skill.name]));
  return view.state.skills
    .filter((skill) => skill.marks[mark])
    .map((skill) => ({ skill, name: names.get(skill.skillId) ?? skill.skillId }));
}

/** The heaviest grip among skills begun that lies over this hand's limit. */
function tooHard(view: StudentView): BoardBody['tooHard'] {
  const { gripEffort: limit } = view.taught.limits;
  let worst: { chord: string; effort: number } | null = null;
  for (const skill of view.syllabus.content.skills) {
    const begun = view.state.skills.find((one) => one.skillId === skill.id);
    if (!begun?.attempts || begun.state === 'clean' || begun.state === 'settled') continue;
    for (const recipe of skill.practice) {
      for (const grip of gripsOf(recipe)) {
        const graded = gradeIn(grip.frets, view.taught);
        const effort = graded.ok ? graded.value.total : 100;
        if (parseChord(grip.chord).ok && effort > limit && effort > (worst?.effort ?? 0))
          worst = { chord: grip.chord, effort };
      }
    }
  }
  return worst ? [{ studentId: view.record.id, name: view.record.name, ...worst, limit }] : [];
}
