/** Movable forms: a barre closes the open strings, and the grip names a chord at every fret. */
import { familyLadder, fiveForms } from '../../drills/recipe';
import type { GripMatch } from '../skill';
import { way, between, by, heard, loop, needs, ring, strandOf, strum, walk } from './making';

const form = (letter: string, qualities: readonly string[], strings: number): GripMatch => ({
  kind: 'grip',
  qualities,
  layouts: ['movable'],
  forms: [letter],
  strings,
});
const E_MAJOR = form('E', ['major'], 6);
const E_MINOR = form('E', ['minor'], 6);
const A_MAJOR = form('A', ['major'], 4);
const A_MINOR = form('A', ['minor'], 4);
const ANY_BARRE: GripMatch = { ...form('E', ['major', 'minor'], 4), forms: ['E', 'A'] };
const ladder = (letter: 'C' | 'A' | 'G' | 'E' | 'D', root: string) =>
  familyLadder({ root, form: letter, beatsEach: 4 });
const five = (quality: string, root = 'C') =>
  fiveForms({ root, quality, order: 'up and down', barsEach: 1, keys: 1, next: 'fourths', allowOpen: false } as Parameters<typeof fiveForms>[0]); // prettier-ignore

export const forms = strandOf('forms', 'hold', [
  {
    id: 'low.e-minor',
    name: 'E form minor, frets 1 to 4',
    sentence: 'A barre with two fingers more, low on the neck.',
    needs: needs('open.small-f|near.c-g'),
    barre: true,
    matches: [{ ...E_MINOR, position: [1, 4] }],
    drills: ring('Gm 355333', 'Abm 466444', 'F#m 244222'),
    ...walk('Cm x35543', 'Gm 355333', 'G minor', 'triads'),
  },
  {
    id: 'low.e-major',
    name: 'E form major, frets 1 to 4',
    sentence: 'The full F and its neighbours.',
    needs: needs('low.e-minor', 'roots.6'),
    barre: true,
    matches: [{ ...E_MAJOR, position: [1, 4] }],
    drills: ring('G 355433', 'Ab 466544', 'F 133211'),
    ...walk('C x32010', 'F 133211', 'C major', 'triads'),
  },
  {
    id: 'low.a-minor',
    name: 'A form minor, frets 1 to 4',
    sentence: 'Bm, Cm and their neighbours.',
    needs: needs('open.small-f|near.c-g'),
    barre: true,
    matches: [{ ...A_MINOR, position: [1, 4] }],
    drills: ring('Cm x35543', 'Bm x24432', 'Bbm x13321'),
    ...walk('Gm 355333', 'Cm x35543', 'G minor', 'triads'),
  },
  {
    id: 'forms.a-major-low',
    name: 'A form major, frets 1 to 4',
    sentence: 'Bb, B and C with the root on string 5.',
    needs: needs('low.a-minor'),
    barre: true,
    matches: [{ ...A_MAJOR, position: [1, 4] }],
    drills: ring('C x35553', 'B x24442', 'Bb x1333x'),
    ...walk('F 133211', 'Bb x1333x', 'Bb major', 'triads', 'pivot'),
  },
  {
    id: 'high.e-form',
    name: 'E form, frets 5 to 9',
    sentence: 'The same grip where the frets are closer.',
    needs: needs('low.e-minor'),
    barre: true,
    matches: [{ ...E_MAJOR, qualities: ['major', 'minor'], position: [5, 9] }],
    drills: ring('Bm 799777', 'Bb 688766', 'A 577655'),
    ...walk('E x79997', 'A 577655', 'A major', 'triads'),
  },
  {
    id: 'high.a-form',
    name: 'A form major, frets 5 to 9',
    sentence: 'D to F sharp with the root on string 5.',
    needs: needs('low.a-minor'),
    barre: true,
    matches: [{ ...A_MAJOR, position: [5, 9] }],
    drills: ring('Eb x6888x', 'E x79997'),
    ...walk('A 577655', 'E x79997', 'E major', 'triads'),
  },
  {
    id: 'forms.a-minor-high',
    name: 'A form minor, frets 5 to 9',
    sentence: 'Dm to F sharp minor with the root on string 5.',
    needs: needs('low.a-minor'),
    barre: true,
    matches: [{ ...A_MINOR, position: [5, 9] }],
    drills: ring('Em x79987', 'Dm x57765'),
    ...walk('Bm 799777', 'Em x79987', 'B minor', 'triads'),
  },
  {
    id: 'forms.d-form',
    name: 'D form',
    sentence: 'Four strings with the root on string 4, anywhere.',
    needs: needs('open.d', 'triads.major'),
    matches: [form('D', ['major', 'minor'], 4)],
    drills: ring('F xx3565', 'G xx5787', 'Fm xx3564'),
    ...walk('C x35553', 'G xx5787', 'G major', 'triads'),
  },
  {
    id: 'forms.c-form',
    name: 'C form',
    sentence: 'The open C moved up with its little finger.',
    needs: needs('open.c', 'roots.5'),

    matches: [form('C', ['major'], 4)],
    drills: ring('Eb x65343', 'D x54232'),
    ...walk('A 577655', 'D x54232', 'D major', 'triads'),
  },
  {
    id: 'forms.ladder-e',
    name: 'Ladder of the E form',
    sentence: 'Walks one root through its qualities without leaving the form.',
    needs: needs('low.e-major'),

    drills: [by(ladder('E', 'A'), 'form')],
    hear: [heard('sevenths')],
  },
  {
    id: 'forms.ladder-a',
    name: 'Ladder of the A form',
    sentence: 'The same around a root on string 5.',
    needs: needs('low.a-minor'),

    drills: [by(ladder('A', 'D'), 'form')],
    hear: [heard('sevenths')],
  },
  {
    id: 'forms.five-major',
    name: 'One major chord, five places',
    sentence: 'Finds a major chord in all its forms up the neck and back.',
    needs: needs('high.e-form', 'high.a-form', 'forms.c-form|forms.d-form'),
    barre: true,
    drills: [by(five('major'), 'quality')],
    step: 'find',
    hear: [heard('triads')],
  },
  {
    id: 'forms.five-minor',
    name: 'One minor chord, five places',
    sentence: 'Finds a minor chord in all its forms.',
    needs: needs('forms.five-major'),
    barre: true,
    drills: [by(five('minor', 'A'), 'quality')],
    step: 'find',
    hear: [heard('triads')],
  },
  {
    id: 'shifts.same-form',
    name: 'One form moved two frets or more',
    sentence: 'Keeps the grip and moves the arm.',
    needs: needs('low.e-minor'),
    targetBpm: 34,
    barre: true,
    matches: [between(ANY_BARRE, ANY_BARRE, [2, 9])],
    drills: [loop(['Gm 355333', 'Am 577555']), loop(['G 355433', 'A 577655'])],
    step: 'change',
    find: [by(way('slide', 'Gm 355333', 'Am 577555'), 'piece', 'grips')],
    use: [strum(1, 'Gm 355333', 'Am 577555')],
  },
]);
