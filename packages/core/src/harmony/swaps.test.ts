import { must } from '../kernel';
import {
  degreeChords,
  majorKeys,
  makeKey,
  mod12,
  noteText,
  parseChord,
  pitchClassOf,
  readNote,
  type NoteName,
} from '../theory';
import { borrowedInto, clashOf, sharedNotes, susNotes, swapsFor, tritoneNeighbour, type Swap } from '.';

const chord = (symbol: string) => must(parseChord(symbol));
const key = (name: string) => must(makeKey(name));
const note = (text: string) => readNote(text)?.note as NoteName;
const notes = (all: readonly NoteName[]) => all.map(noteText).join(' ');
const swaps = (of: string, symbol: string, next?: string, melody?: string): readonly Swap[] =>
  swapsFor({
    key: key(of),
    chord: chord(symbol),
    ...(next ? { next: chord(next) } : {}),
    ...(melody ? { melody: note(melody) } : {}),
  });
const symbols = (all: readonly Swap[], kind: Swap['kind']) =>
  all
    .filter((one) => one.kind === kind)
    .map((one) => one.chord.symbol)
    .join(' ');
const named = (all: readonly Swap[], symbol: string) => all.find((one) => one.chord.symbol === symbol);

test.each([
  ['Ab major', 'Abmaj7', 'a third away', 'Cm7 Fm7'],
  ['Ab major', 'Fm7', 'relative', 'Ab6'],
  ['Eb major', 'Ab6', 'relative', 'Fm7'],
  ['Ab major', 'Eb7', 'two for five', 'Bbm6'],
  ['Ab major', 'Eb7', 'leading tone', 'Gm7b5 Gdim7'],
  ['Ab major', 'Eb7', 'tritone', 'Bbb7'],
  ['Eb major', 'Bb7', 'tritone', 'Fb7'],
  ['Ab major', 'Eb7', 'sus4', 'Eb7sus4'],
  ['Ab major', 'Bbm7', 'two and four', 'Dbmaj7'],
  ['Ab major', 'Db', 'two and four', 'Bbm7'],
  ['Ab major', 'Db', 'borrowed', 'Dbm Dbm6'],
  ['Ab major', 'Eb7', 'borrowed', 'Gb7'],
  ['A minor', 'E7', 'tritone', 'Bb7'],
  ['A minor', 'Dm7', 'borrowed', ''],
  ['A minor', 'E7', 'leading tone', 'G#dim7 G#m7b5'],
] as const)('in %s for %s, %s: %s', (of, symbol, kind, expected) => {
  expect(symbols(swaps(of, symbol), kind)).toBe(expected);
});

test('colours come from tensions that need no care, and those of a dominant from outside its mode', () => {
  expect(symbols(swaps('G major', 'Em'), 'colour')).toBe('Em7 Em9 Emadd9 Em11');
  // Over iii the 9 is a half step over the root: it is left out.
  expect(symbols(swaps('G major', 'Bm'), 'colour')).toBe('Bm7 Bm11');
  expect(symbols(swaps('G major', 'C'), 'colour')).toBe('Cmaj7 C6 Cmaj9 C69 Cadd9 Cmaj7#11');
  expect(symbols(swaps('Ab major', 'Eb7'), 'colour')).toBe('Eb9 Eb13 Eb7b9 Eb7#9 Eb7#11 Eb7b13 Eb7#5#9');
  expect(named(swaps('Ab major', 'Eb7'), 'Eb7b13')?.when).toEqual(['leave out the 5']);
});

test('what is shared is said in the notes of the chord replaced', () => {
  expect(notes(sharedNotes(chord('Dbmaj7'), chord('Fm7')))).toBe('F Ab C');
  expect(notes(sharedNotes(chord('Emaj7'), chord('C#m7')))).toBe('E G# B');
  const third = named(swaps('Db major', 'Dbmaj7'), 'Fm7');
  expect([notes(third?.shared ?? []), notes(third?.differ.goes ?? []), notes(third?.differ.comes ?? [])]).toEqual([
    'F Ab C', 'Db', 'Eb',
  ]); // prettier-ignore
  // The 3 and b7 of a dominant change places in the one a tritone off.
  const sub = tritoneNeighbour(chord('Bb7'));
  expect([sub.symbol, notes(sub.tones.map((one) => one.note))]).toEqual(['Fb7', 'Fb Ab Cb Ebb']);
  const swap = named(swaps('Eb major', 'Bb7'), 'Fb7');
  expect([notes(swap?.shared ?? []), swap?.bassMoves]).toEqual(['D Ab', 6]);
});

test('a chord without third stands where its root does', () => {
  expect(symbols(swaps('C major', 'G5'), 'tritone')).toBe('Db7');
  expect(symbols(swaps('C major', 'Fsus2'), 'two and four')).toBe('Dm7');
});

test('a swap that leads a fifth down is made its dominant, and only then', () => {
  expect(symbols(swaps('C major', 'Am7', 'Dm7'), 'applied')).toBe('A7');
  expect(symbols(swaps('C major', 'Am7', 'F'), 'applied')).toBe('');
  // By itself it is offered with what must follow.
  expect(named(swaps('C major', 'Am7'), 'A7')?.when).toEqual(['next a fifth below']);
});

test('chords from next door have swaps too: an applied dominant, a borrowed chord', () => {
  expect(symbols(swaps('C major', 'A7', 'Dm7'), 'tritone')).toBe('Eb7');
  expect(symbols(swaps('C major', 'A7', 'Dm7'), 'borrowed')).toBe('');
  expect(symbols(swaps('C major', 'Fm'), 'relative')).toBe('');
  expect(swaps('C major', 'Fm').length).toBeGreaterThan(0);
  expect(swaps('C major', 'N.C.')).toEqual([]);
  expect(swaps('C major', 'F#')).toEqual([]);
});

test.each([
  // note, chord, against, lies
  ['C', 'Em7', 'B', 'below'],
  ['C', 'G7', 'B', 'below'],
  ['B', 'G7sus4', 'C', 'above'],
  ['A', 'G7#9', 'A#', 'above'],
  ['A', 'G7b9', 'Ab', 'below'],
  ['E', 'G7b13', 'Eb', 'below'],
  ['D', 'G7#5', 'C#', ''],
  ['C', 'Db7', 'Cb', 'below'],
  ['Ab', 'G7', '', ''],
  ['A#', 'G7', '', ''],
  ['C#', 'G7', '', ''],
  ['B', 'Fmaj7', '', ''],
  ['F', 'Cmaj7', 'E', 'below'],
  ['F', 'C/E', 'E', 'below'],
  ['E', 'C', '', ''],
] as const)('%s over %s rubs against %s', (melody, symbol, against, lies) => {
  const clash = clashOf(note(melody), chord(symbol));
  expect([clash ? noteText(clash.against) : '', clash?.lies ?? '']).toEqual(
    lies ? [against, lies] : ['', ''],
  );
});

test('a melody is held against every swap, by what it is over it', () => {
  const all = swaps('G major', 'D', 'Em', 'B');
  expect(named(all, 'D13')).toMatchObject({ melodyIs: '13', clash: null });
  expect(named(all, 'D7b13')?.clash).not.toBeNull();
  expect(named(swaps('G major', 'C', 'G', 'B'), 'Cmaj7')).toMatchObject({ melodyIs: '7', clash: null });
  // The key's own 4 over V is the 7 of the chord a tritone off.
  const sub = named(swaps('C major', 'G7', 'C', 'C'), 'Db7');
  expect(sub?.clash && noteText(sub.clash.against)).toBe('Cb');
});

test('in keys all round the circle: what is called shared is in both, a rub is a half step, no swap is the chord itself', () => {
  const wrong: string[] = [];
  let seen = 0;
  for (const one of majorKeys().filter((_, i) => i % 3 === 0))
    for (const { chord } of degreeChords(one, { sevenths: true }))
      for (const melody of one.scale)
        for (const swap of swapsFor({ key: one, chord, melody })) {
          seen++;
          const sounds = swap.chord.tones.map((tone) => tone.pitchClass);
          const bass = pitchClassOf(swap.chord.bass ?? swap.chord.root) - pitchClassOf(chord.root);
          const apart = swap.clash
            ? mod12(pitchClassOf(swap.clash.note) - pitchClassOf(swap.clash.against))
            : null;
          const right =
            swap.shared.every((shared) => sounds.includes(pitchClassOf(shared))) &&
            swap.shared.length + swap.differ.goes.length === chord.tones.length &&
            swap.chord.symbol !== chord.symbol &&
            mod12(bass) === mod12(swap.bassMoves) &&
            (apart === null || apart === (swap.clash?.lies === 'below' ? 1 : 11));
          if (!right) wrong.push(`${one.name} ${chord.symbol} ${swap.chord.symbol}`);
        }
  expect(wrong).toEqual([]);
  expect(seen).toBeGreaterThan(1500);
});

test('what a major key borrows from its parallel', () => {
  expect(
    borrowedInto(key('Ab major'))
      .map((one) => `${one.figure} ${one.chord.symbol}`)
      .join(', '),
  ).toBe('iv Dbm, bVI Fb, bVII Gb, bIII Cb, iio Bbdim, v Ebm');
});

test('where the sus note leaves the key', () => {
  const said = (degree: '2' | '4') =>
    susNotes(key('Db major'), degree)
      .map(
        (one) => `${one.degree} ${noteText(one.note)} ${one.keyHas ? `out ${noteText(one.keyHas)}` : 'in'}`,
      )
      .join(', ');
  expect(said('4')).toBe('1 Gb in, 2 Ab in, 3 Bb in, 4 Cb out C, 5 Db in, 6 Eb in, 7 F in');
  expect(
    susNotes(key('G major'), '2')
      .filter((one) => one.keyHas)
      .map((one) => one.degree),
  ).toEqual([3, 7]);
  for (const one of majorKeys())
    expect(
      susNotes(one, '4')
        .filter((sus) => sus.keyHas)
        .map((sus) => sus.degree),
    ).toEqual([4]);
});
