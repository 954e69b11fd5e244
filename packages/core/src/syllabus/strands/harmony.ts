/** Harmony in a key: number progressions, chords on the degrees, keys found, colours and ways in. */
import {
  approach,
  colourSwap,
  degrees,
  keyDetective,
  numberCalls,
  spellIt,
  triadPairs,
  writeItOut,
} from '../../drills/recipe';
import { also, by, heard, over, loop, needs, said, strandOf } from './making';

const numbers = (...numerals: string[]) => ({ kind: 'progression', numerals }) as const;
const detective = (more: Partial<Parameters<typeof keyDetective>[0]>) =>
  keyDetective({ lists: 3, length: 4, foreign: 0, kinds: 'major', sevenths: false, ask: 'key', secondsPerCall: 40, ...more }, 3); // prettier-ignore
const called = (pool: Parameters<typeof numberCalls>[0]['pool'], keys = 1) =>
  numberCalls({ key: 'C major', pool, keys, length: 8, lead: 4, layout: 'fixed' }, keys);
const written = (what: 'triads' | 'sevenths') =>
  writeItOut({ what, root: 'C', kind: 'major', keys: 3, times: 3, progression: '1 5 6 4', days: 3 }, 3);
const ladder = (of: 'triads' | 'sevenths', place: 'root on 6' | 'root on 5' | 'position') =>
  degrees({ key: 'G major', of, place, position: 3, way: 'up', beatsEach: 4 } as Parameters<
    typeof degrees
  >[0]);

export const harmony = strandOf('harmony', 'use', [
  {
    id: 'numbers.1564',
    name: '1 5 6 4 in open keys',
    sentence: 'Four chords by number in C and in G.',
    needs: needs('near.c-g|near.g-d'),
    targetBpm: 36,
    matches: [numbers('I', 'V', 'vi', 'IV')],
    drills: [
      loop(['C x32010', 'G 320003', 'Am x02210', 'F xx3211'], {
        key: 'C major',
        numerals: ['I', 'V', 'vi', 'IV'],
      }),
      loop(['G 320003', 'D xx0232', 'Em 022000', 'C x32010'], {
        key: 'G major',
        numerals: ['I', 'V', 'vi', 'IV'],
      }),
    ],
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'numbers.145',
    name: '1 4 5 in open keys',
    sentence: 'The three major chords of a key.',
    needs: needs('near.a-d|near.e-am'),
    targetBpm: 42,
    matches: [numbers('I', 'IV', 'V')],
    drills: [loop(['A x02220', 'D xx0232', 'E 022100'], { key: 'A major', numerals: ['I', 'IV', 'V'] })],
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'numbers.251',
    name: '2 5 1 on shells',
    sentence: 'The cadence with three notes each, under one hand.',
    needs: needs('shells.6', 'shells.5'),
    targetBpm: 44,
    matches: [numbers('ii', 'V', 'I')],
    drills: [
      loop(['Bbm7 6x66xx', 'Eb7 x656xx', 'Abmaj7 4x55xx'], { key: 'Ab major', numerals: ['ii', 'V', 'I'] }),
    ],
    find: [said('chords')],
    hear: [heard('cadences')],
  },
  {
    id: 'numbers.minor-home',
    name: '6 4 1 5 in open keys',
    sentence: 'The same four chords heard from the sixth.',
    needs: needs('numbers.1564'),
    targetBpm: 36,
    matches: [numbers('vi', 'IV', 'I', 'V')],
    drills: [
      loop(['Em 022000', 'C x32010', 'G 320003', 'D xx0232'], {
        key: 'G major',
        numerals: ['vi', 'IV', 'I', 'V'],
      }),
    ],
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.spell-triads',
    name: 'Triads, spelled',
    sentence: 'Says 1, 3 and 5 of any triad.',
    needs: needs('reading.spell-notes'),
    drills: [
      by(spellIt({ what: 'triads', key: 'C major', keys: 5, count: 10, secondsPerCall: 12 }, 4), 'what'),
    ],
    step: 'find',
    use: [by(written('triads'), 'what')],
    hear: [heard('triads')],
  },
  {
    id: 'harmony.spell-sevenths',
    name: 'Sevenths, spelled',
    sentence: 'Says the four notes of any seventh.',
    needs: needs('harmony.spell-triads'),
    drills: [
      by(spellIt({ what: 'sevenths', key: 'C major', keys: 5, count: 10, secondsPerCall: 15 }, 4), 'what'),
    ],
    step: 'find',
    use: [by(written('sevenths'), 'what')],
    hear: [heard('sevenths')],
  },
  {
    id: 'harmony.spell-chords',
    name: 'Chords of a key, spelled',
    sentence: 'Says which chord stands on a degree of a key.',
    needs: needs('scales.degrees|harmony.spell-triads'),
    drills: [
      by(spellIt({ what: 'chords', key: 'C major', keys: 5, count: 10, secondsPerCall: 12 }, 4), 'what'),
    ],
    step: 'find',
    use: [by(called('1 4 5'))],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.write-triads',
    name: 'Chords of a key, written',
    sentence: 'Writes the seven triads of a key and plays 1 5 6 4 from the sheet.',
    needs: needs('reading.write-scales'),
    drills: [
      by(
        writeItOut(
          { what: 'triads', root: 'C', kind: 'major', keys: 3, times: 3, progression: '1 5 6 4', days: 3 },
          3,
        ),
        'what',
      ),
    ],
    step: 'find',
    hold: [said('triads')],
    use: [by(called('1 4 5'))],
  },
  {
    id: 'harmony.degrees-6',
    name: 'Degrees along string 6',
    sentence: 'The triads of a key one after the other, roots on string 6.',
    needs: needs('low.e-major', 'harmony.spell-chords'),
    barre: true,
    drills: [by(ladder('triads', 'root on 6'), 'of', 'place')],
    step: 'change',
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.degrees-5',
    name: 'Degrees along string 5',
    sentence: 'The same with roots on string 5.',
    needs: needs('low.a-minor', 'harmony.spell-chords'),
    barre: true,
    drills: [by(ladder('triads', 'root on 5'), 'of', 'place')],
    step: 'change',
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.degrees-position',
    name: 'Degrees in one place',
    sentence: 'Seven chords of a key without moving the hand.',
    needs: needs('harmony.degrees-6', 'harmony.degrees-5'),
    barre: true,
    drills: [by(ladder('triads', 'position'), 'of', 'place')],
    step: 'change',
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.degree-sevenths',
    name: 'Sevenths on the degrees',
    sentence: 'The maj7, the m7 and the 7 where each belongs.',
    needs: needs(
      'harmony.degrees-6|harmony.degrees-5',
      'colours.e-form-sevenths|colours.a-form-sevenths|shells.6',
    ),
    drills: [by(ladder('sevenths', 'root on 6'), 'of'), by(ladder('sevenths', 'root on 5'), 'of')],
    step: 'change',
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
  {
    id: 'harmony.calls-145',
    name: '1, 4 and 5 as they are called',
    sentence: 'Plays the number that is called, in time.',
    needs: needs('numbers.145'),
    targetBpm: 60,
    drills: [by(called('1 4 5'), 'pool')],
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.calls-six',
    name: 'Six numbers as they are called',
    sentence: 'All diatonic numbers but the seventh, in time.',
    needs: needs('harmony.calls-145', 'numbers.1564'),
    targetBpm: 60,
    drills: [by(called('1 2 3 4 5 6'), 'pool'), by(called('1 4 5 6'), 'pool')],
    find: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.key-major',
    name: 'The key of a list',
    sentence: 'Names the major key four chords belong to.',
    needs: needs('harmony.spell-chords'),
    drills: [by(detective({}), 'kinds', 'foreign')],
    step: 'find',
    hold: [said('chords')],
    hear: [heard('cadences')],
  },
  {
    id: 'harmony.key-minor',
    name: 'The minor key of a list',
    sentence: 'Names minor keys as well, by their five.',
    needs: needs('harmony.key-major'),
    drills: [also(by(detective({ kinds: 'minor', sevenths: true })), { kinds: ['minor', 'both'] })],
    step: 'find',
    hold: [said('chords')],
    hear: [heard('cadences')],
  },
  {
    id: 'harmony.key-foreign',
    name: 'What does not belong',
    sentence: 'Finds the chord from outside the key.',
    needs: needs('harmony.key-major'),
    drills: [
      also(by(detective({ foreign: 1, length: 5, ask: 'key, numbers and what is foreign' })), {
        foreign: { from: 1, to: 2 },
      }),
    ],
    step: 'find',
    hold: [said('chords')],
    hear: [heard('progressions')],
  },
  {
    id: 'harmony.approach',
    name: 'Ways into a chord',
    sentence: 'A dominant, a diminished seventh or a two-five before a chord.',
    needs: needs('numbers.251|colours.diminished7'),
    targetBpm: 60,
    drills: [
      by(approach({ home: 'C', targets: 'Am', by: 'dim7', beats: 2 })),
      by(approach({ home: 'C', targets: 'Am', by: 'dominant', beats: 2 })),
    ],
    find: [said('sevenths')],
    hear: [heard('cadences')],
  },
  {
    id: 'harmony.swap',
    name: 'Colours in a progression',
    sentence: 'Swaps a plain chord for a richer one that keeps its place.',
    needs: needs('numbers.1564', 'colours.open-major|shells.6'),
    targetBpm: 60,
    drills: [by(colourSwap({ key: 'C major', numerals: 'I vi IV V', swaps: 1, level: 1, keepTop: true }))],
    find: [said('sevenths')],
    hear: [heard('colours on top')],
  },
  {
    id: 'harmony.pairs',
    name: 'Small triads over a root',
    sentence: 'Two small triads make a big chord over a root.',
    needs: needs('triads.minor'),
    targetBpm: 60,
    drills: [
      by(
        triadPairs({
          root: 'C',
          pair: 'stacked',
          sound: 'maj7',
          strings: [3, 2, 1],
          played: 'stabs',
          roots: 1,
          drone: true,
        }),
      ),
    ],
    find: [said('sevenths')],
    hear: [over('C')],
  },
]);
