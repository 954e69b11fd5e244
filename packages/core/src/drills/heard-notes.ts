/** Pitches as notes on the strings, for what is only heard: whichever strings let them lie nearest together. */
import { pitchAt, type Instrument } from '../fretboard/instrument';
import type { Bar, ScoreNote } from '../score/score';
import { ticksOf } from '../score/ticks';
import { noteAtDegree } from '../theory/degree';
import type { Chord } from '../theory/chord';
import { mod12, noteText, pitchClassOf, type NoteName } from '../theory/note';

type Place = Pick<ScoreNote, 'stringIndex' | 'fret'>;

/** One string each, within the neck; null where so many pitches do not lie on it. Sounding MIDI pitches. */
export function lyingNearest(pitches: readonly number[], instrument: Instrument): Place[] | null {
  const highest = instrument.frets - instrument.capo;
  const open = instrument.openPitches.map((_, s) => pitchAt(instrument, s, 0));
  let best: { places: Place[]; span: number } | null = null;
  const spanOf = (places: readonly Place[]) => {
    const frets = places.flatMap(({ fret }) => (fret > 0 ? [fret] : []));
    // The lower of two equally wide: what lies lower is easier to see.
    return frets.length ? 100 * (Math.max(...frets) - Math.min(...frets)) + Math.max(...frets) : 0;
  };
  const place = (at: number, taken: readonly Place[]) => {
    if (at === pitches.length) {
      const span = spanOf(taken);
      if (!best || span < best.span) best = { places: [...taken], span };
      return;
    }
    open.forEach((from, stringIndex) => {
      const fret = pitches[at] - from;
      if (fret < 0 || fret > highest || taken.some((one) => one.stringIndex === stringIndex)) return;
      place(at + 1, [...taken, { stringIndex, fret }]);
    });
  };
  place(0, []);
  return (best as { places: Place[] } | null)?.places ?? null;
}

/** A chord to be heard: root, fifth, what else it has, the third on top, as low as they lie on strings of their own; none where they do not. */
export function heardChord(chord: Chord, instrument: Instrument): ScoreNote[] {
  const lowest = Math.min(...instrument.openPitches.map((_, s) => pitchAt(instrument, s, 0)));
  const root = lowest + mod12(pitchClassOf(chord.root) - lowest);
  // The third on top of the fifth, where a hand finds it too: a seventh in close order is no sound of a guitar.
  const [first, third, fifth, ...rest] = chord.tones;
  const tones = fifth ? [first, fifth, ...rest, third] : chord.tones;
  let below = -1;
  const ups = tones.map((tone) => {
    const up = mod12(tone.pitchClass - pitchClassOf(chord.root));
    below = up > below ? up : up + 12 * Math.ceil((below + 1 - up) / 12);
    return below;
  });
  for (const octave of [0, 12, 24]) {
    const places = lyingNearest(
      ups.map((up) => root + up + octave),
      instrument,
    );
    if (!places) continue;
    const fingers = fingersFor(places);
    return places
      .map((place, i): ScoreNote => ({ ...place, finger: fingers[i], name: noteText(tones[i].note) }))
      .sort((a, b) => a.stringIndex - b.stringIndex);
  }
  return [];
}

/** A bar of root and fifth, as low as they lie; null where they do not. */
export function droneBar(root: NoteName, beats: number, instrument: Instrument): Bar | null {
  const lowest = Math.min(...instrument.openPitches.map((_, s) => pitchAt(instrument, s, 0)));
  const from = lowest + mod12(pitchClassOf(root) - lowest);
  const places = lyingNearest([from, from + 7], instrument);
  if (!places) return null;
  const fingers = fingersFor(places);
  const names = [root, noteAtDegree(root, '5')].map(noteText);
  const notes = places
    .map((place, i): ScoreNote => ({ ...place, finger: fingers[i], name: names[i] }))
    .sort((a, b) => a.stringIndex - b.stringIndex);
  return { beats, events: [{ tick: 0, ticks: ticksOf(beats), notes, stroke: 'strum' }] };
}

/** A finger for each fret in order, four at most: where the notes lie, not how anybody should hold them. */
export function fingersFor(places: readonly Place[]): (0 | 1 | 2 | 3 | 4)[] {
  const frets = [...new Set(places.flatMap(({ fret }) => (fret > 0 ? [fret] : [])))].sort((a, b) => a - b);
  return places.map(({ fret }) => (fret === 0 ? 0 : (Math.min(4, frets.indexOf(fret) + 1) as 1 | 2 | 3 | 4)));
}
