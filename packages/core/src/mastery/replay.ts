/**
 * From the log to what a student holds: a pure function of events, dated hands and instruments, syllabus,
 * difficulty fit and now. Events are sorted by when they happened, then id, so that any batch split and any
 * order of arrival give the same state.
 */
import { itemKey } from '../drills/items';
import type { Take } from '../drills/take';
import { evidenceOf } from '../drills/evidence';
import { indexAt, type Dated } from '../hands/dated';
import { recordedHand, type HandRecords } from '../hands/taught-hand';
import type { Skill, Syllabus } from '../syllabus/skill';
import { askedOf, skillsOf } from '../syllabus/skills-of';
import { dayReader } from './days';
import { cleanChance, type Belief } from './ability';
import {
  difficultyLogits,
  makeGrader,
  notesABeat,
  slopeOf,
  tempoLoad,
  tempoOver,
  type ItemGrader,
} from './difficulty';
import { beginsWith, experienceOf, monthsOf, stageOf, type Experience } from './experience';
import { upTo, type LogEvent, type MasteryState } from './log';
import { limitSaid, tenseIn, withFelt, type Felt, type LimitSaid, type TenseSkill } from './felt';
import {
  NOTHING_FORETOLD,
  surprisesOf,
  withDaySaid,
  withTake,
  type DaySaid,
  type Foretold,
  type Surprise,
} from './foretold';
import { painAt, painAfter, stopsAfter, type PainSoFar, type PainState, type PainStop } from './pain';
import type { PaceRecords } from './pace';
import { isSure } from './states';
import { afterTake, standsBefore, startingBelief, type SkillSoFar } from './skill-so-far';
import { withApart, type EvidenceApart } from './evidence-apart';
import { skillStateAt, type SkillState } from './skill-state';
import { skillShift, withFirst, type FirstTakes } from './studio-fit';
import { hardThirdOf, targetLoad } from './targets';

/** Hands and instruments as they were on record when each take was played; a school changes no record. */
export interface ReplayContext
  extends Pick<PaceRecords, 'playedFor'>, Pick<HandRecords, 'hands' | 'instruments' | 'difficultyFit'> {
  readonly syllabus: Syllabus;
  readonly timeZone: string;
}

export interface StudentState {
  readonly now: number;
  readonly today: string;
  /** In syllabus order. */
  readonly skills: readonly SkillState[];
  readonly pain: PainState;
  readonly takes: number;
  readonly lastTakeAt: number | null;
  readonly feels: {
    readonly easy: number;
    readonly tense: number;
    readonly pain: number;
    readonly unanswered: number;
  };
  readonly firsts: ReadonlyMap<string, FirstTakes>;
  /** How long the student has played; null where nobody said. */
  readonly experience: Experience | null;
  /** What was said of takes before they were played, and what came. */
  readonly foretold: Foretold;
  /** Skills that went far otherwise than said, in the last week. */
  readonly surprises: readonly Surprise[];
  /** What the takes say of how much effort the hand stands well. */
  readonly limitSaid: LimitSaid | null;
  /** In what the hand was tense lately. */
  readonly tense: TenseSkill | null;
  /** When playing stopped for pain, and came back. */
  readonly stops: readonly PainStop[];
}

/** What the events told so far, as plain data: it can be stored, gone on from and read at any later instant. */
export interface SkillsSoFar {
  /** Since when the hand and instrument that targets are for are on record, ms since 1970. */
  readonly since: number;
  /** How long the student has played, by what was on record when reading began. */
  readonly experience: Experience | null;
  /** Difficulty and tempo load at its target of each skill that was met, logits. */
  readonly targets: Map<string, number>;
  /** Difficulty from which a drill is in the hardest third of those of a skill, logits; worked out once it may be settled. */
  readonly hardThirds: Map<string, number>;
  readonly skills: Map<string, SkillSoFar>;
  /** Takes of other kinds of evidence than the skill is about, by skill. */
  readonly apart: Map<string, EvidenceApart>;
  readonly overrides: Map<string, MasteryState | null>;
  readonly feels: { easy: number; tense: number; pain: number; unanswered: number };
  takes: number;
  lastTakeAt: number | null;
  pain: PainSoFar;
  stops: readonly PainStop[];
  foretold: Foretold;
  /** First takes of each skill, for the studio's fit. */
  readonly firsts: Map<string, FirstTakes>;
  /** The last two weeks, by skill and day. */
  daysSaid: readonly DaySaid[];
  felt: readonly Felt[];
}

export interface Replayer {
  /** Nothing told yet; targets are those of the hand on record at an instant. */
  readonly begin: (now: number) => SkillsSoFar;
  /** Takes an event in, none of which was taken back; they come in order. */
  readonly follow: (sofar: SkillsSoFar, event: LogEvent, at: number) => void;
  /** Load of a skill at its target, logits; worked out when it is first asked for. */
  readonly targetOf: (sofar: SkillsSoFar, skill: Skill) => number;
}

/** Graders, targets and item lists are worked out once for a context. */
export function makeReplayer(context: ReplayContext): Replayer {
  const dayOf = dayReader(context.timeZone);
  const graders = datedGraders(context);
  const exercised = exerciser(context);
  const targetOf = (sofar: SkillsSoFar, skill: Skill): number => {
    const known = sofar.targets.get(skill.id);
    if (known !== undefined) return known;
    const load =
      targetLoad(skill, context, graders(sofar.since, sofar.experience), sofar.since) + shiftOf(skill);
    sofar.targets.set(skill.id, load);
    return load;
  };
  const shiftOf = (skill: Skill): number => skillShift(context.difficultyFit, skill.id);
  return {
    targetOf,
    begin: (now) => ({
      since: inForceSince(context, now),
      experience: experienceOf(context.playedFor, now),
      targets: new Map(),
      hardThirds: new Map(),
      skills: new Map(),
      apart: new Map(),
      overrides: new Map(),
      feels: { easy: 0, tense: 0, pain: 0, unanswered: 0 },
      takes: 0,
      lastTakeAt: null,
      pain: { painMs: null, clearedMs: null },
      stops: [],
      foretold: NOTHING_FORETOLD,
      firsts: new Map(),
      daysSaid: [],
      felt: [],
    }),
    follow: (sofar, event, at) => {
      sofar.pain = painAfter(sofar.pain, event, at);
      sofar.stops = stopsAfter(sofar.stops, event, at);
      if (event.kind === 'override') sofar.overrides.set(event.skillId, event.state);
      if (event.kind !== 'attempt') return;
      const { take } = event;
      sofar.takes++;
      sofar.lastTakeAt = at;
      sofar.feels[take.feel?.hand ?? 'unanswered']++;
      const grader = graders(at, sofar.experience);
      const kind = evidenceOf(take.recipe);
      const { skills, surroundings, predictedBpm, tempoSlope } = exercised(take, grader);
      const faster = tempoLoad(take.tempoBpm, predictedBpm, tempoSlope);
      const hardest = skills.reduce<(typeof skills)[number] | null>(
        (most, one) => (!most || one.difficulty > most.difficulty ? one : most),
        null,
      );
      sofar.felt = withFelt(sofar.felt, take, at, hardest?.skill.id ?? null, grader);
      for (const { skill, difficulty } of skills) {
        if (kind !== evidenceOf(skill.practice[0].recipe)) {
          sofar.apart.set(skill.id, withApart(sofar.apart.get(skill.id), kind, take, at));
          continue;
        }
        const before = sofar.skills.get(skill.id) ?? null;
        const unshifted = difficulty + faster;
        const load = unshifted + shiftOf(skill);
        const target = targetOf(sofar, skill);
        const start = before?.belief ?? startOf(skill, sofar, at);
        const stands = standsBefore(before, start, at, load);
        const chance = cleanChance(stands.rested, stands.load);
        const clean = take.result === 'clean';
        sofar.firsts.set(skill.id, withFirst(sofar.firsts.get(skill.id), start, unshifted, clean));
        sofar.foretold = withTake(sofar.foretold, chance.mean, clean);
        sofar.daysSaid = withDaySaid(sofar.daysSaid, {
          skillId: skill.id,
          day: dayOf(at),
          at,
          belief: stands.rested,
          away: stands.load - load,
          load,
          clean,
        });
        const over = tempoOver(take.tempoBpm, skill.targetBpm ?? predictedBpm);
        const played = { take, at, day: dayOf(at), load, target, surroundings, over };
        const after = afterTake(skill, before, start, played);
        sofar.skills.set(skill.id, after);
        if (!sofar.hardThirds.has(skill.id) && isSure(cleanChance(after.belief, target)))
          sofar.hardThirds.set(skill.id, hardThirdOf(skill, context, grader, sofar.since));
      }
    },
  };
}

/** What is believed of a skill that begins at an instant, ms since 1970. */
export const startOf = (skill: Skill, { skills, experience }: SkillsSoFar, at: number): Belief =>
  startingBelief(skill, skills, beginsWith(monthsOf(experience, at)));

/** What the events told, read at an instant (ms since 1970) after them: here time takes what it takes. */
export function stateAt(
  sofar: SkillsSoFar,
  { syllabus, timeZone }: Pick<ReplayContext, 'syllabus' | 'timeZone'>,
  now: number,
): StudentState {
  const dayOf = dayReader(timeZone);
  return {
    now,
    today: dayOf(now),
    skills: syllabus.skills.map((skill) =>
      skillStateAt(
        skill,
        sofar.skills.get(skill.id) ?? null,
        startOf(skill, sofar, now),
        sofar.targets.get(skill.id) ?? 0,
        now,
        {
          override: sofar.overrides.get(skill.id) ?? null,
          apart: sofar.apart.get(skill.id) ?? {},
          hardThird: sofar.hardThirds.get(skill.id) ?? null,
        },
      ),
    ),
    pain: painAt(sofar.pain, now, dayOf),
    takes: sofar.takes,
    lastTakeAt: sofar.lastTakeAt,
    feels: { ...sofar.feels },
    firsts: sofar.firsts,
    experience: sofar.experience,
    foretold: sofar.foretold,
    surprises: surprisesOf(sofar.daysSaid, now),
    limitSaid: limitSaid(sofar.felt, now),
    tense: tenseIn(sofar.felt, now),
    stops: sofar.stops,
  };
}

/** What a student holds at `now` (ms since 1970). Events after `now` are left out. */
export function replay(events: readonly LogEvent[], context: ReplayContext, now: number): StudentState {
  const replayer = makeReplayer(context);
  const sofar = replayer.begin(now);
  for (const { event, at } of upTo(events, now).live) replayer.follow(sofar, event, at);
  return stateAt(sofar, context, now);
}

/** What a drill says of the skills it exercises, for one hand. */
interface Exercised {
  readonly skills: readonly { readonly skill: Skill; readonly difficulty: number }[];
  /** Difficulty of the whole drill, logits. */
  readonly surroundings: number;
  readonly predictedBpm: number | null;
  /** What a tempo over it adds, see `tempoLoad`. */
  readonly tempoSlope: number;
}

/** `skillsOf` with its difficulties, remembered: a log asks about the same few drills over and over. */
function exerciser({ syllabus, difficultyFit }: Pick<ReplayContext, 'syllabus' | 'difficultyFit'>) {
  const known = new Map<ItemGrader, Map<string, Exercised>>();
  const asked = askedOf(syllabus);
  return (take: Pick<Take, 'items' | 'recipe'>, grader: ItemGrader): Exercised => {
    const perBeat = notesABeat(take.recipe);
    const key = `${perBeat} ${asked(take.recipe)}|${take.items.map(itemKey).join('|')}`;
    let ofHand = known.get(grader);
    if (!ofHand) known.set(grader, (ofHand = new Map()));
    let found = ofHand.get(key);
    if (!found) {
      const load = (items: Take['items']) => difficultyLogits(items, take.items, grader, difficultyFit);
      found = {
        skills: skillsOf(take, syllabus).map(({ skill, items }) => ({ skill, difficulty: load(items) })),
        surroundings: load(take.items),
        predictedBpm: grader.predictedBpm(take.items, perBeat),
        tempoSlope: slopeOf(take.items),
      };
      ofHand.set(key, found);
    }
    return found;
  };
}

type Graders = (ms: number, experience: Experience | null) => ItemGrader;

function datedGraders({ hands, instruments }: ReplayContext): Graders {
  const made = new Map<string, ItemGrader>();
  return (ms, experience) => {
    const key = `${indexAt(hands, ms)} ${indexAt(instruments, ms)} ${experience?.months ?? null}`;
    let grader = made.get(key);
    if (!grader)
      made.set(key, (grader = makeGrader(recordedHand({ hands, instruments }, ms), stageOf(experience))));
    return grader;
  };
}

/** Since when what holds at an instant holds: another instant since then tells of the same hand and instrument. */
function inForceSince({ hands, instruments }: ReplayContext, now: number): number {
  const since = <T>(records: readonly Dated<T>[]): number => {
    const record = records[indexAt(records, now)];
    const from = record ? Date.parse(record.from) : 0;
    return from <= now ? from : 0;
  };
  return Math.max(since(hands), since(instruments));
}
