/**
 * A simulated player: a truth of its own, made to judge estimators, never read by them. Motor memory belongs
 * to movements, not to skills: each grip pattern and each pair of patterns has a strength that grows with
 * every take and fades by a power of time, slower the more days it was met on (spacing). A step slips by
 * strain against the hand's own limit, by what memory lacks and by hurry; slips multiply along a take. All
 * numbers are our assumptions, chosen so that fourteen weeks look like a studio's; docs/models/simulation.md.
 */
import { plainChangeSeconds } from '../changes/grade-change';
import type { Drill } from '../drills/recipe';
import { itemKey, type GripItem, type Item } from '../drills/items';
import {
  endsPlaying,
  resultOf,
  type Feel,
  type PainPlace,
  type StepOutcome,
  type Take,
} from '../drills/take';
import { gradeGrip } from '../effort/grade-grip';
import { pointsOf } from '../effort/hold';
import type { Hand } from '../fretboard/hand';
import type { Instrument } from '../fretboard/instrument';
import { clamp } from '../kernel/number';
import type { Random } from '../kernel/random';

export const PLAYER = {
  slip: 0.85,
  strainExponent: 1.5,
  lackExponent: 1.2,
  hurry: 0.9,
  slowWhenNew: 0.55,
  fadePower: 0.55,
  firstStabilityDays: 3,
  spacing: 1.38,
  mostStabilityDays: 150,
  transfer: 0.35,
  tenseStrain: 0.95,
  painStrain: 1.25,
} as const;

export interface PlayerTraits {
  /** Share of what is missing that one clean take adds, .02 to .15. */
  readonly learning: number;
  /** How well a movement keeps, about 1. */
  readonly keeping: number;
  /** How much strain makes slips, about 1; higher is shakier. */
  readonly shakiness: number;
  /** Seconds of a change against the reference hand, about 1. */
  readonly slowness: number;
  /** Grade of one grip this hand stands well. */
  readonly limit: number;
  /** Chance a day's playing at high strain ends in pain, and where. */
  readonly painChance: number;
  readonly painPlace: PainPlace;
  /** Movements that do not improve however often they are tried, as a part of their key. */
  readonly stuckOn?: string;
}

interface Trace {
  strength: number;
  stabilityDays: number;
  lastDay: number;
}

export type PlayedTake = Pick<
  Take,
  'recipe' | 'items' | 'durationSeconds' | 'tempoBpm' | 'steps' | 'count' | 'result' | 'feel'
>;

export interface Player {
  /** Plays one take of a drill on a day (days may be fractions and must not run backwards). */
  readonly play: (drill: Drill, day: number) => PlayedTake;
  /** True chance that one step of an item comes clean in free time; for judging estimators. */
  readonly trueStepChance: (item: Item, day: number) => number;
}

/** Makes a player; equal arguments and equal calls give equal takes. */
export function makePlayer(traits: PlayerTraits, hand: Hand, instrument: Instrument, random: Random): Player {
  const traces = new Map<string, Trace>();
  const personal = new Map<string, number>();
  const formOfDay = new Map<number, number>();
  const strains = new Map<string, number>();
  const seconds = new Map<string, number>();

  const gripStrain = (grip: GripItem): number => {
    const key = itemKey(grip);
    const known = strains.get(key);
    if (known !== undefined) return known;
    const graded = gradeGrip(grip.frets, hand, instrument);
    const strain = graded.ok ? graded.value.points / pointsOf(clamp(traits.limit, 5, 95)) : 3;
    strains.set(key, strain);
    return strain;
  };
  const itemStrain = (item: Item): number => {
    if (item.kind === 'grip') return gripStrain(item);
    if (item.kind === 'change') return 0.7 * Math.max(gripStrain(item.from), gripStrain(item.to)) + 0.15;
    return 0.3;
  };
  /** What this player finds oddly easy or hard, drawn once for each movement. */
  const oddity = (key: string): number => {
    const known = personal.get(key);
    if (known !== undefined) return known;
    const drawn = Math.exp(random.normal(0, 0.18));
    personal.set(key, drawn);
    return drawn;
  };
  const retention = (trace: Trace, day: number): number =>
    (1 + Math.max(0, day - trace.lastDay) / (trace.stabilityDays * traits.keeping)) ** -PLAYER.fadePower;
  const memory = (item: Item, day: number): number => {
    const keys = movementKeys(item);
    const own = traces.get(keys[0]);
    const kin = traces.get(keys[1]);
    const direct = own ? own.strength * retention(own, day) : 0;
    const carried = kin ? PLAYER.transfer * kin.strength * retention(kin, day) : 0;
    return clamp(Math.max(direct, carried), 0, 0.985);
  };
  const slipOf = (item: Item, day: number): number => {
    const lack = (1 - memory(item, day)) ** PLAYER.lackExponent;
    const strain =
      (itemStrain(item) * traits.shakiness * oddity(movementKeys(item)[0])) ** PLAYER.strainExponent;
    return PLAYER.slip * strain * lack + 0.01;
  };
  const hurryOf = (item: Item, day: number, drill: Drill): number => {
    if (item.kind !== 'change' || drill.tempoBpm === null) return 0;
    const key = itemKey(item);
    const plain = seconds.get(key) ?? plainChangeSeconds(item.from.frets, item.to.frets, hand, instrument);
    seconds.set(key, plain);
    const needed = plain * traits.slowness * (1 + PLAYER.slowWhenNew * (1 - memory(item, day)));
    return PLAYER.hurry * Math.max(0, (needed * drill.tempoBpm) / 60 - 0.95);
  };
  const form = (day: number): number => {
    const today = Math.floor(day);
    const known = formOfDay.get(today);
    if (known !== undefined) return known;
    const drawn = Math.exp(random.normal(0, 0.2));
    formOfDay.set(today, drawn);
    return drawn;
  };
  const learn = (item: Item, day: number, share: number): void => {
    movementKeys(item).forEach((key, rank) => {
      const trace = traces.get(key) ?? {
        strength: 0,
        stabilityDays: PLAYER.firstStabilityDays,
        lastDay: day,
      };
      const stuck = traits.stuckOn !== undefined && itemKey(item).includes(traits.stuckOn);
      const gain = traits.learning * (0.45 + 0.55 * share) * (rank === 0 ? 1 : 0.5) * (stuck ? 0.04 : 1);
      const kept = trace.strength * (0.5 + 0.5 * retention(trace, day));
      const newDay = Math.floor(day) > Math.floor(trace.lastDay);
      traces.set(key, {
        strength: kept + gain * (1 - kept),
        stabilityDays: Math.min(
          PLAYER.mostStabilityDays,
          trace.stabilityDays * (newDay ? PLAYER.spacing : 1),
        ),
        lastDay: day,
      });
    });
  };
  const feelOf = (drill: Drill): Feel | null => {
    const strain = Math.max(...drill.items.map(itemStrain));
    if (strain > PLAYER.painStrain && random.unit() < traits.painChance) {
      return { hand: 'pain', where: traits.painPlace, side: 'left' };
    }
    if (strain > PLAYER.tenseStrain && random.unit() < 0.5) return { hand: 'tense' };
    return random.unit() < 0.85 ? { hand: 'easy' } : null;
  };

  const play = (drill: Drill, day: number): PlayedTake => {
    const tries =
      drill.recipe.family === 'change loop'
        ? Array.from({ length: 3 }, () => drill.steps).flat()
        : drill.steps;
    const easyOnly = drill.recipe.family === 'warm up';
    const steps: StepOutcome[] = tries.map(({ item, ask }) => {
      const slip = slipOf(item, day) * form(day);
      const late = hurryOf(item, day, drill);
      // One string of a ring check is a fraction of its grip's risk.
      const share = drill.recipe.family === 'ring check' ? 1 / 4 : 1;
      if (easyOnly || random.unit() < Math.exp(-(slip + late) * share)) return 'clean';
      if (ask.code === 'ask.silent') return 'stray string';
      if (item.kind === 'note') return 'wrong note';
      return random.unit() < late / (late + slip) ? 'late' : random.unit() < 0.7 ? 'buzz' : 'dead';
    });
    const clean = steps.filter((step) => step === 'clean').length;
    const ring = drill.recipe.family === 'ring check';
    const result =
      ring && clean < steps.length
        ? clean >= steps.length - 1
          ? 'nearly'
          : 'not yet'
        : resultOf(clean, steps.length);
    const feel = feelOf(drill);
    for (const item of drill.items) learn(item, day, clean / steps.length);
    return {
      recipe: drill.recipe,
      items: drill.items,
      durationSeconds: drill.bursts.count * (drill.bursts.workSeconds + drill.bursts.restSeconds),
      tempoBpm: drill.tempoBpm,
      steps,
      result,
      feel,
    };
  };
  return { play, trueStepChance: (item, day) => Math.exp(-slipOf(item, day)) };
}

/** The movement itself first, then the wider one it carries over to and from. */
function movementKeys(item: Item): [string, string] {
  if (item.kind === 'grip') return [`at ${item.frets.join('-')}`, `pattern ${relative(item)}`];
  if (item.kind === 'change') {
    return [`from ${item.from.frets.join('-')} to ${item.to.frets.join('-')}`, `into ${relative(item.to)}`];
  }
  if (item.kind === 'note') return [`note ${item.string}:${item.fret}`, `string ${item.string}`];
  return [itemKey(item), item.kind];
}

function relative(grip: GripItem): string {
  const fretted = grip.frets.filter((fret): fret is number => fret !== null && fret > 0);
  const low = fretted.length ? Math.min(...fretted) : 0;
  return grip.frets.map((fret) => (fret === null ? 'x' : fret === 0 ? 0 : fret - low + 1)).join('-');
}

/** Whether a played take ends playing for that day. */
export function stopsToday(take: PlayedTake): boolean {
  return endsPlaying(take.feel);
}
