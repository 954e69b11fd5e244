/** What the logs of the studio say a teacher should look at, and how well what was said of takes held. */
import { routes, type ProgressBody } from '@finch/contract';
import { heldOf, historyPoints, together, type Held, type SkillState } from '@finch/core/mastery';
import type { DataSource } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import { lettersWaiting } from '../letters/letters.service';
import type { Clock } from '../platform/clock';
import { inStudio } from '../platform/database';
import { makeFlight, type Flight } from '../platform/flight';
import { Prepared } from '../platform/http';
import type { States, StudentView } from './states.service';

export interface Progress {
  readonly read: (who: Who) => Promise<Prepared>;
}

const DAY_MS = 86_400_000;
/** Weeks of a skill that is stuck; entries of a list. */
const SHOWN = { days: 42, stuck: 8, surprises: 8 } as const;

/** The same for all who may see it: those who ask at once are answered at once. */
export function makeProgress(database: DataSource, clock: Clock, states: States): Progress {
  const flights = new Map<string, Flight<Prepared>>();
  const bodyOf = (studioId: string): Promise<ProgressBody> =>
    inStudio(database, studioId, async (manager) => {
      const now = clock.now();
      const views = await states.viewAll(manager, studioId, now);
      return { ...progressOf(views, now), letters: await lettersWaiting(manager) };
    });
  return {
    read: async (who) => {
      need(who, 'board.read');
      const { studioId } = who;
      let flight = flights.get(studioId);
      if (!flight)
        flights.set(
          studioId,
          (flight = makeFlight(async () => Prepared.of(routes.progress, await bodyOf(studioId)))),
        );
      return flight.join();
    },
  };
}

function progressOf(views: readonly StudentView[], now: number): Omit<ProgressBody, 'letters'> {
  const names = new Map((views[0]?.syllabus.content.skills ?? []).map(({ id, name }) => [id, name]));
  const whoOf = ({ record }: StudentView) => ({ studentId: record.id, name: record.name });
  const named = (view: StudentView, skillId: string) => ({
    ...whoOf(view),
    skillId,
    skill: names.get(skillId) ?? skillId,
  });
  const stuck = views.flatMap((view) =>
    view.state.skills.filter((skill) => skill.marks.stuck).map((skill) => ({ view, skill })),
  );
  return {
    now,
    stuck: {
      all: stuck.length,
      students: new Set(stuck.map(({ view }) => view.record.id)).size,
      list: stuck
        .sort((a, b) => b.skill.attempts - a.skill.attempts)
        .slice(0, SHOWN.stuck)
        .map(({ view, skill }) => ({
          ...named(view, skill.skillId),
          takes: skill.attempts,
          now: skill.chance?.mean ?? 0,
          points: recentPoints(skill, now),
        })),
    },
    surprises: views
      .flatMap((view) => view.state.surprises.map((surprise) => ({ view, surprise })))
      .sort((a, b) => a.surprise.chance - b.surprise.chance)
      .slice(0, SHOWN.surprises)
      .map(({ view, surprise: { skillId, chance: _, ...surprise } }) => ({
        ...named(view, skillId),
        ...surprise,
      })),
    tense: views
      .flatMap((view) => {
        const { tense } = view.state;
        if (!tense) return [];
        return [{ ...tense, ...named(view, tense.skillId), limit: view.limits.value.gripEffort }];
      })
      .sort((a, b) => Number(b.pain) - Number(a.pain) || b.hard - a.hard),
    hurting: views
      .filter(({ state }) => state.pain.status !== 'free')
      .map((view) => ({ ...whoOf(view), pain: view.state.pain })),
    held: {
      all: heldBody(heldOf(together(views.map(({ state }) => state.foretold)))),
      students: views.map((view) => ({
        ...whoOf(view),
        takes: view.state.takes,
        held: heldBody(heldOf(view.state.foretold)),
      })),
    },
  };
}

const heldBody = (held: Held): ProgressBody['held']['all'] => ({ ...held, classes: [...held.classes] });

const recentPoints = (
  { history }: SkillState,
  now: number,
): ProgressBody['stuck']['list'][number]['points'] =>
  historyPoints(history).filter(({ at }) => at > now - SHOWN.days * DAY_MS);
