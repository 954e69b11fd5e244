import { averageHand } from '../../../fretboard/hand';
import { DEFAULT_LIMITS } from '../../../hands';
import { standardGuitar } from '../../../fretboard/instrument';
import { must } from '../../../kernel/result';
import { majorKeys } from '../../../theory/key';
import type { DrillContext } from '../../../hands/taught-hand';
import { easier, harder, makeDrill, nearestRecipe } from '../../make-drill';
import { degrees, type DegreesRecipe } from '.';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const at = (more: Partial<DegreesRecipe['parameters']>): DegreesRecipe =>
  degrees({
    key: 'Eb major',
    of: 'triads',
    place: 'root on 5',
    position: 5,
    way: 'up',
    beatsEach: 4,
    ...more,
  });
const gripsOf = (recipe: DegreesRecipe, within = context) =>
  must(makeDrill(recipe, within)).steps.map((step) => {
    if (!step.grip) throw new Error('a step without a grip');
    return step.grip;
  });
const chords = (recipe: DegreesRecipe) => gripsOf(recipe).map((grip) => grip.chord);

// Written out by hand: pitch classes of open strings and of names, and the intervals of a chord above its root.
const OPEN = [4, 9, 2, 7, 11, 4];
const LETTERS: Readonly<Record<string, number>> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const ABOVE: Readonly<Record<string, readonly number[]>> = {
  '': [0, 4, 7],
  m: [0, 3, 7],
  dim: [0, 3, 6],
  maj7: [0, 4, 7, 11],
  m7: [0, 3, 7, 10],
  '7': [0, 4, 7, 10],
  m7b5: [0, 3, 6, 10],
};
function pitchClasses(symbol: string): { root: number; tones: readonly number[] } {
  const [, letter, sign, kind] = /^([A-G])(b|#|)(.*)$/.exec(symbol) ?? [];
  const root = (LETTERS[letter] + (sign === 'b' ? 11 : sign === '#' ? 1 : 0)) % 12;
  return { root, tones: ABOVE[kind].map((above) => (root + above) % 12) };
}
const sounding = (frets: readonly (number | null)[]) =>
  frets.flatMap((fret, s) => (fret === null ? [] : [(OPEN[s] + fret) % 12]));

test('the seven chords of a key from the lowest place on, spelled as the key spells them', () => {
  // Eb lies at fret 6 of string 5, where seven more do not fit: D at fret 5 would need 15 and more, Bb at fret 1 fits.
  expect(chords(at({}))).toEqual(['Bb', 'Cm', 'Ddim', 'Eb', 'Fm', 'Gm', 'Ab']);
  expect(chords(at({ key: 'F major', place: 'root on 6' }))).toEqual([
    'F',
    'Gm',
    'Am',
    'Bb',
    'C',
    'Dm',
    'Edim',
  ]);
  expect(chords(at({ key: 'F major', place: 'root on 6', of: 'sevenths' }))).toEqual([
    'Fmaj7',
    'Gm7',
    'Am7',
    'Bbmaj7',
    'C7',
    'Dm7',
    'Em7b5',
  ]);
  expect(chords(at({ key: 'F# major', place: 'position' }))).toContain('E#dim');
});

test('down is up backwards, and both come back to where they began', () => {
  const up = chords(at({}));
  expect(chords(at({ way: 'down' }))).toEqual([...up].reverse());
  expect(chords(at({ way: 'both' }))).toEqual([...up, ...[...up].reverse().slice(1)]);
});

test.each(['root on 6', 'root on 5', 'root on 4'] as const)(
  'in every key, %s: roots rise along that string, the same strings sound, and each grip is its chord',
  (place) => {
    const index = 6 - Number(place.at(-1));
    for (const { name } of majorKeys())
      for (const stack of ['triads', 'sevenths'] as const) {
        const grips = gripsOf(at({ key: name, of: stack, place }));
        const roots = grips.map((grip) => grip.frets[index] ?? -1);
        expect(roots).toEqual([...roots].sort((a, b) => a - b));
        expect(new Set(roots).size).toBe(7);
        expect(new Set(grips.map((grip) => grip.frets.map((fret) => fret === null).join())).size).toBe(1);
        for (const { chord, frets } of grips) {
          const { root, tones } = pitchClasses(chord);
          expect(frets.slice(0, index).every((fret) => fret === null)).toBe(true);
          expect(sounding(frets)[0]).toBe(root);
          for (const one of sounding(frets)) expect(tones).toContain(one);
          for (const fret of frets) if (fret !== null) expect(fret >= 1 && fret <= 15).toBe(true);
        }
      }
  },
);

test('in one position no fret lies further than one below the index or four above', () => {
  for (const position of [2, 5, 7])
    for (const { chord, frets } of gripsOf(at({ place: 'position', position }))) {
      for (const fret of frets)
        if (fret !== null) expect(fret >= position - 1 && fret <= position + 4).toBe(true);
      for (const one of sounding(frets)) expect(pitchClasses(chord).tones).toContain(one);
    }
});

test('the grips a teacher draws: one kind up the neck, and fewer strings for a hand that must not press much', () => {
  const inC = at({ key: 'C major' });
  const frets = (within: DrillContext) =>
    gripsOf(inC, within).map((grip) => grip.frets.map((fret) => fret ?? 'x').join(' '));
  expect(frets(context).slice(0, 3)).toEqual(['x 2 3 4 3 x', 'x 3 5 5 5 x', 'x 5 7 7 6 x']);
  const light = { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 40 } };
  expect(must(makeDrill(inC, light)).heaviestGrip).toBeLessThanOrEqual(40);
  expect(must(makeDrill(inC, context)).heaviestGrip).toBeGreaterThan(40);
  const none = makeDrill(inC, { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 1 } });
  expect(!none.ok && [none.problem.code, none.problem.at]).toEqual(['drill.reach', 'string 5']);
});

test('a key that is none of the fifteen is refused, and the nearest that can be built is in C', () => {
  const odd = at({ key: 'D# major' });
  expect(makeDrill(odd, context).ok).toBe(false);
  const nearest = nearestRecipe(odd, context);
  expect(nearest?.family === 'degrees' && nearest.parameters.key).toBe('C major');
  for (const wrong of [{ beatsEach: 9 }, { place: 'position' as const, position: 13 }])
    expect(makeDrill(at(wrong), context).ok).toBe(false);
});

test('harder takes sevenths, then both ways, then tempo; each grades at least as high, and easier never higher', () => {
  let recipe: DegreesRecipe = at({});
  const steps: string[] = [];
  for (let i = 0; i < 4; i++) {
    const now = must(makeDrill(recipe, context)).effort;
    const next = must(harder(recipe, context));
    if (next.family !== 'degrees') throw new Error(next.family);
    expect(must(makeDrill(next, context)).effort).toBeGreaterThanOrEqual(now);
    const down = easier(next, context);
    if (down.ok)
      expect(must(makeDrill(down.value, context)).effort).toBeLessThanOrEqual(
        must(makeDrill(next, context)).effort,
      );
    steps.push(`${next.parameters.of} ${next.parameters.way}`);
    recipe = next;
  }
  expect(steps[0]).toMatch(/^(sevenths up|triads both)$/);
  expect(steps.at(-1)).toMatch(/both$/);
  let easy: DegreesRecipe = at({ of: 'sevenths', way: 'both', tempoBpm: 30 });
  const seen: string[] = [];
  for (let next = easier(easy, context); next.ok && seen.length < 5; next = easier(easy, context)) {
    if (next.value.family !== 'degrees') throw new Error(next.value.family);
    easy = next.value;
    seen.push(`${easy.parameters.of} ${easy.parameters.way}`);
  }
  expect(seen[0]).toBe('sevenths up');
  expect(seen.length).toBeLessThan(5);
});
