/**
 * A piece as a standard MIDI file and a piece out of one. Out: bars as they are played, with tempo, times, keys, section
 * names as markers, chord names as texts, words, and two tracks. In: times, tempo, keys, chord names where the file
 * says them as texts, markers as sections and one melody; what a MIDI file cannot say (grips, repeats, spelling) is
 * said to be missing.
 */
import * as library from '@tonejs/midi';
import { fail, ok, type Result } from '../kernel/result';
import {
  PIECE_LIMITS,
  playedBars,
  playedChords,
  readPieceKey,
  type ChordOnBeat,
  type MelodyNote,
  type Piece,
  type PieceBar,
  type TimeSignature,
} from '../score/piece';
import { EMPTY_PIECE } from '../score/chart';
import { beatsOf, simplestNear, TICKS_A_BEAT } from '../score/ticks';
import { pieceSounds, type PiecePlayback } from '../sound/piece-schedule';
import { parseChord } from '../theory/chord';
import { mod12, rootNamed, type NoteName } from '../theory/note';
import { midiOf, pitchSpelled } from '../theory/pitch';
import { scaleOn } from '../theory/scale';
import type { Imported, NotTaken } from './read-musicxml';

/** Some loaders give the names of the library, some only the whole of it. */
const { Midi } =
  'Midi' in library ? library : (library as { readonly default: typeof import('@tonejs/midi') }).default;
type Midi = InstanceType<typeof Midi>;

const MAJORS = ['Cb', 'Gb', 'Db', 'Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#'];

/** Ticks of a file in a beat: the library writes 480 to a quarter. */
const beatTicks = (ppq: number, time: TimeSignature): number => (ppq * 4) / time.unit;

/** The file's bytes. Grips as they are played back; the melody on a track of its own. */
export function writeMidi(
  piece: Piece,
  playback: Omit<PiecePlayback, 'countInBars' | 'fromBar' | 'toBar'>,
): Uint8Array {
  const midi = new Midi();
  const { header } = midi;
  header.name = piece.title;
  let ticks = 0;
  let last = null as { time: TimeSignature; tempo: number; key: string } | null;
  const starts: number[] = [];
  const fifths: number[] = [];
  const bars = playedBars(piece);
  for (const bar of bars) {
    starts.push(ticks);
    const { time, tempoBpm, key } = bar;
    if (!last || last.time.beats !== time.beats || last.time.unit !== time.unit)
      header.timeSignatures.push({ ticks, timeSignature: [time.beats, time.unit] });
    if (!last || last.tempo !== tempoBpm || last.time.unit !== time.unit)
      header.tempos.push({ ticks, bpm: (tempoBpm * 4) / time.unit });
    const named = readPieceKey(key);
    if (named.ok && last?.key !== key) {
      header.keySignatures.push({ ticks, key: MAJORS[named.value.fifths + 7], scale: named.value.mode });
      fifths.push(named.value.fifths);
    }
    if (bar.bar === 0) header.meta.push({ type: 'marker', text: piece.sections[bar.section].name, ticks });
    last = { time, tempo: tempoBpm, key };
    ticks += Math.round(time.beats * beatTicks(header.ppq, time));
  }
  header.update();
  const at = (bar: number, tick: number) =>
    starts[bar] + Math.round(beatsOf(tick) * beatTicks(header.ppq, bars[bar].time));
  const indexOf = new Map(bars.map((bar, i) => [bar.startTick, i] as const));
  for (const chord of playedChords(piece))
    header.meta.push({
      type: 'text',
      text: chord.chord,
      ticks: at(indexOf.get(chord.played.startTick) ?? 0, chord.tick),
    });
  const guitar = midi.addTrack();
  guitar.name = 'Guitar';
  guitar.instrument.number = 25;
  const { sounds } = pieceSounds(piece, { ...playback, countInBars: 0, melody: false, tempoShare: 1 });
  for (const sound of sounds)
    if (sound.kind === 'pluck')
      guitar.addNote({
        midi: sound.midiPitch,
        time: sound.atSeconds,
        duration: sound.seconds,
        velocity: sound.level,
      });
  const melody = midi.addTrack();
  melody.name = 'Melody';
  let held = null as { midi: number; ticks: number; durationTicks: number } | null;
  bars.forEach((bar, i) => {
    for (const note of piece.sections[bar.section].bars[bar.bar].melody ?? []) {
      if (!note.pitch) continue;
      const from = at(i, note.tick);
      const durationTicks = at(i, note.tick + note.ticks) - from;
      if (held && held.midi === midiOf(note.pitch)) held.durationTicks += durationTicks;
      else held = { midi: midiOf(note.pitch), ticks: from, durationTicks };
      if (note.word) header.meta.push({ type: 'lyrics', text: note.word, ticks: from });
      if (note.tied) continue;
      melody.addNote({ ...held, velocity: 0.9 });
      held = null;
    }
  });
  return withSignatures(midi.toArray(), fifths);
}

/**
 * The library writes a key signature as its index from seven sharps instead of its sharps (2.0.28): the byte is put
 * right. `FF 59 02` begins each of them, and 255 never occurs in a text.
 */
function withSignatures(bytes: Uint8Array, fifths: readonly number[]): Uint8Array {
  let next = 0;
  for (let i = 0; i + 4 < bytes.length && next < fifths.length; i++)
    if (bytes[i] === 0xff && bytes[i + 1] === 0x59 && bytes[i + 2] === 2)
      bytes[i + 3] = fifths[next++] & 0xff;
  return bytes;
}

export const MIDI_LIMITS = { bytes: 2_000_000, stepsToBeat: 12 } as const;

/** Problems: `midi.size`, `midi.form`, `midi.empty`, `midi.bars`. */
export function readMidi(bytes: Uint8Array): Result<Imported> {
  if (bytes.length > MIDI_LIMITS.bytes) return fail('midi.size', 0, 'a file of at most 2 MB');
  if (String.fromCharCode(...bytes.slice(0, 4)) !== 'MThd')
    return fail('midi.form', 0, 'a standard MIDI file (.mid)');
  if (!isWhole(bytes)) return fail('midi.form', 0, 'a whole MIDI file; this one is damaged or cut off');
  let midi: Midi;
  try {
    midi = new Midi(Forwards.from(bytes));
  } catch {
    return fail('midi.form', 0, 'a whole MIDI file; this one is damaged or cut off');
  }
  const { header } = midi;
  // What rings a little over the last bar line makes no further bar.
  const until = (note: { ticks: number; durationTicks: number }) =>
    note.ticks + Math.max(1, note.durationTicks - header.ppq / 4);
  // Texts of several tracks come in no order, and there may be very many.
  const lastText = header.meta.reduce((most, one) => Math.max(most, one.ticks + 1), 0);
  const end = midi.tracks.reduce(
    (far, track) => track.notes.reduce((most, note) => Math.max(most, until(note)), far),
    lastText,
  );
  if (!(end > 0)) return fail('midi.empty', 0, 'a file with notes in it');
  const bars = barsIn(midi, end);
  if (!bars) return fail('midi.bars', 0, `at most ${PIECE_LIMITS.bars} bars`);
  const notTaken: NotTaken[] = [];
  const key = keyIn(header.keySignatures[0]);
  const chords = chordsIn(midi, bars, header.ppq);
  if (!chords.some((list) => list.length > 0))
    notTaken.push({
      at: 'the whole file',
      code: 'import.no-chords',
      what: 'chord names; the file says none',
    });
  const at = melodyTrack(midi);
  midi.tracks.forEach((track, i) => {
    if (i !== at && track.notes.length > 0)
      notTaken.push({
        at: track.name || `track ${i + 1}`,
        code: 'import.part',
        what: 'its notes; one melody is taken, chords are taken by name',
      });
  });
  const melody = at < 0 ? [] : melodyIn(midi, at, bars, header.ppq, key);
  const words = new Map(
    header.meta.filter((one) => one.type === 'lyrics').map((one) => [one.ticks, one.text] as const),
  );
  const made = bars.map((bar, i): PieceBar => {
    const notes = (melody[i] ?? []).map((note): MelodyNote => {
      const word = words.get(Math.round(bar.ticks + beatsOf(note.tick) * beatTicks(header.ppq, bar.time)));
      const plain = word?.replace(/[\s|]+/g, '').slice(0, 39);
      return plain && note.pitch ? { ...note, word: plain } : note;
    });
    const before = bars[i - 1];
    return {
      ...(before && (before.time.beats !== bar.time.beats || before.time.unit !== bar.time.unit)
        ? { time: bar.time }
        : {}),
      ...(before && before.tempoBpm !== bar.tempoBpm ? { tempoBpm: bar.tempoBpm } : {}),
      chords: chords[i],
      ...(notes.some((note) => note.pitch) ? { melody: notes } : {}),
    };
  });
  const marks = header.meta.filter((one) => one.type === 'marker');
  return ok({
    piece: {
      ...EMPTY_PIECE,
      title: header.name.slice(0, 120),
      key,
      time: bars[0].time,
      tempoBpm: bars[0].tempoBpm,
      sections: sectionsBy(marks, bars, made),
    },
    notTaken,
  });
}

/**
 * Bytes that are only read forwards. The library (midi-file 1.2.4) takes a length of five bytes as a negative one, goes
 * back in the file by it and reads for ever: here that is an error as any other.
 */
class Forwards extends Uint8Array<ArrayBuffer> {
  override slice(from = 0, to = this.length): Uint8Array<ArrayBuffer> {
    if (to < from) throw new RangeError('a length below nothing');
    return super.slice(from, to);
  }
}

/** Whether every chunk the file announces is there in full. */
function isWhole(bytes: Uint8Array): boolean {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (bytes.length < 14) return false;
  const tracks = view.getUint16(10);
  let at = 8 + view.getUint32(4);
  for (let track = 0; track < tracks; track++) {
    if (at + 8 > bytes.length) return false;
    at += 8 + view.getUint32(at + 4);
    if (at > bytes.length) return false;
  }
  return true;
}

interface MidiBar {
  readonly ticks: number;
  readonly time: TimeSignature;
  readonly tempoBpm: number;
}

function barsIn(midi: Midi, end: number): MidiBar[] | null {
  const { header } = midi;
  const bars: MidiBar[] = [];
  for (let ticks = 0; ticks < end;) {
    if (bars.length >= PIECE_LIMITS.bars) return null;
    const said = header.timeSignatures.findLast((one) => one.ticks <= ticks)?.timeSignature ?? [4, 4];
    const usable = said[0] >= 1 && said[0] <= 16 && [2, 4, 8, 16].includes(said[1]);
    const time = usable ? { beats: said[0], unit: said[1] } : EMPTY_PIECE.time;
    const quarters = header.tempos.findLast((one) => one.ticks <= ticks)?.bpm ?? 120;
    const bpm = Math.round(((quarters * time.unit) / 4) * 10) / 10;
    const [least, most] = PIECE_LIMITS.tempo;
    bars.push({ ticks, time, tempoBpm: Math.min(most, Math.max(least, bpm)) });
    ticks += time.beats * beatTicks(header.ppq, time);
  }
  return bars;
}

function keyIn(said: { key: string; scale: string } | undefined): string {
  const fifths = said ? MAJORS.indexOf(said.key) - 7 : Number.NaN;
  if (!said || Number.isNaN(fifths) || fifths < -7) return EMPTY_PIECE.key;
  if (said.scale !== 'minor') return `${said.key} major`;
  // The minor key of a signature stands three fifths on from its major.
  const tonic = ['Ab', 'Eb', 'Bb', 'F', 'C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'G#', 'D#', 'A#'][
    fifths + 7
  ];
  return `${tonic} minor`;
}

function barAt(bars: readonly MidiBar[], ticks: number): number {
  let at = bars.length - 1;
  while (at > 0 && bars[at].ticks > ticks) at--;
  return at;
}

/** A moment of the file as ticks of its bar. */
type Snap = (at: number, bar: MidiBar) => number;

/** To twelfths of a beat, as somebody played it. */
const twelfths =
  (ppq: number): Snap =>
  (at, { ticks, time }) => {
    const { stepsToBeat } = MIDI_LIMITS;
    return (Math.round(((at - ticks) * stepsToBeat) / beatTicks(ppq, time)) * TICKS_A_BEAT) / stepsToBeat;
  };

/** As it was written, where every one of these moments is a simple part of its beat to half a tick of the file. */
function snapFor(moments: readonly number[], bars: readonly MidiBar[], ppq: number): Snap {
  const exact = (at: number, { ticks, time }: MidiBar): number | null => {
    const beat = beatTicks(ppq, time);
    return simplestNear((at - ticks) / beat, 0.501 / beat);
  };
  const played = twelfths(ppq);
  const written = moments.every((at) => exact(at, bars[barAt(bars, at)]) !== null);
  return written ? (at, bar) => exact(at, bar) ?? played(at, bar) : played;
}

function chordsIn(midi: Midi, bars: readonly MidiBar[], ppq: number): ChordOnBeat[][] {
  const snap = snapFor(
    midi.header.meta.flatMap((one) => (one.type === 'text' ? [one.ticks] : [])),
    bars,
    ppq,
  );
  const found = bars.map((): ChordOnBeat[] => []);
  for (const { text, type, ticks } of midi.header.meta) {
    if (type !== 'text' && type !== 'marker') continue;
    const chord = parseChord(text.trim());
    if (!chord.ok || (type === 'marker' && text.trim().length < 2)) continue;
    const at = barAt(bars, ticks);
    const tick = snap(ticks, bars[at]);
    if (tick < bars[at].time.beats * TICKS_A_BEAT && !found[at].some((one) => one.tick === tick))
      found[at].push({ tick, chord: chord.value.symbol });
  }
  return found.map((list) => list.sort((a, b) => a.tick - b.tick).slice(0, PIECE_LIMITS.chordsInBar));
}

/** The track that sings: named so, else the first whose notes seldom overlap. Drums never. */
function melodyTrack(midi: Midi): number {
  const named = midi.tracks.findIndex(
    (track) => /melod|vocal|voice|lead/i.test(track.name) && track.notes.length > 0,
  );
  if (named >= 0) return named;
  return midi.tracks.findIndex((track) => {
    if (track.notes.length === 0 || track.channel === 9) return false;
    const overlaps = track.notes.filter((note, i) => {
      const next = track.notes[i + 1];
      return next !== undefined && next.ticks < note.ticks + note.durationTicks * 0.5;
    });
    return overlaps.length < track.notes.length / 10;
  });
}

/** Notes bar by bar with the rests between, tied over bar lines, the highest of several. */
function melodyIn(
  midi: Midi,
  track: number,
  bars: readonly MidiBar[],
  ppq: number,
  key: string,
): MelodyNote[][] {
  const found = bars.map((): MelodyNote[] => []);
  const spell = speller(key);
  const notes = [...midi.tracks[track].notes].sort((a, b) => a.ticks - b.ticks || b.midi - a.midi);
  const snap = snapFor(
    notes.map((note) => note.ticks),
    bars,
    ppq,
  );
  let free = 0;
  for (const [i, note] of notes.entries()) {
    if (note.ticks < free - 1) continue;
    const next = notes.slice(i + 1).find((one) => one.ticks > note.ticks);
    let from = note.ticks;
    const until = Math.min(note.ticks + note.durationTicks, next?.ticks ?? Number.POSITIVE_INFINITY);
    free = until;
    while (from < until - 1) {
      const at = barAt(bars, from);
      const { time, ticks } = bars[at];
      const barEnd = ticks + time.beats * beatTicks(ppq, time);
      const to = Math.min(until, barEnd);
      const begin = snap(from, bars[at]);
      const length = snap(to, bars[at]) - begin;
      const list = found[at];
      const reached = list.reduce((sum, one) => sum + one.ticks, 0);
      if (length > 0 && begin >= reached && note.midi >= 12 && note.midi <= 120) {
        if (begin > reached) list.push({ tick: reached, ticks: begin - reached, pitch: null });
        list.push({
          tick: begin,
          ticks: length,
          pitch: pitchSpelled(note.midi, spell(note.midi)),
          ...(until > barEnd + 1 ? { tied: true as const } : {}),
        });
      }
      if (at === bars.length - 1 && to >= barEnd) break;
      from = to;
    }
  }
  return found.map((list, i) => {
    if (list.length === 0) return list;
    const reached = list.reduce((sum, one) => sum + one.ticks, 0);
    const rest = bars[i].time.beats * TICKS_A_BEAT - reached;
    return rest > 0 ? [...list, { tick: reached, ticks: rest, pitch: null }] : list;
  });
}

/** Names of the key's scale where the note is in it, else the usual ones: a MIDI file does not say how it is spelled. */
function speller(keyName: string): (midi: number) => NoteName {
  const key = readPieceKey(keyName);
  const scale = key.ok ? scaleOn(key.value.tonic, key.value.mode) : null;
  const known = new Map(
    (scale?.notes ?? []).map((note) => [mod12(midiOf({ note, octave: 4 })), note] as const),
  );
  return (midi) => known.get(mod12(midi)) ?? rootNamed(mod12(midi));
}

function sectionsBy(
  marks: readonly { text: string; ticks: number }[],
  bars: readonly MidiBar[],
  made: readonly PieceBar[],
): Piece['sections'] {
  const named = new Map<number, string>();
  for (const { text, ticks } of marks) {
    const plain = text
      .replace(/[^\p{L}\d'-]+/gu, '')
      .replace(/^['-]+/, '')
      .slice(0, 20);
    if (plain) named.set(barAt(bars, ticks), plain);
  }
  const sections: { name: string; times: number; bars: PieceBar[] }[] = [];
  made.forEach((bar, i) => {
    const mark = named.get(i);
    if (i === 0 || mark !== undefined) {
      const base = mark ?? 'A';
      let name = base;
      for (let n = 2; sections.some((one) => one.name === name); n++) name = `${base}${n}`;
      if (sections.length < PIECE_LIMITS.sections) sections.push({ name, times: 1, bars: [] });
    }
    sections[sections.length - 1].bars.push(bar);
  });
  return sections;
}
