import { XMLValidator } from 'fast-xml-parser';
import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { EMPTY_PIECE, pieceDemand, readChart, type Piece, type PieceBar } from '../score';
import { harmonyOf, symbolOf } from './harmony';
import { readMusicXml, writeMusicXml, type GripOnChart } from '.';
import { QUALITIES } from '../theory';

const REEL = readChart(`title: A reel & "more" <so>
by: nobody
key: Db
time: 4/4
tempo: 96
swing: light
capo: 1
strum chop 2: D - x u d u x u
pick roll 2: p i m a pm - m i
order: A B A

[A] x2 chop
| Db | Bbm7 | Gbmaj7 Ab7 |1. Ab7 |2. Db |
m: | Db4:1 Eb4 F4 r | Db4:4~ | Db4:2 F4 | Ab4:4 | Db5:4 |
w: The lan- tern low

[B] roll
| (3/4) Gb . Ab | Gb/Bb | (4/4) (tempo 120) (key Eb minor) N.C. | Ebm:1.5 Bb7b9:2.5 |
| | . . Cbmaj7 . |
`).piece;

const gripsOf = (piece: Piece): (GripOnChart | null)[] =>
  pieceDemand(piece, { hand: averageHand, instrument: standardGuitar, candidates: 8 }).chords.map((one) =>
    one.step.grip ? { frets: one.step.grip.frets, fingers: one.step.grip.fingers } : null,
  );
const instrument = { ...standardGuitar, capo: 1 };
const xml = writeMusicXml(REEL, gripsOf(REEL), instrument);

test('what is written is well-formed, with staff, tab, frames and chord names', () => {
  expect(XMLValidator.validate(xml)).toBe(true);
  for (const part of [
    '<sign>TAB</sign>',
    '<clef-octave-change>-1',
    '<frame-note>',
    '<staff-tuning line="1">',
    '<capo>1<',
  ])
    expect(xml).toContain(part);
});

test('a guitar’s pitches are those that sound: D flat over a capo is a C grip from C sharp 3 up', () => {
  const first = xml.slice(xml.indexOf('<part id="P2">'));
  const note = first.slice(first.indexOf('<pitch>'), first.indexOf('</pitch>'));
  expect(note.replace(/\s+/g, '')).toBe('<pitch><step>D</step><alter>-1</alter><octave>3</octave>');
});

test('every measure of either part lasts as long as its time says', () => {
  const parts = xml.split('<part id=').slice(1);
  for (const part of parts) {
    let beats = 4;
    for (const measure of part.split('<measure ').slice(1)) {
      beats = Number(/<beats>(\d+)/.exec(measure)?.[1] ?? beats);
      const cursor = [...measure.matchAll(/<(note|backup)>(.*?)<\/\1>/gs)].reduce((at, [, kind, inner]) => {
        const duration = Number(/<duration>(\d+)/.exec(inner)?.[1] ?? 0);
        if (inner.includes('<chord/>') || inner.includes('<chord></chord>')) return at;
        return kind === 'backup' ? at - duration : at + duration;
      }, 0);
      expect(cursor).toBe(beats * 960);
    }
  }
});

test('a round trip loses nothing that the piece holds', () => {
  const back = must(readMusicXml(xml));
  expect(back.notTaken.map((one) => [one.at, one.code])).toEqual([['Guitar', 'import.part']]);
  expect(back.piece).toEqual(REEL);
});

test('drawn pieces come back as they were', () => {
  const symbol = fc.constantFrom('C', 'Bbm7', 'F#m7b5', 'Ab13', 'Eb/G', 'N.C.', 'Dbmaj9', 'G7sus4', 'E7#9');
  const bar = (beats: number): fc.Arbitrary<PieceBar> =>
    fc
      .record({
        cuts: fc.uniqueArray(fc.integer({ min: 0, max: beats * 4 - 1 }), { maxLength: 3 }),
        symbols: fc.array(symbol, { minLength: 3, maxLength: 3 }),
        melody: fc.boolean(),
      })
      .map(({ cuts, symbols, melody }): PieceBar => {
        const chords = [...cuts]
          .sort((a, b) => a - b)
          .map((cut, i) => ({ beat: cut / 4, chord: symbols[i] }));
        const pitch = { note: { letter: 'E' as const, accidental: -1 }, octave: 4 };
        return melody
          ? {
              chords,
              melody: [
                { beat: 0, beats: 1.5, pitch, word: 'la' },
                { beat: 1.5, beats: beats - 1.5, pitch: null },
              ],
            }
          : { chords };
      });
  const drawn = fc
    .record({ beats: fc.integer({ min: 2, max: 9 }), unit: fc.constantFrom(4, 8) })
    .chain(({ beats, unit }) =>
      fc
        .array(fc.array(bar(beats), { minLength: 1, maxLength: 5 }), { minLength: 1, maxLength: 3 })
        .map((sections): Piece => ({
          ...EMPTY_PIECE,
          title: 'Drawn',
          by: 'a test',
          key: 'F# minor',
          time: { beats, unit },
          tempoBpm: 100,
          sections: sections.map((bars, i) => ({ name: `S${i}`, times: (i % 2) + 1, bars })),
        })),
    );
  fc.assert(
    fc.property(drawn, (one) => {
      expect(must(readMusicXml(writeMusicXml(one, [], standardGuitar))).piece).toEqual(one);
    }),
    { numRuns: 60 },
  );
});

test('every named quality goes out as a kind and comes back as the same chord', () => {
  for (const { suffix } of QUALITIES) {
    const written = harmonyOf(`Eb${suffix}`);
    const back = written && symbolOf('Eb', written.kind, written.text, null);
    expect([suffix, back]).toEqual([suffix, `Eb${suffix}`]);
  }
  expect(symbolOf('F', 'half-diminished', '', null)).toBe('Fm7b5');
  expect(symbolOf('F', 'dominant', 'strange text', 'A')).toBe('F7/A');
  expect(symbolOf('F', 'Tristan', '', null)).toBeNull();
});

describe('strangers’ files', () => {
  const measure = (inner: string) => `<measure number="1">${inner}</measure>`;
  const part = (id: string, inner: string) => `<part id="${id}">${inner}</part>`;
  const score = (names: string[], parts: string) =>
    `<?xml version="1.0"?><!DOCTYPE score-partwise PUBLIC "-//Recordare//DTD MusicXML 4.0 Partwise//EN" "http://www.musicxml.org/dtds/partwise.dtd"><score-partwise version="4.0"><part-list>${names
      .map((name, i) => `<score-part id="P${i}"><part-name>${name}</part-name></score-part>`)
      .join('')}</part-list>${parts}</score-partwise>`;
  const note = (step: string, duration: number, more = '') =>
    `<note>${more}<pitch><step>${step}</step><octave>4</octave></pitch><duration>${duration}</duration></note>`;
  const opening =
    '<attributes><divisions>1</divisions><time><beats>3</beats><beat-type>4</beat-type></time></attributes>';

  test('an orchestra gives its chords and one melody, and says which parts were left', () => {
    const names = ['Piano', 'Violin', 'Flute'];
    const chords = measure(
      `${opening}<harmony><root><root-step>G</root-step></root><kind>dominant</kind></harmony>${note('G', 3)}${note('B', 3, '<chord/>')}`,
    );
    const violin = measure(`${opening}${note('D', 1)}${note('E', 2)}`);
    const read = must(
      readMusicXml(score(names, part('P0', chords) + part('P1', violin) + part('P2', violin))),
    );
    expect(read.piece.sections[0].bars[0]).toMatchObject({ chords: [{ beat: 0, chord: 'G7' }] });
    expect(read.piece.sections[0].bars[0].melody?.map((one) => one.pitch?.note.letter)).toEqual(['D', 'E']);
    expect(read.notTaken.map((one) => one.at)).toEqual(['Piano', 'Flute']);
  });

  test('what a bar holds and cannot be taken is said with its bar, and the rest is taken', () => {
    const inner = measure(
      `${opening}<harmony><root><root-step>G</root-step></root><kind>Neapolitan</kind></harmony>${note('D', 1)}`,
    );
    const read = must(readMusicXml(score(['Tune'], part('P0', inner))));
    expect(read.notTaken.map((one) => [one.at, one.code])).toEqual([
      ['Tune, bar 1', 'import.chord'],
      ['Tune, bar 1', 'import.bar'],
    ]);
    expect(read.piece.sections[0].bars).toHaveLength(1);
  });

  test.each([
    ['<!DOCTYPE x [<!ENTITY a "b">]><score-partwise/>', 'xml.entities'],
    ['<!DOCTYPE x [ ]><score-partwise/>', 'xml.entities'],
    [`<score-partwise>${'<a>'.repeat(60)}${'</a>'.repeat(60)}</score-partwise>`, 'xml.depth'],
    ['<a/>', 'xml.kind'],
    [`<score-partwise>${'x'.repeat(30_000)}</score-partwise>`, 'xml.count'],
    [`<score-partwise>${'<part id="P1">'}${'<measure/>'.repeat(2001)}</part></score-partwise>`, 'xml.bars'],
    [
      `<score-partwise><part><measure>${'<note/>'.repeat(501)}</measure></part></score-partwise>`,
      'xml.count',
    ],
    ['<score-partwise><part>', 'xml.form'],
    ['<score-timewise></score-timewise>', 'xml.kind'],
    ['<html></html>', 'xml.kind'],
    ['', 'xml.kind'],
    ['not xml at all', 'xml.kind'],
    ['<score-partwise></score-partwise>', 'xml.kind'],
  ])('%j is refused: %s', (text, code) => {
    const read = readMusicXml(text);
    expect(
      read.ok ? 'taken' : read.problem.code === 'xml.form' && code === 'xml.kind' ? code : read.problem.code,
    ).toBe(code);
  });

  test('nothing a stranger sends throws', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 200 }), fc.integer({ min: 0, max: xml.length }), (junk, at) => {
        readMusicXml(junk);
        readMusicXml(xml.slice(0, at) + junk + xml.slice(at));
        readMusicXml(xml.slice(0, at));
      }),
      { numRuns: 60 },
    );
  });
});
