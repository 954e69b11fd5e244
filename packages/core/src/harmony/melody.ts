/**
 * A melody on top of chords: under every note a grip that has it as its highest, on string 1 or 2, of one chord, of the
 * chords of its job, or of whichever degree of the key holds the note. Plain triads and the smoothest way first, then
 * richer; coming down again another voicing is taken where there is one.
 */
import { fail, ok, type Result } from '../kernel/result';
import { pitchAt } from '../fretboard/instrument';
import { fretsText, type Frets } from '../grips/grip';
import type { Chord } from '../theory/chord';
import { degreeChords, type DegreeChord } from '../theory/degree-chords';
import type { Key } from '../theory/key';
import { mod12, noteText, pitchClassOf, readNote } from '../theory/note';
import { midiOf, parsePitch, pitchSpelled, type Pitch } from '../theory/pitch';
import { clashOf } from './clash';
import { topVoicings, type TopContext, type TopVoicing } from './top-voicings';

export type HarmonizeBy = 'chord' | 'class' | 'degree';

export interface HarmonizeRequest extends TopContext {
  readonly melody: readonly Pitch[];
  readonly key: Key;
  readonly by: HarmonizeBy;
  /** The chord named; for 'class' the one whose job is kept. Not needed by degree. */
  readonly chord?: Chord;
  /** String number on which the melody lies. */
  readonly string: 1 | 2;
  /** Notes outside the key are harmonised with any chord that has them as a colour, or passed over. */
  readonly outside: 'pass over' | 'harmonise';
}

export type PassedOver = 'off the neck' | 'outside the key' | 'rubs' | 'no grip';

export interface HarmonizedNote {
  readonly pitch: Pitch;
  readonly fret: number | null;
  /** In the order to try them: the plain ones by how smoothly they come, then the richer. */
  readonly voicings: readonly TopVoicing[];
  readonly passed: PassedOver | null;
}

export const MOST_MELODY = 128;

/** Each note with its grips; the first of each is the way through. */
export function harmonizeMelody(request: HarmonizeRequest): HarmonizedNote[] {
  const { melody, instrument, string } = request;
  if (melody.length > MOST_MELODY) throw new RangeError(`at most ${MOST_MELODY} notes`);
  const stringIndex = instrument.openPitches.length - string;
  const degrees = [...degreeChords(request.key), ...degreeChords(request.key, { sevenths: true })];
  /** What was found under a spelled note, and the grip it had when it last came. */
  const known = new Map<string, readonly TopVoicing[]>();
  const taken = new Map<string, string>();
  let before: { readonly frets: Frets; readonly midi: number } | null = null;
  return melody.map((pitch): HarmonizedNote => {
    const midi = midiOf(pitch);
    const fret = midi - pitchAt(instrument, stringIndex, 0);
    const nothing = (passed: PassedOver): HarmonizedNote => ({ pitch, fret, voicings: [], passed });
    if (fret < 0 || fret > instrument.frets - instrument.capo)
      return { ...nothing('off the neck'), fret: null };
    const chords = chordsFor(pitch, request, degrees);
    if (typeof chords === 'string') return nothing(chords);
    const id = `${noteText(pitch.note)}${fret}`;
    const found =
      known.get(id) ??
      chords.flatMap((chord) => topVoicings({ note: pitch.note, stringIndex, fret }, chord, request));
    known.set(id, found);
    if (found.length === 0) return nothing('no grip');
    const last: Frets | null = before?.frets ?? null;
    const falls = before !== null && midi < before.midi;
    const again = falls ? taken.get(id) : undefined;
    const cost = (one: TopVoicing) =>
      RICH * Math.max(0, one.chord.tones.length - 3) +
      one.effort / EFFORT_A_FRET +
      (TOP[one.top.slice(-1)] ?? 0) +
      (last ? wayBetween(last, one.frets) : 0) +
      (fretsText(one.frets) === again ? AGAIN : 0);
    const voicings = [...found].sort((a, b) => cost(a) - cost(b));
    taken.set(id, fretsText(voicings[0].frets));
    before = { frets: voicings[0].frets, midi };
    return { pitch, fret, voicings, passed: null };
  });
}

/** Cost of a tone more than a triad, of a voicing used on the way up, and points of effort that weigh as a fret of way (assumed). */
const RICH = 100;
const AGAIN = 1000;
/** The root on top comes first, then the third, then the fifth. */
const TOP: Readonly<Record<string, number>> = { 3: 3, 5: 6, 7: 9 };
const EFFORT_A_FRET = 4;

/** Frets the hand goes on the strings both grips have; a string that comes or goes counts one. */
function wayBetween(from: Frets, to: Frets): number {
  return from.reduce<number>((sum, fret, s) => {
    const next = to[s];
    if (fret === null && next === null) return sum;
    return sum + (fret === null || next === null ? 1 : Math.abs(fret - next));
  }, 0);
}

function chordsFor(
  pitch: Pitch,
  { by, chord, key, outside }: HarmonizeRequest,
  degrees: readonly DegreeChord[],
): readonly Chord[] | PassedOver {
  const pitchClass = pitchClassOf(pitch.note);
  const holds = (one: Chord) => one.tones.some((tone) => tone.pitchClass === pitchClass);
  const inKey = key.scale.some((note) => pitchClassOf(note) === pitchClass);
  if (by === 'chord' && chord) {
    if (holds(chord)) return [chord];
    if (!inKey && outside === 'pass over') return 'outside the key';
    return clashOf(pitch.note, chord) ? 'rubs' : [chord];
  }
  const job = by === 'class' && chord ? jobOf(chord, degrees) : null;
  const among = degrees.filter((one) => job === null || one.job === job).map((one) => one.chord);
  if (!inKey) {
    if (outside === 'pass over') return 'outside the key';
    // As a colour of a chord of the key, which keeps its name.
    const colours = among.filter((one) => one.tones.length === 4 && !clashOf(pitch.note, one));
    return colours.length > 0 ? colours : 'rubs';
  }
  const own = among.filter(holds);
  if (own.length > 0) return own;
  // Of the job no chord holds it: those over which it lies well.
  const well = among.filter((one) => !clashOf(pitch.note, one));
  return well.length > 0 ? well : 'rubs';
}

const jobOf = (chord: Chord, degrees: readonly DegreeChord[]): DegreeChord['job'] | null =>
  degrees.find((one) => pitchClassOf(one.chord.root) === pitchClassOf(chord.root))?.job ?? null;

/**
 * Reads a melody: `Eb4 F4 G4`, sounding pitches, or names alone (`Eb F G`), each then at its nearest to the note before and
 * the first at its lowest on the string. Problems: `melody.empty`, `melody.note` (at: the word), `melody.long`.
 */
export function readMelody(text: string, lowest: number): Result<Pitch[]> {
  const words = text.split(/[\s,|]+/).filter(Boolean);
  if (words.length === 0) return fail('melody.empty', 0, 'notes like Eb F G');
  if (words.length > MOST_MELODY) return fail('melody.long', MOST_MELODY, `at most ${MOST_MELODY} notes`);
  const pitches: Pitch[] = [];
  for (const word of words) {
    const whole = parsePitch(word);
    if (whole.ok) {
      pitches.push(whole.value);
      continue;
    }
    const typed = word.replaceAll('♭', 'b').replaceAll('♯', '#');
    const read = readNote(typed);
    if (!read || read.length !== typed.length) return fail('melody.note', word, 'Eb4');
    const last = pitches.length ? midiOf(pitches[pitches.length - 1]) : null;
    const up = mod12(pitchClassOf(read.note) - (last ?? lowest));
    const midi = last === null ? lowest + up : last + (up > 6 ? up - 12 : up);
    pitches.push(pitchSpelled(midi, read.note));
  }
  return ok(pitches);
}

/** A key up and down again on a string: from its lowest tonic there, an octave or two, as the neck has room. */
export function scaleMelody(
  key: Key,
  string: 1 | 2,
  octaves: 1 | 2,
  { instrument }: Pick<TopContext, 'instrument'>,
): Pitch[] {
  const open = pitchAt(instrument, instrument.openPitches.length - string, 0);
  const last = open + instrument.frets - instrument.capo;
  const tonic = open + mod12(pitchClassOf(key.tonic) - open);
  const up: Pitch[] = [];
  for (let i = 0; i <= octaves * key.scale.length; i++) {
    const note = key.scale[i % key.scale.length];
    const midi =
      tonic + 12 * Math.floor(i / key.scale.length) + mod12(pitchClassOf(note) - pitchClassOf(key.tonic));
    if (midi <= last) up.push(pitchSpelled(midi, note));
  }
  return [...up, ...up.slice(0, -1).reverse()];
}
