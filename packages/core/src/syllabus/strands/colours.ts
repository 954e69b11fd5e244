/** Sevenths and colours: the open ones, three-note shells, then sixths, ninths and the restless ones. */
import { formula } from '../../drills/recipe';
import type { GripMatch } from '../skill';
import { by, grip, held, needs, ring, strandOf } from './making';

const SHELL: GripMatch = { kind: 'grip', layouts: ['shell'] };
const movable = (letter: string, ...qualities: string[]): GripMatch => ({
  kind: 'grip',
  qualities,
  layouts: ['movable'],
  forms: [letter],
  strings: 4,
});
const into = (from: string, ...targets: string[]) =>
  formula({ grip: grip(from), targets, secondsPerCall: 8 } as Parameters<typeof formula>[0]);

export const colours = strandOf('colours', [
  {
    id: 'sevenths.light',
    name: 'A7, E7, D7',
    sentence: 'One finger lifted or moved makes a seventh.',
    needs: needs('open.a|open.e|open.d'),
    ...held('A7 x02020', 'E7 020100', 'D7 xx0212'),
  },
  {
    id: 'sevenths.full',
    name: 'B7, C7, G7',
    sentence: 'The open sevenths with three and four fingers.',
    needs: needs('sevenths.light', 'open.c'),
    ...held('G7 320001', 'C7 x32310', 'B7 x21202'),
  },
  {
    id: 'colours.open-minor',
    name: 'Am7, Em7, Dm7',
    sentence: 'Minor sevenths that are easier than their triads.',
    needs: needs('open.am|open.em'),
    ...held('Am7 x02010', 'Em7 020000', 'Dm7 xx0211'),
  },
  {
    id: 'colours.open-major',
    name: 'Cmaj7, Amaj7, Dmaj7',
    sentence: 'A doubled root lowered one fret.',
    needs: needs('open.c|open.a|open.d'),
    ...held('Cmaj7 x32000', 'Amaj7 x02120', 'Dmaj7 xx0222'),
  },
  {
    id: 'colours.add9',
    name: 'Cadd9 and fingers that stay',
    sentence: 'Two fingers stay on fret 3 while the chords change under them.',
    needs: needs('open.c', 'open.g'),
    ...held('Cadd9 x32033', 'Em7 022033'),
  },
  {
    id: 'colours.sixths',
    name: 'Open sixths',
    sentence: 'C6, A6 and D6, the sound before the major seventh was usual.',
    needs: needs('sevenths.light'),
    ...held('C6 x32210', 'A6 x02222', 'D6 xx0202'),
  },
  {
    id: 'shells.6',
    name: 'Three-note sevenths, root on string 6',
    sentence: 'Root, third and seventh, everything else silent.',
    needs: needs('roots.6'),
    matches: [{ ...SHELL, rootString: 6 }],
    practice: ring('Ab7 4x45xx', 'Gm7 3x33xx', 'Abmaj7 4x55xx'),
  },
  {
    id: 'shells.5',
    name: 'Three-note sevenths, root on string 5',
    sentence: 'The same three notes a string higher.',
    needs: needs('roots.5'),
    matches: [{ ...SHELL, rootString: 5 }],
    practice: ring('Db7 x434xx', 'Ebmaj7 x657xx', 'Cm7 x313xx'),
  },
  {
    id: 'colours.e-form-sevenths',
    name: 'E form sevenths',
    sentence: 'The barre with a finger less: 7 and m7.',
    needs: needs('low.e-major|low.e-minor'),
    barre: true,
    matches: [movable('E', 'dominant7', 'minor7')],
    practice: ring('G7 353433', 'Gm7 353333', 'A7 575655'),
  },
  {
    id: 'colours.a-form-sevenths',
    name: 'A form sevenths',
    sentence: '7, m7 and maj7 with the root on string 5.',
    needs: needs('low.a-minor'),
    barre: true,
    matches: [movable('A', 'dominant7', 'minor7', 'major7')],
    practice: ring('C7 x35353', 'Cm7 x35343', 'Cmaj7 x35453'),
  },
  {
    id: 'colours.half-diminished',
    name: 'm7♭5',
    sentence: 'The chord of the seventh degree and of two in minor.',
    needs: needs('shells.5|colours.a-form-sevenths'),
    matches: [{ kind: 'grip', qualities: ['half-diminished'] }],
    practice: ring('Bm7b5 x2323x', 'Cm7b5 x3434x'),
  },
  {
    id: 'colours.diminished7',
    name: 'Diminished seventh',
    sentence: 'Repeats every three frets and leads a half step up.',
    needs: needs('shells.5|colours.a-form-sevenths'),
    matches: [{ kind: 'grip', qualities: ['diminished7'] }],
    practice: ring('Bdim7 x2313x', 'Cdim7 x3424x'),
  },
  {
    id: 'colours.ninths',
    name: 'Ninths',
    sentence: 'The 2 an octave up on a seventh, root on string 5.',
    needs: needs('shells.5'),
    matches: [{ kind: 'grip', qualities: ['dominant9', 'minor9', 'major9'] }],
    practice: ring('C9 x3233x', 'D9 x5455x'),
  },
  {
    id: 'colours.formula',
    name: 'Sevenths by formula',
    sentence: 'Drops one doubled root to the 7 or the ♭7, adds the 6 or the 9, and says what it became.',
    needs: needs('open.formula', 'sevenths.light'),
    drills: [by(into('C x32010', 'dominant7', 'major7', 'sixth', 'add9'))],
  },
]);
