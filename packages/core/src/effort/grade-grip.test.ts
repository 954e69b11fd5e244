import { averageHand, makeHand, standardGuitar, type Hand } from '../fretboard';
import { fretsText, parseFrets, type Frets } from '../grips';
import { must } from '../kernel';
import shapePairs from '../reference/shape-pairs.json';
import { findShapes } from '../shapes';
import { parseChord } from '../theory';
import { fingeringsFor, gradeGrip } from './grade-grip';

const hands: Record<string, number> = { small: 0.85, medium: 1, large: 1.12 };
const frets = (text: string) => must(parseFrets(text));
const grade = (text: string, hand: Hand = averageHand) => must(gradeGrip(frets(text), hand, standardGuitar));

describe('gradeGrip', () => {
  test.each([
    ['022000', 18],
    ['x02210', 33],
    ['022100', 33],
    ['xx0232', 33],
    ['x32010', 40],
    ['320003', 35],
    ['xx3211', 49],
    ['x24432', 63],
    ['355433', 64],
    ['577655', 60],
    ['133211', 76],
    ['x13331', 78],
    ['141221', 87],
  ])('%s holds its anchor grade %i within 5 points', (text, anchor) => {
    expect(Math.abs(grade(text).total - anchor)).toBeLessThanOrEqual(5);
  });

  test.each([
    ['small', 82],
    ['large', 73],
  ])('F barre for a %s hand is %i within 5', (name, anchor) => {
    const hand = must(makeHand({ sizeFactor: hands[name] }));
    expect(Math.abs(grade('133211', hand).total - anchor)).toBeLessThanOrEqual(5);
  });

  test('every pair that teachers agree on is in order', () => {
    const one = (side: { frets: Frets; hand: string; scale: number; thumb: boolean }) => {
      const hand = must(makeHand({ sizeFactor: hands[side.hand], thumbOver: side.thumb }));
      const graded = gradeGrip(side.frets, hand, { ...standardGuitar, scaleLengthMm: side.scale });
      return graded.ok ? graded.value.points : Number.POSITIVE_INFINITY;
    };
    const wrong = shapePairs.filter((pair) => !(one(pair.easier) < one(pair.harder)));
    expect(
      wrong.map(
        (pair) => `${pair.easier.name} ${pair.easier.frets} < ${pair.harder.name} ${pair.harder.frets}`,
      ),
    ).toEqual([]);
    expect(shapePairs.length).toBe(63);
  });

  test.each([
    ['x32010', 'x,3,2,0,1,0'],
    ['133211', '1,3,4,2,1,1'],
    ['355433', '1,3,4,2,1,1'],
    ['xx0232', 'x,x,0,1,3,2'],
    ['x02210', 'x,0,2,3,1,0'],
    ['022100', '0,2,3,1,0,0'],
  ])('%s is fingered %s', (text, fingers) => {
    const labels = grade(text)
      .fingering.fingers.map((label) => label ?? 'x')
      .join();
    expect(labels).toBe(fingers);
  });

  test('111111 is one barre and nothing else', () => {
    expect(grade('111111').fingering.fingers).toEqual([1, 1, 1, 1, 1, 1]);
  });

  test('x13331 is not a little-finger barre with finger 2', () => {
    const fingers = grade('x13331').fingering.fingers.join();
    expect(fingers).not.toContain('4,4,4');
  });

  test('A offers 2-1-3, whose index stays for D, among its fingerings', () => {
    const pinned = gradeGrip(frets('x02220'), averageHand, standardGuitar, { pinned: [null, 0, 2, 1, 3, 0] });
    expect(pinned.ok).toBe(true);
  });

  test('parts sum to the points and the grade follows from them', () => {
    const effort = grade('x24432');
    const sum = effort.parts.reduce((total, part) => total + part.points, 0);
    expect(sum).toBeCloseTo(effort.points, 9);
    expect(effort.total).toBeCloseTo(100 * (1 - Math.exp(-effort.points / 60)), 9);
    expect(effort.parts.map((part) => part.name)).toHaveLength(9);
  });

  test('thumb over the top is used only by a hand that has it', () => {
    const thumb = must(makeHand({ thumbOver: true, sizeFactor: 1.12 }));
    const withThumb = must(gradeGrip(frets('2x0232'), thumb, standardGuitar));
    expect(withThumb.fingering.fingers[0]).toBe('T');
    const without = gradeGrip(frets('2x0232'), averageHand, standardGuitar);
    expect(without.ok && without.value.fingering.fingers.includes('T')).toBe(false);
  });

  test.each([
    [[null, null, null, null, null, null], 'grip.silent'],
    [[0, 2, 2], 'grip.strings'],
    [[40, 0, 0, 0, 0, 0], 'grip.fret'],
    [[1, 2, 3, 4, 5, 6], 'grip.reach'],
    [[1, 2, 3, 1, 2, 3], 'grip.fingers'],
  ])('%j is refused as %s', (bad, code) => {
    const result = gradeGrip(bad, averageHand, standardGuitar);
    expect(result.ok ? '' : result.problem.code).toBe(code);
  });
});

describe('fingerings that are as easy', () => {
  const ties = (text: string) => grade(text).ties.map((one) => one.fingers.map((f) => f ?? 'x').join(''));
  test('a barre of ring and three fingers hold a high A within half a point: either is comfortable', () => {
    const high = grade('x-12-14-14-14-x');
    expect(high.fingering.fingers.join('')).toBe('1333');
    expect(ties('x-12-14-14-14-x')).toEqual(['x1234x']);
    expect(high.ties[0].points - high.points).toBeGreaterThan(0.1);
    expect(high.ties[0].points - high.points).toBeLessThanOrEqual(0.5);
  });
  test('a second fingering that costs more than that is no tie', () => {
    expect(ties('x02220')).toEqual([]);
    expect(ties('133211')).toEqual([]);
  });
});

describe('fingerings that players agree on', () => {
  const small = must(makeHand({ sizeFactor: 0.7 }));
  const shown = (text: string, hand = averageHand) => {
    const graded = must(gradeGrip(must(parseFrets(text)), hand, standardGuitar));
    return graded.fingering.fingers.map((finger) => finger ?? 'x').join('');
  };
  test.each([
    ['C', 'x32010', 'x32010'],
    ['D', 'xx0232', 'xx0132'],
    ['Dm', 'xx0231', 'xx0231'],
    ['Am', 'x02210', 'x02310'],
    ['G', '320003', '210003'],
    ['A', 'x02220', 'x01230'],
    ['Cmaj7', 'x32000', 'x32000'],
    ['Dm7', 'xx0211', 'xx0211'],
    ['F on four strings', 'xx3211', 'xx3211'],
    ['F', '133211', '134211'],
    ['D/F#', '200232', '200143'],
  ])('%s is shown alike to a middle hand and to a child', (_, grip, fingers) => {
    expect([shown(grip), shown(grip, small)]).toEqual([fingers, fingers]);
  });

  test('a form is fingered alike wherever it is played', () => {
    for (const grip of ['244322', '466544', '577655']) expect(shown(grip)).toBe('134211');
  });

  test('a hand whose thumb may come over holds D/F# with it', () => {
    expect(shown('200232', must(makeHand({ thumbOver: true })))).toBe('T00132');
  });

  test('the grade is that of the fingering shown, and a fingering easier for this hand is said beside it', () => {
    const graded = must(gradeGrip(must(parseFrets('x32010')), small, standardGuitar));
    expect(graded.custom).toBe(true);
    expect(graded.points).toBeCloseTo(graded.fingering.points, 9);
    const all = fingeringsFor(must(parseFrets('x32010')), small, standardGuitar);
    const least = Math.min(...all.map((one) => one.points));
    expect(graded.easier?.points).toBe(least);
    expect(graded.easier && graded.points - graded.easier.points).toBeGreaterThan(0.5);
    const plain = must(gradeGrip(must(parseFrets('x-9-8-10-x-x')), averageHand, standardGuitar));
    expect([plain.custom || plain.easier === null, all[0].custom]).toEqual([true, true]);
  });

  test('what this hand cannot hold gives way to the easiest it can', () => {
    const tiny = must(makeHand({ sizeFactor: 0.6, reachMm: 70 }));
    for (const grip of ['x32333', 'x54232', '133211']) {
      const frets = must(parseFrets(grip));
      const held = fingeringsFor(frets, tiny, standardGuitar);
      const graded = gradeGrip(frets, tiny, standardGuitar);
      expect(graded.ok).toBe(held.length > 0);
      if (graded.ok) expect(graded.value.fingering).toEqual(held[0]);
    }
  });

  test('a search shows the same fingers as a grade', () => {
    for (const symbol of ['C', 'D/F#', 'Dm7', 'Bm7b5', 'F#m']) {
      const chord = must(parseChord(symbol));
      for (const grip of findShapes({ chord, hand: small, instrument: standardGuitar }).slice(0, 40)) {
        const graded = must(gradeGrip(grip.frets, small, standardGuitar));
        expect([symbol, fretsText(grip.frets), grip.fingers]).toEqual([
          symbol,
          fretsText(grip.frets),
          graded.fingering.fingers,
        ]);
        expect(grip.effort.points).toBeCloseTo(graded.points, 9);
      }
    }
  });
});
