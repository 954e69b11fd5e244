/**
 * Ways into a chord from outside: its dim7, its dominant and the two-five before it, its neighbours a half step off, and
 * steps from the chord before; and bass lines that walk between two chords with slash chords over them. Spelling: a dim7
 * takes the letter below its target, a dominant the target's fifth, passing notes rise as sharps and fall as flats.
 */
import { must } from '../kernel/result';
import { makeChord, parseChord, type Chord } from '../theory/chord';
import { degreeChords } from '../theory/degree-chords';
import { noteAtDegree } from '../theory/degree';
import type { Key } from '../theory/key';
import {
  mod12,
  noteText,
  pitchClassOf,
  readNote,
  rootNamed,
  spelledSimply,
  type NoteName,
} from '../theory/note';
import { tritoneNeighbour } from './swaps';

export type ApproachKind =
  'dim7 below' | 'dominant' | 'two-five' | 'tritone' | 'half step above' | 'half step below' | 'chromatic';

export interface Approach {
  readonly kind: ApproachKind;
  /** In order, ending before the target. */
  readonly chords: readonly Chord[];
  /** Of a dim7: the other three roots it sounds as, by their usual names. */
  readonly alsoNamed?: readonly NoteName[];
}

const isMinor = (chord: Chord): boolean => chord.tones.some((tone) => tone.degree === 'b3');
const on = (root: NoteName, quality: string): Chord => makeChord(spelledSimply(root), quality);

const SHARPS = 'C C# D D# E F F# G G# A A# B'.split(' ');
const FLATS = 'C Db D Eb E F Gb G Ab A Bb B'.split(' ');
/** A passing note between two others by the way it goes. */
const passing = (pitchClass: number, rises: boolean): NoteName =>
  readNote((rises ? SHARPS : FLATS)[mod12(pitchClass)])?.note ?? rootNamed(pitchClass);

/** Steps between two roots at most, for the chromatic approach. */
const MOST_STEPS = 4;

/** All ways into a chord; with the chord before also the chromatic one, where its root is two to four half steps off. */
export function approachesTo(target: Chord, from?: Chord): Approach[] {
  const { root } = target;
  const below = noteAtDegree(root, '7');
  const dim = on(below, 'diminished7');
  const dominant = on(noteAtDegree(root, '5'), 'dominant7');
  const two = on(noteAtDegree(root, '2'), isMinor(target) ? 'half-diminished' : 'minor7');
  const same = (to: NoteName) => on(to, target.quality);
  return [
    {
      kind: 'dim7 below',
      chords: [dim],
      alsoNamed: [3, 6, 9].map((up) => rootNamed(pitchClassOf(below) + up)),
    },
    { kind: 'dominant', chords: [dominant] },
    { kind: 'two-five', chords: [two, dominant] },
    { kind: 'tritone', chords: [tritoneNeighbour(dominant)] },
    { kind: 'half step above', chords: [same(noteAtDegree(root, 'b2'))] },
    { kind: 'half step below', chords: [same(below)] },
    ...(from ? chromatic(from, target) : []),
  ];
}

function chromatic(from: Chord, target: Chord): Approach[] {
  const up = mod12(pitchClassOf(target.root) - pitchClassOf(from.root));
  const rises = up <= 6;
  const steps = rises ? up : 12 - up;
  if (steps < 2 || steps > MOST_STEPS) return [];
  const chords = Array.from({ length: steps - 1 }, (_, i) =>
    on(passing(pitchClassOf(from.root) + (rises ? i + 1 : -i - 1), rises), target.quality),
  );
  return [{ kind: 'chromatic', chords }];
}

interface WalkStep {
  readonly bass: NoteName;
  /** A slash chord where the bass is not its root. */
  readonly chord: Chord;
  /** What else may stand over this bass, the likeliest first, for a hand that cannot hold the chord. */
  readonly others: readonly Chord[];
  /** Whether the bass is of the key. */
  readonly inKey: boolean;
}

export interface BassWalk {
  readonly rises: boolean;
  /** From the first chord to the last, both included. */
  readonly steps: readonly WalkStep[];
}

/**
 * Bass lines from one chord's root to the next one's, down and up, by the steps of a key: every note between under a chord
 * that has it. Where two roots lie a whole step apart the half step between is walked with the dim7 or the chord's own third.
 * Empty for the same root; the shorter line first.
 */
export function bassWalks(from: Chord, to: Chord, key: Key): BassWalk[] {
  const start = pitchClassOf(from.root);
  const distance = mod12(pitchClassOf(to.root) - start);
  if (distance === 0) return [];
  return [true, false]
    .map((rises): BassWalk => {
      const length = rises ? distance : 12 - distance;
      const between = Array.from({ length: length - 1 }, (_, i) => mod12(start + (rises ? i + 1 : -i - 1)));
      const own = between.flatMap(
        (pitchClass) => key.scale.find((note) => pitchClassOf(note) === pitchClass) ?? [],
      );
      // A single note that rises leads: it takes the letter below the root it goes to, E# before F#.
      const leads = rises && between.length === 1 ? spelledSimply(noteAtDegree(to.root, '7')) : null;
      const line = own.length > 0 ? own : between.map((pitchClass) => leads ?? passing(pitchClass, rises));
      const steps = line.map((bass): WalkStep => {
        const [chord, ...others] = over(bass, from, to, key, rises);
        const inKey = key.scale.some((note) => pitchClassOf(note) === pitchClassOf(bass));
        return { bass, chord, others, inKey };
      });
      const end = (chord: Chord): WalkStep => ({ bass: chord.root, chord, others: [], inKey: true });
      return { rises, steps: [end(from), ...steps, end(to)] };
    })
    .sort((a, b) => a.steps.length - b.steps.length);
}

/**
 * Chords over a note of the bass, the likeliest first: the one that sounds already, the key's V, the one that comes, the
 * key's I, then the key's own on that note and its others that have it. Outside the key: rising it leads on as a dim7,
 * falling it is carried by the chord that comes.
 */
function over(bass: NoteName, from: Chord, to: Chord, key: Key, rises: boolean): Chord[] {
  const pitchClass = pitchClassOf(bass);
  const degrees = degreeChords(key).map(({ chord }) => chord);
  const withBass = (chord: Chord): Chord => {
    const bare = chord.symbol.replace(/\/[A-G][b#]*$/, '');
    if (pitchClassOf(chord.root) === pitchClass) return must(parseChord(bare));
    const read = parseChord(`${bare}/${noteText(bass)}`);
    return read.ok ? read.value : chord;
  };
  const holds = (chord: Chord) => chord.tones.some((tone) => tone.pitchClass === pitchClass);
  const found = [from, degrees[4], to, degrees[0]].filter(holds);
  const own = degrees.filter((chord) => pitchClassOf(chord.root) === pitchClass);
  const inside = [...found, ...own, ...degrees.filter(holds)].map(withBass);
  const outside = [on(bass, 'diminished7'), withBass(from)];
  const all = inside.length ? inside : rises ? outside : outside.toReversed();
  const named = all.map((chord) => [chord.symbol, chord] as const);
  return [...new Map(named).values()];
}
