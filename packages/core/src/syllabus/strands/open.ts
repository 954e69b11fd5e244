/** Triads and open grips: one grip after the other, the sus pairs, then three strings anywhere on the neck. */
import { closeTriads, formula, spellIt, triadPairs } from '../../drills/recipe';
import { beside, by, exactly, grip, heard, held, loop, needs, ring, strandOf, strum, walk } from './making';

const close = (
  strings: [number, number, number],
  qualities: ('major' | 'minor' | 'diminished' | 'augmented')[],
  root = 'C',
) => closeTriads({ root, strings, qualities, beatsEach: 4 });
const stabs = (root: string) =>
  triadPairs({ root, pair: 'stacked', sound: root === 'A' ? 'm7' : 'maj7', strings: [3, 2, 1], played: 'stabs', roots: 1, drone: true }); // prettier-ignore
/** Three neighbouring strings; a list is no value that can be matched, so the grips of it are. */
const TOP = { kind: 'grip', topThree: true } as const;

export const open = strandOf('open', 'hold', [
  {
    id: 'open.em',
    name: 'Em',
    sentence: 'Two fingers, six strings, every string rings.',
    ...held('Em 022000'),
    use: [strum(1, 'Em 022000')],
    hear: [heard('triads')],
  },
  {
    id: 'open.e',
    name: 'E',
    sentence: 'One finger more makes it major.',
    needs: needs('open.em'),
    ...held('E 022100'),
    ...walk('Am x02210', 'E 022100', 'A minor', 'triads'),
  },
  {
    id: 'open.am',
    name: 'Am',
    sentence: 'The same hand one string over.',
    needs: needs('open.em'),
    ...held('Am x02210'),
    ...walk('Em 022000', 'Am x02210', 'E minor', 'triads'),
  },
  {
    id: 'open.a',
    name: 'A',
    sentence: 'Three fingers in one fret, the outer string silent.',
    ...held('A x02220'),
    change: [loop(['E 022100', 'A x02220'])],
    use: [strum(1, 'A x02220')],
    hear: [heard('triads')],
  },
  {
    id: 'open.d',
    name: 'D',
    sentence: 'Four strings, the root on string 4.',
    ...held('D xx0232'),
    ...walk('A x02220', 'D xx0232', 'D major', 'triads'),
  },
  {
    id: 'open.dm',
    name: 'Dm',
    sentence: 'D with its third lowered.',
    needs: needs('open.d|open.am'),
    ...held('Dm xx0231'),
    ...walk('Am x02210', 'Dm xx0231', 'A minor', 'triads'),
  },
  {
    id: 'open.c',
    name: 'C',
    sentence: 'Three frets at once, string 1 left free.',
    needs: needs('open.am'),
    ...held('C x32010'),
    ...walk('Am x02210', 'C x32010', 'C major', 'triads', 'pivot'),
  },
  {
    id: 'open.g',
    name: 'G',
    sentence: 'Six strings with two or three fingers.',
    needs: needs('open.em'),
    matches: [exactly('320003', '320033')],
    drills: ring('G 320003'),
    ...walk('Em 022000', 'G 320003', 'G major', 'triads'),
  },
  {
    id: 'open.small-f',
    name: 'F on four strings',
    sentence: 'Two strings under one finger, no full barre.',
    needs: needs('open.c'),
    ...held('F xx3211'),
    ...walk('C x32010', 'F xx3211', 'C major', 'triads'),
  },
  {
    id: 'open.sus-d',
    name: 'Dsus2, Dsus4',
    sentence: 'Lifts or adds a finger and hears the third go and come back.',
    needs: needs('open.d'),
    ...held('Dsus2 xx0230', 'Dsus4 xx0233'),
    ...beside(['D xx0232', 'Dsus4 xx0233'], 2, 'sus or third'),
  },
  {
    id: 'open.sus-a',
    name: 'Asus2, Asus4',
    sentence: 'The same game around A.',
    needs: needs('open.a'),
    ...held('Asus2 x02200', 'Asus4 x02230'),
    ...beside(['A x02220', 'Asus4 x02230'], 2, 'sus or third', 'pivot'),
  },
  {
    id: 'open.formula',
    name: 'Triads by formula',
    sentence: 'Lowers the 3, lowers the 5, raises the 5 and says what it became.',
    needs: needs('open.e|open.d|open.a'),
    drills: [
      by(formula({ grip: grip('E 022100'), targets: ['minor', 'sus4', 'augmented'], secondsPerCall: 8 })),
    ],
    step: 'find',
    hold: [
      by(spellIt({ what: 'triads', key: 'C major', keys: 3, count: 10, secondsPerCall: 12 }, 4), 'what'),
    ],
    hear: [heard('triads')],
  },
  {
    id: 'triads.major',
    name: 'Major, strings 3-2-1',
    sentence: 'Three inversions of a major triad along the top strings.',
    needs: needs('open.d'),
    matches: [{ ...TOP, qualities: ['major'] }],
    drills: [...ring('F xxx565', 'Eb xxx343', 'F xxx211')],
    change: [close([3, 2, 1], ['major'], 'F')],
    use: [stabs('C')],
    hear: [heard('inversions')],
  },
  {
    id: 'triads.minor',
    name: 'Minor, strings 3-2-1',
    sentence: 'Three inversions of a minor triad along the top strings.',
    needs: needs('triads.major'),
    matches: [{ ...TOP, qualities: ['minor'] }],
    drills: [...ring('Fm xxx564', 'Cm xxx543', 'Fm xxx111')],
    change: [close([3, 2, 1], ['minor'], 'F')],
    use: [stabs('A')],
    hear: [heard('triads')],
  },
  {
    id: 'triads.dim-aug',
    name: 'Diminished and augmented, strings 3-2-1',
    sentence: 'The two restless triads on the top strings.',
    needs: needs('triads.minor'),
    matches: [{ ...TOP, qualities: ['diminished', 'augmented'] }],
    drills: ring('Ddim xxx764', 'Caug xxx554'),
    change: [close([3, 2, 1], ['diminished', 'augmented'], 'D')],
    hear: [heard('triads')],
  },
]);
