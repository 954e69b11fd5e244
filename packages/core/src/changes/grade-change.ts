/**
 * How hard it is to go from one grip to the next: both fingerings chosen together, what each finger does,
 * seconds in parts with reasons, changes a minute, and the tempo at which nine of ten come clean with the
 * band of our not knowing this student.
 */
import { fail, ok, type Result } from '../kernel/result';
import type { Reason } from '../effort/explain';
import { heldFingerings, worthTrying } from '../effort/grade-grip';
import { holdModel, type HoldModel } from '../effort/hold';
import type { Hand } from '../fretboard/hand';
import { stringNumber, type Instrument } from '../fretboard/instrument';
import { fingerLabels } from '../grips/barre';
import { nibble } from '../grips/fingerings';
import { checkFrets, type FingerLabel, type Frets } from '../grips/grip';
import {
  ADJUSTED,
  changeSeconds,
  changeWork,
  heldGrip,
  GUIDING,
  KEPT,
  LIFTED,
  PLACED,
  type ChangeWork,
  type HeldGrip,
} from './change-time';
import {
  chanceWithin,
  expectedSeconds,
  REFERENCE_PACE,
  sayPace,
  type ExpectedSeconds,
  type Pace,
} from '../pace';
import { CHANGE, CHANGE_PARTS, type ChangePartName } from './constants';

export type FingerDeed = 'stays' | 'adjusts' | 'slides' | 'lifts over' | 'lifts off' | 'lands';

export interface FingerMove {
  readonly finger: 1 | 2 | 3 | 4 | 'T';
  readonly does: FingerDeed;
  readonly travelMm: number;
  /** Seconds of its own way at this pace, the hand's shift left out; 0 where it has none. */
  readonly seconds: number;
  /** String number and fret it leaves; null when it lands from the air. */
  readonly from: { readonly string: number; readonly fret: number } | null;
  readonly to: { readonly string: number; readonly fret: number } | null;
}

export interface ChangeGrade {
  /** Median seconds at this pace; never under what any hand needs. */
  readonly seconds: number;
  readonly changesPerMinute: number;
  readonly fingers: readonly FingerMove[];
  /** The finger whose own way takes longest, so that it lands last; null where none has a way. */
  readonly landsLast: FingerMove['finger'] | null;
  readonly fromFingers: readonly FingerLabel[];
  readonly toFingers: readonly FingerLabel[];
  /** Frets the hand moves toward the body (positive) or the nut. */
  readonly shiftFrets: number;
  readonly shiftMm: number;
  /** What the music leaves for the change at the tempo said: one beat unless another gap was given. */
  readonly gap: { readonly beats: number } | { readonly seconds: number };
  /** Seconds the music must leave for nine of ten to come clean. */
  readonly cleanGapSeconds: number;
  /** Tempo in beats a minute at which it leaves them, if the hand may leave the gap's beats before the bar line. */
  readonly tempoBpm: number;
  /** The 80 % interval of `tempoBpm` from what is not known of this student's pace. */
  readonly band: { readonly lowBpm: number; readonly highBpm: number };
  /** Chance that one change comes clean within `gapSeconds`; null when none was given. */
  readonly cleanProbability: number | null;
  /** What the tempo and every chance of it rest on. */
  readonly expected: ExpectedSeconds;
  readonly parts: readonly {
    readonly name: ChangePartName;
    readonly seconds: number;
    readonly why: Reason;
  }[];
}

export interface ChangeOptions {
  readonly pace?: Pace;
  /** Seconds between the last stroke of one grip and the first of the next, for the chance of a clean change. */
  readonly gapSeconds?: number;
  /** Beats the hand may leave before the bar line, for the tempo. Default 1. */
  readonly gapBeats?: number;
  /** Fingerings fixed by the teacher, either end. */
  readonly pinned?: { readonly from?: readonly FingerLabel[]; readonly to?: readonly FingerLabel[] };
}

/** Grades a change. Problems are those of either grip, with `from` or `to` as the place. */
export function gradeChange(
  fretsA: Frets,
  fretsB: Frets,
  hand: Hand,
  instrument: Instrument,
  options: ChangeOptions = {},
): Result<ChangeGrade> {
  const model = holdModel(hand, instrument);
  const a = candidates(fretsA, model, instrument, 'from', options.pinned?.from);
  if (!a.ok) return a;
  const b = candidates(fretsB, model, instrument, 'to', options.pinned?.to);
  if (!b.ok) return b;
  const { pace = REFERENCE_PACE, gapSeconds, gapBeats = 1 } = options;
  const work = changeWork();
  const best = cheapestPair(model, a.value, b.value, work);
  const plainSeconds = changeSeconds(model, best.from, best.to, work);
  const expected = expectedSeconds(pace, fretsA, fretsB, plainSeconds);
  const said = sayPace(expected);
  // A grip that stays takes any hand less than the least a change does.
  const seconds = Math.min(said.seconds, Math.max(plainSeconds, Math.exp(expected.logMean)));
  const factor = seconds / plainSeconds;
  const parts = CHANGE_PARTS.map((name, i) => ({
    name,
    seconds: work.seconds[i] * factor,
    why: { code: `change.${name}`, values: partValues(name, work, best) },
  }));
  const bpmAt = (gap: number) => (60 * gapBeats) / gap;
  const fingers = fingerMoves(best.from, best.to, work, instrument, factor);
  const last = fingers.reduce<FingerMove | null>(
    (most, one) => (one.seconds > (most?.seconds ?? 0) ? one : most),
    null,
  );
  return ok({
    seconds,
    changesPerMinute: 60 / (seconds + pace.strumSeconds),
    fingers,
    landsLast: last?.finger ?? null,
    fromFingers: fingerLabels(fretsA, best.from.fingering),
    toFingers: fingerLabels(fretsB, best.to.fingering),
    shiftFrets: work.shiftFrets,
    shiftMm: work.shiftMm,
    gap: gapSeconds === undefined ? { beats: gapBeats } : { seconds: gapSeconds },
    cleanGapSeconds: said.gapSeconds,
    tempoBpm: bpmAt(said.gapSeconds),
    band: { lowBpm: bpmAt(said.highGap), highBpm: bpmAt(said.lowGap) },
    cleanProbability: gapSeconds === undefined ? null : chanceWithin(expected, gapSeconds),
    expected,
    parts,
  });
}

/** Beats a minute at which nine of ten of a change come clean where the music leaves `gapBeats` for it. */
export const tempoFor = (
  { cleanGapSeconds }: Pick<ChangeGrade, 'cleanGapSeconds'>,
  gapBeats: number,
): number => (60 * gapBeats) / cleanGapSeconds;

/** Seconds of a change for the hand itself, whoever's it is, with both fingerings chosen; Infinity where a grip cannot be held. */
export function plainChangeSeconds(fretsA: Frets, fretsB: Frets, hand: Hand, instrument: Instrument): number {
  const graded = gradeChange(fretsA, fretsB, hand, instrument);
  return graded.ok ? graded.value.seconds : Number.POSITIVE_INFINITY;
}

/** Every fingering worth trying of each grip, ready for `packedChanges`; grips nobody can hold have none. */
export function heldStates(grips: readonly Frets[], hand: Hand, instrument: Instrument): HeldGrip[] {
  const model = holdModel(hand, instrument);
  return grips.flatMap((frets) => {
    const held = candidates(frets, model, instrument, 'from');
    return held.ok ? held.value : [];
  });
}

/** Seconds at pace 1 between two held grips, many thousand times: what a path asks, and the explained grade's own sum. */
export function packedChanges(hand: Hand, instrument: Instrument): (from: HeldGrip, to: HeldGrip) => number {
  const model = holdModel(hand, instrument);
  const work = changeWork();
  return (from, to) => changeSeconds(model, from, to, work);
}

function candidates(
  frets: Frets,
  model: HoldModel,
  instrument: Instrument,
  end: 'from' | 'to',
  pinned?: readonly FingerLabel[],
): Result<HeldGrip[]> {
  const checked = checkFrets(frets, instrument);
  if (!checked.ok) return fail(checked.problem.code, `${end}: ${checked.problem.at}`, checked.problem.detail);
  const { lowestFret, held } = heldFingerings(frets, model);
  const wanted = pinned
    ? held.filter((one) => fingerLabels(frets, one.prepared).join() === pinned.join())
    : held;
  if (wanted.length === 0)
    return fail(pinned ? 'grip.pinned' : 'grip.reach', end, 'a grip this hand can hold');
  return ok(
    worthTrying(wanted, CHANGE.slackPoints).map((one) => heldGrip(one.prepared, lowestFret, one.points)),
  );
}

interface Pair {
  readonly from: HeldGrip;
  readonly to: HeldGrip;
}

/** Least seconds plus what the extra effort of less easy fingerings is worth. */
function cheapestPair(
  model: HoldModel,
  from: readonly HeldGrip[],
  to: readonly HeldGrip[],
  work: ChangeWork,
): Pair {
  let best: Pair = { from: from[0], to: to[0] };
  let least = Number.POSITIVE_INFINITY;
  for (const a of from) {
    for (const b of to) {
      const extra = a.points - from[0].points + b.points - to[0].points;
      const cost = changeSeconds(model, a, b, work) + CHANGE.perPoint * extra;
      if (cost < least - 1e-9) {
        least = cost;
        best = { from: a, to: b };
      }
    }
  }
  return best;
}

const DEEDS: Readonly<Record<number, FingerDeed>> = {
  [KEPT]: 'stays',
  [ADJUSTED]: 'adjusts',
  [GUIDING]: 'slides',
  [LIFTED]: 'lifts off',
  [PLACED]: 'lands',
};

function fingerMoves(
  from: HeldGrip,
  to: HeldGrip,
  work: ChangeWork,
  instrument: Instrument,
  factor: number,
): FingerMove[] {
  const spot = (grip: HeldGrip, f: number) =>
    nibble(grip.fingering.pressed, f)
      ? {
          string: stringNumber(instrument, nibble(grip.fingering.low, f)),
          fret: grip.lowestFret + nibble(grip.fingering.fret, f) - 1,
        }
      : null;
  return [1, 2, 3, 4, 5].flatMap((f) => {
    if (work.kind[f] === 0) return [];
    const finger = f === 5 ? 'T' : (f as 1 | 2 | 3 | 4);
    const does = DEEDS[work.kind[f]] ?? 'lifts over';
    return [
      {
        finger,
        does,
        travelMm: work.travelMm[f],
        seconds: work.ownSeconds[f] * factor,
        from: spot(from, f),
        to: spot(to, f),
      },
    ];
  });
}

function partValues(name: ChangePartName, work: ChangeWork, pair: Pair): Reason['values'] {
  const count = (kind: number) => work.kind.filter((k) => k === kind).length;
  switch (name) {
    case 'shift':
      return { frets: work.shiftFrets, mm: Math.abs(work.shiftMm) };
    case 'fingers':
      return { landing: count(PLACED), moving: work.kind.filter((k) => k === GUIDING || k === 4).length };
    case 'adjust':
      return { fingers: count(ADJUSTED) };
    case 'lift':
      return { fingers: count(LIFTED) };
    case 'kept':
      return { fingers: count(KEPT) };
    case 'settle':
      return { points: pair.to.points };
    default:
      return {};
  }
}
