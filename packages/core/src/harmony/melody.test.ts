import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import { fretsText } from '../grips';
import { must } from '../kernel';
import { makeKey, midiOf, mod12, parseChord, parsePitch, pitchClassOf, pitchText } from '../theory';
import { harmonizeMelody, readMelody, scaleMelody, type HarmonizeRequest } from '.';

const key = (name: string) => must(makeKey(name));
const ask = (given: Partial<HarmonizeRequest> & { of?: string; notes?: string }) => {
  const { of = 'Ab major', notes, ...rest } = given;
  const base = {
    hand: averageHand,
    instrument: standardGuitar,
    maxEffort: 70,
    bass: false,
    string: 1 as const,
  };
  const melody = notes ? must(readMelody(notes, 64)) : scaleMelody(key(of), rest.string ?? 1, 1, base);
  return harmonizeMelody({ ...base, melody, key: key(of), by: 'degree', outside: 'pass over', ...rest });
};
const first = (all: ReturnType<typeof ask>) =>
  all.map((one) =>
    one.voicings[0] ? `${one.voicings[0].chord.symbol} ${fretsText(one.voicings[0].frets)}` : one.passed,
  );

test('every degree of Ab major with its root on top, up string 1', () => {
  const up = ask({ of: 'Ab major' }).slice(0, 7);
  expect(first(up)).toEqual([
    'Ab xxx544', 'Bbm xxx666', 'Cm xxx888', 'Db x-x-x-10-9-9', 'Eb x-x-x-12-11-11', 'Fm x-x-x-13-13-13', 'Gdim x-x-x-15-14-15',
  ]); // prettier-ignore
});

test('Eb major up string 2 in triads, and down in other voicings where there are any', () => {
  const all = ask({ of: 'Eb major', string: 2 });
  const top = all.length >> 1;
  const grip = (i: number) => fretsText(all[i].voicings[0].frets);
  expect(all.every((one) => one.voicings[0].chord.tones.length === 3)).toBe(true);
  for (let i = 1; i <= top; i++) {
    expect(pitchText(all[top - i].pitch)).toBe(pitchText(all[top + i].pitch));
    expect(grip(top + i)).not.toBe(grip(top - i));
  }
});

test('the note is on top of every grip, which is of its chord and which this hand can hold', () => {
  for (const bass of [false, true])
    for (const one of ask({ of: 'E major', bass, notes: 'E4 F#4 G#4 B4 C#5 E5' })) {
      expect([pitchText(one.pitch), one.voicings.length > 0]).toEqual([pitchText(one.pitch), true]);
      for (const { frets, chord, effort, voices } of one.voicings) {
        const pitches = frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(standardGuitar, s, fret)]));
        expect(Math.max(...pitches)).toBe(midiOf(one.pitch));
        expect(effort).toBeLessThanOrEqual(70);
        expect(voices).toBe(new Set(pitches.map(mod12)).size);
        for (const pitch of pitches)
          expect(chord.tones.some((tone) => tone.pitchClass === mod12(pitch))).toBe(true);
        if (bass) expect(mod12(Math.min(...pitches))).toBe(pitchClassOf(chord.root));
      }
    }
});

test('plain before rich, and a lower limit leaves fewer grips', () => {
  const [one] = ask({ of: 'C major', notes: 'G4' });
  const sizes = one.voicings.map((each) => each.chord.tones.length);
  expect([...sizes].sort()).toEqual(sizes);
  const [limited] = ask({ of: 'C major', notes: 'G4', maxEffort: 20 });
  expect(limited.voicings.length).toBeLessThan(one.voicings.length);
  expect(limited.voicings.every((each) => each.effort <= 20)).toBe(true);
});

test('under one chord: its tones, its colours, and what rubs is passed over', () => {
  const G7 = must(parseChord('G7'));
  const said = ask({ of: 'C major', by: 'chord', chord: G7, notes: 'C5 D5 E5 A5 G5' });
  expect(said.map((one) => one.passed ?? one.voicings[0].top)).toEqual(['rubs', '5', '13', '9', '1']);
  expect(said.slice(1).every((one) => one.voicings.every((each) => each.chord.symbol === 'G7'))).toBe(true);
});

test('by class: only chords of the same job', () => {
  const all = ask({ of: 'C major', by: 'class', chord: must(parseChord('Dm')), notes: 'F4 A4 D5' });
  const roots = new Set(all.flatMap((one) => one.voicings.map((each) => each.chord.symbol)));
  expect([...roots].every((symbol) => /^(Dm|F)/.test(symbol))).toBe(true);
  expect(roots.size).toBeGreaterThan(2);
});

test('a chord without third has the job of its root', () => {
  const all = ask({ of: 'C major', by: 'class', chord: must(parseChord('G5')), notes: 'G4 B4' });
  const roots = new Set(all.flatMap((one) => one.voicings.map((each) => each.chord.symbol)));
  expect([...roots].every((symbol) => /^(G|B)/.test(symbol))).toBe(true);
});

test('outside the key: passed over and said, or harmonised as a colour', () => {
  const [passed] = ask({ of: 'C major', notes: 'G#4' });
  expect([passed.passed, passed.voicings]).toEqual(['outside the key', []]);
  const [kept] = ask({ of: 'C major', notes: 'G#4', outside: 'harmonise' });
  expect(kept.voicings.map((each) => each.chord.symbol)).toContain('G7');
  expect(kept.voicings[0].top).toBe('b9');
});

test('off the neck, and nothing the hand can hold', () => {
  expect(ask({ notes: 'C4 Ab4' }).map((one) => one.passed)).toEqual(['off the neck', null]);
  expect(ask({ notes: 'Ab4', maxEffort: 0 })[0].passed).toBe('no grip');
});

test('typed melodies: with octaves, or by name to the nearest', () => {
  const read = (text: string) => must(readMelody(text, 64)).map(pitchText).join(' ');
  expect(read('Eb F G Ab')).toBe('Eb5 F5 G5 Ab5');
  expect(read('G B D5, C | B')).toBe('G4 B4 D5 C5 B4');
  expect(read('C♯5 Cb')).toBe('C#5 Cb5');
  expect(readMelody('', 64)).toMatchObject({ ok: false, problem: { code: 'melody.empty' } });
  expect(readMelody('C5 H7 D', 64)).toMatchObject({ ok: false, problem: { code: 'melody.note', at: 'H7' } });
  expect(readMelody('C '.repeat(200), 64)).toMatchObject({ ok: false, problem: { code: 'melody.long' } });
  expect(() =>
    harmonizeMelody({
      ...({} as HarmonizeRequest),
      instrument: standardGuitar,
      melody: Array.from({ length: 129 }, () => must(parsePitch('C5'))),
    }),
  ).toThrow(RangeError);
});

test('a scale goes up and comes down again, as far as the neck goes', () => {
  const of = (octaves: 1 | 2, frets = 22) =>
    scaleMelody(key('Eb major'), 2, octaves, { instrument: { ...standardGuitar, frets } }).map(pitchText);
  expect(of(1).join(' ')).toBe('Eb4 F4 G4 Ab4 Bb4 C5 D5 Eb5 D5 C5 Bb4 Ab4 G4 F4 Eb4');
  expect(of(2, 12).join(' ')).toBe('Eb4 F4 G4 Ab4 Bb4 Ab4 G4 F4 Eb4');
});
