import fc from 'fast-check';
import { must } from '../kernel';
import { assignedTo } from './fingerings';
import {
  barresOf,
  checkFrets,
  fingerLabels,
  fingeringsOf,
  fretsText,
  isFullBarre,
  nibble,
  parseFrets,
  relativePattern,
  type Frets,
} from '.';
import { standardGuitar } from '../fretboard';

const frets = (text: string) => must(parseFrets(text));
function labelsOf(grip: Frets, thumb = false): string[] {
  const pattern = new Int8Array(grip.length);
  relativePattern(grip, pattern);
  return fingeringsOf(pattern, thumb).map((one) =>
    fingerLabels(grip, one)
      .map((label) => label ?? 'x')
      .join(''),
  );
}

describe('grips as text', () => {
  test.each([
    ['x32010', 'x32010'],
    ['X02210', 'x02210'],
    ['8-10-10-9-8-8', '8-10-10-9-8-8'],
    ['x 12 14 14 14 12', 'x-12-14-14-14-12'],
  ])('%s reads as %s', (text, back) => {
    expect(fretsText(frets(text))).toBe(back);
  });

  test('what is no fret is named by its place', () => {
    const read = parseFrets('x3q010');
    expect(read.ok ? '' : read.problem).toMatchObject({ code: 'grip.text', at: '2' });
  });

  test('reading back what was written gives the same grip', () => {
    const fret = fc.option(fc.integer({ min: 0, max: 22 }), { nil: null });
    fc.assert(
      fc.property(fc.array(fret, { minLength: 4, maxLength: 8 }), (grip) => {
        expect(frets(fretsText(grip))).toEqual(grip);
      }),
    );
  });

  test('six mutes, fret 40 and three strings are no grips', () => {
    const code = (grip: Frets) => {
      const checked = checkFrets(grip, standardGuitar);
      return checked.ok ? 'fine' : checked.problem.code;
    };
    expect(
      [
        [null, null, null, null, null, null],
        [40, 0, 0, 0, 0, 0],
        [0, 0, 0],
        [0, 2.5, 0, 0, 0, 0],
        [0, 2, 2, 0, 0, 0],
      ].map(code),
    ).toEqual(['grip.silent', 'grip.fret', 'grip.strings', 'grip.fret', 'fine']);
  });
});

describe('fingerings', () => {
  test('an open grip needs no finger and has one way', () => {
    expect(labelsOf(frets('000000'))).toEqual(['000000']);
  });

  test('the usual ways are among them', () => {
    expect(labelsOf(frets('xx0232'))).toContain('xx0132');
    expect(labelsOf(frets('133211'))).toContain('134211');
    expect(labelsOf(frets('x02220'))).toEqual(expect.arrayContaining(['x01230', 'x02130', 'x01110']));
    expect(labelsOf(frets('2x0232'), true)).toContain('Tx0132');
  });

  test('a barre never covers an open, muted or lower string', () => {
    expect(labelsOf(frets('202022')).filter((labels) => /1.1/.test(labels))).toEqual([]);
    expect(labelsOf(frets('2x2222')).some((labels) => labels.startsWith('1x1'))).toBe(false);
    expect(labelsOf(frets('212222')).some((labels) => /^(\d).\1/.test(labels))).toBe(false);
  });

  test('every fingering keeps the rules, on random patterns', () => {
    const cell = fc.oneof(fc.constant(null), fc.constant(0), fc.integer({ min: 3, max: 7 }));
    fc.assert(
      fc.property(fc.array(cell, { minLength: 6, maxLength: 6 }), (grip) => {
        const pattern = new Int8Array(6);
        relativePattern(grip, pattern);
        for (const one of fingeringsOf(pattern, false)) {
          const labels = fingerLabels(grip, one);
          labels.forEach((label, s) => {
            expect(label === null).toBe(grip[s] === null);
            expect(label === 0).toBe(grip[s] === 0);
          });
          for (let a = 1; a <= 4; a++) {
            for (let b = a + 1; b <= 4; b++) {
              if (!nibble(one.pressed, a) || !nibble(one.pressed, b)) continue;
              expect(nibble(one.fret, a)).toBeLessThanOrEqual(nibble(one.fret, b));
            }
          }
          for (const barre of barresOf(grip, labels)) {
            for (let s = barre.fromIndex; s <= barre.toIndex; s++)
              expect(grip[s] ?? -1).toBeGreaterThanOrEqual(barre.fret);
            expect(barre.toIndex - barre.fromIndex + 1).toBeLessThanOrEqual([0, 6, 3, 4, 3][barre.finger]);
          }
        }
      }),
      { numRuns: 300 },
    );
  });

  test('a full barre is the index over four strings or another finger over three', () => {
    const of = (grip: string, labels: (0 | 1 | 2 | 3 | 4 | null)[]) =>
      barresOf(frets(grip), labels).map(isFullBarre);
    expect(of('133211', [1, 3, 4, 2, 1, 1])).toEqual([true]);
    expect(of('xx3211', [null, null, 3, 2, 1, 1])).toEqual([false]);
    expect(of('x1333x', [null, 1, 3, 3, 3, null])).toEqual([true]);
  });
});

test('the structure of fingers by string is that of the enumeration, thumb and swapped pairs among them', () => {
  for (const text of ['x32010', 'x02220', '133211', '200232', 'x24442', 'x3434x', '3x345x']) {
    const grip = frets(text);
    const pattern = new Int8Array(grip.length);
    relativePattern(grip, pattern);
    const all = fingeringsOf(pattern, true);
    expect(all.length).toBeGreaterThan(1);
    for (const one of all) expect(assignedTo(one.assigned, pattern)).toEqual(one);
  }
});
