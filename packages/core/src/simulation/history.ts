/**
 * Weeks of a simulated student: lessons once a week, practice on some days, a simple teacher who adds the next
 * skills of the syllabus when the last ones come clean and asks for a few old ones. It yields takes with day
 * and minute; who wraps them into a log decides zone and calendar. Pain stops the day and rests three more.
 */
import { plainChangeSeconds } from '../changes/grade-change';
import { makeDrill } from '../drills/make-drill';
import { warmUp, type ChangeLoopRecipe, type Drill, type Recipe } from '../drills/recipe';
import type { TakeSource } from '../drills/take';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import { clamp } from '../kernel/number';
import { seededRandom } from '../kernel/random';
import { ownDrills, type Skill, type Syllabus } from '../syllabus/skill';
import { countChanges } from './counting';
import { makePlayer, stopsToday, type PlayedTake, type PlayerTraits } from './player';

export interface Life {
  readonly seed: number;
  readonly traits: PlayerTraits;
  readonly hand: Hand;
  readonly instrument: Instrument;
  readonly days: number;
  /** Days of the history (0 the first) with a lesson, and the minute of the day it starts. */
  readonly lessonDays: readonly number[];
  readonly lessonMinute: number;
  /** Chance of practising on a day without a lesson. */
  readonly diligence: number;
  /** From this day on practice stops; lessons too when `quits`. */
  readonly fadesFromDay?: number;
  /** First day of anything at all; 0 unless the student came later. */
  readonly beginsOnDay?: number;
  /** On this day the last take ends in pain at the player's place. */
  readonly hurtsOnDay?: number;
  /** Skills held before the history begins; practised, unlogged, in the weeks before. */
  readonly startsWith: readonly string[];
  /** Skills never asked of this student. */
  readonly without?: readonly string[];
}

export interface LivedTake extends PlayedTake {
  readonly day: number;
  readonly minuteOfDay: number;
  readonly source: TakeSource;
}

const EARLIER_DAYS = 70;
const AT_ONCE = 4;
/** New skills a lesson brings at most: what a careful teacher would (our assumption). */
const NEW_A_LESSON = 2;
const TAKES_A_SKILL = 3;
/** Share of takes that come to a skill, use it or hear it, and are not the skill itself (our assumption). */
const OTHER_DRILLS = 0.2;
const MINUTE_SECONDS = 60;
/** A change taught for weeks goes quicker than the reference hand's on first sight. */
const PRACTISED = 0.8;
/** Share of the tempo at which a change has all of its seconds; slowest tempo asked, and the fastest to begin at. */
const BEGIN_SHARE = 0.65;
const SLOWEST_BPM = 36;
const FASTEST_START = 120;

/** Beats a minute a teacher who knows this player begins a loop at: a little under what its slowest change allows. */
function firstTempo(recipe: ChangeLoopRecipe, targetBpm: number | null, life: Life): number {
  const { grips } = recipe.parameters;
  const slowest = Math.max(
    ...grips.map((grip, i) =>
      plainChangeSeconds(grip.frets, grips[(i + 1) % grips.length].frets, life.hand, life.instrument),
    ),
  );
  const bpm = Math.round((BEGIN_SHARE * 60) / (slowest * life.traits.slowness));
  return clamp(bpm, SLOWEST_BPM, Math.max(SLOWEST_BPM, targetBpm ?? FASTEST_START));
}

/** All takes of a life in order; the same life gives the same takes. */
export function liveThrough(life: Life, syllabus: Syllabus): LivedTake[] {
  const random = seededRandom(life.seed);
  const player = makePlayer(life.traits, life.hand, life.instrument, random.fork('player'));
  const context = { hand: life.hand, instrument: life.instrument };
  const met = new Set(life.startsWith);
  const lastResults = new Map<string, string[]>();
  const tempo = new Map<string, number>();
  const lived: LivedTake[] = [];
  const choose = random.fork('choice');
  const another = random.fork('another drill');

  const ready = (skill: Skill) =>
    !met.has(skill.id) && skill.needs.every((group) => group.some((need) => learned(need)));
  const learned = (id: string) => {
    const results = lastResults.get(id);
    return results
      ? results.slice(-3).filter((r) => r === 'clean').length >= 2
      : life.startsWith.includes(id);
  };
  const working = () => syllabus.skills.filter((skill) => met.has(skill.id) && !learned(skill.id));
  const addNew = () => {
    const room = Math.min(NEW_A_LESSON, AT_ONCE - working().length);
    for (let added = 0; added < room; added++) {
      const open = syllabus.skills.filter((skill) => ready(skill) && !life.without?.includes(skill.id));
      // From the strand in which least was begun: nobody is taught grips alone.
      const begun = (strand: string) =>
        syllabus.skills.filter((one) => one.strand === strand && met.has(one.id)).length;
      const [next] = open.toSorted((a, b) => begun(a.strand) - begun(b.strand));
      if (next) met.add(next.id);
    }
  };
  const recipeOf = (skill: Skill): Recipe => {
    const recipe =
      another.unit() < OTHER_DRILLS ? another.pick(skill.practice).recipe : choose.pick(ownDrills(skill));
    if (recipe.family !== 'change loop' || recipe.parameters.piece) return recipe;
    const bpm = tempo.get(skill.id) ?? firstTempo(recipe, skill.targetBpm, life);
    return { ...recipe, parameters: { ...recipe.parameters, tempoBpm: bpm } };
  };
  const adjustTempo = (skill: Skill, take: PlayedTake) => {
    if (take.tempoBpm === null) return;
    const aim = skill.targetBpm ?? take.tempoBpm;
    const next =
      take.result === 'clean'
        ? Math.min(aim, take.tempoBpm + 3)
        : take.result === 'not yet'
          ? take.tempoBpm - 2
          : take.tempoBpm;
    tempo.set(skill.id, Math.max(SLOWEST_BPM, Math.round(next)));
  };

  // Counted minutes draw from a stream of their own, so that they leave everything else as it is.
  const counting = random.fork('counting');
  const counted = (drill: Drill): Pick<PlayedTake, 'count'> => {
    if (drill.recipe.family !== 'change loop') return {};
    const grips = drill.recipe.parameters.grips.map((grip) => grip.frets);
    const truth = { overall: PRACTISED * life.traits.slowness, shift: 1, barre: 1, fingers: 1 };
    const clean = countChanges(grips, truth, life.hand, life.instrument, counting, MINUTE_SECONDS);
    return { count: { clean, seconds: MINUTE_SECONDS } };
  };

  const made = new Map<string, Drill | null>();
  const drillOf = (recipe: Recipe): Drill | null => {
    const key = JSON.stringify(recipe);
    const known = made.get(key);
    if (known !== undefined) return known;
    const drill = makeDrill(recipe, context);
    made.set(key, drill.ok ? drill.value : null);
    return drill.ok ? drill.value : null;
  };
  for (let before = -EARLIER_DAYS; before < 0; before += 2) {
    for (const skill of syllabus.skills.filter((one) => life.startsWith.includes(one.id))) {
      const drill = drillOf(skill.practice[0].recipe);
      if (drill) player.play(drill, before);
    }
  }

  let restsUntil = life.beginsOnDay ?? -1;
  for (let day = 0; day < life.days; day++) {
    const lesson = life.lessonDays.includes(day);
    const faded = life.fadesFromDay !== undefined && day >= life.fadesFromDay;
    const practises = !lesson && !faded && choose.unit() < life.diligence;
    if (day < restsUntil || !(lesson || practises)) continue;
    if (lesson) addNew();
    const left = working();
    const current = Array.from(
      { length: Math.min(3, left.length) },
      () => left.splice(choose.int(0, left.length - 1), 1)[0],
    );
    const old = syllabus.skills.filter((skill) => met.has(skill.id) && learned(skill.id));
    const reviews = old.length ? Array.from({ length: lesson ? 2 : 1 }, () => choose.pick(old)) : [];
    let minute = lesson ? life.lessonMinute : 16 * 60 + choose.int(0, 210);
    const today = [...new Set([...reviews, ...current])];
    const recipes: { skill: Skill | null; recipe: Recipe }[] = [
      { skill: null, recipe: warmUp(3) },
      ...today.flatMap((skill) =>
        Array.from({ length: TAKES_A_SKILL }, () => ({ skill, recipe: recipeOf(skill) })),
      ),
    ];
    for (const { skill, recipe } of recipes) {
      const latest = skill ? recipeOf(skill) : recipe;
      const drill = drillOf(latest);
      if (!drill) continue;
      const played = player.play(drill, day + minute / 1440);
      const last = recipes[recipes.length - 1].recipe === recipe;
      const take: PlayedTake =
        life.hurtsOnDay === day && last
          ? { ...played, feel: { hand: 'pain', where: life.traits.painPlace, side: 'left' } }
          : played;
      // The last take on a change in a lesson is a counted minute.
      const count = lesson && skill && recipes.findLast((one) => one.skill === skill)?.recipe === recipe;
      lived.push({
        ...take,
        ...(count ? counted(drill) : {}),
        day,
        minuteOfDay: minute,
        source: lesson ? 'teacher' : 'self',
      });
      minute += Math.max(1, Math.ceil(take.durationSeconds / 60)) + 1;
      if (skill && ownDrills(skill).some((own) => own.family === latest.family)) {
        lastResults.set(skill.id, [...(lastResults.get(skill.id) ?? []), take.result]);
        adjustTempo(skill, take);
      }
      if (stopsToday(take)) {
        restsUntil = day + 4;
        break;
      }
    }
  }
  return lived;
}
