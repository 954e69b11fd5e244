/** Own small piece: only what is held and one new chord, on the very grips, in time, another for another seed. */
import { averageHand, makeHand, pitchAt, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS } from '../hands';
import { must } from '../kernel';
import { ticksOf } from '../score';
import { soundSchedule } from '../sound';
import { parseChord, pitchClassOf, readNote, type NoteName } from '../theory';
import { easier, forHand, harder, makeDrill, nearestRecipe, ownSmallPiece, redrawn, rekeyForHand, type Drill, type Recipe } from '.'; // prettier-ignore
import { firstRecipe, gripsOf } from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const made = (recipe: Recipe, where = context): Drill => must(makeDrill(recipe, where));
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const F = { chord: 'F', frets: [null, null, 3, 2, 1, 1] };
const piece = (more: Partial<Parameters<typeof ownSmallPiece>[0]> = {}, seed = 3) =>
  ownSmallPiece(
    { key: 'C major', bars: 8, metre: '4/4', grips: [C, AM, F, G], uses: 2, melody: true, strum: 'moving', play: 'chords', ...more },
    seed,
  ); // prettier-ignore
const chordsOf = (drill: Drill) => drill.steps.map((step) => String(step.ask.values.chord));

test('plays what is held, each on its own grip, and the new chord on one this hand holds', () => {
  const drill = made(piece({ fresh: 'Dm', uses: 2 }));
  const own = new Map([C, AM, F, G].map((one) => [one.chord, one.frets.join()]));
  for (const { grip, ask } of drill.steps)
    if (ask.values.chord !== 'Dm') expect(grip?.frets.join()).toBe(own.get(String(ask.values.chord)));
  expect(chordsOf(drill).filter((one) => one === 'Dm')).toHaveLength(2);
  expect(chordsOf(drill).slice(-2)).toEqual(['G', 'C']);
  expect(drill.steps).toHaveLength(8);
});

test('the tune is heard over it: a part of its own, of the chords it sounds with', () => {
  const drill = made(piece({ metre: '3/4' }));
  const [guitar, voice] = drill.score.parts;
  expect([voice.name, voice.bars.length]).toEqual(['voice', guitar.bars.length]);
  voice.bars.forEach((bar, i) => {
    const first = bar.events[0].notes[0];
    const pc = pitchAt(standardGuitar, first.stringIndex, first.fret) % 12;
    expect(pc).toBe(pitchClassOf(readNote(first.name ?? '')?.note as NoteName));
    expect(must(parseChord(chordsOf(drill)[i])).tones.map((tone) => tone.pitchClass)).toContain(pc);
    expect(bar.events.reduce((sum, event) => sum + event.ticks, 0)).toBe(ticksOf(3));
  });
  const heard = soundSchedule(drill.score, standardGuitar).filter((one) => one.kind === 'pluck');
  const alone = soundSchedule({ ...drill.score, parts: [guitar] }, standardGuitar).filter((one) => one.kind === 'pluck'); // prettier-ignore
  const notes = voice.bars.flatMap((bar) => bar.events).length;
  expect(heard.length - alone.length).toBe(notes);
  expect(made(piece({ melody: false })).score.parts).toHaveLength(1);
});

test('another seed, another piece; the same one, the same', () => {
  expect(made(piece())).toEqual(made(piece()));
  const lines = new Set([1, 2, 3, 4, 5, 6].map((seed) => JSON.stringify(made(piece({}, seed)).score.parts)));
  expect(lines.size).toBe(6);
  const again = redrawn(piece(), context);
  expect(again && JSON.stringify(made(again).score)).not.toBe(JSON.stringify(made(piece()).score));
});

test('as a melody it is single notes in the key, in six eighths too', () => {
  const drill = made(piece({ play: 'melody', metre: '6/8' }));
  const bars = drill.score.parts[0].bars;
  expect(new Set(bars.map((bar) => `${bar.beats}/${bar.unit}`))).toEqual(new Set(['6/8']));
  const white = [0, 2, 4, 5, 7, 9, 11];
  for (const { notes } of bars.flatMap((bar) => bar.events)) {
    expect(notes).toHaveLength(1);
    expect(white).toContain(pitchAt(standardGuitar, notes[0].stringIndex, notes[0].fret) % 12);
  }
});

test('one chord alone is played with a bass line, and says so; without a tune it is refused and given one', () => {
  const drill = made(piece({ grips: [C] }));
  expect(drill.leftOut.map((one) => one.code)).toEqual(['left.one-chord']);
  const struck = drill.score.parts[0].bars[0].events.map((event) => event.notes.length);
  expect(struck).toEqual([1, 2, 1, 2]);
  const refused = makeDrill(piece({ grips: [C], melody: false }), context);
  expect(refused.ok ? '' : refused.problem.code).toBe('rule.held');
  expect(nearestRecipe(piece({ grips: [C], melody: false }), context)).not.toBeNull();
});

test('never more than the hand may: a small, stiff hand is given a lighter grip for the new chord, or the drill is refused', () => {
  const spared = {
    ...context,
    hand: must(makeHand({ ...averageHand, sizeFactor: 0.85 })),
    limits: { ...DEFAULT_LIMITS, gripEffort: 30 },
  };
  const usual = made(piece({ grips: [C, AM, G], fresh: 'F' }));
  const lighter = makeDrill(piece({ grips: [C, AM, G], fresh: 'F' }), spared);
  expect(usual.steps.some((step) => step.ask.values.chord === 'F' && step.grip)).toBe(true);
  if (lighter.ok) {
    const frets = (drill: Drill) => drill.steps.find((step) => step.ask.values.chord === 'F')?.grip?.frets;
    expect(frets(lighter.value)).not.toEqual(frets(usual));
  } else expect(lighter.problem).toMatchObject({ code: 'drill.number', at: 'F' });
});

test('in another key the same piece, on grips of this hand; the new chord goes with it', () => {
  const moved = must(rekeyForHand(piece({ fresh: 'Dm' }), { letter: 'D', accidental: -1 }, context));
  if (moved.family !== 'own small piece') throw new Error('another family');
  expect([moved.parameters.key, moved.parameters.fresh]).toEqual(['Db major', 'Ebm']);
  const was = chordsOf(made(piece({ fresh: 'Dm' })));
  const is = chordsOf(made(moved));
  expect(is.length).toBe(was.length);
  is.forEach(
    (symbol, i) =>
    expect((must(parseChord(symbol)).tones[0].pitchClass + 11) % 12).toBe(must(parseChord(was[i])).tones[0].pitchClass), // prettier-ignore
  );
});

test('from nothing but two grips, and from all that somebody holds', () => {
  const start = { grip: F, from: AM, instrument: standardGuitar };
  expect(made(firstRecipe('own small piece', start)).steps).toHaveLength(8);
  expect(gripsOf(firstRecipe('own small piece', { ...start, grips: [AM, C] })).map((one) => one.chord)).toEqual(['Am', 'C']); // prettier-ignore
  const held = firstRecipe('own small piece', { ...start, held: [G, C, AM] });
  expect(gripsOf(held).map((one) => one.chord)).toEqual(['G', 'C', 'Am']);
  if (held.family !== 'own small piece') throw new Error('another family');
  expect(held.parameters.fresh).toBeDefined();
  expect(new Set(chordsOf(made(held)))).toContain(held.parameters.fresh);
  expect(forHand(held, context)).toBe(held);
});

test('notches: harder first makes it longer, easier at the slowest takes strokes away', () => {
  const up = must(harder(piece({ strum: 'one stroke' }), context));
  expect(up.family === 'own small piece' && up.parameters.bars).toBe(12);
  const down = must(easier(piece({ tempoBpm: 30 }), context));
  expect(down.family === 'own small piece' && down.parameters.strum).toBe('every beat');
  expect(made(down).effort).toBeLessThanOrEqual(made(piece({ tempoBpm: 30 })).effort);
});

test.each([
  [piece({ key: 'G# major' }), 'key.signature'],
  [piece({ grips: [F, G] }), 'rule.held'],
  [piece({ fresh: 'Ebm' }), 'rule.fresh'],
  [piece({ grips: [] }), 'drill.chords'],
  [piece({ tempoBpm: 9 }), 'drill.tempo'],
])('recipe %# is refused', (recipe, code) => {
  const refused = makeDrill(recipe, context);
  expect(refused.ok ? '' : refused.problem.code).toBe(code);
});
