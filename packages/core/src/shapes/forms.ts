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
import type { Form } from './form';
import type { GradedGrip } from './graded-grip';
import { lowestFretted, soundingCount } from './limits';

interface Context {
  readonly hand: Hand;
  readonly instrument: Instrument;
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
  { form: 'C', string: 5, under: 2 },
  { form: 'A', string: 5, under: 0 },
  { form: 'G', string: 6, under: 3 },
  { form: 'E', string: 6, under: 0 },
  { form: 'D', string: 4, under: 0 },
];

/**
 * The five forms of a chord on a six-string guitar in standard tuning, from the lowest up the neck; a form that
 * would need frets below the nut comes an octave higher. Empty on other instruments, whose forms have no names.
 */
export function formsOf(chord: Chord, context: Context): FormPlace[] {
  const { instrument } = context;
  const highest = instrument.frets - instrument.capo;
  const grips = findShapes({ chord, ...context, limits: { allowOpen: false, maxFret: highest } });
  if (!grips.some((grip) => grip.form !== null)) return [];
  const strings = instrument.openPitches.length;
  const root = pitchClassOf(chord.root);
  const places = FORM_ROOTS.flatMap(({ form, string, under }): FormPlace[] => {
    const open = pitchAt(instrument, strings - string, 0);
    let rootFret = mod12(root - open);
    // Below the nut: the form is entered an octave up. Fret 0 of the root is fret 12 when nothing stays open.
    while (rootFret - under < 1) rootFret += 12;
    const near = (grip: GradedGrip) => Math.abs(lowestFretted(grip.frets) - (rootFret - under)) <= 1;
    const ofForm = grips.filter((one) => one.form === form && near(one));
    // A form's thin half may be all this hand holds; its root then lies on a thinner string.
    const grip = ofForm.find((one) => one.rootString === string) ?? ofForm[0] ?? null;
    const fret = grip ? lowestFretted(grip.frets) : rootFret - under;
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
  const letter = OPEN_FORMS.get(fretsText(open));
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

const OPEN_FORMS: ReadonlyMap<string, Form> = new Map([
  ['x32010', 'C'],
  ['x02220', 'A'],
  ['x02210', 'A'],
  ['320003', 'G'],
  ['022100', 'E'],
  ['022000', 'E'],
  ['xx0232', 'D'],
  ['xx0231', 'D'],
]);

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
 * Of the places where it can start the lowest is taken that leads furthest; empty when there is none.
 */
export function familyLadder(root: Chord['root'], form: Form, context: Context): Rung[] {
  const strings = context.instrument.openPitches.length;
  const grips = new Map<string, readonly GradedGrip[]>();
  const voicings = (quality: string): readonly GradedGrip[] => {
    const known = grips.get(quality);
    if (known) return known;
    const found = findShapes({
      chord: makeChord(root, quality),
      ...context,
      limits: { allowOpen: false, minStrings: 4, maxStrings: 4, maxInnerMutes: 1 },
    }).filter((grip) => grip.omitted.length === 0);
    grips.set(quality, found);
    return found;
  };
  const starts = voicings(LADDER[0])
    .filter((grip) => startsForm(grip, form, strings))
    .sort((a, b) => lowestFretted(a.frets) - lowestFretted(b.frets));
  let longest: Rung[] = [];
  for (const start of starts) {
    const rungs: Rung[] = [{ chord: makeChord(root, LADDER[0]), grip: start, moves: [] }];
    for (const quality of LADDER.slice(1)) {
      const before = rungs[rungs.length - 1].grip;
      const next = voicings(quality).find((grip) => movesFrom(before, grip).length === 1);
      if (!next) break;
      rungs.push({ chord: makeChord(root, quality), grip: next, moves: movesFrom(before, next) });
    }
    if (rungs.length > longest.length) longest = rungs;
  }
  return longest;
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

/** Three inversions of a triad on each set of three neighbouring strings, from the lowest up the neck. */
export function triadInversions(triad: Chord, context: Context, maxFret = 15): Inversion[] {
  if (triad.tones.length !== 3) throw new RangeError(`${triad.symbol} is no triad`);
  const strings = context.instrument.openPitches.length;
  return Array.from({ length: strings - 2 }, (_, i): Inversion => {
    const set = [strings - i, strings - i - 1, strings - i - 2] as const;
    const silent = Array.from({ length: strings }, (_, s) => strings - s).filter(
      (string) => !set.includes(string),
    );
    const found = findShapes({
      chord: triad,
      ...context,
      limits: { bass: 'any', maxFret, mustSound: [...set], mustMute: silent },
    });
    // Each inversion at its lowest place on the neck; close position has every tone once.
    const lowest = new Map<string, GradedGrip>();
    for (const grip of found) {
      const known = lowest.get(grip.inversion);
      if (soundingCount(grip.frets) !== 3) continue;
      if (!known || height(grip) < height(known)) lowest.set(grip.inversion, grip);
    }
    return { set: [...set], grips: [...lowest.values()].sort((a, b) => height(a) - height(b)) };
  });
}

/** Where a grip lies: the sum of its frets, so that open strings count as the nut. */
const height = (grip: GradedGrip) => grip.frets.reduce<number>((sum, fret) => sum + (fret ?? 0), 0);
