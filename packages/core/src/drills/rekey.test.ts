import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import {
  majorKeys,
  noteText,
  parseChord,
  parseScale,
  pitchClassOf,
  rootNamed,
  type NoteName,
} from '../theory';
import {
  changeLoop,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  makeDrill,
  noteReading,
  pickingPattern,
  pieceSection,
  rekey,
  ringCheck,
  rootOf,
  stringWalk,
  strumReading,
  warmUp,
  type Recipe,
} from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const BB = { chord: 'Bb', frets: [null, 1, 3, 3, 3, 1] };
const keyed: Recipe[] = [
  stringWalk({ string: 5, key: 'C dorian', maxFret: 12, calls: 4, secondsPerCall: 5 }),
  noteReading({ position: 2, strings: 6, key: 'G major', count: 6, secondsPerNote: 6 }),
  formula({ grip: F, targets: ['minor', 'dominant7'], secondsPerCall: 6 }),
  ringCheck(F),
  familyLadder({ root: 'C', form: 'A', beatsEach: 4 }),
  fiveForms({
    root: 'C',
    quality: 'minor',
    order: 'up',
    barsEach: 1,
    keys: 1,
    next: 'fourths',
    allowOpen: false,
  }),
  closeTriads({
    root: 'C',
    strings: [4, 3, 2],
    qualities: ['major'],
    progression: { key: 'C major', numerals: ['I', 'V'] },
    beatsEach: 4,
  }),
  changeLoop({ grips: [F, BB], beatsEach: 4, progression: { key: 'F major', numerals: ['I', 'IV'] } }),
  changeLoop({ grips: [F, BB], beatsEach: 4, piece: 'pivot' }),
  strumReading({ grips: [F, BB], beats: 4, level: 4, bars: 4 }, 3),
  pickingPattern({
    grips: [F],
    pattern: 'p i m a',
    perBeat: 2,
    beats: 4,
    barsEach: 1,
    bass: 'alternating',
    striker: 'fingers',
  }),
  pieceSection({
    pieceId: 'p',
    title: 'Oar Song',
    fromBar: 1,
    toBar: 2,
    chart: 'key: F\n\n[A]\n| F | Bb . N.C. . |\n',
    grips: [F.frets, BB.frets, null],
    part: 'as written',
  }),
];

describe.each(keyed.map((recipe) => [recipe.family, recipe] as const))('%s', (_, recipe) => {
  test('stands on the root asked, in all fifteen spellings, and can be made', () => {
    for (const key of majorKeys()) {
      const moved = must(rekey(recipe, key.tonic, standardGuitar));
      const root = rootOf(moved) as NoteName;
      // A minor scale has no key on every major tonic: there it stands on the twin.
      if (noteText(root) !== noteText(key.tonic)) {
        expect(pitchClassOf(root)).toBe(pitchClassOf(key.tonic));
        expect(parseScale(`${noteText(key.tonic)} minor`).ok).toBe(false);
      }
      expect(makeDrill(moved, context).ok).toBe(true);
    }
  });

  test('there and back is the same drill, up to the names of the other chords', () => {
    const home = rootOf(recipe) as NoteName;
    for (let up = 0; up < 12; up++) {
      const away = must(rekey(recipe, rootNamed(pitchClassOf(home) + up), standardGuitar));
      const back = must(rekey(away, home, standardGuitar));
      expect(must(makeDrill(back, context)).score.parts).toEqual(
        must(makeDrill(recipe, context)).score.parts,
      );
    }
  });
});

test('grips move by the same frets and every chord keeps its quality', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 11 }), (up) => {
      const moved = must(
        rekey(changeLoop({ grips: [F, BB], beatsEach: 4 }), rootNamed(5 + up), standardGuitar),
      );
      if (moved.family !== 'change loop') throw new Error('another family');
      const [a, b] = moved.parameters.grips;
      expect(a.frets.map((fret, s) => (fret ?? 0) - (F.frets[s] ?? 0))).toEqual(new Array(6).fill(up));
      expect(must(parseChord(b.chord)).quality).toBe('major');
      expect(pitchClassOf(must(parseChord(b.chord)).root)).toBe((10 + up) % 12);
    }),
  );
});

test('an open grip cannot move, and says so; a warm up has no key', () => {
  const open = ringCheck({ chord: 'C', frets: [null, 3, 2, 0, 1, 0] });
  const moved = rekey(open, rootNamed(2), standardGuitar);
  expect(moved.ok ? '' : moved.problem.code).toBe('drill.open-strings');
  expect(rekey(open, rootNamed(0), standardGuitar).ok).toBe(true);
  const warm = rekey(warmUp(3), rootNamed(2), standardGuitar);
  expect(warm.ok ? '' : warm.problem.code).toBe('drill.keyless');
  const past = rekey(ringCheck(F), rootNamed(3), { ...standardGuitar, frets: 12 });
  expect(past.ok ? '' : past.problem.code).toBe('drill.past-neck');
});
