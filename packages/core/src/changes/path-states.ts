/**
 * What a path can do at each chord: the grips within the limits, each with the fingerings worth trying. A chord that
 * has none lets its limits give way one after the other, in the stated order, and says so.
 */
import { heldFingerings, worthTrying } from '../effort/grade-grip';
import { gradeOf, holdModel, type HoldModel } from '../effort/hold';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { barresOf, fingerLabels, widestBarre } from '../grips/barre';
import { checkFrets, fretsText, type FingerLabel } from '../grips/grip';
import { gripMark } from '../grips/mark';
import { findShapes } from '../shapes/find-shapes';
import { gradedAs } from '../shapes/forms';
import { DEFAULT_LIMITS, type GradedGrip } from '../shapes/graded-grip';
import type { Chord } from '../theory/chord';
import { heldGrip, type HeldGrip } from './change-time';
import { CHANGE } from './constants';
import type { GivenWay, PathLimits, PathLock, PathOptions } from './path';

export interface PathState {
  readonly grip: GradedGrip;
  readonly held: HeldGrip;
  /** Points above the fingering shown for this grip. */
  readonly excess: number;
  readonly lowFret: number;
  readonly highFret: number;
  readonly topPitch: number;
  readonly bassPitch: number;
}

export interface PathChoice {
  /** Stands for the list of states in the memory of changes. */
  readonly id: number;
  readonly states: readonly PathState[];
  readonly gaveWay: readonly (GivenWay | 'lock')[];
  readonly locked: boolean;
}

const PATH_LIMITS: PathLimits = {
  minFret: 0,
  maxFret: 15,
  bass: 'root',
  allowRootless: false,
  allowOpen: true,
  allowBarre: true,
  maxEffort: 100,
  rootStrings: null,
  strings: null,
  forms: null,
};

/** How far the area gives way before it stands open altogether, in frets on either side. */
const WIDER = [2, 4, 24];
/** How far the limit of a grip gives way before it stands open, in points: no further than it must. */
const HEAVIER = [6, 12, 24, 100];

const EASED: Readonly<Record<GivenWay, (limits: PathLimits) => PathLimits[]>> = {
  bass: (limits) => (limits.bass === 'any' ? [] : [{ ...limits, bass: 'any' }]),
  allowRootless: (limits) => (limits.allowRootless ? [] : [{ ...limits, allowRootless: true }]),
  area: (limits) =>
    WIDER.map((by) => ({
      ...limits,
      minFret: Math.max(0, limits.minFret - by),
      maxFret: limits.maxFret + by,
    })),
  rootStrings: (limits) => (limits.rootStrings ? [{ ...limits, rootStrings: null }] : []),
  strings: (limits) => (limits.strings ? [{ ...limits, strings: null }] : []),
  forms: (limits) => (limits.forms ? [{ ...limits, forms: null }] : []),
  allowOpen: (limits) => (limits.allowOpen ? [] : [{ ...limits, allowOpen: true }]),
  maxEffort: (limits) =>
    (limits.maxEffort >= 100 ? [] : HEAVIER).map((by) => ({
      ...limits,
      maxEffort: Math.min(100, limits.maxEffort + by),
    })),
};

/** Grips of a chord within the limits, most useful first. */
function gripsWithin(chord: Chord, limits: PathLimits, options: PathOptions): GradedGrip[] {
  const { hand, instrument, school } = options;
  const { rootStrings, strings, forms, ...shape } = limits;
  const highest = instrument.frets - instrument.capo;
  const found = findShapes({
    chord,
    hand,
    instrument,
    limits: { ...shape, maxFret: Math.min(highest, shape.maxFret), minStrings: DEFAULT_LIMITS.minStrings },
    ...(school ? { school } : {}),
  });
  const count = instrument.openPitches.length;
  return found.filter(
    (grip) =>
      (rootStrings === null || (grip.rootString !== null && rootStrings.includes(grip.rootString))) &&
      (forms === null || grip.form === null || forms.includes(grip.form)) &&
      (strings === null ||
        grip.frets.every((fret, s) => fret === null || (count - s <= strings[0] && count - s >= strings[1]))),
  );
}

/** The first grips there are as the limits give way, and which of them did. */
function gripsGivingWay(
  chord: Chord,
  limits: PathLimits,
  options: PathOptions,
  order: readonly GivenWay[],
): Listed {
  let now = limits;
  const gaveWay: GivenWay[] = [];
  let grips = gripsWithin(chord, now, options);
  for (const name of order) {
    if (grips.length > 0) break;
    for (const wider of EASED[name](now)) {
      now = wider;
      if (!gaveWay.includes(name)) gaveWay.push(name);
      grips = gripsWithin(chord, now, options);
      if (grips.length > 0) break;
    }
  }
  if (grips.length === 0) return { grips, gaveWay: [] };
  // A limit that gave way and did not help stands again.
  const needed = gaveWay.filter((name, i) => {
    if (i === gaveWay.length - 1) return true;
    const kept = restored(now, limits, name);
    const still = gripsWithin(chord, kept, options);
    if (still.length === 0) return true;
    now = kept;
    grips = still;
    return false;
  });
  return { grips, gaveWay: needed };
}

function restored(now: PathLimits, limits: PathLimits, name: GivenWay): PathLimits {
  if (name === 'area') return { ...now, minFret: limits.minFret, maxFret: limits.maxFret };
  return { ...now, [name]: limits[name] };
}

export interface ChoiceMaker {
  readonly choose: (chord: Chord, lock: PathLock | null) => PathChoice;
  /** The same chord kept between two frets; open strings may lie outside. */
  readonly inWindow: (chord: Chord, lock: PathLock | null, lowFret: number, highFret: number) => PathChoice;
  /** Lowest and highest fret pressed of everything the chord may be gripped as. */
  readonly spans: (chord: Chord, lock: PathLock | null) => readonly { lowFret: number; highFret: number }[];
}

/** Chooses for one hand on one neck under one set of limits; `nextId` numbers the choices. */
export function choiceMaker(
  options: PathOptions,
  order: readonly GivenWay[],
  nextId: () => number,
): ChoiceMaker {
  const limits: PathLimits = { ...PATH_LIMITS, ...options.limits };
  const model = holdModel(options.hand, options.instrument);
  const most = options.candidates ?? 40;
  const lists = new Map<string, Listed>();
  const choices = new Map<string, PathChoice>();
  const listOf = (chord: Chord): Listed => {
    let list = lists.get(chord.symbol);
    if (!list) {
      list = chord.tones.length === 0 ? NOTHING : gripsGivingWay(chord, limits, options, order);
      lists.set(chord.symbol, list);
    }
    return list;
  };
  const make = (chord: Chord, lock: PathLock | null, keep: (span: Span) => boolean): PathChoice => {
    const locked = lock ? lockedStates(chord, lock, model, options) : [];
    if (locked.length > 0) return { id: nextId(), states: locked.filter(keep), gaveWay: [], locked: true };
    const { grips, gaveWay } = listOf(chord);
    const kept: PathState[] = [];
    let taken = 0;
    for (const grip of grips) {
      if (taken === most) break;
      if (!keep(spanOf(grip))) continue;
      kept.push(...fingeringStates(grip, model, options));
      taken++;
    }
    return { id: nextId(), states: kept, gaveWay: lock ? ['lock', ...gaveWay] : gaveWay, locked: false };
  };
  const remembered = (key: string, made: () => PathChoice) => {
    let choice = choices.get(key);
    if (!choice) choices.set(key, (choice = made()));
    return choice;
  };
  const keyOf = (chord: Chord, lock: PathLock | null) =>
    `${chord.symbol} ${lock ? `${fretsText(lock.frets)} ${lock.fingers?.join() ?? ''}` : ''}`;
  const choose: ChoiceMaker['choose'] = (chord, lock) =>
    remembered(keyOf(chord, lock), () => make(chord, lock, () => true));
  return {
    choose,
    inWindow: (chord, lock, lowFret, highFret) =>
      remembered(`${keyOf(chord, lock)} ${lowFret}-${highFret}`, () =>
        make(chord, lock, (span) => span.lowFret >= lowFret && span.highFret <= highFret),
      ),
    spans: (chord, lock) => {
      const { locked, states } = choose(chord, lock);
      return locked ? states : listOf(chord).grips.map(spanOf);
    },
  };
}

interface Listed {
  readonly grips: readonly GradedGrip[];
  readonly gaveWay: readonly GivenWay[];
}
const NOTHING: Listed = { grips: [], gaveWay: [] };

interface Span {
  readonly lowFret: number;
  readonly highFret: number;
}

/** Lowest and highest fret pressed; an open grip fits into any window. */
function spanOf(grip: GradedGrip): Span {
  let lowFret = Number.POSITIVE_INFINITY;
  let highFret = 0;
  for (const fret of grip.frets) {
    if (fret === null || fret === 0) continue;
    if (fret < lowFret) lowFret = fret;
    if (fret > highFret) highFret = fret;
  }
  return { lowFret, highFret };
}

/** The grip with each fingering worth trying: the pinned one, else custom's, else all within the slack of the easiest. */
function fingeringStates(grip: GradedGrip, model: HoldModel, options: PathOptions): PathState[] {
  const pinned = options.pins?.[gripMark(grip.frets, options.instrument.openPitches)];
  return statesHeld(grip, model, options.instrument, pinned);
}

function statesHeld(
  grip: GradedGrip,
  model: HoldModel,
  instrument: Instrument,
  pinned: readonly FingerLabel[] | undefined,
): PathState[] {
  const { frets } = grip;
  const { lowestFret, held } = heldFingerings(frets, model);
  if (held.length === 0) return [];
  const wanted = pinned
    ? held.filter((one) => fingerLabels(frets, one.prepared).join() === pinned.join())
    : [];
  const easiest = held[0].points;
  const tried = wanted.length > 0 ? wanted : worthTrying(held, CHANGE.slackPoints);
  const pitches = frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)]));
  return tried.map((one) => {
    const fingers = fingerLabels(frets, one.prepared);
    return {
      grip: {
        ...grip,
        fingers,
        barre: widestBarre(barresOf(frets, fingers)),
        effort: { points: one.points, total: gradeOf(one.points) },
      },
      held: heldGrip(one.prepared, lowestFret, one.points),
      excess: one.points - easiest,
      ...spanOf(grip),
      topPitch: Math.max(...pitches),
      bassPitch: Math.min(...pitches),
    };
  });
}

function lockedStates(chord: Chord, lock: PathLock, model: HoldModel, options: PathOptions): PathState[] {
  const { hand, instrument } = options;
  if (!checkFrets(lock.frets, instrument).ok) return [];
  const grip = gradedAs(lock.frets, chord, { hand, instrument });
  if (!grip || fretsText(grip.frets) !== fretsText(lock.frets)) return [];
  const pinned = lock.fingers ?? options.pins?.[gripMark(lock.frets, instrument.openPitches)];
  return statesHeld(grip, model, instrument, pinned);
}
