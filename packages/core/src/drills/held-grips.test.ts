import { averageHand, makeHand, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS } from '../hands';
import { must } from '../kernel/result';
import { parseChord } from '../theory/chord';
import { readNote } from '../theory/note';
import { pitchAt } from '../fretboard/instrument';
import { gradeIn } from './in-context';
import { changeLoop, pieceSection, ringCheck, strumReading, makeDrill, warmUp } from './index';
import { heldGrip } from './held-grip';
import { forHand, rekeyForHand } from './held-grips';
import type { NamedGrip, Recipe } from './recipe';

const A_MINOR = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const F_BARRE = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const small = {
  hand: must(makeHand({ sizeFactor: 0.85 })),
  instrument: standardGuitar,
  limits: { ...DEFAULT_LIMITS, gripEffort: 50 },
};
const strong = {
  hand: averageHand,
  instrument: standardGuitar,
  limits: { ...DEFAULT_LIMITS, gripEffort: 95 },
};
const strum = strumReading({ grips: [A_MINOR, F_BARRE], beats: 4, level: 2, bars: 8 });
const gripsOf = (recipe: Recipe): readonly NamedGrip[] =>
  recipe.family !== 'piece section' && 'grips' in recipe.parameters ? recipe.parameters.grips : [];

test('a grip over the limit of this hand gives way to one of the same chord inside it; the others stay', () => {
  const [a, f] = gripsOf(forHand(strum, small));
  expect(a).toEqual(A_MINOR);
  expect(f.chord).toBe('F');
  expect(f.frets).not.toEqual(F_BARRE.frets);
  const graded = gradeIn(f.frets, small);
  expect(graded.ok && graded.value.total).toBeLessThanOrEqual(50);
  // Every note of it is one of F, A, C.
  const tones = must(parseChord('F')).tones.map((tone) => tone.note.letter);
  expect(tones).toEqual(['F', 'A', 'C']);
  f.frets.forEach((fret, s) => {
    if (fret !== null) expect([5, 9, 0]).toContain(pitchAt(standardGuitar, s, fret) % 12);
  });
});

test('what the hand holds already is the same recipe, not a copy', () => {
  expect(forHand(strum, strong)).toBe(strum);
  const plain = warmUp(3);
  expect(forHand(plain, small)).toBe(plain);
  const ring = ringCheck(F_BARRE);
  expect(forHand(ring, strong)).toBe(ring);
  expect(forHand(ring, small)).not.toBe(ring);
});

test('a chord that no hand holds here keeps its grip', () => {
  expect(heldGrip('no chord', small)).toBeNull();
  const odd = ringCheck({ chord: 'no chord', frets: [1, 3, 3, 2, 1, 1] });
  expect(forHand(odd, { ...small, limits: { ...DEFAULT_LIMITS, gripEffort: 1 } })).toBe(odd);
});

test('a loop of open grips goes through every key on grips this hand holds', () => {
  const loop = changeLoop({ grips: [A_MINOR, { chord: 'C', frets: [null, 3, 2, 0, 1, 0] }], beatsEach: 4 });
  for (const root of ['A', 'Bb', 'B', 'C', 'Db', 'D', 'Eb', 'E', 'F', 'F#', 'G', 'Ab']) {
    const moved = must(rekeyForHand(loop, readNote(root)!.note, strong));
    expect([root, makeDrill(moved, strong).ok]).toEqual([root, true]);
    expect(gripsOf(moved)[0].chord).toBe(`${root}m`);
  }
  expect(gripsOf(must(rekeyForHand(loop, readNote('B')!.note, strong)))[1].chord).toBe('D');
});

describe('bars of a piece', () => {
  const bars = (more: Partial<Parameters<typeof pieceSection>[0]> = {}) =>
    pieceSection({
      pieceId: 'p',
      title: 'Paper Boats',
      fromBar: 5,
      toBar: 7,
      chart: 'title: Paper Boats\nkey: C major\n\n[A]\n| Am | F | F |\n',
      grips: [A_MINOR.frets, F_BARRE.frets, null],
      part: 'as written',
      ...more,
    });
  const framed = (recipe: Recipe) => (recipe.family === 'piece section' ? recipe.parameters.grips : []);

  test('are held by this hand: its grips stay, a heavier one gives way, a bar without a grip stays without', () => {
    const made = forHand(bars(), small);
    const [a, f, none] = framed(made);
    expect([a, none]).toEqual([A_MINOR.frets, null]);
    expect(f).toEqual(heldGrip('F', small)?.frets);
    expect(makeDrill(made, small).ok).toBe(true);
  });

  test('that this hand holds already are the same recipe; so is a melody, and a chart that cannot be read', () => {
    const held = bars();
    expect(forHand(held, strong)).toBe(held);
    const melody = bars({ part: 'melody' });
    expect(forHand(melody, small)).toBe(melody);
    const torn = bars({ chart: '| Hmm | F | F |' });
    expect(forHand(torn, small)).toBe(torn);
  });

  test('with a capo are held above it', () => {
    const chart = 'title: Paper Boats\nkey: C major\ncapo: 5\n\n[A]\n| Am | F | F |\n';
    const [, f] = framed(forHand(bars({ chart }), small));
    const above = { ...small, instrument: { ...standardGuitar, capo: 5 } };
    expect(f).toEqual(heldGrip('F', above)?.frets);
  });
});
