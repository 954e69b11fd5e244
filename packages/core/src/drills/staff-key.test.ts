/** The signature a drill stands in. */
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { changeLoop, degrees, embellish, makeDrill, noteReading, numberCalls, scaleInTheShape, staffFifths, type Recipe } from '.'; // prettier-ignore

const fifths = (recipe: Recipe) => staffFifths(must(makeDrill(recipe, { hand: averageHand, instrument: standardGuitar }))); // prettier-ignore
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const scale = (tonic: string, kind: Parameters<typeof scaleInTheShape>[0]['kind']) =>
  scaleInTheShape({ tonic, kind, place: 'position', at: 5, figure: 'straight', perBeat: 2 });

test.each([
  [degrees({ key: 'Eb major', of: 'triads', place: 'position', position: 3, way: 'up', beatsEach: 4 }), -3],
  [noteReading({ position: 2, strings: 6, key: 'F# major', count: 12, secondsPerNote: 6 }), 6],
  [noteReading({ position: 2, strings: 6, key: 'A minor', count: 12, secondsPerNote: 6 }), 0],
  [scale('D', 'dorian'), 0],
  [scale('Bb', 'mixolydian'), -3],
  [scale('F#', 'minor pentatonic'), 3],
  [scale('C', 'blues'), -3],
  [scale('A', 'harmonic minor'), 0],
  [scale('C', 'whole tone'), null],
  [numberCalls({ key: 'Ab major', pool: '1 4 5', keys: 1, length: 8, lead: 4, layout: 'nearest' }), -4],
  [numberCalls({ key: 'Ab major', pool: '1 4 5', keys: 3, length: 8, lead: 4, layout: 'nearest' }), null],
  [changeLoop({ grips: [C, G], beatsEach: 4 }), null],
  [changeLoop({ grips: [C, G], beatsEach: 4, progression: { key: 'C major', numerals: ['I', 'V'] } }), 0],
  [embellish({ grip: C, next: G, style: 'folk', notes: 4, upTo: 'pulls' }), null],
])('recipe %# has %s sharps', (recipe, wanted) => expect(fifths(recipe)).toBe(wanted));
