/** What holds for every family, whatever it is given: hands, keys, tunings, capo, limits. */
import fc from 'fast-check';
import { averageHand, makeHand, makeInstrument, parseTuning, pitchAt, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS, type DrillContext } from '../hands';
import { gradeGrip } from '../effort';
import { must } from '../kernel';
import { checkScore, neckFrames, scoreBeats, staffBars, tabColumns, ticksOf } from '../score';
import { soundSchedule } from '../sound';
import { chordOfNumeral, majorKeys, noteText, parseChord, parseScale, pitchClassOf } from '../theory';
import {
  approach,
  bassWalk,
  colourSwap,
  changeLoop,
  closeTriads,
  degrees,
  earPairs,
  singIt,
  tapIt,
  easier,
  embellish,
  familyLadder,
  fiveForms,
  formula,
  harder,
  instrumentFor,
  itemKey,
  keyDetective,
  makeDrill,
  melodyOnTop,
  nearestRecipe,
  noteReading,
  numberCalls,
  openTask,
  ownSmallPiece,
  pickingPattern,
  pieceSection,
  ringCheck,
  rootCall,
  scaleInTheShape,
  spellIt,
  SECTION_PARTS,
  stringWalk,
  strumReading,
  triadPairs,
  twoAString,
  warmUp,
  writeItOut,
  type Recipe,
} from '.';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const TARGETS = ['minor', 'dominant7', 'major7', 'sus4'];

const chordText = (numeral: string, root: string) => must(chordOfNumeral(numeral, `${root} major`)).symbol;
/** A tonic on which a scale needs no more than seven signs: its own, or its twin. */
const twinOf = (tonic: string, kind: string) => {
  const read = parseScale(`${tonic} ${kind}`);
  return read.ok ? tonic : read.problem.detail.split(' ')[0];
};
const LANTERN = {
  pieceId: 'lantern',
  title: 'Lantern round',
  fromBar: 5,
  toBar: 8,
  chart: [
    'key: C',
    'time: 3/4',
    'tempo: 96',
    'swing: light',
    'capo: 2',
    'strum rock 2: D - d u . u',
    '[A] rock',
    '| C | F . C | N.C. | F |',
    'm: | C4:1 E4 G4 | A4:2 G4:1 | r:3 | F4:3 |',
  ].join('\n'),
  grips: [C.frets, F.frets, C.frets, null, F.frets],
};

/** One recipe of each family in a key. */
function recipesIn(root: string): Recipe[] {
  return [
    warmUp(3),
    stringWalk({ string: 6, key: `${root} major`, maxFret: 12, calls: 10, secondsPerCall: 5 }),
    noteReading({ position: 2, strings: 6, key: `${root} major`, count: 12, secondsPerNote: 6 }),
    rootCall({ rootString: 5, answer: 'minor7', count: 8, secondsPerCall: 5, maxFret: 9 }),
    rootCall({
      rootString: 6,
      answer: 'root',
      count: 24,
      secondsPerCall: 5,
      maxFret: 12,
      grid: { rootStrings: [6, 5], answers: ['major', 'minor', 'dominant7', 'minor7'], weak: [] },
    }),
    formula({ grip: C, targets: TARGETS, secondsPerCall: 6 }),
    ringCheck(F),
    familyLadder({ root, form: 'A', beatsEach: 4 }),
    fiveForms({
      root,
      quality: 'major',
      order: 'up and down',
      barsEach: 1,
      keys: 2,
      next: 'fourths',
      allowOpen: false,
    }),
    closeTriads({
      root,
      strings: [3, 2, 1],
      qualities: ['major', 'minor'],
      progression: { key: `${root} major`, numerals: ['I', 'vi', 'IV', 'V'] },
      beatsEach: 4,
    }),
    degrees({
      key: `${root} major`,
      of: 'sevenths',
      place: 'root on 5',
      position: 5,
      way: 'both',
      beatsEach: 4,
    }),
    degrees({ key: `${root} major`, of: 'triads', place: 'position', position: 3, way: 'up', beatsEach: 2 }),
    changeLoop({ grips: [C, F], beatsEach: 4 }),
    changeLoop({ grips: [C, F], beatsEach: 4, piece: 'one finger' }),
    changeLoop({ grips: [C, F], beatsEach: 4, piece: 'air' }),
    bassWalk({
      from: root,
      to: chordText('vi', root),
      key: `${root} major`,
      way: 'down',
      by: 'scale',
      back: true,
      beatsEach: 4,
    }),
    bassWalk({
      from: root,
      to: chordText('IV', root),
      key: `${root} major`,
      way: 'up',
      by: 'half steps',
      back: false,
      beatsEach: 4,
    }),
    ...(
      [
        ['minor pentatonic', 'box', 1, 'straight'],
        ['major', 'form', 2, 'groups of 4'],
        ['harmonic minor', 'position', 5, 'thirds'],
        ['dorian', 'form', 1, 'targets'],
        ['major pentatonic', 'two joined', 1, 'straight'],
        ['mixolydian', 'position', 7, 'phrase'],
      ] as const
    ).map(([kind, place, at, figure]) =>
      scaleInTheShape({ tonic: twinOf(root, kind), kind, place, at, figure, perBeat: 2 }, 5),
    ),
    twoAString({
      root,
      quality: 'minor7',
      string: 6,
      way: 'up and down',
      fingers: '1 4',
      keys: 2,
      next: 'fourths',
    }),
    twoAString({
      root,
      quality: 'major7',
      string: 5,
      way: 'up',
      fingers: '1 4',
      keys: 1,
      next: 'random',
      over: ['ii7', 'V7', 'Imaj7'].map((numeral) => chordText(numeral, root)).join(' '),
    }),
    earPairs({
      what: 'cadences',
      choices: 3,
      count: 10,
      hearings: 2,
      root,
      roving: false,
      sounded: 'together',
    }),
    earPairs({
      what: 'sevenths',
      choices: 5,
      count: 10,
      hearings: 1,
      root,
      roving: true,
      sounded: 'one by one',
    }),
    singIt({ key: `${root} major`, what: 'the scale', voice: 'low', count: 10 }),
    singIt({ key: `${root} major`, what: 'the chord', voice: 'high', count: 5 }),
    tapIt({ level: 3, beats: 4, bars: 8 }),
    tapIt({ level: 5, beats: 3, bars: 4, tempoBpm: 52 }),
    writeItOut({ what: 'sevenths', root, kind: 'major', keys: 2, times: 2, progression: '1 5 6 4', days: 1 }),
    openTask({
      key: `${root} major`,
      question: 'what rubs',
      lowFret: 3,
      highFret: 9,
      thickString: 4,
      thinString: 1,
      notes: 'the five',
      ground: 'two chords',
      minutes: 3,
      rule: 'end on the third',
    }),
    embellish({ grip: C, next: F, style: 'folk', notes: 5, upTo: 'trills' }),
    ownSmallPiece({
      key: 'C major',
      bars: 12,
      metre: '6/8',
      grips: [C, F],
      fresh: 'G7',
      uses: 3,
      melody: true,
      strum: 'moving',
      play: 'chords',
    }),
    ownSmallPiece({
      key: `${root} major`,
      bars: 8,
      metre: '3/4',
      grips: [{ chord: chordText('I', root), frets: C.frets }],
      uses: 2,
      melody: true,
      strum: 'moving',
      play: 'melody',
    }),
    spellIt({ what: 'sevenths', key: `${root} major`, keys: 3, count: 10, secondsPerCall: 8 }),
    keyDetective({
      lists: 2,
      length: 4,
      foreign: 1,
      kinds: 'both',
      sevenths: true,
      ask: 'key, numbers and what is foreign',
      secondsPerCall: 30,
    }),
    approach({ home: root, targets: chordText('vi', root), by: 'dim7', beats: 2 }),
    approach({
      home: chordText('Imaj7', root),
      targets: `${chordText('ii7', root)} ${chordText('IV', root)}`,
      by: 'two-five',
      beats: 2,
    }),
    numberCalls({ key: `${root} major`, pool: '1 2 4 5 6', keys: 1, length: 8, lead: 4, layout: 'fixed' }, 3),
    colourSwap({ key: `${root} major`, numerals: 'I vi ii V', swaps: 2, level: 3, keepTop: false }, 2),
    triadPairs({
      root,
      pair: 'stacked',
      sound: 'maj7',
      strings: [3, 2, 1],
      played: 'stabs',
      roots: 2,
      drone: true,
    }),
    triadPairs({
      root,
      pair: 'side by side',
      sound: 'm7',
      strings: [4, 3, 2],
      played: 'lines',
      roots: 1,
      drone: true,
    }),
    melodyOnTop({
      key: `${root} major`,
      string: 2,
      octaves: 1,
      way: 'up and down',
      by: 'degree',
      voicings: 'plain',
      bass: false,
      outside: 'pass over',
      beatsEach: 4,
    }),
    ...[1, 4, 6].map((level) => strumReading({ grips: [C, F], beats: 4, level, bars: 8 }, level)),
    pickingPattern({
      grips: [C, F],
      pattern: 'p i m a m i',
      perBeat: 2,
      beats: 3,
      barsEach: 2,
      bass: 'alternating',
      striker: 'fingers',
    }),
    pickingPattern({
      grips: [C],
      pattern: 'p i m i',
      perBeat: 4,
      beats: 4,
      barsEach: 1,
      bass: 'root',
      striker: 'plectrum',
    }),
    ...SECTION_PARTS.map((part) => pieceSection({ ...LANTERN, part })),
  ];
}
const families = recipesIn('C').map((recipe, i) => [`${recipe.family} ${i}`, i] as const);

describe.each(families)('%s', (_, index) => {
  const recipe = recipesIn('C')[index];
  const make = (one: Recipe, where = context) => must(makeDrill(one, where));

  test('gives the same drill for the same recipe, with a score that holds', () => {
    expect(make(recipe)).toEqual(make(recipe));
    expect(checkScore(make(recipe).score).ok).toBe(true);
    expect(scoreBeats(make(recipe).score)).toBeGreaterThan(0);
  });

  test('can be made in all fifteen spellings', () => {
    for (const key of majorKeys())
      expect(make(recipesIn(noteText(key.tonic))[index]).steps.length).toBeGreaterThan(0);
  });

  test('asks nothing this hand cannot hold', () => {
    for (const frame of neckFrames(make(recipe).score))
      expect(gradeGrip(frame.frets, averageHand, standardGuitar).ok).toBe(true);
  });

  test('holds each step inside its score', () => {
    const drill = make(recipe);
    for (const step of drill.steps) {
      expect(step.startTick).toBeGreaterThanOrEqual(0);
      expect(step.startTick + step.ticks).toBeLessThanOrEqual(ticksOf(scoreBeats(drill.score)));
      expect(step.ticks).toBeGreaterThan(0);
    }
  });

  test('an easier notch never has a higher grade, all the way down', () => {
    let current = recipe;
    let notches = 0;
    for (; notches < 40; notches++) {
      const next = easier(current, context);
      if (!next.ok) {
        expect(next.problem.code).toBe('drill.easiest');
        break;
      }
      expect(make(next.value).effort).toBeLessThanOrEqual(make(current).effort + 1e-9);
      current = next.value;
    }
    expect(notches).toBeLessThan(40);
  });

  test('a harder notch never has a lower grade, all the way up', () => {
    let current = recipe;
    for (let notch = 0; notch < 12; notch++) {
      const next = harder(current, context);
      if (!next.ok) {
        expect(next.problem.code).toBe('drill.hardest');
        break;
      }
      expect(make(next.value).effort).toBeGreaterThanOrEqual(make(current).effort - 1e-9);
      current = next.value;
    }
  });

  test('sounds what the neck, the tab and the staff show', () => {
    const drill = make(recipe);
    const { score } = drill;
    const guitar = instrumentFor(drill, standardGuitar);
    const heard = new Set(
      soundSchedule({ ...score, parts: score.parts.slice(0, 1) }, guitar).flatMap((one) =>
        one.kind === 'pluck' ? [one.midiPitch] : [],
      ),
    );
    const shown = new Set(
      neckFrames(score).flatMap((f) =>
        f.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(guitar, s, fret)])),
      ),
    );
    expect(heard).toEqual(shown);
    const written = new Set(
      staffBars(score, guitar).flatMap((bar) =>
        bar.events.flatMap((event) => event.notes.map((note) => note.midi)),
      ),
    );
    expect(written).toEqual(shown);
    const tabbed = new Set(
      tabColumns(score).flatMap((column) =>
        column.cells.flatMap((cell, line) =>
          cell === null || cell === 'x'
            ? []
            : [pitchAt(guitar, 5 - line, Number(cell.replace(/[()hp/]/g, '')))],
        ),
      ),
    );
    // A tap has no pitch: on the tab it is a cross.
    expect(tabbed).toEqual(recipe.family === 'tap it' ? new Set() : shown);
  });

  test('names each item once, and every one of them is in a step', () => {
    const drill = make(recipe);
    const keys = drill.items.map(itemKey);
    expect(new Set(keys).size).toBe(keys.length);
    expect(keys.length).toBeLessThanOrEqual(128);
  });

  test('left-handed changes nothing but the drawing', () => {
    const left = makeDrill(recipe, { ...context, instrument: { ...standardGuitar, leftHanded: true } });
    expect(must(left)).toEqual(make(recipe));
  });
});

describe('on another instrument or in another hand', () => {
  const tunings = ['EADGBE', 'drop D', 'DADGAD', 'open G', 'GCEA', 'BEADGBE'];
  const hands = {
    'a middle hand': averageHand,
    'a small hand': must(makeHand({ sizeFactor: 0.68 })),
    'a hand with the thumb over': must(makeHand({ thumbOver: true })),
  };
  // Every tuning and every hand with and without a capo, by turns.
  const places = tunings.flatMap((tuning, t) =>
    Object.keys(hands).map((hand, h) => [tuning, hand, (t + h) % 2 ? 3 : 0] as const),
  );

  test.each(places)(
    '%s, %s, capo %i: each family is made, or says why and offers one that can be',
    (tuning, hand, capo) => {
      const where = {
        hand: hands[hand as keyof typeof hands],
        instrument: must(makeInstrument({ openPitches: must(parseTuning(tuning)), capo })),
        limits: { ...DEFAULT_LIMITS, gripEffort: 70 },
      };
      for (const recipe of recipesIn('C')) {
        const made = makeDrill(recipe, where);
        if (made.ok) continue;
        expect(made.problem.detail).not.toBe('');
        const nearest = nearestRecipe(recipe, where);
        // A grip of six strings cannot be asked of four; forms have names in one tuning only.
        const nowhere = [
          'strum reading',
          'picking pattern',
          'piece section',
          'ring check',
          'change loop',
          'formula',
          'five forms',
          'root call',
          'family ladder',
          'embellish',
          'own small piece',
        ];
        if (nearest) expect(makeDrill(nearest, where).ok).toBe(true);
        else expect(nowhere).toContain(recipe.family);
      }
    },
  );
});

describe('over random instruments', () => {
  const tunings = ['EADGBE', 'drop D', 'DADGAD', 'open G', 'GCEA', 'BEADGBE', 'EADGBE', 'F#BEADGBE'];
  const instrumentOf = (tuning: string, capo: number, leftHanded: boolean) =>
    must(makeInstrument({ openPitches: must(parseTuning(tuning)), capo, leftHanded }));
  /** Grips are named by a recipe: over a capo by their shape, as a player calls them. */
  const namedByShape = [
    'change loop',
    'ring check',
    'strum reading',
    'picking pattern',
    'formula',
    'warm up',
    'embellish',
  ];

  test('names, neck, tab, staff and sound agree, for 160 recipes of every family', () => {
    let made = 0;
    const families = new Set<string>();
    fc.assert(
      fc.property(
        fc.constantFrom(...new Set(recipesIn('C').map((one) => one.family))),
        fc.nat(),
        fc.constantFrom(...majorKeys().map((key) => noteText(key.tonic))),
        fc.constantFrom(...tunings),
        fc.integer({ min: 0, max: 5 }),
        fc.boolean(),
        (family, index, root, tuning, capo, leftHanded) => {
          const instrument = instrumentOf(tuning, capo, leftHanded);
          const ofFamily = recipesIn(root).filter((one) => one.family === family);
          const recipe = ofFamily[index % ofFamily.length];
          const drill = makeDrill(recipe, { hand: averageHand, instrument });
          if (!drill.ok) return expect(drill.problem.detail).not.toBe('');
          made++;
          families.add(recipe.family);
          const { score } = drill.value;
          const guitar = instrumentFor(drill.value, instrument);
          if (recipe.family === 'piece section') expect(guitar.capo).toBe(2);
          expect(score.strings).toBe(guitar.openPitches.length);
          // What is sung over it is no part of what the neck shows.
          const heard = soundSchedule({ ...score, parts: score.parts.slice(0, 1) }, guitar).flatMap((one) =>
            one.kind === 'pluck' ? [one.midiPitch] : [],
          );
          const shown = neckFrames(score).flatMap((frame) =>
            frame.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(guitar, s, fret)])),
          );
          const written = staffBars(score, guitar).flatMap((bar) =>
            bar.events.flatMap((event) => event.notes.map((note) => note.midi)),
          );
          const last = guitar.openPitches.length - 1;
          const tabbed = tabColumns(score).flatMap((column) =>
            column.cells.flatMap((cell, line) =>
              cell === null || cell === 'x'
                ? []
                : [pitchAt(guitar, last - line, Number(cell.replace(/[()hp/]/g, '')))],
            ),
          );
          for (const other of [heard, written, ...(recipe.family === 'tap it' ? [] : [tabbed])])
            expect([recipe.family, tuning, new Set(other)]).toEqual([recipe.family, tuning, new Set(shown)]);
          const standard = tuning === 'EADGBE';
          const byShape = namedByShape.includes(recipe.family);
          for (const { grip } of drill.value.steps) {
            if (!grip || (byShape && !standard)) continue;
            if (['piece section', 'own small piece'].includes(recipe.family) && !standard) continue;
            const chord = must(parseChord(grip.chord));
            const tones = [...chord.tones.map((tone) => tone.pitchClass)];
            if (chord.bass) tones.push(pitchClassOf(chord.bass));
            const away = byShape || recipe.family === 'piece section' ? guitar.capo : 0;
            grip.frets.forEach((fret, s) => {
              if (fret !== null) expect(tones).toContain((pitchAt(guitar, s, fret) - away) % 12);
            });
          }
        },
      ),
      { numRuns: 160 },
    );
    expect(made).toBeGreaterThan(80);
    expect(families.size).toBeGreaterThanOrEqual(18);
  });
});

describe('families that choose their own grips', () => {
  const chosen = (root: string) =>
    recipesIn(root).filter((one) =>
      ['root call', 'family ladder', 'five forms', 'close triads'].includes(one.family),
    );

  test('stay under the effort limit of the hand, or say that they cannot', () => {
    fc.assert(
      fc.property(
        fc.constantFrom('C', 'Eb', 'F#', 'A'),
        fc.integer({ min: 25, max: 80 }),
        (root, gripEffort) => {
          for (const recipe of chosen(root)) {
            const made = makeDrill(recipe, { ...context, limits: { ...DEFAULT_LIMITS, gripEffort } });
            if (!made.ok) continue;
            expect(made.value.overLimit).toBe(false);
            expect(made.value.heaviestGrip).toBeLessThanOrEqual(gripEffort + 1e-9);
          }
        },
      ),
      { numRuns: 24 },
    );
  });

  test('play only notes of the chord each step names', () => {
    for (const recipe of chosen('Db'))
      for (const { item } of must(makeDrill(recipe, context)).steps) {
        const grip = item.kind === 'change' ? item.to : item;
        if (grip.kind !== 'grip') continue;
        const classes = must(parseChord(grip.chord)).tones.map((tone) => tone.pitchClass);
        grip.frets.forEach((fret, s) => {
          if (fret !== null) expect(classes).toContain(pitchAt(standardGuitar, s, fret) % 12);
        });
      }
  });
});
