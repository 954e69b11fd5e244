import fc from 'fast-check';
import { Chord as TonalChord, Note } from 'tonal';
import { must } from '../kernel';
import { chordNotes, parseChord } from './chord';
import { degreeChords, majorKeys, makeKey } from './key';
import { QUALITIES } from './qualities';

const ROOTS = 'C C# Db D D# Eb E F F# Gb G G# Ab A A# Bb B Cb'.split(' ');
const notes = (symbol: string) => chordNotes(must(parseChord(symbol)));
const problem = (symbol: string, options = {}) => {
  const read = parseChord(symbol, options);
  return read.ok ? null : read.problem;
};

describe('parseChord', () => {
  test.each([
    ['Baug', ['B', 'D#', 'F##']],
    ['Abmaj7', ['Ab', 'C', 'Eb', 'G']],
    ['Gm7b5', ['G', 'Bb', 'Db', 'F']],
    ['G#dim', ['G#', 'B', 'D']],
    ['Dbm6', ['Db', 'Fb', 'Ab', 'Bb']],
    ['Cadd9', ['C', 'E', 'G', 'D']],
    ['F#9', ['F#', 'A#', 'C#', 'E', 'G#']],
    ['Esus4', ['E', 'A', 'B']],
  ])('%s is spelled %j', (symbol, spelled) => expect(notes(symbol)).toEqual(spelled));

  test.each([
    ['B♭m7', 'Bbm7'],
    ['F♯-7b5', 'F#m7b5'],
    ['CΔ', 'Cmaj7'],
    ['A△7', 'Amaj7'],
    ['Bø7', 'Bm7b5'],
    ['c−7', 'Cm7'],
    ['E+', 'Eaug'],
    ['G°', 'Gdim'],
    ['C/E', 'C/E'],
    ['am', 'Am'],
    ['Dmin7', 'Dm7'],
    [' Gsus ', 'Gsus4'],
  ])('%s is read as %s', (typed, symbol) => expect(must(parseChord(typed)).symbol).toBe(symbol));

  test('spelling agrees with an independent library on every root and plain quality', () => {
    const names: Record<string, string> = {
      major: 'M',
      dominant9: '9',
      sixth: '6',
      add9: 'Madd9',
      augmented: 'aug',
      minor: 'm',
    };
    for (const root of ROOTS) {
      for (const quality of QUALITIES) {
        const theirs = TonalChord.getChord(names[quality.id] ?? quality.suffix, root).notes;
        if (theirs.length === 0) throw new Error(`oracle lacks ${quality.id}`);
        expect([root, quality.id, ...notes(root + quality.suffix)]).toEqual([
          root,
          quality.id,
          ...theirs.map((n) => Note.pitchClass(n)),
        ]);
      }
    }
  });

  test('a wrong quality is answered with its place and the nearest reading', () => {
    expect(problem('Abm66')).toEqual({ code: 'chord.quality', at: '4', detail: 'Abm6' });
    expect(problem('Cmjj7')?.detail).toMatch(/^Cm/);
  });

  test('H is asked about, and read when the school says so', () => {
    expect(problem('H7')).toEqual({ code: 'chord.german-h', at: '0', detail: 'B7' });
    expect(must(parseChord('H7', { noteNames: 'german' })).symbol).toBe('B7');
    expect(must(parseChord('B7', { noteNames: 'german' })).symbol).toBe('Bb7');
  });

  test('empty, endless and hostile input is answered in data', () => {
    expect(problem('')?.code).toBe('chord.empty');
    expect(problem('C'.repeat(5000))?.code).toBe('chord.too-long');
    expect(problem('C/Q')?.code).toBe('chord.quality');
    expect(problem('?')?.code).toBe('chord.root');
    fc.assert(
      fc.property(fc.string({ maxLength: 60 }), (text) => typeof parseChord(text).ok === 'boolean'),
      { numRuns: 2000 },
    );
  });

  test('the perfect fifth may go from four tones on, an altered one may not', () => {
    const required = (symbol: string) =>
      must(parseChord(symbol))
        .tones.filter((tone) => tone.required)
        .map((tone) => tone.degree);
    expect(required('C')).toEqual(['1', '3', '5']);
    expect(required('C9')).toEqual(['1', '3', 'b7', '9']);
    expect(required('Cm7b5')).toEqual(['1', 'b3', 'b5', 'b7']);
  });
});

describe('keys', () => {
  test('Ab major in degrees, as triads and sevenths', () => {
    const key = must(makeKey('Ab major'));
    expect(degreeChords(key).map((d) => d.chord.symbol)).toEqual([
      'Ab',
      'Bbm',
      'Cm',
      'Db',
      'Eb',
      'Fm',
      'Gdim',
    ]);
    expect(degreeChords(key, { sevenths: true }).map((d) => d.chord.symbol)).toEqual([
      'Abmaj7',
      'Bbm7',
      'Cm7',
      'Dbmaj7',
      'Eb7',
      'Fm7',
      'Gm7b5',
    ]);
    expect(degreeChords(key).map((d) => d.numeral)).toEqual(['I', 'ii', 'iii', 'IV', 'V', 'vi', 'viio']);
  });

  test('the seventh degree of F# major is E#, not F', () => {
    expect(degreeChords(must(makeKey('F# major')))[6].chord.symbol).toBe('E#dim');
  });

  test('tensions come from stacking the scale, with care where a half step rubs', () => {
    const all = degreeChords(must(makeKey('C major')), { sevenths: true }).map((d) =>
      d.tensions.map((t) => t.degree + (t.care ? '!' : '')).join(' '),
    );
    expect(all).toEqual([
      '9 11! 13',
      '9 11 13!',
      'b9! 11 b13!',
      '9 #11 13',
      '9 11! 13',
      '9 11 b13!',
      'b9! 11 b13',
    ]);
  });

  test('fifteen major keys, each with seven letters', () => {
    expect(majorKeys()).toHaveLength(15);
    for (const key of majorKeys()) expect(new Set(key.scale.map((note) => note.letter)).size).toBe(7);
  });

  test.each([
    ['G# major', 'key.signature', 'Ab major'],
    ['C klingon', 'key.mode', 'C major'],
    ['', 'key.tonic', 'C major'],
  ])('%s is refused as %s with %s', (name, code, detail) => {
    const made = makeKey(name);
    expect(made.ok ? null : [made.problem.code, made.problem.detail]).toEqual([code, detail]);
  });
});
