/** The drawing of a card: what stands where. */
import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { drawCard, trueSigns, type CardOptions, type Mark } from '.';

const options: CardOptions = {
  size: 'bench',
  show: 'fingers',
  leftHanded: false,
  leastFrets: 4,
  signs: trueSigns,
};
const content = (text: string) => {
  const frets = must(parseFrets(text));
  return { frets, fingers: must(gradeGrip(frets, averageHand, standardGuitar)).fingering.fingers };
};
const draw = (text: string, change: Partial<CardOptions> = {}, more: object = {}) =>
  drawCard({ ...content(text), ...more }, { ...options, ...change });
const count = (marks: readonly Mark[], is: string) => marks.filter((mark) => mark.is === is).length;
const xs = (marks: readonly Mark[], is: string) =>
  marks.flatMap((mark) =>
    mark.is === is && mark.kind === 'line'
      ? [mark.x1]
      : mark.is === is && mark.kind === 'circle'
        ? [mark.x]
        : [],
  );

test('C: a cross for string 6, rings for the open ones, three numbered dots', () => {
  const { marks } = draw('x32010');
  expect([count(marks, 'mute'), count(marks, 'open'), count(marks, 'dot-text')]).toEqual([1, 2, 3]);
  expect([count(marks, 'string'), count(marks, 'silent'), count(marks, 'nut')]).toEqual([5, 1, 1]);
});

test('F: one capsule, four numbers, two pips beside the number of the barre', () => {
  const { marks } = draw('133211');
  expect([count(marks, 'capsule'), count(marks, 'dot-text'), count(marks, 'pip')]).toEqual([1, 4, 2]);
  // Strings 5, 4 and 3 are stopped higher, so the barre need not press them.
  expect([count(marks, 'higher'), count(marks, 'pressed')]).toEqual([3, 3]);
});

test('left-handed is the mirror image, dot for dot', () => {
  const places = (leftHanded: boolean) => {
    const { marks } = draw('xx0232', { leftHanded });
    const [low, high] = [
      Math.min(...xs(marks, 'string'), ...xs(marks, 'silent')),
      Math.max(...xs(marks, 'string'), ...xs(marks, 'silent')),
    ];
    return xs(marks, 'dot').map((x) => (x - low) / (high - low));
  };
  places(true).forEach((share, i) => expect(share).toBeCloseTo(1 - places(false)[i], 9));
});

test('intervals and notes take the place of fingers, with true signs and R for the root', () => {
  const degrees = [null, '1', '3', '5', '1', 'b7'];
  const notes = [null, 'Eb', 'G', 'Bb', 'Eb', 'Db'];
  const words = (show: 'degrees' | 'notes') =>
    draw('x32010', { show }, { degrees, notes }).marks.flatMap((mark) =>
      mark.kind === 'text' && mark.is !== 'fret-number' ? [mark.text] : [],
    );
  expect(words('degrees')).toEqual(['5', '♭7', 'R', '3', 'R']);
  expect(words('notes')).toEqual(['B♭', 'D♭', 'E♭', 'G', 'E♭']);
});

test('everything drawn lies on the card, for any grip', () => {
  fc.assert(
    fc.property(
      fc.array(fc.option(fc.integer({ min: 0, max: 4 }), { nil: null }), { minLength: 4, maxLength: 8 }),
      fc.integer({ min: 0, max: 14 }),
      fc.constantFrom('thumb', 'list', 'bench', 'lesson'),
      fc.boolean(),
      (cells, up, size, leftHanded) => {
        const frets = cells.map((cell) => (cell === null || cell === 0 ? cell : cell + up));
        const fingers = frets.map((fret) =>
          fret === null ? null : fret === 0 ? (0 as const) : (1 as const),
        );
        const { width, height, marks } = drawCard({ frets, fingers }, { ...options, size, leftHanded });
        for (const mark of marks) {
          if (mark.kind === 'line') {
            expect(Math.min(mark.x1, mark.x2)).toBeGreaterThanOrEqual(-0.01);
            expect(Math.max(mark.x1, mark.x2)).toBeLessThanOrEqual(width + 0.01);
            expect(Math.max(mark.y1, mark.y2)).toBeLessThanOrEqual(height + 0.01);
          } else if (mark.kind === 'circle') {
            expect(mark.x + mark.r).toBeLessThanOrEqual(width + 0.01);
            expect(mark.y - mark.r).toBeGreaterThanOrEqual(-0.01);
          }
        }
      },
    ),
    { numRuns: 200 },
  );
});

test.each([
  ['b3', '♭3'],
  ['bb7', '♭♭7'],
  ['#11', '♯11'],
  ['Bb', 'B♭'],
  ['Ebb', 'E♭♭'],
  ['F##', 'F♯♯'],
  ['B', 'B'],
])('%s is drawn %s', (ascii, signs) => expect(trueSigns(ascii)).toBe(signs));
