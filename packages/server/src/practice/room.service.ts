/**
 * The Practice room: today's short list in order. An easy minute or three first, then what the teacher gave
 * home, newest first, then what the planner would review or repair, within the student's minutes.
 */
import type { PracticeBody, PracticeCard } from '@finch/contract';
import {
  calledCells,
  handAlone,
  quietForm,
  warmUp,
  withWeakCells,
  type PastCalls,
  type OneHand,
  type Recipe,
} from '@finch/core/drills';
import { allowedHand, staysOpen, type LogEvent, type Question } from '@finch/core/mastery';
import type { PlanBlock } from '@finch/core/planning';
import type { DataSource, EntityManager } from 'typeorm';
import { need, type Who } from '../accounts/rights';
import { weekOn } from '../homework/weeks.service';
import { goalsAsked, proposalFor } from '../lessons/lessons.service';
import type { Clock } from '../platform/clock';
import { inStudio, writeInStudio } from '../platform/database';
import { notFound } from '../platform/problems';
import type { AskedGoals } from '../students/goals.service';
import { studentOf } from '../students/roster.service';
import type { States, StudentView } from '../students/states.service';
import type { Work } from '../work/work';
import { addHomeCard, endHomeCard, openHomeCards } from './home.repository';
import { questionsFor, takesOf } from './log.service';

const WARM_UP_MINUTES = 2;
const WARM_UP_TITLE = 'Easy minutes';
const CARD_MINUTES = 3;
const DAY_MS = 86_400_000;
const SHORTEST_PLAN = 20;

/** Cards given home and not done with, the newest first. */
export const givenHome = (manager: EntityManager, studioId: string, studentId: string) =>
  openHomeCards(manager, studioId, studentId);

export interface PracticeRoom {
  readonly questions: (who: Who, studentId: string) => Promise<{ questions: Question[] }>;
  readonly today: (who: Who, studentId: string) => Promise<PracticeBody>;
  readonly assign: (
    who: Who,
    studentId: string,
    card: { id: string; recipe: Recipe; skillId: string | null; title: string },
  ) => Promise<{ id: string }>;
  readonly end: (who: Who, studentId: string, cardId: string, ended: boolean) => Promise<{ id: string }>;
}

export function makePracticeRoom(
  database: DataSource,
  clock: Clock,
  states: States,
  work: Work,
): PracticeRoom {
  return {
    questions: async (who, studentId) => {
      need(who, 'practice.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        await studentOf(manager, studentId);
        return { questions: await questionsFor(manager, studentId, clock.now()) };
      });
    },
    today: async (who, studentId) => {
      need(who, 'practice.read', studentId);
      return inStudio(database, who.studioId, async (manager) => {
        const view = await states.view(manager, who.studioId, studentId, clock.now());
        const given = await openHomeCards(manager, who.studioId, studentId);
        const cards = given.map((row): PracticeCard => ({
          skillId: row.skillId,
          title: row.title,
          recipe: row.recipe as Recipe,
          minutes: CARD_MINUTES,
          because: { code: 'because.given', values: { on: row.since.getTime() } },
        }));
        const week = await weekOn(manager, studentId);
        const goals = await goalsAsked(manager, view, clock.now());
        const calls = () => takesOf(manager, studentId, 'root call');
        const next = states.later(view, clock.now() + DAY_MS);
        return {
          student: { id: studentId, name: view.record.name },
          day: view.state.today,
          timeZone: view.record.timeZone,
          tomorrow: await withPastCalls(
            weekCards(next, week) ?? (await fill(work, next, cards, goals)),
            calls,
          ),
          taught: view.taught,
          pain: view.state.pain,
          minutes: view.record.practiceMinutes,
          marks: view.marks,
          cards: await withPastCalls(weekCards(view, week) ?? (await fill(work, view, cards, goals)), calls),
        };
      });
    },
    assign: async (who, studentId, card) => {
      need(who, 'home.assign', studentId);
      await writeInStudio(database, who.studioId, async (manager) => {
        await studentOf(manager, studentId);
        const row = {
          studioId: who.studioId,
          studentId,
          ...card,
          since: new Date(clock.now()),
          endedAt: null,
          version: 1,
        };
        await addHomeCard(manager, row);
      });
      return { id: card.id };
    },
    end: async (who, studentId, cardId, ended) => {
      need(who, 'home.assign', studentId);
      return writeInStudio(database, who.studioId, async (manager) => {
        if (!(await endHomeCard(manager, studentId, cardId, ended ? new Date(clock.now()) : null)))
          throw notFound('cardId');
        return { id: cardId };
      });
    },
  };
}

/** Root calls over the grid ask again what went wrong before; the log is read only when such a card is there. */
async function withPastCalls(
  cards: readonly PracticeCard[],
  events: () => Promise<readonly LogEvent[]>,
): Promise<PracticeCard[]> {
  if (!cards.some(({ recipe }) => recipe.family === 'root call' && recipe.parameters.grid)) return [...cards];
  const takes = (await events()).flatMap((event): PastCalls[] =>
    event.kind === 'attempt' && event.take.recipe.family === 'root call'
      ? [{ cells: calledCells(event.take.recipe), outcomes: event.take.steps }]
      : [],
  );
  return cards.map((card) =>
    card.recipe.family === 'root call' ? { ...card, recipe: withWeakCells(card.recipe, takes) } : card,
  );
}

/** What the week that was given home asks on a student's day; null where it has none, or a hand has hurt since. */
function weekCards(
  view: StudentView,
  week: (day: string) => readonly PlanBlock[] | null,
): PracticeCard[] | null {
  if (view.state.pain.status !== 'free') return null;
  const blocks = week(view.state.today);
  if (!blocks || blocks.length === 0) return null;
  const names = new Map(view.syllabus.content.skills.map((skill) => [skill.id, skill.name]));
  return blocks.flatMap(({ skillId, kind, recipe, minutes, because, title }): PracticeCard[] =>
    recipe
      ? [
          {
            skillId,
            title:
              kind === 'warm up'
                ? WARM_UP_TITLE
                : String(title.values.text ?? cardTitle(recipe, names.get(skillId ?? '') ?? skillId)),
            recipe,
            minutes,
            because,
          },
        ]
      : [],
  );
}

async function fill(
  work: Work,
  view: StudentView,
  given: readonly PracticeCard[],
  goals: AskedGoals,
): Promise<PracticeCard[]> {
  const { status } = view.state.pain;
  const quiet = status === 'stopped today' || status === 'locked';
  const hand = allowedHand(view.state.pain, view.taught.instrument.leftHanded);
  const opening: PracticeCard = {
    skillId: null,
    title: WARM_UP_TITLE,
    recipe: warmUp(WARM_UP_MINUTES),
    minutes: WARM_UP_MINUTES,
    because: { code: 'because.cold', values: {} },
  };
  const minutes = status === 'returning' ? view.record.practiceMinutes / 2 : view.record.practiceMinutes;
  const names = new Map(view.syllabus.content.skills.map((skill) => [skill.id, skill.name]));
  const wish = { minutes: SHORTEST_PLAN + 10, newSkills: 0, locked: [] };
  const proposed = await proposalFor(work, view, wish, [], goals);
  const planned = proposed.blocks.flatMap((block): PracticeCard[] =>
    // Without a hand there is a rhythm to tap, of no skill where none was begun.
    block.recipe && (block.skillId !== null || quiet)
      ? [
          {
            skillId: block.skillId,
            title: cardTitle(block.recipe, names.get(block.skillId ?? '') ?? block.skillId),
            recipe: block.recipe,
            minutes: CARD_MINUTES,
            because: block.because,
          },
        ]
      : [],
  );
  // Where a hand hurts there is nothing to warm up for: what is planned is heard and named.
  const cards = quiet ? [] : [opening];
  let left = minutes - planMinutesOf(cards);
  const allowed = given.flatMap((card) => {
    if (quiet) return openCard(view, card, hand);
    return status === 'returning' && isBarred(view, card) ? [] : [card];
  });
  // What the teacher allowed one hand comes before all else: it is the only playing there is.
  const alone = planned.filter(({ recipe }) => quiet && handAlone(recipe) !== null);
  for (const card of [...alone, ...allowed, ...planned]) {
    const twice = cards.some(
      (other) =>
        JSON.stringify(other.recipe) === JSON.stringify(card.recipe) ||
        (card.skillId !== null && other.skillId === card.skillId),
    );
    if (twice || left < card.minutes) continue;
    cards.push(card);
    left -= card.minutes;
  }
  return cards;
}

/** A card while playing is stopped: itself where it stays open, else what of it no hand plays in, else none. */
function openCard(view: StudentView, card: PracticeCard, hand: OneHand | null): PracticeCard[] {
  if (staysOpen(card.recipe, hand)) return [card];
  const recipe = quietForm(card.recipe, view.taught);
  return recipe ? [{ ...card, recipe, because: { code: 'because.quiet-form', values: {} } }] : [];
}

/** How a card is called: by what one hand does alone, by its skill, or as a rhythm where nothing of it was begun. */
function cardTitle(recipe: Recipe, skill: string | null): string {
  const alone = handAlone(recipe);
  return alone ? `The ${alone} hand alone` : (skill ?? 'A rhythm to tap');
}

const planMinutesOf = (cards: readonly PracticeCard[]): number =>
  cards.reduce((sum, card) => sum + card.minutes, 0);

function isBarred(view: StudentView, card: PracticeCard): boolean {
  return view.syllabus.content.skills.find((skill) => skill.id === card.skillId)?.barre ?? false;
}
