import { averageHand, standardGuitar } from '../fretboard';
import { fretsText } from '../grips';
import { must } from '../kernel';
import { REFERENCE_PACE, stagePace } from '../pace';
import { parsePitch, pitchText } from '../theory';
import {
  asIfWithoutCapo,
  gapBeatsOf,
  keyOffers,
  type Piece,
  pieceDemand,
  readChart,
  rekeyPiece,
  ticksOf,
  writtenChords,
} from '.';

const BASE = { hand: averageHand, instrument: standardGuitar };
const piece = (text: string): Piece => {
  const { piece: read, problems } = readChart(text);
  expect(problems).toEqual([]);
  return read;
};
const symbols = (one: Piece) => writtenChords(one).map((chord) => chord.chord);

const WALTZ = piece(`title: A waltz
key: G
time: 3/4
tempo: 120
[A] x2
| G | C . G | D7 |1. D7 |2. G |
[B]
| Em | Am | D7 | N.C. |`);

describe('what a piece asks', () => {
  const demand = pieceDemand(WALTZ, BASE);

  test('every chord has a grip, but where nothing is played', () => {
    expect(demand.chords.map((one) => one.step.grip !== null)).toEqual(
      symbols(WALTZ).map((symbol) => symbol !== 'N.C.'),
    );
  });

  test('changes are those played: the end of the first round goes back to the beginning', () => {
    const named = demand.changes.map(({ from, to, times }) => [
      demand.chords[from].number,
      demand.chords[to].number,
      times,
    ]);
    expect(named).toContainEqual([4, 1, 1]); // the first ending back to bar 1
    expect(named).toContainEqual([1, 2, 2]); // twice in all
    expect(named).not.toContainEqual([4, 5, 1]); // one ending never leads to the other
    expect(named).toContainEqual([5, 6, 1]); // the second ending into B
  });

  test('the gap is a beat, or what a short chord leaves after its stroke', () => {
    const short = demand.changes.find((one) => demand.chords[one.from].ticks === ticksOf(1));
    expect(short?.gapBeats).toBe(0.75);
    expect([4, 1.25, 1, 0.25].map((beats) => gapBeatsOf(ticksOf(beats)))).toEqual([1, 1, 0.75, 0.125]);
  });

  test('the weakest change sets the tempo, and the share of clean changes falls as the tempo rises', () => {
    const shares = demand.changes.map((one) => one.grade.tempoBpm / one.wantedBpm);
    expect(demand.tempoShare).toBe(Math.min(...shares));
    expect(demand.tempoBpm).toBeCloseTo(120 * (demand.tempoShare ?? 0), 9);
    const fast = pieceDemand({ ...WALTZ, tempoBpm: 240 }, BASE);
    expect(fast.cleanShare ?? 1).toBeLessThan(demand.cleanShare ?? 0);
  });

  test('a change is ready where nine of ten come clean at its tempo; the bars it goes into are named', () => {
    const ready = demand.changes.filter((one) => Math.round(one.grade.tempoBpm) >= one.wantedBpm);
    expect(demand.changes.filter((one) => one.ready)).toEqual(ready);
    const slow = pieceDemand({ ...WALTZ, tempoBpm: 20 }, BASE);
    expect([slow.readyShare, slow.barsNotReady]).toEqual([1, []]);
    const fast = pieceDemand({ ...WALTZ, tempoBpm: 300 }, BASE);
    expect(fast.readyShare).toBe(0);
    expect(fast.barsNotReady).toEqual([
      ...new Set(fast.changes.map((one) => fast.chords[one.to].number).toSorted((a, b) => a - b)),
    ]);
    const unsure = pieceDemand(WALTZ, { ...BASE, pace: stagePace('first year') });
    expect(unsure.band?.lowBpm).toBeLessThan(unsure.tempoBpm ?? 0);
    expect(unsure.band?.highBpm).toBeGreaterThan(unsure.tempoBpm ?? 999);
  });

  test('a locked grip is used, a slower pace lowers the tempo, a capo is on the neck', () => {
    const locked = symbols(WALTZ).map(() => null as { frets: readonly (number | null)[] } | null);
    locked[0] = { frets: [3, 5, 5, 4, 3, 3] };
    const held = pieceDemand(WALTZ, { ...BASE, locked });
    expect(fretsText(held.chords[0].step.grip?.frets ?? [])).toBe('355433');
    const slow = pieceDemand(WALTZ, { ...BASE, pace: { ...REFERENCE_PACE, logFactor: Math.log(2) } });
    expect(slow.tempoBpm).toBeCloseTo((demand.tempoBpm ?? 0) / 2, 6);
    const db = pieceDemand({ ...piece('key: Db\n| Db | Ab7 |'), capo: 1 }, BASE);
    expect(db.chords.map((one) => fretsText(one.step.grip?.frets ?? []))[0]).toBe('x32010');
  });

  test('the heaviest grips come once each, the heaviest first', () => {
    const efforts = demand.heaviest.map((i) => demand.chords[i].step.grip?.effort.points ?? 0);
    expect([...efforts].sort((a, b) => b - a)).toEqual(efforts);
    expect(efforts[0]).toBe(Math.max(...demand.chords.map((one) => one.step.grip?.effort.points ?? 0)));
  });

  test('a piece without a change says none', () => {
    expect(pieceDemand(piece('| C | C |'), BASE)).toMatchObject({
      changes: [],
      weakest: null,
      tempoBpm: null,
    });
  });
});

describe('in another key', () => {
  test.each([
    ['C major', 'C Am7 Fmaj7 G7 Dm7b5 E/G#'],
    ['Gb major', 'Gb Ebm7 Cbmaj7 Db7 Abm7b5 Bb/D'],
    ['F# major', 'F# D#m7 Bmaj7 C#7 G#m7b5 A#/C##'],
    ['A major', 'A F#m7 Dmaj7 E7 Bm7b5 C#/E#'],
  ])('%s', (key, expected) => {
    const from = piece('key: Db\n| Db Bbm7 Gbmaj7 Ab7 | Ebm7b5 F/A |');
    const moved = symbols(must(rekeyPiece(from, key))).join(' ');
    // What would need a double sharp is spelled simply.
    expect(moved).toBe(expected.replace('A#/C##', 'A#/D'));
  });

  test('there and back is the same piece', () => {
    const tune = piece('key: Eb\n| Eb | (key Ab) Cm7 |');
    expect(must(rekeyPiece(must(rekeyPiece(tune, 'B major')), 'Eb major'))).toEqual(tune);
  });

  test('a melody goes the nearest way, or by the octave asked', () => {
    const tune = piece('key: C\n| C |\nm: | C4:2 E4 |');
    const sung = (one: Piece) =>
      one.sections[0].bars[0].melody?.map((note) => note.pitch && pitchText(note.pitch));
    expect(sung(must(rekeyPiece(tune, 'Bb major')))).toEqual(['Bb3', 'D4']);
    expect(sung(must(rekeyPiece(tune, 'Bb major', { octaves: 0 })))).toEqual(['Bb4', 'D5']);
  });

  test('another mode is refused', () => {
    const refused = rekeyPiece(WALTZ, 'E minor');
    expect(refused.ok ? '' : refused.problem.code).toBe('key.mode');
  });

  test('behind a capo the chart reads as its shapes', () => {
    const capo = { ...piece('key: Db\n| Db Bbm7 | Gb Ab7 |'), capo: 1 };
    expect(symbols(asIfWithoutCapo(capo)).join(' ')).toBe('C Am7 F G7');
    expect(asIfWithoutCapo(capo)).toMatchObject({ key: 'C major', capo: 0 });
  });
});

describe('which key suits', () => {
  const db = piece('key: Db\ntempo: 90\n| Db | Bbm | Gb | Ab7 |\nm: | Db4:4 | F4:4 | Ab4:4 | Gb4:4 |');
  const offers = keyOffers(db, BASE);

  test('first as it sounds now, behind each capo; then near keys; a new key last', () => {
    const groups = offers.map((one) => one.nearness);
    const order = ['same pitch', 'near', 'other'] as const;
    expect(groups.map((one) => order.indexOf(one))).toEqual(
      groups.map((one) => order.indexOf(one)).toSorted((a, b) => a - b),
    );
    const same = offers.filter((one) => one.nearness === 'same pitch');
    expect(same.map((one) => one.capo).toSorted((a, b) => a - b)).toEqual([0, 0, 1, 2, 3, 4, 5, 6, 7]);
    expect(same.every((one) => one.away === 0)).toBe(true);
    expect(same.at(-1)?.key.name).toBe('C# major');
    // A shapes behind 4 or C shapes behind 1, and never a capo far up the neck.
    expect(['A major 4', 'C major 1']).toContain(`${same[0].shapes.name} ${same[0].capo}`);
    const near = offers.filter((one) => one.nearness === 'near').map((one) => Math.abs(one.away));
    expect(near).toEqual(near.toSorted((a, b) => a - b));
    expect([near[0], near.at(-1), near.length]).toEqual([1, 3, 12]);
    expect(offers.filter((one) => one.nearness === 'other').map((one) => one.away)).not.toContain(0);
    expect(new Set(offers.map((one) => one.key.name)).size).toBe(13);
  });

  test('in Eb the shapes of D behind a capo at 1 and of C behind one at 3 come first', () => {
    const eb = keyOffers(piece('key: Eb\n| Eb | Ab | Bb7 | Eb |'), BASE);
    expect(
      eb
        .slice(0, 2)
        .map((one) => `${one.shapes.name} ${one.capo}`)
        .toSorted(),
    ).toEqual(['C major 3', 'D major 1']);
    const bare = eb.find((one) => one.away === 0 && one.capo === 0);
    expect(eb[0].meanEffort).toBeLessThan((bare?.meanEffort ?? 0) - 10);
  });

  test('outside the singer’s range a key is left out; the octave that fits is said', () => {
    const range = { low: must(parsePitch('A3')), high: must(parsePitch('G#4')) };
    const sung = keyOffers(db, BASE, range);
    // A fifth from C#4 to G#4: the melody starts no lower than A3 and ends no higher than G#4.
    expect([...new Set(sung.map((one) => one.key.name))].sort()).toEqual(
      ['A major', 'B major', 'Bb major', 'C major', 'C# major', 'Db major'].sort(),
    );
    for (const one of sung) expect(one.sings).not.toBeNull();
  });
});
