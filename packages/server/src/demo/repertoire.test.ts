/** The demo's tunes as a player would check them: no faults, full bars, melodies over their chords, grips to play. */
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { pieceDemand, readChart, writtenChords } from '@finch/core/score';
import { degreeOfPitchClass, parseChord, pitchClassOf } from '@finch/core/theory';
import { must } from '@finch/core/kernel';
import { stagePace } from '@finch/core/pace';
import { REPERTOIRE } from './repertoire';

const pieces = REPERTOIRE.map(({ chart }) => readChart(chart));

test('eight pieces without a fault, in eight keys or modes of our own, three with melody, one sung', () => {
  for (const { problems } of pieces) expect(problems).toEqual([]);
  expect(pieces).toHaveLength(8);
  const melodies = pieces.filter(({ piece }) =>
    piece.sections.some((one) => one.bars.some((bar) => bar.melody)),
  );
  expect(melodies).toHaveLength(3);
  const sung = pieces.filter(({ piece }) =>
    piece.sections.some((one) => one.bars.some((bar) => bar.melody?.some((note) => note.word))),
  );
  expect(sung).toHaveLength(1);
  for (const { piece } of pieces)
    for (const section of piece.sections)
      expect(piece.patterns.map((one) => one.name)).toContain(section.pattern);
});

test('a melody stands on a note of its chord where a bar begins', () => {
  for (const { piece } of pieces)
    for (const section of piece.sections)
      for (const bar of section.bars) {
        const first = bar.melody?.[0]?.pitch;
        if (!first) continue;
        const chord = must(parseChord(bar.chords[0].chord));
        expect([piece.title, degreeOfPitchClass(chord, pitchClassOf(first.note))]).not.toContain(null);
      }
});

test('every chord but rests has a grip for a middle hand, within reach of a player of some years', () => {
  for (const { piece } of pieces) {
    const demand = pieceDemand(piece, {
      hand: averageHand,
      instrument: standardGuitar,
      pace: stagePace('some years'),
      candidates: 12,
    });
    expect(demand.chords).toHaveLength(writtenChords(piece).length);
    for (const one of demand.chords) {
      expect([piece.title, one.chord, one.step.grip === null]).toEqual([piece.title, one.chord, false]);
      expect(one.step.gaveWay).toEqual([]);
    }
    // Within reach of somebody who has played for some years, and still some work.
    expect([piece.title, (demand.tempoShare ?? 0) > 0.5]).toEqual([piece.title, true]);
  }
});
