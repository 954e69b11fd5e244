/**
 * A chord along the neck: the five movable layouts with their root strings, entered from whichever lies lowest,
 * what an open chord becomes when a barre closes it, an awkward grip in two halves, a form's ladder through its
 * family one move a rung, and the three inversions of a triad on each set of three strings.
 *
 * Conventions: forms are named after the open grips they come from (C A G E D); their order up the neck is fixed,
 * so a tour begins with the lowest and goes round. Published lore, our table in `form.ts`.
 */
import { gradeGrip } from '../effort/grade-grip';
import type { Hand } from '../fretboard/hand';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { fretsText, type Frets } from '../grips/grip';
import { makeChord, type Chord } from '../theory/chord';
import { mod12, pitchClassOf } from '../theory/note';
import { findShapes } from './find-shapes';
import { layoutOfGrip, type Form } from './form';
import type { GradedGrip } from './graded-grip';
import { lowestFretted } from './limits';

interface Context {
  readonly hand: Hand;
  readonly instrument: Instrument;
  /** Grade no grip may pass; left out, none is too hard. */
  readonly maxEffort?: number;
}

export interface FormPlace {
  readonly form: Form;
  readonly rootString: number;
  /** Fret of the root on that string. */
  readonly rootFret: number;
  /** Lowest fret of the form there. */
  readonly fret: number;
  /** The most useful grip of that form, or null where this hand holds none of them. */
  readonly grip: GradedGrip | null;
}

/** Strings on which each form has its lowest root, and how far under that root its lowest fret lies. */
const FORM_ROOTS: readonly { readonly form: Form; readonly string: number; readonly under: number }[] = [
  { form: 'C', string: 5, under: 3 },
  { form: 'A', string: 5, under: 0 },
  { form: 'G', string: 6, under: 3 },
  { form: 'E', string: 6, under: 0 },
  { form: 'D', string: 4, under: 0 },
];

/**
 * The five forms of a chord on a six-string guitar in standard tuning, from the lowest up the neck, without open
 * strings unless they are allowed; a form that would need frets below the nut comes an octave higher. Empty on other instruments, whose forms have no names.
 */
export function formsOf(
  chord: Chord,
  context: Context,
  options: { readonly allowOpen?: boolean } = {},
): FormPlace[] {
  const { instrument } = context;
  const { allowOpen = false } = options;
  const highest = instrument.frets - instrument.capo;
  const maxEffort = context.maxEffort ?? 100;
  const grips = findShapes({ chord, ...context, limits: { allowOpen, maxFret: highest, maxEffort } });
  if (!grips.some((grip) => grip.form !== null)) return [];
  const strings = instrument.openPitches.length;
  const root = pitchClassOf(chord.root);
  const places = FORM_ROOTS.flatMap(({ form, string, under }): FormPlace[] => {
    const open = pitchAt(instrument, strings - string, 0);
    let rootFret = mod12(root - open);
    // Below the nut: the form is entered an octave up. Fret 0 of the root is fret 12 when nothing stays open.
    while (rootFret - under < (allowOpen ? 0 : 1)) rootFret += 12;
    const atNut = rootFret === under;
    const near = (grip: GradedGrip) =>
      grip.frets.includes(0) === atNut &&
      (atNut || Math.abs(lowestFretted(grip.frets) - (rootFret - under)) <= 1);
    const named = (one: GradedGrip) => (atNut ? openFormOf(one.frets, chord, instrument) : one.form);
    const ofForm = grips.filter((one) => near(one) && named(one) === form);
    // A form's thin half may be all this hand holds; its root then lies on a thinner string.
    const grip = ofForm.find((one) => one.rootString === string) ?? ofForm[0] ?? null;
    const fret = grip && !atNut ? lowestFretted(grip.frets) : rootFret - under;
    return fret > highest ? [] : [{ form, rootString: string, rootFret, fret, grip }];
  });
  return places.sort((a, b) => a.fret - b.fret || b.rootString - a.rootString);
}

export interface Halves {
  readonly low: GradedGrip | null;
  readonly high: GradedGrip | null;
}

/** A grip played in two halves: its thick strings and its thin ones, each at least three strings, each graded. */
export function halvesOf(grip: GradedGrip, chord: Chord, context: Context): Halves {
  const sounding = grip.frets.flatMap((fret, s) => (fret === null ? [] : [s]));
  if (sounding.length < 5) return { low: null, high: null };
  const part = (keep: readonly number[]) =>
    gradedAs(
      grip.frets.map((fret, s) => (keep.includes(s) ? fret : null)),
      chord,
      context,
    );
  return { low: part(sounding.slice(0, 3)), high: part(sounding.slice(-3)) };
}

/** A grip of this chord as the search describes it; null when a needed tone is missing or no hand holds it. */
export function gradedAs(frets: Frets, chord: Chord, context: Context): GradedGrip | null {
  const strings = frets.length;
  const sounding = frets.flatMap((fret, s) => (fret === null ? [] : [strings - s]));
  const silent = frets.flatMap((fret, s) => (fret === null ? [strings - s] : []));
  const highest = frets.reduce<number>((most, fret) => Math.max(most, fret ?? 0), 0);
  const relaxed: Chord = { ...chord, tones: chord.tones.map((tone) => ({ ...tone, required: false })) };
  const text = fretsText(frets);
  return (
    findShapes({
      chord: relaxed,
      ...context,
      limits: {
        bass: 'any',
        allowRootless: true,
        maxFret: Math.max(1, highest),
        minFret: lowestFretted(frets),
        minStrings: Math.min(3, sounding.length),
        maxInnerMutes: 4,
        mustSound: sounding,
        mustMute: silent,
      },
    }).find((grip) => fretsText(grip.frets) === text) ?? null
  );
}

export interface ClosedForm {
  readonly open: Frets;
  readonly closed: Frets;
  readonly form: Form;
  readonly chord: Chord;
  readonly effort: number | null;
}

/**
 * What an open chord becomes when a barre closes it: the same shape `up` frets higher with its open strings
 * stopped by the index. Null when the grip has no open string to close.
 */
export function closedForm(
  open: Frets,
  chord: Chord,
  upTo: Chord['root'],
  context: Context,
): ClosedForm | null {
  if (!open.includes(0)) return null;
  const up = mod12(pitchClassOf(upTo) - pitchClassOf(chord.root)) || 12;
  const closed = open.map((fret) => (fret === null ? null : fret + up));
  const letter = openFormOf(open, chord, context.instrument);
  if (!letter) return null;
  const graded = gradeGrip(closed, context.hand, context.instrument);
  return {
    open,
    closed,
    form: letter,
    chord: makeChord(upTo, chord.quality),
    effort: graded.ok ? graded.value.total : null,
  };
}

/** The form an open grip becomes when the index closes its open strings; null where that has no name. */
function openFormOf(open: Frets, chord: Chord, instrument: Instrument): Form | null {
  if (!open.includes(0)) return null;
  const named = layoutOfGrip(open, chord.quality, true, instrument.openPitches)?.closes;
  const closed = open.map((fret) => (fret === null ? null : fret + 1));
  return named ?? layoutOfGrip(closed, chord.quality, true, instrument.openPitches)?.form ?? null;
}

/** Rungs of a family: each differs from the one before by one note. */
export const LADDER: readonly string[] = [
  'major7',
  'dominant7',
  'augmented7',
  'dominant7',
  'minor7',
  'minor-major7',
  'minor7',
  'half-diminished',
  'diminished7',
];

export interface Rung {
  readonly chord: Chord;
  readonly grip: GradedGrip;
  /** Strings that move from the rung before. */
  readonly moves: readonly { readonly string: number; readonly by: number }[];
}

/**
 * The family ladder of a form: grips of four strings that hold each tone once, so that every rung is one move.
 * Of the places where it can start the lowest is taken that leads furthest, or the one whose lowest fret is `fret`;
 * empty when there is none. Where two moves lead on the smaller one is taken, which holds at every fret alike.
 */
export function familyLadder(root: Chord['root'], form: Form, context: Context, fret?: number): Rung[] {
  const strings = context.instrument.openPitches.length;
  const grips = new Map<string, readonly GradedGrip[]>();
  const voicings = (quality: string): readonly GradedGrip[] => {
    const known = grips.get(quality);
    if (known) return known;
    const found = findShapes({
      chord: makeChord(root, quality),
      ...context,
      limits: {
        allowOpen: false,
        minStrings: 4,
        maxStrings: 4,
        maxInnerMutes: 1,
        maxFret: context.instrument.frets - context.instrument.capo,
        maxEffort: context.maxEffort ?? 100,
      },
    }).filter((grip) => grip.omitted.length === 0);
    grips.set(quality, found);
    return found;
  };
  const starts = voicings(LADDER[0])
    .filter((grip) => startsForm(grip, form, strings))
    .filter((grip) => fret === undefined || lowestFretted(grip.frets) === fret)
    .sort((a, b) => lowestFretted(a.frets) - lowestFretted(b.frets));
  let longest: Rung[] = [];
  for (const start of starts) {
    const rungs: Rung[] = [{ chord: makeChord(root, LADDER[0]), grip: start, moves: [] }];
    for (const quality of LADDER.slice(1)) {
      const before = rungs[rungs.length - 1].grip;
      const next = oneMoveOn(before, voicings(quality));
      if (!next) break;
      rungs.push({ chord: makeChord(root, quality), grip: next, moves: movesFrom(before, next) });
    }
    if (rungs.length > longest.length) longest = rungs;
  }
  return longest;
}

/** The grip one move away by the fewest frets, on the thinnest string where two are equal. */
function oneMoveOn(before: GradedGrip, among: readonly GradedGrip[]): GradedGrip | null {
  let best: { grip: GradedGrip; by: number; string: number } | null = null;
  for (const grip of among) {
    const [move, ...more] = movesFrom(before, grip);
    if (!move || more.length > 0) continue;
    const by = Math.abs(move.by);
    if (!best || by < best.by || (by === best.by && move.string < best.string))
      best = { grip, by, string: move.string };
  }
  return best?.grip ?? null;
}

/** Strings that move between two grips on the same strings; every string where they do not lie on the same. */
function movesFrom(before: GradedGrip, grip: GradedGrip): Rung['moves'] {
  const strings = grip.frets.length;
  const same = grip.frets.every((fret, s) => (fret === null) === (before.frets[s] === null));
  return grip.frets.flatMap((fret, s) => {
    const by = (fret ?? 0) - (before.frets[s] ?? 0);
    return !same || by !== 0 ? [{ string: strings - s, by }] : [];
  });
}

const FORM_ROOT_STRING: Readonly<Record<Form, number>> = { C: 5, A: 5, G: 6, E: 6, D: 4 };
const startsForm = (grip: GradedGrip, form: Form, strings: number): boolean => {
  if (grip.rootString !== FORM_ROOT_STRING[form]) return false;
  const rootFret = grip.frets[strings - FORM_ROOT_STRING[form]] ?? 0;
  // The C and G forms lie under their root, the others over it.
  return form === 'C' || form === 'G'
    ? lowestFretted(grip.frets) < rootFret
    : lowestFretted(grip.frets) >= rootFret - 1;
};

export interface Inversion {
  /** String numbers, thick to thin, e.g. [3, 2, 1]. */
  readonly set: readonly [number, number, number];
  readonly grips: readonly GradedGrip[];
}

/** Where a triad lies on three neighbouring strings in close position, every tone once, from the nut up the neck. */
export function closeTriads(
  triad: Chord,
  set: readonly [number, number, number],
  context: Context,
  maxFret = 15,
): GradedGrip[] {
  if (triad.tones.length !== 3) throw new RangeError(`${triad.symbol} is no triad`);
  const strings = context.instrument.openPitches.length;
  const silent = Array.from({ length: strings }, (_, s) => strings - s).filter(
    (string) => !set.includes(string),
  );
  return findShapes({
    chord: triad,
    ...context,
    limits: {
      bass: 'any',
      maxFret,
      mustSound: [...set],
      mustMute: silent,
      maxEffort: context.maxEffort ?? 100,
    },
  })
    .filter((grip) => grip.omitted.length === 0 && isClose(grip, context.instrument))
    .sort((a, b) => height(a) - height(b));
}

/** Close position: all notes within an octave. */
function isClose(grip: GradedGrip, instrument: Instrument): boolean {
  const pitches = grip.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(instrument, s, fret)]));
  return Math.max(...pitches) - Math.min(...pitches) < 12;
}

/** Three inversions of a triad on each set of three neighbouring strings, from the lowest up the neck. */
export function triadInversions(triad: Chord, context: Context, maxFret = 15): Inversion[] {
  const strings = context.instrument.openPitches.length;
  return Array.from({ length: strings - 2 }, (_, i): Inversion => {
    const set = [strings - i, strings - i - 1, strings - i - 2] as const;
    return { set: [...set], grips: lowestOfEach(closeTriads(triad, set, context, maxFret)) };
  });
}

/** Each inversion at its lowest place on the neck, from grips that run up the neck. */
export function lowestOfEach(grips: readonly GradedGrip[]): GradedGrip[] {
  const lowest = new Map<string, GradedGrip>();
  for (const grip of grips) if (!lowest.has(grip.inversion)) lowest.set(grip.inversion, grip);
  return [...lowest.values()];
}

/** Where a grip lies: the sum of its frets, so that open strings count as the nut. */
const height = (grip: GradedGrip) => grip.frets.reduce<number>((sum, fret) => sum + (fret ?? 0), 0);
