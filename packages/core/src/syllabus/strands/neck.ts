/** The neck: natural notes string by string, roots as landmarks, qualities called at a fret. */
import { rootCall, stringWalk } from '../../drills/recipe';
import { also, by, needs, strandOf } from './making';

const along = (string: number, key = 'C major') =>
  stringWalk({ string, key, maxFret: 12, calls: 12, secondsPerCall: 5 }, string);
const natural = (string: number) => by(along(string), 'string', 'key');
const SHARP_KEYS = ['G major', 'D major', 'A major', 'E major', 'B major', 'F# major'];
const FLAT_KEYS = ['F major', 'Bb major', 'Eb major', 'Ab major', 'Db major', 'Gb major'];
const calls = (rootString: 5 | 6, answer: 'root' | 'major' | 'minor' | 'dominant7' | 'minor7') =>
  rootCall({ rootString, answer, count: 12, secondsPerCall: 5, maxFret: 12 }, rootString);
const grid = (...answers: ('root' | 'major' | 'minor' | 'dominant7' | 'minor7')[]) =>
  rootCall({ rootString: 6, answer: answers[0], count: 24, secondsPerCall: 6, maxFret: 12, grid: { rootStrings: [6, 5], answers, weak: [] } }, 7); // prettier-ignore

export const neck = strandOf('neck', [
  {
    id: 'neck.naturals-6',
    name: 'Naturals on string 6',
    sentence: 'Names and finds every natural note along string 6.',
    drills: [natural(6)],
  },
  {
    id: 'neck.naturals-5',
    name: 'Naturals on string 5',
    sentence: 'Names and finds every natural note along string 5.',
    drills: [natural(5)],
  },
  {
    id: 'roots.6',
    name: 'Roots on string 6',
    sentence: 'Puts the first finger on any root on string 6 when it is called.',
    matches: [{ kind: 'note', string: 6 }],
    practice: [calls(6, 'root')],
  },
  {
    id: 'roots.5',
    name: 'Roots on string 5',
    sentence: 'Puts the first finger on any root on string 5 when it is called.',
    matches: [{ kind: 'note', string: 5 }],
    practice: [calls(5, 'root')],
  },
  {
    id: 'neck.naturals-4',
    name: 'Naturals on string 4',
    sentence: 'Names and finds every natural note along string 4.',
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [natural(4)],
  },
  {
    id: 'neck.naturals-3',
    name: 'Naturals on string 3',
    sentence: 'Names and finds every natural note along string 3.',
    needs: needs('neck.naturals-4'),
    drills: [natural(3)],
  },
  {
    id: 'neck.naturals-2',
    name: 'Naturals on string 2',
    sentence: 'Names and finds every natural note along string 2.',
    needs: needs('neck.naturals-3'),
    drills: [natural(2)],
  },
  {
    id: 'neck.naturals-1',
    name: 'Naturals on string 1',
    sentence: 'Names and finds every natural note along string 1, the same as string 6.',
    needs: needs('neck.naturals-6'),
    drills: [natural(1)],
  },
  {
    id: 'neck.sharp-keys',
    name: 'Sharp keys along a string',
    sentence: 'Walks a string in a key with sharps, each note by its right name.',
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [also(by(along(5, 'D major')), { key: SHARP_KEYS })],
  },
  {
    id: 'neck.flat-keys',
    name: 'Flat keys along a string',
    sentence: 'Walks a string in a key with flats, each note by its right name.',
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [also(by(along(6, 'Ab major')), { key: FLAT_KEYS })],
  },
  {
    id: 'neck.major-calls',
    name: 'Major, called',
    sentence: 'Answers any root with its major grip.',
    needs: needs('roots.6', 'low.e-major|forms.a-major-low'),
    drills: [by(calls(6, 'major'), 'answer')],
    barre: true,
  },
  {
    id: 'neck.minor-calls',
    name: 'Minor, called',
    sentence: 'Answers any root with its minor grip.',
    needs: needs('roots.5', 'low.a-minor|low.e-minor'),
    drills: [by(calls(5, 'minor'), 'answer')],
    barre: true,
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
  },
]);
