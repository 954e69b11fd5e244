import { Midi } from '@tonejs/midi';
import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { beatsOf, type Piece, pieceDemand, playedBars, playedChords, readChart } from '../score';
import { pitchText } from '../theory';
import { readMidi, writeMidi } from '.';

const { piece } = readChart(`title: A reel
key: Db
tempo: 96
strum chop 2: D - x u d u x u
order: A B A

[A] x2 chop
| Db | Bbm7 | Gbmaj7 Ab7 |
m: | Db4:1 Eb4 F4 r | Gb4:4~ | Gb4:2 F4 |
w: The lan- tern low
[B]
| (3/4) Gb . Ab | (4/4) (tempo 120) N.C. |`);
const grips = (one: Piece) =>
  pieceDemand(one, { hand: averageHand, instrument: standardGuitar, candidates: 8 }).chords.map(
    (chord) => chord.step.grip?.frets ?? null,
  );
const bytes = writeMidi(piece, { grips: grips(piece), instrument: standardGuitar });

test('what is written is played back by another reader: tempo, times, chord names, notes in order', () => {
  const midi = new Midi(bytes);
  expect(midi.header.tempos.map((one) => Math.round(one.bpm))).toEqual([96, 120, 96]);
  expect(midi.header.timeSignatures.map((one) => one.timeSignature.join('/'))).toEqual(['4/4', '3/4', '4/4']);
  const names = midi.header.meta.filter((one) => one.type === 'text').map((one) => one.text);
  expect(names).toEqual(playedChords(piece).map((one) => one.chord));
  expect(midi.tracks.find((track) => track.name === 'Guitar')?.notes.length).toBeGreaterThan(100);
});

test('what can be read back is what was played', () => {
  const read = must(readMidi(bytes));
  const bars = read.piece.sections.flatMap((section) => section.bars);
  const played = playedBars(piece).map((bar) => piece.sections[bar.section].bars[bar.bar]);
  expect(bars.map((bar) => bar.chords)).toEqual(played.map((bar) => bar.chords));
  expect(bars.map((bar) => bar.melody ?? [])).toEqual(played.map((bar) => bar.melody ?? []));
  expect(read.piece).toMatchObject({ title: 'A reel', key: 'Db major', tempoBpm: 96 });
  expect(read.piece.sections.map((section) => section.name)).toEqual(['A', 'A2', 'B', 'A3', 'A4']);
  expect(read.notTaken.map((one) => one.at)).toEqual(['Guitar']);
});

test('triplets, quintuplets and septuplets come back as they were; what was played by hand in twelfths', () => {
  const text = '| C:4/3 F:8/3 |\nm: | C4:1/3 D4 E4 F4:1/5 G4 A4 B4 C5 D5:2/7 E5 F5 G5 A5 B5 C6 |';
  const tune = readChart(text).piece;
  const bar = (file: Uint8Array) => must(readMidi(file)).piece.sections[0].bars[0];
  expect(bar(writeMidi(tune, { grips: [null, null], instrument: standardGuitar }))).toEqual(
    tune.sections[0].bars[0],
  );
  const played = new Midi();
  const track = played.addTrack();
  for (const ticks of [3, 167, 329, 490, 1013]) track.addNote({ midi: 60, ticks, durationTicks: 130 });
  expect(bar(played.toArray()).melody?.flatMap((one) => (one.pitch ? [beatsOf(one.tick) * 12] : []))).toEqual(
    [0, 4, 8, 12, 25],
  );
});

test('notes are spelled in their key, rests fill the bars', () => {
  const tune = readChart('key: Gb\n| Gb |\nm: | r:1 Cb5:1 r:2 |').piece;
  const [bar] = must(readMidi(writeMidi(tune, { grips: [null], instrument: standardGuitar }))).piece
    .sections[0].bars;
  expect(bar.melody?.map((note) => [note.pitch && pitchText(note.pitch), beatsOf(note.ticks)])).toEqual([
    [null, 1],
    ['Cb5', 1],
    [null, 2],
  ]);
});

test.each(['Cb major', 'Ab major', 'C major', 'F# minor', 'Eb minor', 'C# major'])(
  '%s keeps its signature',
  (key) => {
    const tune = readChart(`key: ${key}\n| C |\nm: | C4:4 |`).piece;
    const read = must(readMidi(writeMidi(tune, { grips: [null], instrument: standardGuitar })));
    expect(read.piece.key).toBe(key);
  },
);

test('chord names after the last note have their bars, in whatever order the texts come', () => {
  const midi = new Midi();
  midi.addTrack().addNote({ midi: 60, ticks: 0, durationTicks: 480 });
  for (const [text, ticks] of [
    ['G7', 5760],
    ['Fm', 1920],
    ['C', 0],
  ] as const)
    midi.header.meta.push({ type: 'text', text, ticks });
  const bars = must(readMidi(midi.toArray())).piece.sections.flatMap((section) => section.bars);
  expect(bars.map((bar) => bar.chords[0]?.chord)).toEqual(['C', 'Fm', undefined, 'G7']);
});

describe('strangers’ files', () => {
  test('one cut in half, one that is none, one without notes are refused with words', () => {
    const code = (read: ReturnType<typeof readMidi>) => (read.ok ? 'taken' : read.problem.code);
    expect(code(readMidi(bytes.slice(0, bytes.length / 2)))).toBe('midi.form');
    expect(code(readMidi(Uint8Array.from('hello there', (one) => one.charCodeAt(0))))).toBe('midi.form');
    expect(code(readMidi(new Uint8Array()))).toBe('midi.form');
    expect(code(readMidi(new Midi().toArray()))).toBe('midi.empty');
    expect(code(readMidi(new Uint8Array(3_000_000)))).toBe('midi.size');
  });

  test('a file that never says a chord says that none were taken', () => {
    const midi = new Midi();
    midi.addTrack().addNote({ midi: 60, ticks: 0, durationTicks: 480 });
    expect(must(readMidi(midi.toArray())).notTaken.map((one) => one.code)).toEqual(['import.no-chords']);
  });

  test.each([
    ['a text', 0xff, 0x01],
    ['a sequencer’s own', 0xff, 0x7f],
    ['an unknown one', 0xff, 0x70],
    ['a message of a device', 0xf0],
  ])('a length of five bytes, %s, does not lead back in the file for ever', (_what, ...kind) => {
    const events = [0, 0x90, 60, 64, 0, ...kind, 0x88, 0x80, 0x80, 0x80, 0, 0, 0x80, 60, 0, 0, 0xff, 0x2f, 0];
    const head = [...bytes.slice(0, 8), 0, 0, 0, 1, 1, 0xe0, 0x4d, 0x54, 0x72, 0x6b, 0, 0, 0, events.length];
    const read = readMidi(Uint8Array.from([...head, ...events]));
    expect(read.ok ? null : read.problem.code).toBe('midi.form');
  });

  test('nothing a stranger sends throws', () => {
    fc.assert(
      fc.property(fc.nat(bytes.length - 1), fc.uint8Array({ maxLength: 20 }), (at, junk) => {
        const broken = Uint8Array.from(bytes);
        broken.set(junk.slice(0, broken.length - at), at);
        readMidi(broken);
        readMidi(bytes.slice(0, at));
      }),
      { numRuns: 80 },
    );
  });
});
