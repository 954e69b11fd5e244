/** Scales laid on the neck as the view asks for them. */
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core';
import { stagePace } from '@finch/core/pace';
import { noteText, parseChord, parseScale } from '@finch/core/theory';
import { laidOn, lineTempo, refusalOf, tonesOf, WAYS, type ScaleAsked, type Way } from './laid-scale';

const scale = (name: string) => must(parseScale(name));
const ask = (way: Way, more: Partial<ScaleAsked> = {}): ScaleAsked => ({
  way,
  position: 3,
  string: 1,
  stretch: 'index back',
  wholeSteps: '1 2 4',
  ...more,
});
const laid = (name: string, way: Way, more: Partial<ScaleAsked> = {}) =>
  laidOn(scale(name), ask(way, more), standardGuitar);

test('every way lays a seven-note scale, but boxes, which are of five', () => {
  for (const { id } of WAYS) {
    const refused = refusalOf(scale('Ab major'), id, standardGuitar);
    expect([id, refused !== null]).toEqual([id, id === 'boxes']);
    if (refused) continue;
    const all = laid('Ab major', id);
    expect([id, all.length > 0, all.every((one) => one.notes.length > 0 && one.name)]).toEqual([
      id,
      true,
      true,
    ]);
  }
});

test('what a way cannot lay is said', () => {
  expect(refusalOf(scale('F minor pentatonic'), 'thirds', standardGuitar)).toContain('seven-note');
  expect(refusalOf(scale('F blues'), 'arpeggios', standardGuitar)).toContain('key or a mode');
  expect(
    refusalOf(scale('C major'), 'forms', { ...standardGuitar, openPitches: [38, 45, 50, 55, 59, 64] }),
  ).toContain('standard tuning');
  expect(
    refusalOf(scale('C major'), 'sixths', { ...standardGuitar, openPitches: [67, 60, 64, 69] }),
  ).toContain('six strings');
  expect(laid('F blues', 'thirds')).toEqual([]);
});

test('a position off the neck is the nearest there is; where no stretch is needed is said', () => {
  const [one] = laid('Ab major', 'position', { position: 99 });
  expect(one.name).toBe('Position 19');
  const [stretched] = laid('Ab major', 'position', { position: 5 });
  expect(stretched.under).toBe('frets 4 to 8; 2 stretched; no stretch in position 1, 3, 8, 15');
});

test('the boxes of the pentatonic of F minor, ringed where each joins the next', () => {
  const boxes = laid('F minor pentatonic', 'boxes');
  expect(boxes.map((one) => [one.name, one.rings.length])).toEqual(
    [1, 2, 3, 4, 5].map((n) => [`Box ${n}`, 6]),
  );
});

test('all chords of B harmonic minor between frets 1 and 6, in one position', () => {
  const all = laid('B harmonic minor', 'arpeggios', { position: 2 });
  expect(all.map((one) => one.name)).toEqual([
    'BmMaj7',
    'C#m7b5',
    'DaugMaj7',
    'Em7',
    'F#7',
    'Gmaj7',
    'A#dim7',
  ]);
  for (const { notes } of all) for (const one of notes) expect(one.fret >= 1 && one.fret <= 6).toBe(true);
});

test('strings left out are said; on one string the moves of the hand are ringed', () => {
  const [over] = laidOn(tonesOf(scale('Db major'), must(parseChord('Dbmaj7'))), ask('two', { position: 0 }), {
    ...standardGuitar,
    frets: 19,
  });
  expect(over.under).toContain('string 1 would lie beyond');
  const [string] = laid('Ab major', 'string', { string: 9 });
  expect([string.name, string.rings.length > 0]).toEqual(['String 6', true]);
});

test('over a chord only its tones, as an arpeggio', () => {
  expect(tonesOf(scale('Ab major'), must(parseChord('Eb7'))).notes.map(noteText)).toEqual([
    'Eb',
    'G',
    'Bb',
    'Db',
  ]);
  expect(tonesOf(scale('Ab major'), null).notes).toHaveLength(7);
});

test('the tempo is two notes a beat for this hand, none over its limit', () => {
  const hand = { hand: averageHand, instrument: standardGuitar, limit: 60, pace: stagePace('some years') };
  const [line] = laid('Eb major', 'position', { position: 10 });
  const { bpm, points } = lineTempo(line.line, hand);
  expect(bpm).toBeGreaterThan(200);
  expect(bpm).toBeLessThan(280);
  expect(lineTempo(line.line, { ...hand, limit: points - 1 }).bpm).toBeNull();
});
