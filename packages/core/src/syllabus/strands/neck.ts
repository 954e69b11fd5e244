/** The neck: natural notes string by string, roots as landmarks, qualities called at a fret. */
import { degrees, numberCalls, rootCall, scaleInTheShape, stringWalk } from '../../drills/recipe';
import { also, by, heard, needs, strandOf } from './making';

const along = (string: number, key = 'C major') =>
  stringWalk({ string, key, maxFret: 12, calls: 12, secondsPerCall: 5 }, string);
const natural = (string: number) => by(along(string), 'string', 'key');
const scaleAlong = (string: number, tonic = 'C') =>
  by(scaleInTheShape({ tonic, kind: 'major', place: 'one string', at: string, figure: 'straight', perBeat: 1 }, string), 'kind', 'place', 'at'); // prettier-ignore
const degreesOn = (place: 'root on 6' | 'root on 5') =>
  degrees({ key: 'G major', of: 'triads', place, position: 3, way: 'up', beatsEach: 4 });
const called = (pool: '1 4 5' | '1 2 3 4 5 6', keys: number) =>
  numberCalls({ key: 'C major', pool, keys, length: 8, lead: 2, layout: 'nearest' }, keys);
const tonics = (keys: readonly string[]) => keys.map((key) => key.split(' ')[0]);
const SHARP_KEYS = ['G major', 'D major', 'A major', 'E major', 'B major', 'F# major'];
const FLAT_KEYS = ['F major', 'Bb major', 'Eb major', 'Ab major', 'Db major', 'Gb major'];
const calls = (rootString: 5 | 6, answer: 'root' | 'major' | 'minor' | 'dominant7' | 'minor7') =>
  rootCall({ rootString, answer, count: 12, secondsPerCall: 5, maxFret: 12 }, rootString);
const grid = (...answers: ('root' | 'major' | 'minor' | 'dominant7' | 'minor7')[]) =>
  rootCall({ rootString: 6, answer: answers[0], count: 24, secondsPerCall: 6, maxFret: 12, grid: { rootStrings: [6, 5], answers, weak: [] } }, 7); // prettier-ignore

export const neck = strandOf('neck', 'find', [
  {
    id: 'neck.naturals-6',
    name: 'Naturals on string 6',
    sentence: 'Names and finds every natural note along string 6.',
    drills: [natural(6)],
    use: [scaleAlong(6)],
  },
  {
    id: 'neck.naturals-5',
    name: 'Naturals on string 5',
    sentence: 'Names and finds every natural note along string 5.',
    drills: [natural(5)],
    use: [scaleAlong(5)],
  },
  {
    id: 'roots.6',
    name: 'Roots on string 6',
    sentence: 'Puts the first finger on any root on string 6 when it is called.',
    matches: [{ kind: 'note', string: 6 }],
    drills: [calls(6, 'root')],
    hold: [along(6)],
    use: [by(degreesOn('root on 6'), 'place')],
  },
  {
    id: 'roots.5',
    name: 'Roots on string 5',
    sentence: 'Puts the first finger on any root on string 5 when it is called.',
    matches: [{ kind: 'note', string: 5 }],
    drills: [calls(5, 'root')],
    hold: [along(5)],
    use: [by(degreesOn('root on 5'), 'place')],
  },
  {
    id: 'neck.naturals-4',
    name: 'Naturals on string 4',
    sentence: 'Names and finds every natural note along string 4.',
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [natural(4)],
    use: [scaleAlong(4)],
  },
  {
    id: 'neck.naturals-3',
    name: 'Naturals on string 3',
    sentence: 'Names and finds every natural note along string 3.',
    needs: needs('neck.naturals-4'),
    drills: [natural(3)],
    use: [scaleAlong(3)],
  },
  {
    id: 'neck.naturals-2',
    name: 'Naturals on string 2',
    sentence: 'Names and finds every natural note along string 2.',
    needs: needs('neck.naturals-3'),
    drills: [natural(2)],
    use: [scaleAlong(2)],
  },
  {
    id: 'neck.naturals-1',
    name: 'Naturals on string 1',
    sentence: 'Names and finds every natural note along string 1, the same as string 6.',
    needs: needs('neck.naturals-6'),
    drills: [natural(1)],
    use: [scaleAlong(1)],
  },
  {
    id: 'neck.sharp-keys',
    name: 'Sharp keys along a string',
    sentence: 'Walks a string in a key with sharps, each note by its right name.',
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [also(by(along(5, 'D major')), { key: SHARP_KEYS })],
    use: [also(scaleAlong(5, 'D'), { at: { from: 1, to: 6 }, tonic: tonics(SHARP_KEYS) })],
  },
  {
    id: 'neck.flat-keys',
    name: 'Flat keys along a string',
    sentence: 'Walks a string in a key with flats, each note by its right name.',
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [also(by(along(6, 'Ab major')), { key: FLAT_KEYS })],
    use: [also(scaleAlong(6, 'Ab'), { at: { from: 1, to: 6 }, tonic: tonics(FLAT_KEYS) })],
  },
  {
    id: 'neck.major-calls',
    name: 'Major, called',
    sentence: 'Answers any root with its major grip.',
    needs: needs('roots.6', 'low.e-major|forms.a-major-low'),
    drills: [by(calls(6, 'major'), 'answer')],
    barre: true,
    use: [by(called('1 4 5', 1), 'pool', 'layout')],
    hear: [heard('triads')],
  },
  {
    id: 'neck.minor-calls',
    name: 'Minor, called',
    sentence: 'Answers any root with its minor grip.',
    needs: needs('roots.5', 'low.a-minor|low.e-minor'),
    drills: [by(calls(5, 'minor'), 'answer')],
    barre: true,
    hear: [heard('triads')],
  },
  {
    id: 'neck.seventh-calls',
    name: 'Sevenths, called',
    sentence: 'Answers any root with its seventh, dominant or minor.',
    needs: needs('neck.major-calls|neck.minor-calls', 'shells.6|colours.e-form-sevenths'),
    drills: [
      also(by(calls(6, 'dominant7')), { answer: ['dominant7', 'minor7'] }),
      also(by(calls(5, 'minor7')), { answer: ['dominant7', 'minor7'] }),
    ],
    barre: true,
    hear: [heard('sevenths')],
  },
  {
    id: 'neck.grid',
    name: 'The whole grid',
    sentence: 'Four qualities on two root strings, any of a hundred chords, as they are called.',
    needs: needs('neck.seventh-calls'),
    matches: [],
    drills: [
      {
        recipe: grid('major', 'minor', 'dominant7', 'minor7'),
        match: { kind: 'drill', family: 'root call', where: { count: { from: 20, to: 120 } } },
      },
    ],
    barre: true,
    use: [by(called('1 2 3 4 5 6', 4), 'pool', 'layout')],
  },
]);
