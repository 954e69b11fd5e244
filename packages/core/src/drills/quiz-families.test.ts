/** Spell it and key detective: every right answer by hand-written tables and another reader, every slip named as what it is. */
import { Key as TonalKey } from 'tonal';
import { averageHand, standardGuitar } from '../fretboard';
import { findKeys } from '../harmony';
import { must, seededRandom } from '../kernel';
import { choiceCalls, type Asked } from './choice-calls';
import {
  majorKeys,
  makeKey,
  noteText,
  parseChord,
  pitchClassOf,
  readNote,
  type Chord,
  type NoteName,
} from '../theory';
import { easier, harder, keyDetective, makeDrill, nearestRecipe, spellIt, type Drill, type Recipe } from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const made = (recipe: Recipe): Drill => must(makeDrill(recipe, context));
const choices = (drill: Drill) =>
  drill.steps.map(({ ask, answer }) => {
    if (answer?.kind !== 'choice') throw new Error('no choice');
    return { ask, ...answer, slips: answer.slips ?? {} };
  });
const sound = (text: string) =>
  text
    .split(' ')
    .map((name) => pitchClassOf(readNote(name)?.note as NoteName))
    .join();
const refusedAs = (recipe: Recipe) => {
  const refused = makeDrill(recipe, context);
  const nearest = nearestRecipe(recipe, context);
  return [refused.ok ? null : refused.problem.code, nearest !== null && makeDrill(nearest, context).ok];
};

test('a wrong choice that is the right one, or comes twice, is no choice', () => {
  const asked: Asked = {
    item: { kind: 'key', key: 'C major' },
    ask: { code: 'ask.spell-scale', values: {} },
    right: 'C',
    wrong: [['C', 'twin'], ['D', 'altered'], ['D', 'respelled'], ['E', 'altered']],
    heard: [],
  }; // prettier-ignore
  const [{ answer }] = choiceCalls([asked], seededRandom(1), context).steps;
  expect(answer?.kind === 'choice' && [...answer.choices].sort()).toEqual(['C', 'D', 'E']);
});

describe('spell it', () => {
  const spell = (more: Partial<Parameters<typeof spellIt>[0]> = {}, seed = 1) =>
    spellIt({ what: 'notes', key: 'F# major', keys: 1, count: 14, secondsPerCall: 8, ...more }, seed);

  test('the seven notes of every major key, each once before any comes again, judged by another reader', () => {
    for (const { name, tonic } of majorKeys()) {
      const asked = choices(made(spell({ key: name })));
      const scale = TonalKey.majorKey(noteText(tonic)).scale;
      for (const { ask, right, choices: all } of asked) {
        expect(right).toBe(scale[Number(ask.values.degree) - 1]);
        expect([all.length, new Set(all).size]).toEqual([4, 4]);
      }
      expect(new Set(asked.slice(0, 7).map((one) => one.right)).size).toBe(7);
    }
  });
  test('F for E# is wrong and called respelled; four choices, each once, the right one among them', () => {
    const asked = choices(made(spell({ count: 7 })));
    const seventh = asked.find((one) => one.right === 'E#');
    expect(seventh?.slips.F).toBe('respelled');
    for (const { choices: all, right } of asked) {
      expect(all).toContain(right);
      expect([all.length, new Set(all).size]).toEqual([4, 4]);
    }
  });
  test('what a slip is called is what it is', () => {
    for (const what of ['notes', 'triads', 'sevenths', 'scales'] as const)
      for (const key of ['F# major', 'Cb major', 'D minor', 'Eb major'])
        for (const { right, slips } of choices(made(spell({ what, key }))))
          for (const [choice, slip] of Object.entries(slips)) {
            if (slip === 'respelled') expect([choice, sound(choice)]).toEqual([choice, sound(right)]);
            if (slip === 'respelled') expect(choice).not.toBe(right);
            if (slip === 'altered' || slip === 'third altered') {
              const [a, b] = [choice, right].map((text) => text.split(' '));
              const off = a.flatMap((name, i) => (name === b[i] ? [] : [[name, b[i]] as const]));
              expect(off).toHaveLength(1);
              expect(off[0][0][0]).toBe(off[0][1][0]);
              expect(sound(off[0][0])).not.toBe(sound(off[0][1]));
            }
          }
  });
  test('chords and tones: the seventh of F# major is E#m7b5; a third altered is the other third', () => {
    const named = choices(made(spell({ what: 'chords', count: 7 })));
    expect(named.map((one) => one.right).sort()).toEqual(['A#m7', 'B' + 'maj7', 'C#7', 'D#m7', 'E#m7b5', 'F#maj7', 'G#m7'].sort()); // prettier-ignore
    for (const { right, slips } of named)
      for (const [choice, slip] of Object.entries(slips)) {
        const third = (symbol: string) =>
          must(parseChord(symbol)).tones.find((tone) => /3$/.test(tone.degree))?.degree;
        if (slip === 'third altered') expect(third(choice)).not.toBe(third(right));
      }
    const tones = choices(made(spell({ what: 'triads', key: 'Ab major', count: 7 })));
    expect(tones.map((one) => [one.ask.values.chord, one.right])).toContainEqual(['Fm', 'F Ab C']);
  });
  test('three keys go up the circle; degrees are asked the other way round; what is heard is the answer', () => {
    const keys = new Set(
      choices(made(spell({ key: 'Eb major', keys: 3, count: 30 }))).map((one) => one.ask.values.key),
    );
    expect(keys).toEqual(new Set(['Eb major', 'Bb major', 'F major']));
    for (const { ask, right } of choices(made(spell({ what: 'degrees' }))))
      expect(TonalKey.majorKey('F#').scale[Number(right) - 1]).toBe(ask.values.note);
    const drill = made(spell({ what: 'triads', key: 'Ab major' }));
    drill.score.parts[0].bars.forEach((bar, i) => {
      expect(bar.events.map((event) => event.notes[0].name).join(' ')).toBe(choices(drill)[i].right);
    });
    expect(drill.score.tempoBpm).toBe(84);
  });
  test('a seed draws its own order; notches; refused by name', () => {
    const order = (seed: number) =>
      choices(made(spell({}, seed)))
        .map((one) => one.right)
        .join();
    expect(order(1)).toBe(order(1));
    expect(order(1)).not.toBe(order(2));
    const up = harder(spell(), context);
    expect(up.ok && up.value.family === 'spell it' && up.value.parameters.what).toBe('degrees');
    expect(easier(spell({ what: 'notes', secondsPerCall: 20 }), context).ok).toBe(false);
    expect(refusedAs(spell({ key: 'G# major' }))).toEqual(['key.signature', true]);
    expect(refusedAs(spell({ keys: 16 }))).toEqual(['drill.keys', true]);
    expect(refusedAs(spell({ count: 99 }))).toEqual(['drill.count', true]);
    expect(refusedAs(spell({ secondsPerCall: 2 }))).toEqual(['drill.seconds', true]);
  });
});

describe('key detective', () => {
  const detective = (more: Partial<Parameters<typeof keyDetective>[0]> = {}, seed = 1) =>
    keyDetective(
      {
        lists: 3,
        length: 4,
        foreign: 0,
        kinds: 'both',
        sevenths: true,
        ask: 'key, numbers and what is foreign',
        secondsPerCall: 30,
        ...more,
      },
      seed,
    );
  const lists = (drill: Drill) =>
    [...new Set(choices(drill).map((one) => String(one.ask.values.chords)))].map((text) =>
      text.split(' ').map((symbol) => must(parseChord(symbol))),
    );

  /** By hand: what has a tone that neither the scale has nor, in minor, the leading tone of V, vii and III. */
  const strangers = (chords: readonly Chord[]) => {
    const { key } = findKeys(chords)[0];
    const sounds = new Set(key.scale.map(pitchClassOf));
    const leading = (pitchClassOf(key.tonic) + 11) % 12;
    const seventh = (pitchClassOf(key.tonic) + 10) % 12;
    const of = (chord: Chord, set: ReadonlySet<number>) =>
      chord.tones.every((tone) => set.has(tone.pitchClass));
    const harmonic = new Set([...sounds, leading].filter((pc) => pc !== seventh));
    return [
      ...new Set(
        chords.flatMap((one) =>
          of(one, sounds) || (key.mode === 'minor' && of(one, harmonic)) ? [] : [one.symbol],
        ),
      ),
    ];
  };

  test('minor keys are drawn too: with triads and sevenths, and their V with its leading tone is no stranger', () => {
    for (const sevenths of [false, true])
      for (let seed = 1; seed <= 4; seed++) {
        const drill = made(detective({ kinds: 'minor', sevenths, ask: 'key' }, seed));
        expect(choices(drill).map((one) => one.right.endsWith('minor'))).toEqual([true, true, true]);
      }
    const both = Array.from({ length: 12 }, (_, seed) =>
      choices(made(detective({ ask: 'key' }, seed))),
    ).flat();
    expect(new Set(both.map((one) => one.right.split(' ')[1]))).toEqual(new Set(['major', 'minor']));
  });

  test('keys that are met in music come more often, and those of six signs and seven come too', () => {
    const keys = Array.from({ length: 60 }, (_, seed) => choices(made(detective({ ask: 'key', kinds: 'major' }, seed)))).flat(); // prettier-ignore
    const signs = keys.map(({ right }) => Math.abs(must(makeKey(right)).fifths));
    const share = (least: number, most: number) => signs.filter((one) => one >= least && one <= most).length / signs.length; // prettier-ignore
    // Nine of fifteen keys have four signs or fewer.
    expect(share(0, 4)).toBeGreaterThan(0.68);
    expect(share(6, 7)).toBeGreaterThan(0);
  });

  test('a list is clear: its key leads by three points, with as many foreign chords as asked for', () => {
    for (const foreign of [0, 1, 2])
      for (let seed = 1; seed <= 4; seed++) {
        const drill = made(detective({ foreign, length: 5 }, seed));
        const keys = choices(drill).filter((one) => one.ask.code === 'ask.which-key');
        lists(drill).forEach((chords, i) => {
          const [first, second] = findKeys(chords);
          expect(first.key.name).toBe(keys[i].right);
          expect(first.points - (second?.points ?? 0)).toBeGreaterThanOrEqual(3);
          expect(strangers(chords)).toHaveLength(foreign);
        });
      }
  });
  test('keys it is taken for are named: the relative, the parallel, a fifth off', () => {
    const tonic = (name: string) => pitchClassOf(readNote(name)?.note as NoteName);
    for (const { ask, right, slips } of choices(made(detective({ kinds: 'major', lists: 6 }))))
      if (ask.code === 'ask.which-key')
        for (const [choice, slip] of Object.entries(slips)) {
          const up = (tonic(choice) - tonic(right) + 12) % 12;
          if (slip === 'relative') expect([choice.endsWith('minor'), up]).toEqual([true, 9]);
          if (slip === 'parallel') expect([choice.endsWith('minor'), up]).toEqual([true, 0]);
          if (slip === 'neighbour key') expect([5, 7]).toContain(up);
        }
  });
  test('numbers are those of the list, what is foreign is in no other choice; what is heard is the list', () => {
    const drill = made(detective({ foreign: 2, lists: 4, length: 5 }));
    for (const { ask, right, choices: all } of choices(drill)) {
      const chords = String(ask.values.chords)
        .split(' ')
        .map((symbol) => must(parseChord(symbol)));
      const [found] = findKeys(chords);
      if (ask.code === 'ask.which-number')
        expect(right).toBe(found.numerals[chords.findIndex((one) => one.symbol === ask.values.chord)]);
      if (ask.code === 'ask.which-foreign')
        expect(all.filter((one) => strangers(chords).includes(one))).toEqual([right]);
    }
    drill.score.parts[0].bars.forEach((bar, i) =>
      expect(bar.events.map((event) => event.chord).join(' ')).toBe(String(drill.steps[i].ask.values.chords)),
    );
  });
  test('asked the key alone it asks nothing else; refused by name', () => {
    expect(new Set(made(detective({ ask: 'key' })).steps.map((step) => step.ask.code))).toEqual(
      new Set(['ask.which-key']),
    );
    expect(refusedAs(detective({ lists: 7 }))).toEqual(['drill.count', true]);
    expect(refusedAs(detective({ length: 2 }))).toEqual(['drill.length', true]);
    expect(refusedAs(detective({ secondsPerCall: 5 }))).toEqual(['drill.seconds', true]);
    expect(refusedAs(detective({ length: 3, foreign: 2 }))[1]).toBe(true);
  });
});
