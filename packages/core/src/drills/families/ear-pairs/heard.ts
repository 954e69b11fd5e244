/** What can be told apart by ear: the words to choose from, and the degrees that sound, the lowest first, each as many at a time. */
import { degreeSemitones, type Degree } from '../../../theory/degree';
import { mod12 } from '../../../theory/note';
import type { Slip } from '../../drill';
import type { HeardKind } from './parameters';

export interface HeardChoice {
  /** What it is called in the choices and in what is kept of them. */
  readonly name: string;
  /** The tone that tells it from the others, for the log. */
  readonly tells: Degree;
  /** What sounds at one time after another, as half steps over the root, the lowest first. */
  readonly sounds: readonly (readonly HeardTone[])[];
}
interface HeardTone {
  readonly degree: Degree;
  /** Half steps over the root the question stands on; below it where negative. */
  readonly up: number;
}

/** Degrees from the lowest up, each above the one before. */
function rising(degrees: readonly Degree[], from = 0): HeardTone[] {
  let below = from - 1;
  return degrees.map((degree) => {
    const up = below + 1 + mod12(degreeSemitones(degree) - below - 1);
    below = up;
    return { degree, up };
  });
}
const chord = (name: string, tells: Degree, degrees: string): HeardChoice => ({
  name,
  tells,
  sounds: [rising(degrees.split(' '))],
});

/** The root and fifth an octave below, alone and then under the degree. */
function overDrone(degree: Degree): HeardChoice {
  const drone = [
    { degree: '1', up: -12 },
    { degree: '5', up: -5 },
  ];
  return {
    name: degree,
    tells: degree,
    sounds: [drone, [...drone, ...rising([degree])]],
  };
}

/** Triads of a major key by number: degrees of the key, the root first. */
const NUMBERS: Readonly<Record<string, string>> = {
  I: '1 3 5',
  ii: '2 4 6',
  IV: '4 6 1',
  iv: '4 b6 1',
  V: '5 7 2',
  vi: '6 1 3',
};
/** Each chord on its root below, its three tones above in the order that lies nearest to the chord before. */
function inNumbers(numerals: string): HeardChoice {
  let above = rising(['1', '3', '5']);
  const sounds = numerals.split(' ').map((numeral) => {
    const tones = NUMBERS[numeral].split(' ');
    const orders = tones.flatMap((_, i) => {
      const order = [...tones.slice(i), ...tones.slice(0, i)];
      return [-5, 0, 3].map((from) => rising(order, from));
    });
    const far = (one: readonly HeardTone[]) =>
      one.reduce((sum, tone, i) => sum + Math.abs(tone.up - above[i].up), 0);
    above = orders.reduce((best, one) => (far(one) < far(best) ? one : best));
    return [{ degree: tones[0], up: degreeSemitones(tones[0]) - 12 }, ...above];
  });
  const last = numerals.split(' ').at(-1) ?? 'I';
  return { name: numerals, tells: NUMBERS[last].split(' ')[0], sounds };
}

/** From the pair that is heard first to the widest choice. */
export const HEARD: Readonly<Record<HeardKind, readonly HeardChoice[]>> = {
  triads: [
    chord('major', '3', '1 3 5'),
    chord('minor', 'b3', '1 b3 5'),
    chord('diminished', 'b5', '1 b3 b5'),
    chord('augmented', '#5', '1 3 #5'),
    chord('sus4', '4', '1 4 5'),
  ],
  // The third on top: a seventh in close order is no sound of a guitar.
  sevenths: [
    chord('maj7', '7', '1 5 7 3'),
    chord('7', 'b7', '1 5 b7 3'),
    chord('m7', 'b3', '1 5 b7 b3'),
    chord('m7b5', 'b5', '1 b5 b7 b3'),
    chord('dim7', 'bb7', '1 b5 bb7 b3'),
  ],
  'sus or third': [
    chord('major', '3', '1 3 5'),
    chord('sus4', '4', '1 4 5'),
    chord('sus2', '2', '1 2 5'),
    chord('minor', 'b3', '1 b3 5'),
    chord('augmented', '#5', '1 3 #5'),
  ],
  'colours on top': [
    chord('6 on top', '6', '1 3 5 6'),
    chord('b7 on top', 'b7', '1 3 5 b7'),
    chord('9 on top', '9', '1 3 5 9'),
    chord('7 on top', '7', '1 3 5 7'),
    chord('root on top', '1', '1 3 5 1'),
  ],
  inversions: [
    chord('root lowest', '1', '1 3 5'),
    chord('third lowest', '3', '3 5 1'),
    chord('fifth lowest', '5', '5 1 3'),
    chord('minor, root lowest', '1', '1 b3 5'),
    chord('minor, third lowest', 'b3', 'b3 5 1'),
  ],
  'degrees over a drone': ['1', '5', '3', '2', '6'].map(overDrone),
  cadences: ['I V I', 'I IV I', 'I V vi', 'I ii V', 'I iv I'].map(inNumbers),
  progressions: ['I IV V I', 'I vi IV V', 'I V vi IV', 'I IV I V', 'I ii V I'].map(inNumbers),
};

/** What a wrong answer mixes up. */
export const HEARD_SLIPS: Readonly<Record<HeardKind, Slip>> = {
  triads: 'another quality',
  sevenths: 'another quality',
  'sus or third': 'third lost',
  'colours on top': 'another colour',
  inversions: 'another lowest tone',
  'degrees over a drone': 'another degree',
  cadences: 'another cadence',
  progressions: 'another progression',
};
