import { averageHand, makeInstrument, standardGuitar } from '../fretboard';
import { fretsText, parseFrets } from '../grips';
import { must } from '../kernel';
import { parseChord, readNote } from '../theory';
import { closedForm, familyLadder, formsOf, gradedAs, halvesOf, triadInversions } from './forms';

const context = { hand: averageHand, instrument: standardGuitar };
const chord = (symbol: string) => must(parseChord(symbol));
const note = (name: string) => readNote(name)?.note ?? { letter: 'C' as const, accidental: 0 };

describe('the five forms', () => {
  const tour = (symbol: string) =>
    formsOf(chord(symbol), context).map((place) => `${place.form}${place.fret}`);

  // Entered from whichever form lies lowest in that key.
  test.each([
    ['G', 'E3'],
    ['D', 'C2'],
    ['Bb', 'A1'],
    ['F', 'E1'],
    ['Db', 'C1'],
  ])('%s begins with %s', (symbol, lowest) => expect(tour(symbol)[0]).toBe(lowest));

  test('all five come, in the order C A G E D round and round, each on its root string', () => {
    for (const symbol of ['C', 'F', 'G', 'Bb', 'D', 'Eb']) {
      const places = formsOf(chord(symbol), context);
      const order = places.map((place) => place.form).join('');
      expect('CAGEDCAGED').toContain(order);
      expect(order).toHaveLength(5);
      for (const place of places) {
        if (place.grip) expect(place.grip.rootString).toBeLessThanOrEqual(place.rootString);
        expect(place.fret).toBeGreaterThanOrEqual(1);
      }
    }
  });

  test('another tuning has no named forms', () => {
    const instrument = must(makeInstrument({ openPitches: [38, 45, 50, 55, 57, 62] }));
    expect(formsOf(chord('D'), { hand: averageHand, instrument })).toEqual([]);
  });
});

describe('halves, closed forms, any grip as the search sees it', () => {
  test('F in two halves is easier twice than once', () => {
    const whole = gradedAs(must(parseFrets('133211')), chord('F'), context);
    expect(whole?.form).toBe('E');
    const halves = whole && halvesOf(whole, chord('F'), context);
    expect(halves && halves.low && fretsText(halves.low.frets)).toBe('133xxx');
    expect(halves && halves.high && fretsText(halves.high.frets)).toBe('xxx211');
    for (const half of [halves?.low, halves?.high])
      expect(half?.effort.total).toBeLessThan(whole?.effort.total ?? 0);
  });

  test.each([
    ['022100', 'E', 'F', '133211', 'E'],
    ['x02220', 'A', 'Bb', 'x13331', 'A'],
    ['x02210', 'Am', 'B', 'x24432', 'A'],
    ['xx0232', 'D', 'Eb', 'xx1343', 'D'],
  ])('%s closed from %s to %s is %s', (open, from, root, closed, form) => {
    const made = closedForm(must(parseFrets(open)), chord(from), note(root), context);
    expect([made && fretsText(made.closed), made?.form]).toEqual([closed, form]);
    expect(made?.effort).not.toBeNull();
  });

  test('a grip without open strings has nothing to close', () => {
    expect(closedForm(must(parseFrets('133211')), chord('F'), note('G'), context)).toBeNull();
  });
});

describe('the family ladder', () => {
  test.each(['E', 'A', 'D'] as const)(
    'on the %s form every rung holds each tone once and is one move',
    (form) => {
      const rungs = familyLadder(note('Bb'), form, context);
      expect(rungs.length).toBe(9);
      for (const [i, rung] of rungs.entries()) {
        expect(rung.grip.omitted).toEqual([]);
        expect(rung.grip.frets.filter((fret) => fret !== null)).toHaveLength(4);
        if (i > 0) expect([rung.chord.symbol, rung.moves.length]).toEqual([rung.chord.symbol, 1]);
      }
    },
  );
});

describe('inversions', () => {
  const on321 = (symbol: string) =>
    triadInversions(chord(symbol), context)
      .find(({ set }) => set.join() === '3,2,1')
      ?.grips.map((grip) => grip.frets.slice(3).join('-'));

  test('F and F minor on strings 3-2-1', () => {
    expect(on321('F')).toEqual(['2-1-1', '5-6-5', '10-10-8']);
    expect(on321('Fm')).toEqual(['1-1-1', '5-6-4', '10-9-8']);
  });

  test('every set of three strings has all three, each another lowest note', () => {
    for (const symbol of ['C', 'F#m', 'Ebaug', 'Gdim']) {
      const sets = triadInversions(chord(symbol), context);
      expect(sets).toHaveLength(4);
      for (const { grips } of sets) {
        expect(grips).toHaveLength(3);
        expect(new Set(grips.map((grip) => grip.inversion)).size).toBe(3);
        expect(grips.every((grip) => grip.omitted.length === 0)).toBe(true);
      }
    }
  });

  test('a seventh chord is no triad', () => {
    expect(() => triadInversions(chord('C7'), context)).toThrow(RangeError);
  });
});
