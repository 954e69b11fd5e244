import fc from 'fast-check';
import { Note, Scale as TonalScale } from 'tonal';
import { must } from '../kernel';
import { chordNotes, parseChord } from './chord';
import { intervalBetween, intervalText, pitchAway } from './interval';
import { degreeSemitones } from './degree';
import { LETTERS, noteText, pitchClassOf, readNote, type NoteName } from './note';
import { midiOf, parsePitch, pitchSpelled, pitchText, writtenPitch } from './pitch';
import { parseScale } from './read-scale';
import { parentOf, scaleKinds, scaleOn } from './scale';

const ROOTS = 'C C# Db D Eb E F F# Gb G Ab A Bb B'.split(' ');
const note = (text: string) => readNote(text)?.note as NoteName;
const spelled = (name: string) => must(parseScale(name)).notes.map(noteText).join(' ');
const pitches = fc
  .tuple(fc.constantFrom(...LETTERS), fc.integer({ min: -2, max: 2 }), fc.integer({ min: 1, max: 6 }))
  .map(([letter, accidental, octave]) => ({ note: { letter, accidental }, octave }));

describe('pitches', () => {
  test('sound where they are written, and a guitar is written an octave up', () => {
    expect(midiOf(must(parsePitch('E2')))).toBe(40);
    expect(pitchText(writtenPitch(must(parsePitch('E2'))))).toBe('E3');
    expect(midiOf(must(parsePitch('B#3')))).toBe(60);
    expect(midiOf(must(parsePitch('Cb4')))).toBe(59);
  });

  test('a spelling is kept: E# is not F', () => {
    expect(pitchText(pitchSpelled(53, note('E#')))).toBe('E#3');
    expect(pitchText(pitchSpelled(53, note('F')))).toBe('F3');
    expect(() => pitchSpelled(53, note('G'))).toThrow(RangeError);
  });

  test('MIDI numbers agree with an independent library', () => {
    fc.assert(fc.property(pitches, (pitch) => expect(midiOf(pitch)).toBe(Note.midi(pitchText(pitch)))));
  });

  test.each([
    ['', 'pitch.note'],
    ['Q4', 'pitch.note'],
    ['C', 'pitch.octave'],
    ['C44', 'pitch.octave'],
  ])('%s is refused as %s', (text, code) => {
    const read = parsePitch(text);
    expect(read.ok ? null : read.problem.code).toBe(code);
  });
});

describe('intervals', () => {
  test.each([
    ['E4', 'F4', 'm2'],
    ['E#4', 'F4', 'd2'],
    ['C4', 'G4', 'P5'],
    ['F3', 'B3', 'A4'],
    ['B3', 'F4', 'd5'],
    ['C4', 'D5', 'M9'],
    ['C4', 'C5', 'P8'],
    ['G4', 'E4', '-m3'],
    ['C4', 'C#4', 'A1'],
  ])('%s to %s is %s', (from, to, text) => {
    expect(intervalText(intervalBetween(must(parsePitch(from)), must(parsePitch(to))))).toBe(text);
  });

  test('going by an interval arrives where it was measured, and the size agrees with an independent library', () => {
    fc.assert(
      fc.property(pitches, pitches, (from, to) => {
        const interval = intervalBetween(from, to);
        expect(pitchAway(from, interval)).toEqual(to);
        const theirs = (Note.midi(pitchText(to)) ?? 0) - (Note.midi(pitchText(from)) ?? 0);
        expect(interval.semitones * (interval.down ? -1 : 1) - theirs).toBe(0);
      }),
    );
  });
});

describe('scales and modes', () => {
  test.each([
    ['D dorian', 'D E F G A B C'],
    ['F# major', 'F# G# A# B C# D# E#'],
    ['E phrygian dominant', 'E F G# A B C D'],
    ['Eb melodic minor', 'Eb F Gb Ab Bb C D'],
    ['G altered', 'G Ab Bb Cb Db Eb F'],
    ['F lydian dominant', 'F G A B C D Eb'],
    ['A minor pentatonic', 'A C D E G'],
    ['A blues', 'A C D Eb E G'],
    ['C whole tone', 'C D E F# G# Bb'],
    ['Bb', 'Bb C D Eb F G A'],
    ['b♭ aeolian', 'Bb C Db Eb F Gb Ab'],
  ])('%s is %s', (name, notes) => expect(spelled(name)).toBe(notes));

  test('seven-note scales use seven letters, whatever the tonic', () => {
    for (const kind of scaleKinds)
      for (const root of ROOTS) {
        const { notes, degrees } = scaleOn(note(root), kind);
        if (degrees.length === 7) expect(new Set(notes.map((one) => one.letter)).size).toBe(7);
      }
  });

  test('they climb, and agree in sound with an independent library', () => {
    const theirNames: Record<string, string> = {
      'diminished whole-half': 'diminished',
      'diminished half-whole': 'dominant diminished',
      blues: 'minor blues',
      'dorian b2': 'dorian b2',
      'whole tone': 'whole tone',
    };
    let compared = 0;
    for (const kind of scaleKinds) {
      const ours = scaleOn(note('C'), kind);
      const semitones = ours.degrees.map(degreeSemitones);
      expect(semitones).toEqual([...semitones].sort((a, b) => a - b));
      const theirs = TonalScale.get(`C ${theirNames[kind] ?? kind}`).notes;
      if (theirs.length === 0) continue;
      compared++;
      expect([kind, ...ours.notes.map(pitchClassOf)]).toEqual([
        kind,
        ...theirs.map((one) => Note.chroma(one)),
      ]);
    }
    expect(compared).toBeGreaterThanOrEqual(16);
  });

  test('a wrong name is answered with one near it', () => {
    expect(parseScale('D doric')).toMatchObject({
      ok: false,
      problem: { code: 'scale.kind', detail: 'D dorian' },
    });
    expect(parseScale('')).toMatchObject({ ok: false, problem: { code: 'scale.tonic' } });
  });
});

test.each([
  ['B blues', 'B D E F F# A'],
  ['F# mixolydian', 'F# G# A# B C# D# E'],
])('%s is %s', (name, expected) => {
  expect(must(parseScale(name)).notes.map(noteText).join(' ')).toBe(expected);
});

test('a mode says which degree of which scale it stands on', () => {
  const { tonic } = must(parseScale('F# mixolydian'));
  const parent = parentOf(tonic, 'mixolydian');
  expect([parent && noteText(parent.tonic), parent?.kind, parent?.degree]).toEqual(['B', 'major', 5]);
});

test.each([
  ['Ebdim7', 'Eb Gb Bbb Dbb'],
  ['A#m7b5', 'A# C# E G#'],
  ['D#7', 'D# F## A# C#'],
])('the notes of %s are %s', (symbol, expected) => {
  expect(chordNotes(must(parseChord(symbol))).join(' ')).toBe(expected);
});
