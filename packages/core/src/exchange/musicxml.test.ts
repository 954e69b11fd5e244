import { drawnPiece } from '../score/drawn-rhythm';
import { XMLValidator } from 'fast-xml-parser';
import fc from 'fast-check';
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { type Piece, pieceDemand, readChart, ticksOf } from '../score';
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
    const divisions = Number(/<divisions>(\d+)/.exec(part)?.[1]);
    for (const measure of part.split('<measure ').slice(1)) {
      beats = Number(/<beats>(\d+)/.exec(measure)?.[1] ?? beats);
      const cursor = [...measure.matchAll(/<(note|backup)>(.*?)<\/\1>/gs)].reduce((at, [, kind, inner]) => {
        const duration = Number(/<duration>(\d+)/.exec(inner)?.[1] ?? 0);
        if (inner.includes('<chord/>') || inner.includes('<chord></chord>')) return at;
        return kind === 'backup' ? at - duration : at + duration;
      }, 0);
      expect(cursor).toBe(beats * divisions);
    }
  }
});

test('thirds are printed as triplets with their bracket, and need three divisions', () => {
  const { piece } = readChart('| C:2/3 F:1/3 G:3 |\nm: | C4:1/3 D4 E4 F4:2.5 G4:.5 |');
  const flat = writeMusicXml(piece, [], standardGuitar).replace(/\s+/g, '');
  const [melody, guitar] = flat.split('<partid=').slice(1);
  expect(melody).toContain('<divisions>6</divisions>');
  const triplet =
    '<type>eighth</type><time-modification><actual-notes>3</actual-notes><normal-notes>2</normal-notes><normal-type>eighth</normal-type></time-modification>';
  expect(melody.split(triplet)).toHaveLength(4);
  expect(melody.match(/<tuplettype="\w+"\/>/g)).toEqual(['<tuplettype="start"/>', '<tuplettype="stop"/>']);
  expect(guitar).toContain(triplet.replace('<type>eighth', '<type>quarter'));
});

test('a bracket is left out where one of its notes takes two values; its lengths are said all the same', () => {
  const { piece } = readChart('| C |\nm: | C4:1/3 D4:5/3 E4:2 |');
  const file = writeMusicXml(piece, [], standardGuitar);
  expect(file).not.toContain('<tuplet');
  expect(file.match(/<time-modification>/g)).toHaveLength(1);
  expect(must(readMusicXml(file)).piece.sections[0].bars).toEqual(piece.sections[0].bars);
});

test('a round trip loses nothing that the piece holds', () => {
  const back = must(readMusicXml(xml));
  expect(back.notTaken.map((one) => [one.at, one.code])).toEqual([['Guitar', 'import.part']]);
  expect(back.piece).toEqual(REEL);
});

test('drawn pieces come back as they were', () => {
  fc.assert(
    fc.property(drawnPiece, (one) => {
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
    expect(read.piece.sections[0].bars[0]).toMatchObject({ chords: [{ tick: 0, chord: 'G7' }] });
    expect(read.piece.sections[0].bars[0].melody?.map((one) => one.pitch?.note.letter)).toEqual(['D', 'E']);
    expect(read.notTaken.map((one) => one.at)).toEqual(['Piano', 'Flute']);
  });

  test('a bar that a file of few divisions rounds is full all the same; one that lacks more is said', () => {
    const seventh = (last: number) =>
      measure(
        `${opening.replace('<divisions>1', '<divisions>480')}${note('D', 69).repeat(6)}${note('E', last)}${note('F', 960)}`,
      );
    const of = (last: number) => must(readMusicXml(score(['Tune'], part('P0', seventh(last)))));
    expect(of(69).notTaken).toEqual([]);
    expect(of(69).piece.sections[0].bars[0].melody?.reduce((sum, one) => sum + one.ticks, 0)).toBe(
      ticksOf(3),
    );
    expect(of(10).notTaken.map((one) => one.code)).toEqual(['import.bar']);
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
