/** One hand, one grip: formula, family ladder, five forms, close triads, and what to check when a string does not ring. */
import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS } from '../hands';
import { fretsText, parseFrets } from '../grips';
import { must } from '../kernel';
import { LADDER } from '../shapes';
import { majorKeys, makeChord, noteText, parseChord, readNote } from '../theory';
import {
  checkFirst,
  closeTriads,
  familyLadder,
  fiveForms,
  formula,
  makeDrill,
  nearestRecipe,
  type Drill,
  type DrillStep,
  type Recipe,
} from '.';
import { keyRound } from './families/five-forms';

const context = { hand: averageHand, instrument: standardGuitar };
const make = (recipe: Recipe) => must(makeDrill(recipe, context));
const gripOf = ({ item }: DrillStep) => {
  const grip = item.kind === 'change' ? item.to : item;
  if (grip.kind !== 'grip') throw new Error('a grip was asked for');
  return grip;
};
const gripsOf = (drill: Drill) => drill.steps.map((step) => fretsText(gripOf(step).frets));

describe('formula', () => {
  const from = (chord: string, frets: string, ...targets: string[]) =>
    make(formula({ grip: { chord, frets: must(parseFrets(frets)) }, targets, secondsPerCall: 6 }));

  test.each([
    ['E', '022100', 'minor', [{ string: 3, fret: 0 }]],
    ['A', 'x02220', 'minor', [{ string: 2, fret: 1 }]],
    ['A', 'x02220', 'sus4', [{ string: 2, fret: 3 }]],
    ['A', 'x02220', 'dominant7', [{ string: 3, fret: 0 }]],
    ['D', 'xx0232', 'minor', [{ string: 1, fret: 1 }]],
    ['D', 'xx0232', 'major7', [{ string: 2, fret: 2 }]],
    ['F', '133211', 'minor', [{ string: 3, fret: 1 }]],
    ['F', '133211', 'dominant7', [{ string: 4, fret: 1 }]],
  ])('%s %s to %s: the places to tap', (chord, frets, target, places) => {
    const [step] = from(chord, frets, target).steps;
    expect(step.answer).toEqual({ kind: 'all places', places });
  });

  test('C has one third only on string 4 and string 1: two notes move to the minor, and it is left out when no hand holds it', () => {
    const made = from('C', 'x32010', 'minor', 'dominant7');
    const asked = made.steps.map((step) => step.ask.values.to);
    expect([...asked, ...made.leftOut.map((one) => one.values.to)].sort()).toEqual(['C7', 'Cm']);
  });

  test('what is asked sounds after the grip it starts from', () => {
    const drill = from('F', '133211', 'minor', 'dominant7', 'sus4');
    expect(drill.score.parts[0].bars.map((bar) => bar.events.map((event) => event.chord))).toEqual(
      drill.steps.map((step) => ['F', step.ask.values.to]),
    );
  });

  test('what would be over the limit of the hand is left out, with the reason', () => {
    const recipe = formula({
      grip: { chord: 'A', frets: must(parseFrets('x02220')) },
      targets: ['minor', 'dominant7', 'major9', 'minor9', 'six-nine', 'diminished7'],
      secondsPerCall: 6,
    });
    const free = make(recipe);
    const light = must(makeDrill(recipe, { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 40 } }));
    expect(light.steps.length).toBeLessThan(free.steps.length);
    expect(light.overLimit).toBe(false);
    expect(light.leftOut.some((one) => one.values.why === 'move.heavy')).toBe(true);
  });

  test('a target that is no quality is refused, and the nearest recipe can be made', () => {
    const wrong = formula({
      grip: { chord: 'F', frets: [1, 3, 3, 2, 1, 1] },
      targets: ['blue'],
      secondsPerCall: 6,
    });
    const made = makeDrill(wrong, context);
    expect(made.ok ? '' : made.problem.code).toBe('drill.target');
    expect(nearestRecipe(wrong, context)).not.toBeNull();
  });
});

describe('family ladder', () => {
  const ladder = (root: string, form: 'C' | 'A' | 'G' | 'E' | 'D', fret?: number) =>
    make(familyLadder({ root, form, fret, beatsEach: 4 }));

  test.each(['E', 'A', 'D'] as const)('form %s: every rung is one move on the same strings', (form) => {
    for (const key of majorKeys()) {
      const grips = ladder(noteText(key.tonic), form).steps.map((step) => gripOf(step).frets);
      for (let i = 1; i < grips.length; i++) {
        const moved = grips[i].filter((fret, s) => fret !== grips[i - 1][s]);
        expect(moved).toHaveLength(1);
        expect(grips[i].map((fret) => fret === null)).toEqual(grips[0].map((fret) => fret === null));
      }
    }
  });

  test('goes through the family in order and says what is out of reach', () => {
    const drill = ladder('C', 'A');
    const chords = drill.steps.map((step) => must(parseChord(gripOf(step).chord)).quality);
    expect(chords).toEqual(LADDER.slice(0, chords.length));
    expect(chords.length + drill.leftOut.length).toBe(LADDER.length);
  });

  test('with its fret fixed, a key n frets up is the same ladder n frets up', () => {
    const low = ladder('C', 'A', 3);
    const high = ladder('Eb', 'A', 6);
    expect(gripsOf(high)).toEqual(
      low.steps.map((step) => fretsText(gripOf(step).frets.map((fret) => (fret === null ? null : fret + 3)))),
    );
  });

  test('holds each tone once', () => {
    for (const step of ladder('F', 'E').steps) {
      const { frets, chord } = gripOf(step);
      expect(frets.filter((fret) => fret !== null)).toHaveLength(4);
      expect(must(parseChord(chord)).tones).toHaveLength(4);
    }
  });

  test.each([
    [{ root: 'H', form: 'E' as const }, 'drill.root'],
    [{ root: 'C', form: 'E' as const, fret: 22 }, 'drill.ladder'],
  ])('%j is refused as %s', (change, code) => {
    const made = makeDrill(familyLadder({ beatsEach: 4, ...change }), context);
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });
});

describe('five forms', () => {
  const tour = (root: string, change: Partial<Parameters<typeof fiveForms>[0]> = {}) =>
    make(
      fiveForms({
        root,
        quality: 'major',
        order: 'up and down',
        barsEach: 1,
        keys: 1,
        next: 'fourths',
        allowOpen: false,
        ...change,
      }),
    );

  test.each([
    ['G', 'E', 3],
    ['D', 'C', 2],
    ['Bb', 'A', 1],
    ['F', 'E', 1],
    ['B', 'A', 2],
  ])('%s starts from the %s form at fret %i, asked before it is shown', (root, form, fret) => {
    const drill = tour(root);
    expect(drill.prelude).toHaveLength(1);
    expect(drill.prelude[0].answer).toMatchObject({ kind: 'choice', right: form });
    expect(drill.steps[0].ask.values).toMatchObject({ form, fret });
  });

  test('up, then down over the same forms', () => {
    const forms = tour('G').steps.map((step) => step.ask.values.form);
    expect(forms).toHaveLength(9);
    expect(new Set(forms).size).toBe(5);
    expect(forms).toEqual([...forms].reverse());
    expect(tour('G', { order: 'up' }).steps.map((step) => step.ask.values.form)).toEqual(forms.slice(0, 5));
  });

  test('rises on the way up', () => {
    for (const key of majorKeys()) {
      const frets = tour(noteText(key.tonic), { order: 'up' }).steps.map((step) =>
        Number(step.ask.values.fret),
      );
      expect(frets).toEqual([...frets].sort((a, b) => a - b));
    }
  });

  test('has no open string unless asked, and begins at the nut when asked', () => {
    expect(gripsOf(tour('E')).join()).not.toMatch(/(^|[x,-])0|0$/);
    const [first] = tour('E', { allowOpen: true }).steps;
    expect(fretsText(gripOf(first).frets)).toBe('022100');
    expect(fretsText(gripOf(tour('C', { allowOpen: true }).steps[0]).frets)).toBe('x32010');
  });

  test('the next key follows by fourths, by fifths, or drawn without repeats', () => {
    const names = (next: 'fourths' | 'fifths' | 'random', seed = 1) => {
      const read = readNote('C');
      return read ? keyRound(read.note, 4, next, seed).map(noteText) : [];
    };
    expect(names('fourths')).toEqual(['C', 'F', 'Bb', 'Eb']);
    expect(names('fifths')).toEqual(['C', 'G', 'D', 'A']);
    expect(new Set(names('random')).size).toBe(4);
    expect(names('random', 2)).not.toEqual(names('random', 3));
    expect(tour('C', { keys: 3 }).prelude.map((one) => one.ask.values.chord)).toEqual(['C', 'F', 'Bb']);
  });

  test('leaves out what the limit forbids and says so', () => {
    const light = must(
      makeDrill(
        fiveForms({
          root: 'G',
          quality: 'major',
          order: 'up',
          barsEach: 1,
          keys: 1,
          next: 'fourths',
          allowOpen: false,
        }),
        { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 45 } },
      ),
    );
    expect(light.overLimit).toBe(false);
    expect(light.steps.length + light.leftOut.length).toBe(5);
    // What is asked first offers the forms that are played, and no other.
    const [asked] = light.prelude;
    const played = light.steps.map((step) => step.ask.values.form);
    expect(asked.answer.kind === 'choice' && [...asked.answer.choices].sort()).toEqual([...played].sort());
  });

  test('on another tuning it says why, since forms have no names there', () => {
    const open = { ...context, instrument: { ...standardGuitar, openPitches: [38, 43, 50, 55, 59, 62] } };
    const made = makeDrill(
      fiveForms({
        root: 'G',
        quality: 'major',
        order: 'up',
        barsEach: 1,
        keys: 1,
        next: 'fourths',
        allowOpen: false,
      }),
      open,
    );
    expect(made.ok ? '' : [made.problem.code, made.problem.detail].join(': ')).toMatch(
      /^drill.forms: standard tuning/,
    );
  });
});

describe('close triads', () => {
  const triads = (root: string, change: Partial<Parameters<typeof closeTriads>[0]> = {}) =>
    make(closeTriads({ root, strings: [3, 2, 1], qualities: ['major'], beatsEach: 4, ...change }));

  test('F major on strings 3, 2, 1 is 2-1-1, 5-6-5, 10-10-8, and back', () => {
    const drill = triads('F');
    expect(gripsOf(drill)).toEqual(['xxx211', 'xxx565', 'x-x-x-10-10-8', 'xxx565', 'xxx211']);
  });

  test('F minor is 1-1-1, 5-6-4, 10-9-8', () => {
    expect(gripsOf(triads('F', { qualities: ['minor'] })).slice(0, 3)).toEqual([
      'xxx111',
      'xxx564',
      'x-x-x-10-9-8',
    ]);
  });

  test('each inversion comes, on every set, in every key, each tone once', () => {
    for (const key of majorKeys())
      for (const strings of [
        [3, 2, 1],
        [4, 3, 2],
        [5, 4, 3],
        [6, 5, 4],
      ] as [number, number, number][]) {
        const root = noteText(key.tonic);
        const drill = triads(root, { strings, qualities: ['major', 'minor'] });
        const lowest = drill.steps.map((step) => step.ask.values.lowest);
        expect(new Set(lowest.slice(0, 3)).size).toBe(3);
        expect(lowest.slice(0, 5)).toEqual([...lowest.slice(0, 5)].reverse());
        for (const step of drill.steps) {
          const { frets } = gripOf(step);
          const sounding = frets.flatMap((fret, s) => (fret === null ? [] : [6 - s]));
          expect(sounding).toEqual(strings);
          const pitches = frets.flatMap((fret, s) =>
            fret === null ? [] : [pitchAt(standardGuitar, s, fret)],
          );
          expect(Math.max(...pitches) - Math.min(...pitches)).toBeLessThan(12);
        }
      }
  });

  test('a progression takes the nearest inversion each time: none on the set would move fewer frets', () => {
    const drill = triads('C', { progression: { key: 'C major', numerals: ['I', 'IV', 'V', 'I'] } });
    const grips = drill.steps.map((step) => gripOf(step));
    const far = (a: readonly (number | null)[], b: readonly (number | null)[]) =>
      a.reduce<number>((sum, fret, s) => sum + Math.abs((fret ?? 0) - (b[s] ?? 0)), 0);
    for (let i = 5; i < grips.length; i++) {
      const moved = far(grips[i - 1].frets, grips[i].frets);
      // By hand: every close place of the chord on these strings up to fret 15.
      const classes = must(parseChord(grips[i].chord)).tones.map((tone) => tone.pitchClass);
      for (let a = 0; a <= 15; a++)
        for (let b = Math.max(0, a - 3); b <= Math.min(15, a + 3); b++)
          for (let c = Math.max(0, b - 3); c <= Math.min(15, b + 3); c++) {
            const heard = new Set([(55 + a) % 12, (59 + b) % 12, (64 + c) % 12]);
            if (heard.size !== 3 || !classes.every((one) => heard.has(one))) continue;
            expect(far(grips[i - 1].frets, [null, null, null, a, b, c])).toBeGreaterThanOrEqual(moved);
          }
    }
    expect(drill.items.some((item) => item.kind === 'progression')).toBe(true);
  });

  test.each([
    [{ strings: [3, 1, 2] as [number, number, number] }, 'drill.set'],
    [{ qualities: [] }, 'drill.quality'],
    [{ root: '' }, 'drill.root'],
    [{ progression: { key: 'C major', numerals: ['V7'] } }, 'drill.numeral'],
    [{ progression: { key: 'C major', numerals: ['Q'] } }, 'numeral.degree'],
  ])('%j is refused as %s', (change, code) => {
    const made = makeDrill(
      closeTriads({ root: 'C', strings: [3, 2, 1], qualities: ['major'], beatsEach: 4, ...change }),
      context,
    );
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });

  test('spelling: the minor triad of D flat has an F flat', () => {
    expect(
      makeChord({ letter: 'D', accidental: -1 }, 'minor').tones.map((tone) => noteText(tone.note)),
    ).toContain('Fb');
  });
});

describe('what to check first', () => {
  test('the hand before the guitar, placing before pressing', () => {
    expect(checkFirst(false, 'dead')).toEqual([
      'check.behind-wire',
      'check.neighbour',
      'check.nail',
      'check.thumb',
      'check.pressure',
      'check.guitar',
    ]);
    expect(checkFirst(false, 'buzz')).toContain('check.struck-hard');
    expect(checkFirst(true, 'buzz')[0]).toBe('check.leaning-silent');
    expect([checkFirst(false, 'clean'), checkFirst(true, 'clean')]).toEqual([[], []]);
  });
});
