import { standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { inPosition } from '../scales';
import { trueSigns, type Mark } from '../shapes';
import { degreeChords, majorKeys, makeKey, parseScale } from '../theory';
import { drawKeySheet, drawScaleSheet, keysFor, type KeySheetOptions } from '.';

const options = (more: Partial<KeySheetOptions> = {}): KeySheetOptions => ({
  title: 'Keys',
  foot: 'The Shed',
  sevenths: true,
  blank: false,
  school: 'by degree',
  names: {},
  signs: trueSigns,
  ...more,
});
const texts = (marks: readonly Mark[]) => marks.flatMap((mark) => (mark.kind === 'text' ? [mark.text] : []));

test('one key is a page: its signature, scale, seven chords with tones, jobs, scales and tensions, and the circle', () => {
  const [page, ...more] = drawKeySheet(['Ab major'], options());
  expect(more).toEqual([]);
  const words = texts(page.marks);
  expect(words).toContain('4 flats: B♭ E♭ A♭ D♭');
  for (const one of degreeChords(must(makeKey('Ab major')), { sevenths: true }))
    expect(words).toContain(one.chord.symbol);
  expect(words.filter((word) => /^[A-G][♭♯]?m?$/.test(word)).length).toBeGreaterThanOrEqual(30);
});

test('a ring of the seven degrees stands beside the circle, each a fifth above the next', () => {
  for (const name of ['Ab major', 'F# major', 'E harmonic minor', 'Bb mixolydian']) {
    const [{ marks, widthMm }] = drawKeySheet([name], options());
    const ring = marks.flatMap((mark) => (mark.is === 'chord' && mark.kind === 'text' ? [mark.text] : []));
    const own = degreeChords(must(makeKey(name)), { sevenths: true }).map(({ chord }) => chord.symbol);
    expect([...ring].sort()).toEqual([...own].sort());
    expect(ring.map((symbol) => own.indexOf(symbol))).toEqual([0, 3, 6, 2, 5, 1, 4]);
    const spots = marks.flatMap((mark) => (mark.is === 'degree' && mark.kind === 'circle' ? [mark] : []));
    // Apart from each other and from the circle, on the paper.
    for (const [i, a] of spots.entries()) {
      const b = spots[(i + 1) % spots.length];
      expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThan(a.r + b.r);
      expect(a.x - a.r > widthMm / 2 && a.x + a.r < widthMm).toBe(true);
    }
  }
});

test('blank it leaves open what is to be written, and prints lines for it', () => {
  const full = drawKeySheet(['Ab major'], options())[0].marks;
  const blank = drawKeySheet(['Ab major'], options({ blank: true }))[0].marks;
  expect(texts(blank)).not.toContain('Ebmaj7');
  expect(texts(blank)).not.toContain('Eb7');
  expect(texts(blank)).toContain('V7');
  const lines = (marks: readonly Mark[]) => marks.filter((mark) => mark.kind === 'line').length;
  expect(lines(blank) - lines(full)).toBe(6 * 7 + 2 + 7);
  // In the circle only its own place is given.
  expect(
    texts(blank)
      .filter((word) => /^[A-G][♭♯]?m?$/.test(word))
      .sort(),
  ).toEqual(['A♭', 'Fm']);
});

test('fifteen keys and twelve, in rows on as many pages as they need, all inside the paper', () => {
  expect(keysFor('major', 15).map((one) => one.name)).toEqual(majorKeys().map((one) => one.name));
  expect(keysFor('minor', 12).map((one) => one.fifths)).toEqual([-6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5]);
  const pages = drawKeySheet(
    keysFor('major', 15).map((one) => one.name),
    options({ names: { Ebmaj7: 'E♭△7' } }),
  );
  expect(pages.length).toBeLessThanOrEqual(2);
  const words = pages.flatMap((page) => texts(page.marks));
  for (const key of majorKeys()) expect(words).toContain(key.name);
  expect(words).toContain('E♭△7');
  for (const { marks, widthMm, heightMm } of pages)
    for (const mark of marks)
      if (mark.kind === 'text')
        expect(mark.x >= 0 && mark.x < widthMm && mark.y > 0 && mark.y < heightMm).toBe(true);
});

test('no cell is wider than its column', () => {
  const [page] = drawKeySheet(['Cb major'], options());
  const cells = page.marks.filter((mark) => mark.is === 'cell' && mark.kind === 'text');
  for (const one of cells)
    if (one.kind === 'text') expect(one.text.length * one.size * 0.56).toBeLessThanOrEqual(22);
});

test('necks of a scale under each other, as many to a page as it holds', () => {
  const neck = (position: number) => ({
    name: `Position ${position}`,
    under: 'no stretch',
    notes: inPosition(must(parseScale('Ab major')), position, standardGuitar).notes,
  });
  const pages = drawScaleSheet([1, 3, 5, 8, 10, 13].map(neck), standardGuitar, {
    title: 'A♭ major',
    foot: '',
    show: 'fingers',
    leftHanded: false,
    signs: trueSigns,
  });
  expect(pages.length).toBe(2);
  const words = pages.flatMap((page) => texts(page.marks));
  expect(words.filter((word) => word.startsWith('Position'))).toHaveLength(6);
  for (const { marks, heightMm } of pages)
    for (const mark of marks) if (mark.kind === 'text') expect(mark.y).toBeLessThan(heightMm);
});
