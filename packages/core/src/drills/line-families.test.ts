/** Two a string and scale in the shape: worked facts on paper, and what every figure keeps to in every key. */
import { averageHand, makeHand, makeInstrument, pitchAt, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS, type DrillContext } from '../hands';
import { must } from '../kernel';
import { stagePace } from '../pace';
import { inPosition, lineEffort } from '../scales';
import { straight } from './families/scale-in-the-shape/figures';
import { TICKS_A_BEAT, type ScoreEvent } from '../score';
import { majorKeys, minorKeys, noteText, parseChord, parseScale } from '../theory';
import {
  harder,
  makeDrill,
  nearestRecipe,
  rekey,
  scaleInTheShape,
  twoAString,
  type Drill,
  type Recipe,
} from '.';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const small: DrillContext = { ...context, hand: must(makeHand({ sizeFactor: 0.68 })) };
const made = (recipe: Recipe, where = context): Drill => must(makeDrill(recipe, where));
const events = ({ score }: Drill): ScoreEvent[] => score.parts[0].bars.flatMap((bar) => bar.events);
/** Every picked note as string and fret, thickest string first. */
const picked = (drill: Drill) =>
  events(drill).flatMap((event) => (event.stroke === 'pick' ? event.notes : []));
const frets = (drill: Drill) => picked(drill).map((note) => note.fret);
const pitches = (drill: Drill, instrument = standardGuitar) =>
  picked(drill).map((note) => pitchAt(instrument, note.stringIndex, note.fret));

describe('two a string', () => {
  const two = (more: Partial<Parameters<typeof twoAString>[0]> = {}) =>
    twoAString({
      root: 'Bb',
      quality: 'minor7',
      string: 6,
      way: 'up',
      fingers: '1 4',
      keys: 1,
      next: 'fourths',
      ...more,
    });

  test('the worked facts: Bbm7 and Dbmaj7 from string 6', () => {
    expect(frets(made(two()))).toEqual([6, 9, 8, 11, 8, 11, 10, 13, 11, 14, 13, 16]);
    expect(frets(made(two({ root: 'Db', quality: 'major7' })))).toEqual([
      9, 13, 11, 15, 11, 15, 13, 17, 14, 18, 16, 20,
    ]);
  });
  test('the last note of a phrase is held to the end of its bar', () => {
    const last = events(made(two())).at(-1);
    expect([last?.tick, last?.ticks]).toEqual([1.5 * TICKS_A_BEAT, 2.5 * TICKS_A_BEAT]);
  });
  test('every pair is two tones of the chord in order on one string, index and little finger', () => {
    const tones: Readonly<Record<string, readonly number[]>> = {
      major7: [0, 4, 7, 11],
      dominant7: [0, 4, 7, 10],
      minor7: [0, 3, 7, 10],
      'half-diminished': [0, 3, 6, 10],
      diminished7: [0, 3, 6, 9],
    };
    for (const { tonic } of majorKeys())
      for (const [quality, above] of Object.entries(tones))
        for (const string of [6, 5] as const) {
          const root = noteText(tonic);
          const drill = made(two({ root, quality: quality as 'major7', string }));
          const notes = picked(drill);
          const first = must(parseChord(root)).tones[0].pitchClass;
          expect(notes.length % 2).toBe(0);
          notes.forEach((note, i) => {
            expect(note.stringIndex).toBe(6 - string + Math.floor(i / 2));
            expect(note.finger).toBe(i % 2 ? 4 : 1);
            expect((pitchAt(standardGuitar, note.stringIndex, note.fret) - first + 24) % 12).toBe(
              above[i % 4],
            );
          });
          const up = pitches(drill);
          expect(up).toEqual([...up].sort((a, b) => a - b));
        }
  });
  test('the ring finger takes pairs three frets apart in the other school, and no wider ones', () => {
    const notes = picked(made(two({ fingers: '1 3', root: 'C', quality: 'dominant7' })));
    for (let i = 0; i < notes.length; i += 2)
      expect(notes[i + 1].finger).toBe(notes[i + 1].fret - notes[i].fret === 3 ? 3 : 4);
  });
  test('where the neck ends whole pairs are left out and said; from fret 17 it lies an octave lower', () => {
    const short = made(two({ root: 'Gb', quality: 'major7', fromFret: 13 }));
    expect(short.leftOut.map((one) => one.code)).toEqual(['left.pairs']);
    expect(frets(short).length % 2).toBe(0);
    const high = made(two({ fromFret: 17 }));
    expect([frets(high)[0], high.leftOut[0]]).toEqual([
      6,
      { code: 'left.lower', values: { chord: 'Bbm7', frets: 12 } },
    ]);
  });
  test('over a progression each chord has a bar of eight notes, up and down by turns', () => {
    const drill = made(two({ over: 'Bbm7 Eb7 Abmaj7 Fm7', way: 'up and down' }));
    const bars = drill.score.parts[0].bars;
    expect(bars.map((bar) => [bar.events[0].chord, bar.events.length])).toEqual([
      ['Bbm7', 8], ['Eb7', 8], ['Abmaj7', 8], ['Fm7', 8],
    ]); // prettier-ignore
    const rises = bars.map(({ events: [a, , , b] }) => b.notes[0].stringIndex > a.notes[0].stringIndex);
    expect(rises).toEqual([true, false, true, false]);
  });
  test('four keys go by fourths, or in a drawn order that its seed gives', () => {
    const chords = (recipe: Recipe) =>
      events(made(recipe)).flatMap((event) => (event.chord ? [event.chord] : []));
    expect(chords(two({ keys: 4 }))).toEqual(['Bbm7', 'Ebm7', 'Abm7', 'Dbm7']);
    const drawn = (seed: number) => chords({ ...two({ keys: 12, next: 'random' }), seed });
    expect(new Set(drawn(3)).size).toBe(12);
    expect(drawn(3)).toEqual(drawn(3));
    expect(drawn(3)).not.toEqual(drawn(4));
  });
  test('re-keyed its chords go along by their letters', () => {
    const moved = must(
      rekey(two({ over: 'Bbm7 Eb7 Abmaj7' }), { letter: 'C', accidental: 1 }, standardGuitar),
    );
    expect(moved.family === 'two a string' && moved.parameters.over).toBe('C#m7 F#7 Bmaj7');
  });
  test.each([
    [{ over: 'Bbm7 H7' }, 'chord.german-h', 'H7'],
    [{ over: 'Bbm7 C6' }, 'drill.two-quality', 'C6'],
    [{ over: 'A7 A7 A7 A7 A7 A7 A7 A7 A7' }, 'drill.chords', 'over'],
    [{ string: 2 }, 'drill.string', 'string'],
    [{ keys: 13 }, 'drill.keys', 'keys'],
    [{ root: 'H' }, 'drill.root', 'root'],
    [{ tempoBpm: 5 }, 'drill.tempo', 'tempoBpm'],
  ])('%o is refused, and the nearest there is can be made', (more, code, at) => {
    const refused = makeDrill(two(more), context);
    expect(refused.ok ? null : [refused.problem.code, refused.problem.at]).toEqual([code, at]);
    const nearest = nearestRecipe(two(more), context);
    expect(nearest && makeDrill(nearest, context).ok).toBe(true);
  });
  test('a small hand moves where it cannot span, and goes slower for it', () => {
    const wide = two({ root: 'F', quality: 'major7' });
    expect(made(wide, small).predictedBpm ?? 0).toBeLessThan(made(wide).predictedBpm ?? 0);
  });
});

describe('scale in the shape', () => {
  const shape = (more: Partial<Parameters<typeof scaleInTheShape>[0]> = {}, seed = 1) =>
    scaleInTheShape(
      { tonic: 'Ab', kind: 'major', place: 'position', at: 3, figure: 'straight', perBeat: 2, ...more },
      seed,
    );
  const names = (drill: Drill) => picked(drill).map((note) => note.name);

  test('straight, on paper: A flat major in position 3, from the root up, down to the lowest and home', () => {
    const drill = made(shape());
    // Position 3 of A flat needs no stretch: strings 6 to 1 have 3 4 6, 3 4 6, 3 5 6, 3 5 6, 4 6, 3 4 6.
    const up = [4, 6, 3, 4, 6, 3, 5, 6, 3, 5, 6, 4, 6, 3, 4, 6];
    expect(frets(drill)).toEqual([...up, ...[...up].reverse().slice(1), 3, 4]);
    expect(names(drill)[0]).toBe('Ab');
    expect(names(drill).at(-1)).toBe('Ab');
  });
  test('groups and pairs, on paper: the first notes of each, from the root of C major in position 7', () => {
    const first = (figure: 'groups of 4' | 'groups of 3' | 'thirds' | 'sixths') =>
      names(made(shape({ tonic: 'C', at: 7, figure })))
        .slice(0, 8)
        .join(' ');
    expect(first('groups of 4')).toBe('C D E F D E F G');
    expect(first('groups of 3')).toBe('C D E D E F E F');
    expect(first('thirds')).toBe('C E D F E G F A');
    expect(first('sixths')).toBe('C A D B E C F D');
  });

  const keys = [...majorKeys(), ...minorKeys()];
  const FIGURES = ['straight', 'groups of 4', 'groups of 3', 'thirds', 'sixths', 'targets', 'phrase', 'parallel modes', 'relative modes'] as const; // prettier-ignore
  test.each(FIGURES)('%s in all thirty keys: only notes of the key, spelled as it spells them', (figure) => {
    for (const key of keys) {
      const tonic = noteText(key.tonic);
      const drill = made(shape({ tonic, kind: key.mode, at: 5, figure }, 7));
      const own = new Set(key.scale.map(noteText));
      const wrong = figure === 'parallel modes' ? [] : names(drill).filter((name) => !own.has(name ?? ''));
      expect([tonic, wrong]).toEqual([tonic, []]);
      expect(drill.items.some((item) => item.kind === 'key' && item.key === key.name)).toBe(true);
    }
  });
  test('every place, for a scale of five notes and one of seven, in a flat and a sharp key', () => {
    for (const tonic of ['Eb', 'F#'])
      for (const [place, kind, at] of [
        ['box', 'minor pentatonic', 4],
        ['form', 'major', 5],
        ['three a string', 'major', 7],
        ['one string', 'major', 2],
        ['two joined', 'minor pentatonic', 2],
        ['two joined', 'major', 3],
        ['whole neck', 'major', 1],
        ['whole neck', 'major pentatonic', 1],
      ] as const) {
        const drill = made(shape({ tonic, kind, place, at }));
        const own = new Set(must(parseScale(`${tonic} ${kind}`)).notes.map(noteText));
        expect(names(drill).every((name) => own.has(name ?? ''))).toBe(true);
        if (place === 'one string')
          expect(new Set(picked(drill).map((note) => note.stringIndex)).size).toBe(1);
        if (place === 'two joined' || place === 'whole neck') expect(names(drill).at(-1)).toBe(tonic);
      }
  });
  test('targets: on every one the 3 or 7 of the chord, reached by a step of the scale, other notes with another seed', () => {
    const line = (seed: number) => made(shape({ figure: 'targets', over: 'Bbm7 Eb7 Abmaj7', at: 3 }, seed));
    const scale = must(parseScale('Ab major')).notes.map(noteText);
    const drill = line(1);
    const bars = drill.score.parts[0].bars.filter((bar) => bar.events[0].stroke === 'pick');
    expect(bars.map((bar) => bar.events[0].notes[0].name)).toEqual(
      bars.map((bar) => {
        const chord = must(parseChord(bar.events[0].chord ?? ''));
        const guides = chord.tones
          .filter((tone) => /^b?[37]$/.test(tone.degree))
          .map((tone) => noteText(tone.note));
        return guides.find((name) => name === bar.events[0].notes[0].name);
      }),
    );
    bars.slice(1).forEach((bar, i) => {
      const [from, to] = [bars[i].events.at(-1)?.notes[0].name, bar.events[0].notes[0].name].map((name) =>
        scale.indexOf(name ?? ''),
      );
      expect([1, scale.length - 1]).toContain(Math.abs(from - to));
    });
    expect(frets(line(1))).toEqual(frets(line(1)));
    expect(frets(line(2))).not.toEqual(frets(line(1)));
  });
  test('phrases: each of two bars keeps its rest, answers end on the root', () => {
    const drill = made(shape({ figure: 'phrase', perBeat: 2 }, 3));
    const bars = drill.score.parts[0].bars.filter((bar) => bar.events[0]?.stroke === 'pick');
    for (const [i, bar] of bars.entries()) {
      const end = Math.max(...bar.events.map((event) => event.tick + event.ticks));
      expect(end).toBe((i % 2 ? 2 : 4) * TICKS_A_BEAT);
    }
    expect([bars[3], bars[7]].map((bar) => bar.events.at(-1)?.notes[0].name)).toEqual(['Ab', 'Ab']);
  });
  test('7 against b7: the two sevenths under a root, heard twice each and then by turns', () => {
    const drill = made(shape({ tonic: 'C', figure: '7 or b7', at: 7 }));
    expect(names(drill).join(' ')).toBe('C B C C B C C Bb C C Bb C C B C C Bb C');
  });
  test('modes on one tonic from the brightest; modes from each note keep the notes', () => {
    const parallel = made(shape({ tonic: 'C', at: 7, figure: 'parallel modes' }));
    const asked = [
      ...new Set(parallel.steps.flatMap(({ ask }) => (ask.values.kind ? [ask.values.kind] : []))),
    ];
    expect(asked).toEqual(['lydian', 'major', 'mixolydian', 'dorian', 'minor', 'phrygian', 'locrian']);
    const relative = made(shape({ tonic: 'C', at: 7, figure: 'relative modes' }));
    const first = relative.steps.flatMap(({ ask }) =>
      ask.values.kind ? [`${ask.values.tonic} ${ask.values.kind}`] : [],
    );
    expect(first).toContain('D dorian');
    expect(first).toContain('A minor');
  });
  test('of the two schools of stretching the faster for this hand is taken; a hand too small for it moves', () => {
    for (const at of [1, 2, 4, 6, 9]) {
      const drill = made(shape({ tonic: 'C', at }));
      const rates = (['index back', 'little finger up'] as const).map((school) => {
        const { notes } = inPosition(must(parseScale('C major')), at, standardGuitar, school);
        const hand = { hand: averageHand, instrument: standardGuitar, limit: 100, pace: stagePace(null) };
        return Math.round(((lineEffort(straight(notes), hand).notesPerSecond ?? 0) * 60) / 2);
      });
      expect([at, drill.predictedBpm]).toEqual([at, Math.max(...rates)]);
    }
    const low = shape({ tonic: 'C', at: 1 });
    expect(made(low, small).predictedBpm ?? 0).toBeLessThan(made(low).predictedBpm ?? 0);
  });
  test('the scale after it, then the figure after it; a box of five becomes a form of seven', () => {
    const box = shape({ kind: 'blues', place: 'position', at: 4 });
    const next = must(harder(box, context));
    expect(next.family === 'scale in the shape' && next.parameters.kind).toBe('major');
    const five = shape({ kind: 'major pentatonic', place: 'box', at: 1 });
    const seven = harder(five, context);
    if (
      seven.ok &&
      seven.value.family === 'scale in the shape' &&
      seven.value.parameters.kind !== 'major pentatonic'
    )
      expect(seven.value.parameters.place).toBe('form');
  });
  test.each([
    [{ tonic: 'D#', kind: 'major' }, 'scale.signature'],
    [{ place: 'box', kind: 'major' }, 'drill.boxes'],
    [{ figure: 'thirds', kind: 'minor pentatonic' }, 'drill.figure'],
    [{ place: 'form', at: 6 }, 'drill.place'],
    [{ perBeat: 5 }, 'drill.per-beat'],
    [{ figure: 'targets', over: 'Bbm7 H' }, 'chord.german-h'],
    [{ at: 99 }, 'drill.place'],
  ] as const)('%o is refused by name, and the nearest there is can be made', (more, code) => {
    const refused = makeDrill(shape(more), context);
    expect(refused.ok ? null : refused.problem.code).toBe(code);
    const nearest = nearestRecipe(shape(more), context);
    expect(nearest && makeDrill(nearest, context).ok).toBe(true);
  });
  test('four strings have no forms: a position stands in, said', () => {
    const uke = { ...context, instrument: must(makeInstrument({ openPitches: [67, 60, 64, 69] })) };
    const refused = makeDrill(shape({ place: 'form', at: 1 }), uke);
    expect(refused.ok ? null : refused.problem.code).toBe('drill.named-forms');
    const nearest = nearestRecipe(shape({ place: 'form', at: 1 }), uke);
    expect(nearest?.family === 'scale in the shape' && nearest.parameters.place).toBe('position');
  });
  test('a hand whose limit is low is told when a line is over it', () => {
    const strict = { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 12 } };
    expect(made(shape({ place: 'one string', at: 1 }), strict).overLimit).toBe(true);
    expect(made(shape({ place: 'one string', at: 1 })).overLimit).toBe(false);
  });
});
