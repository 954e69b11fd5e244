/** What plays along, checked event by event against what each drill names; and numbers called, named afterwards. */
import {
  averageHand,
  makeInstrument,
  parseTuning,
  pitchAt,
  standardGuitar,
  type Instrument,
} from '../fretboard';
import { DEFAULT_LIMITS, type DrillContext } from '../hands';
import { must } from '../kernel';
import { checkScore, soundingMidi, ticksOf, type Score } from '../score';
import { soundSchedule } from '../sound';
import { parseChord, pitchClassOf } from '../theory';
import {
  calledAt,
  changeLoop,
  FAMILIES,
  firstRecipe,
  gripsInOrder,
  HEARD,
  heardChoices,
  heardScore,
  instrumentFor,
  makeDrill,
  numberCalls,
  onPaper,
  pieceSection,
  rekey,
  rootOf,
  triadPairs,
  twoAString,
  type Drill,
  type Recipe,
} from '.';

const context: DrillContext = {
  hand: averageHand,
  instrument: standardGuitar,
  limits: { ...DEFAULT_LIMITS, gripEffort: 90 },
};
const made = (recipe: Recipe, where = context): Drill => must(makeDrill(recipe, where));
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const ROOTS = ['C', 'Db', 'E', 'F#', 'Ab', 'B'].map((root) => must(parseChord(root)).root);
const everyDrill = (): Drill[] =>
  FAMILIES.flatMap((family) => {
    const recipe = firstRecipe(family.name, { grip: C, from: null, instrument: standardGuitar });
    const others = rootOf(recipe)
      ? ROOTS.flatMap((root) => {
          const moved = rekey(recipe, root, standardGuitar);
          return moved.ok ? [moved.value] : [];
        })
      : [recipe];
    return others.flatMap((one) => {
      const drill = makeDrill(one, context);
      return drill.ok ? [drill.value] : [];
    });
  });
const backing = (drill: Drill, instrument: Instrument = standardGuitar): Score =>
  heardScore(drill, instrument, 'backing');

/** Sounding pitches at each moment of one part, in ticks of the whole, with the chord the hand's part has named by then. */
function moments(score: Score, named: Score, instrument: Instrument) {
  let chord: string | null = null;
  let from = 0;
  return score.parts[0].bars.flatMap((bar, b) => {
    const names = named.parts[0].bars[b].events;
    const here = bar.events.map((event) => {
      for (const one of names) if (one.chord !== undefined && one.tick <= event.tick) chord = one.chord;
      return {
        at: from + event.tick,
        tick: event.tick,
        chord,
        pitches: event.notes.map((note) => soundingMidi(note, instrument)),
      };
    });
    for (const one of names) if (one.chord !== undefined) chord = one.chord;
    from += ticksOf(bar.beats);
    return here;
  });
}

test('every family, on six roots: a backing has only tones of the chord that is on, its root where the chord begins, and as many bars', () => {
  let looked = 0;
  for (const drill of everyDrill()) {
    const choices = heardChoices(drill, standardGuitar);
    expect(choices[0]).toBe('drill');
    for (const heard of HEARD) must(checkScore(heardScore(drill, standardGuitar, heard)));
    if (!choices.includes('together')) continue;
    const played = backing(drill);
    const instrument = instrumentFor(drill, standardGuitar);
    expect(played.parts[0].bars.map(({ beats, unit }) => [beats, unit])).toEqual(
      drill.score.parts[0].bars.map(({ beats, unit }) => [beats, unit]),
    );
    let before: string | null = null;
    for (const { chord, tick, pitches } of moments(played, drill.score, instrument)) {
      const root = rootOf(drill.recipe);
      const read = chord === null ? null : must(parseChord(chord));
      const bass = read ? (read.bass ?? read.root) : root;
      if (!bass) throw new Error(`${drill.recipe.family} has neither chord nor root`);
      const allowed = read
        ? [...read.tones.map((tone) => tone.pitchClass), pitchClassOf(bass)]
        : [pitchClassOf(bass), (pitchClassOf(bass) + 7) % 12];
      for (const pitch of pitches) expect(allowed).toContain(pitch % 12);
      if (tick === 0 || chord !== before) expect(Math.min(...pitches) % 12).toBe(pitchClassOf(bass));
      before = chord;
      looked++;
    }
  }
  expect(looked).toBeGreaterThan(1000);
});

test('a bar of four is bass, chord, fifth, chord; the chord is damped before the bass comes again', () => {
  const drill = made(
    twoAString({
      root: 'C',
      quality: 'major7',
      string: 6,
      way: 'up',
      fingers: '1 4',
      keys: 1,
      next: 'fourths',
      over: 'Cmaj7 Fmaj7',
    }),
  );
  const bar = backing(drill).parts[0].bars[1].events;
  expect(bar.map((event) => event.notes.length)).toEqual([1, 4, 1, 4]);
  expect(bar.map((event) => event.tick / 10_080)).toEqual([0, 1, 2, 3]);
  // F and C under it, as low as they lie: F at the first fret of string 6, C at the third of string 5.
  expect(
    [bar[0], bar[2]].map(({ notes: [low] }) => pitchAt(standardGuitar, low.stringIndex, low.fret)),
  ).toEqual([41, 48]);
  expect(bar[1].ticks).toBeLessThan(bar[0].ticks);
});

test('a chord of one beat sounds whole, three and six beats have their own ways, and N.C. is silent', () => {
  const chart = (time: string, bars: string) =>
    ['key: C', `time: ${time}`, 'tempo: 90', 'capo: 2', '[A]', bars].join('\n');
  const section = (time: string, bars: string, grips: (typeof C.frets | null)[]) =>
    made(
      pieceSection({
        pieceId: 'p',
        title: 'Lamp',
        fromBar: 1,
        toBar: 2,
        chart: chart(time, bars),
        grips,
        part: 'as written',
      }),
    );
  const G = [3, 2, 0, 0, 0, 3];
  const three = backing(section('3/4', '| C | N.C. |', [C.frets, null])).parts[0].bars;
  expect(three.map((bar) => bar.events.map((event) => event.notes.length))).toEqual([[1, 3, 3], []]);
  const six = backing(section('6/8', '| C | G |', [C.frets, G])).parts[0].bars;
  expect(six.map((bar) => bar.events.map((event) => event.tick / 10_080))).toEqual([
    [0, 2, 3, 5],
    [0, 2, 3, 5],
  ]);
  const four = backing(section('4/4', '| C . . G | C |', [C.frets, G, C.frets])).parts[0].bars[0].events;
  expect(four.map((event) => event.notes.length)).toEqual([1, 3, 1, 3]);
  expect(four[3].notes.map((note) => soundingMidi(note, { ...standardGuitar, capo: 2 }) % 12)).toContain(11);
  // Names are what sounds: over a capo at fret 2 the C lies two frets lower.
  expect(soundingMidi(four[0].notes[0], { ...standardGuitar, capo: 2 })).toBe(48);
  expect(four[0].notes[0]).toMatchObject({ stringIndex: 1, fret: 1 });
});

test('a drone and a tune that a drill has already are its backing; a quiz has none, and the click alone is silent', () => {
  const pair = made(
    triadPairs({
      root: 'C',
      pair: 'stacked',
      sound: 'maj7',
      strings: [4, 3, 2],
      played: 'stabs',
      roots: 1,
      drone: true,
    }),
  );
  expect(heardChoices(pair, standardGuitar)).toEqual(['drill', 'backing', 'click']);
  expect(backing(pair).parts).toEqual(pair.score.parts.slice(1));
  const loop = made(changeLoop({ grips: [C, { chord: 'G', frets: [3, 2, 0, 0, 0, 3] }], beatsEach: 4 }));
  const sounds = (heard: (typeof HEARD)[number]) =>
    soundSchedule(heardScore(loop, standardGuitar, heard), standardGuitar).filter(
      (one) => one.kind === 'pluck',
    ).length;
  expect(heardChoices(loop, standardGuitar)).toEqual([...HEARD]);
  expect(sounds('click')).toBe(0);
  expect(sounds('together')).toBe(sounds('drill') + sounds('backing'));
  const quiz = made(firstRecipe('root call', { grip: C, from: null, instrument: standardGuitar }));
  expect(heardChoices(quiz, standardGuitar)).toEqual(['drill']);
  expect(heardScore(quiz, standardGuitar, 'backing')).toBe(quiz.score);
  const ring = made(firstRecipe('ring check', { grip: C, from: null, instrument: standardGuitar }));
  expect(heardChoices(ring, standardGuitar)).toEqual(['drill']);
  const warm = made(firstRecipe('warm up', { grip: C, from: null, instrument: standardGuitar }));
  expect(heardChoices(warm, standardGuitar)).toEqual(['drill', 'click']);
  const open = made(firstRecipe('open task', { grip: C, from: null, instrument: standardGuitar }));
  expect(heardChoices(open, standardGuitar)).toEqual(['drill', 'click']);
});

test('on five strings and four the backing lies on the strings there are', () => {
  for (const tuning of ['A D G B E', 'D G B E']) {
    const instrument = must(makeInstrument({ openPitches: must(parseTuning(tuning)) }));
    const drill = made(firstRecipe('scale in the shape', { grip: C, from: null, instrument }), {
      ...context,
      instrument,
    });
    const { bars } = backing(drill, instrument).parts[0];
    expect(bars.every((bar) => bar.events.length > 0)).toBe(true);
    for (const { notes } of bars.flatMap((bar) => bar.events))
      for (const note of notes) expect(note.stringIndex).toBeLessThan(instrument.openPitches.length);
  }
});

describe('numbers called', () => {
  const calls = (lead: number, keys = 1) =>
    made(
      numberCalls(
        { key: 'Ab major', pool: '1 4 5', keys, length: 4, lead, layout: 'fixed', tempoBpm: 60 },
        3,
      ),
    );

  test('the one to play, the next so many beats ahead, the chords of those before, none once it is over', () => {
    const drill = calls(2);
    const numbers = drill.steps.map((step) => String(step.ask.values.number));
    const at = (beat: number) => {
      const now = calledAt(drill, beat);
      return [
        now?.now?.number ?? null,
        now?.next?.number ?? null,
        now?.past.map((one) => `${one.number} ${one.chord}`).join(', '),
      ];
    };
    expect(numbers[0]).toBe('1');
    expect(at(-4)).toEqual(['1', null, '']);
    expect(at(1.99)).toEqual(['1', null, '']);
    expect(at(2)).toEqual(['1', numbers[1], '']);
    expect(at(4)).toEqual([numbers[1], null, '1 Ab']);
    expect(at(15)).toEqual([
      '1',
      null,
      `1 Ab, ${numbers[1]} ${drill.steps[1].grip?.chord}, ${numbers[2]} ${drill.steps[2].grip?.chord}`,
    ]);
    expect(at(16)[0]).toBeNull();
    expect(calledAt(drill, 16)?.past).toHaveLength(4);
    expect(calledAt(calls(4), 0)?.next?.number).toBe(numbers[1]);
  });

  test('the key of each is said, so that another one is seen coming', () => {
    const drill = calls(1, 2);
    expect(calledAt(drill, 15)).toMatchObject({
      now: { key: 'Ab major' },
      next: { number: '1', key: 'Eb major' },
    });
  });

  test('no screen and no paper shows the grips in their order; names stand with the answers', () => {
    const drill = calls(4);
    expect(gripsInOrder(drill)).toEqual([]);
    const asks = drill.steps.map((step) => `${step.ask.values.number} in A♭ major`);
    const page = onPaper(drill, { asks, names: { Ab: 'A♭' }, signs: (text) => text }, context);
    expect(page.score).toBeNull();
    expect(page.calls[0]).toEqual({ ask: '1 in A♭ major', right: 'A♭' });
    expect(page.calls).toHaveLength(4);
    expect(calledAt(made(changeLoop({ grips: [C, C], beatsEach: 4 })), 0)).toBeNull();
  });
});
