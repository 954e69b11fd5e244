/** Grips with a given note on top: the tones of a chord below it in close position, or with one voice an octave down. */
import { gradeGrip } from '../effort/grade-grip';
import type { Hand } from '../fretboard/hand';
import { pitchAt, type Instrument } from '../fretboard/instrument';
import { checkFrets, fretsText, type FingerLabel, type Frets } from '../grips/grip';
import type { Chord } from '../theory/chord';
import { degreeParts, type Degree } from '../theory/degree';
import { mod12, pitchClassOf } from '../theory/note';
import { degreeOfNote } from './clash';
import type { NoteName } from '../theory/note';

export interface TopVoicing {
  readonly chord: Chord;
  readonly frets: Frets;
  readonly fingers: readonly FingerLabel[];
  /** 0 to 100 for the hand asked about. */
  readonly effort: number;
  /** What the note on top is in the chord. */
  readonly top: Degree;
  /** Different notes that sound. */
  readonly voices: number;
}

export interface TopContext {
  readonly hand: Hand;
  readonly instrument: Instrument;
  /** Grade no grip may pass. */
  readonly maxEffort: number;
  /** With the chord's root on a thick string below. */
  readonly bass: boolean;
}

export interface TopNote {
  readonly note: NoteName;
  readonly stringIndex: number;
  readonly fret: number;
}

/** Voices under the one on top. */
const MOST_UNDER = 3;
/** Frets a hand without a bass to hold spans at most; with one it is graded all the same. */
const WIDEST = 4;

/** All of them, easiest first; the same grip once. */
export function topVoicings(top: TopNote, chord: Chord, context: TopContext): TopVoicing[] {
  const { instrument } = context;
  const under = sounding(chord)
    .filter((one) => one !== pitchClassOf(top.note))
    .slice(0, MOST_UNDER);
  const pitch = pitchAt(instrument, top.stringIndex, top.fret);
  // From the note on top down: each tone once, at its nearest.
  const below = under.map((one) => pitch - mod12(pitch - one)).sort((a, b) => b - a);
  const stacks: number[][] = [];
  if (below.length >= 2) stacks.push(below.slice(0, 2));
  if (below.length === 3) {
    stacks.push(below, [below[1], below[2], below[0] - 12]);
    stacks.push([below[0], below[2]], [below[1], below[2]]);
  }
  if (below.length >= 2) stacks.push([below[1], below[0] - 12]);
  const seen = new Set<string>();
  return stacks
    .flatMap((stack) => placed(top, stack, chord, context))
    .flatMap((frets): TopVoicing[] => {
      const text = fretsText(frets);
      if (seen.has(text) || !checkFrets(frets, instrument).ok) return [];
      seen.add(text);
      const graded = gradeGrip(frets, context.hand, instrument);
      if (!graded.ok || graded.value.total > context.maxEffort) return [];
      return [
        {
          chord,
          frets,
          fingers: graded.value.fingering.fingers,
          effort: graded.value.total,
          top: degreeOfNote(top.note, chord),
          voices: new Set(
            frets.flatMap((fret, s) => (fret === null ? [] : mod12(pitchAt(instrument, s, fret)))),
          ).size,
        },
      ];
    })
    .sort((a, b) => a.effort - b.effort);
}

/** The tones that make a chord what it is, at most four: without the fifth where there are more, and without what is mostly left out. */
function sounding(chord: Chord): number[] {
  const needed = chord.tones.filter((tone) => !tone.seldom);
  const tones = needed.length > 4 ? needed.filter((tone) => tone.required || tone.degree === '1') : needed;
  const first = [...tones].sort((a, b) => weight(a.degree) - weight(b.degree));
  return first.slice(0, 4).map((tone) => tone.pitchClass);
}
/** Third and seventh tell a chord, then what is highest; root and fifth are heard without being played. */
const weight = (degree: Degree): number => {
  const { number } = degreeParts(degree);
  if (number === 3 || number === 7) return 0;
  return number > 7 ? 1 : number === 1 ? 2 : 3;
};

/** A stack of pitches on the strings under the note on top, each on the next thicker one, with the root below where asked. */
function placed(
  top: TopNote,
  stack: readonly number[],
  chord: Chord,
  { instrument, bass }: TopContext,
): Frets[] {
  const frets: (number | null)[] = instrument.openPitches.map(() => null);
  frets[top.stringIndex] = top.fret;
  for (const [i, pitch] of stack.entries()) {
    const s = top.stringIndex - 1 - i;
    if (s < 0) return [];
    const fret = pitch - pitchAt(instrument, s, 0);
    if (fret < 0 || fret > instrument.frets - instrument.capo) return [];
    frets[s] = fret;
  }
  if (spanOf(frets) > WIDEST) return [];
  if (!bass) return [frets];
  const root = pitchClassOf(chord.bass ?? chord.root);
  const lowest = top.stringIndex - stack.length;
  if (mod12(pitchAt(instrument, lowest, frets[lowest] ?? 0)) === root) return [frets];
  // The root on each thicker string, where a hand may still span it.
  return Array.from({ length: lowest }, (_, s) => s).flatMap((s) => {
    const open = pitchAt(instrument, s, 0);
    const first = mod12(root - open);
    return [first, first + 12].flatMap((fret) => {
      const made = frets.map((one, at) => (at === s ? fret : one));
      return spanOf(made) <= WIDEST && fret <= instrument.frets - instrument.capo ? [made] : [];
    });
  });
}

function spanOf(frets: Frets): number {
  const stopped = frets.filter((fret): fret is number => fret !== null && fret > 0);
  return stopped.length ? Math.max(...stopped) - Math.min(...stopped) : 0;
}
