import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { fretsText, parseFrets } from '../grips';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { parseChord } from '../theory';
import { couldStay, gradeChange } from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const G = must(parseFrets('320033'));
const offers = (symbol: string, to: string, from = G) =>
  couldStay(from, must(parseFrets(to)), must(parseChord(symbol)), context);
const find = (symbol: string, to: string, text: string) =>
  offers(symbol, to).find((one) => fretsText(one.frets) === text);

test.each([
  ['D', 'xx0232', 'xx0233', 'Dsus4', ['3'], ['4']],
  ['C', 'x32010', 'x32033', 'Cadd9', [], ['9']],
  ['Em', '022000', '022033', 'Em7', [], ['b7']],
] as const)('coming from G with fret 3 of strings 2 and 1: %s', (symbol, to, text, becomes, lost, gained) => {
  const found = find(symbol, to, text);
  expect(found?.chord.symbol).toBe(becomes);
  expect(found?.lost).toEqual(lost);
  expect(found?.gained).toEqual(gained);
  for (const kept of found?.kept ?? []) expect(kept.fret).toBe(3);
});

test('with its third in the bass the D that kept its fingers is a Dadd4 over F sharp', () => {
  const found = find('D/F#', '2x0232', '2x0233');
  expect(found?.chord.symbol).toMatch(/^D(add4|add11)\/F#$/);
  expect(found?.lost).toEqual([]);
});

test('what stays is held, named on the root gone to, and never the chord itself', () => {
  const grips = ['x02210', 'x02220', 'xx0232', '022100', 'x32010', '320033', '022000', 'xx0231', '133211'];
  const names = ['Am', 'A', 'D', 'E', 'C', 'G', 'Em', 'Dm', 'F'];
  const index = fc.integer({ min: 0, max: grips.length - 1 });
  fc.assert(
    fc.property(index, index, (a, b) => {
      const from = must(parseFrets(grips[a]));
      for (const offer of offers(names[b], grips[b], from)) {
        expect(gradeGrip(offer.frets, averageHand, standardGuitar).ok).toBe(true);
        expect(offer.chord.symbol[0]).toBe(names[b][0]);
        expect(offer.chord.symbol).not.toBe(names[b]);
        for (const kept of offer.kept) {
          expect(offer.frets[6 - kept.string]).toBe(kept.fret);
          expect(from[6 - kept.string]).toBe(kept.fret);
        }
      }
    }),
    { numRuns: 81 },
  );
});

test('staying on a grip offers nothing, nor does a grip of another guitar', () => {
  expect(couldStay(G, G, must(parseChord('G')), context)).toEqual([]);
  expect(couldStay([3, 2, 0, 0], G, must(parseChord('G')), context)).toEqual([]);
});

test('most fingers kept come first', () => {
  const counts = offers('C', 'x32010').map((one) => one.kept.length);
  expect(counts).toEqual([...counts].sort((a, b) => b - a));
  expect(counts.length).toBeGreaterThan(0);
});

test('whatever is offered as kept is held by a finger that does stay, above the bass', () => {
  const grips = [
    'x02210',
    'x02220',
    'xx0232',
    '022100',
    'x32010',
    '320033',
    '022000',
    'xx0231',
    '133211',
    'x24432',
  ];
  const names = ['Am', 'A', 'D', 'E', 'C', 'G', 'Em', 'Dm', 'F', 'Bm'];
  for (const from of grips)
    for (const [b, to] of grips.entries()) {
      const [start, goal] = [must(parseFrets(from)), must(parseFrets(to))];
      const bass = goal.findIndex((fret) => fret !== null);
      for (const offer of offers(names[b], to, start)) {
        const change = must(gradeChange(start, offer.frets, averageHand, standardGuitar));
        const staying = change.fingers.filter((move) => move.does === 'stays' || move.does === 'adjusts');
        for (const kept of offer.kept) {
          const string = 6 - kept.string;
          expect(staying.map((move) => move.finger)).toContain(change.toFingers[string]);
          expect(string).toBeGreaterThan(bass);
        }
      }
    }
});
