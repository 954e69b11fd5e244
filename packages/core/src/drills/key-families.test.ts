/** Number calls, approach, colour swap, triad pairs, melody on top: what they promise, checked by hand-written tables. */
import { averageHand, makeInstrument, pitchAt, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS, type DrillContext } from '../hands';
import { must } from '../kernel';
import { ticksOf } from '../score';
import { makeKey, majorKeys, noteText, parseChord, pitchClassOf, readNote, type NoteName } from '../theory';
import {
  approach,
  colourSwap,
  makeDrill,
  melodyOnTop,
  nearestRecipe,
  numberCalls,
  rekey,
  triadPairs,
  type Drill,
  type Recipe,
} from '.';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const made = (recipe: Recipe, where = context): Drill => must(makeDrill(recipe, where));
const chords = (drill: Drill) => drill.steps.map((step) => step.grip?.chord ?? '');
const top = (drill: Drill, i: number) =>
  Math.max(
    ...(drill.steps[i].grip?.frets ?? []).flatMap((fret, s) =>
      fret === null ? [] : [pitchAt(standardGuitar, s, fret)],
    ),
  );
const lowest = (drill: Drill, i: number) =>
  Math.min(
    ...(drill.steps[i].grip?.frets ?? []).flatMap((fret, s) =>
      fret === null ? [] : [pitchAt(standardGuitar, s, fret)],
    ),
  );
const refusedAs = (recipe: Recipe, where = context) => {
  const refused = makeDrill(recipe, where);
  const nearest = nearestRecipe(recipe, where);
  return [refused.ok ? null : refused.problem.code, nearest !== null && makeDrill(nearest, where).ok];
};

describe('number calls', () => {
  const calls = (more: Partial<Parameters<typeof numberCalls>[0]> = {}, seed = 1) =>
    numberCalls(
      { key: 'Ab major', pool: '1 2 3 4 5 6', keys: 1, length: 12, lead: 4, layout: 'fixed', ...more },
      seed,
    );
  const numbers = (drill: Drill) => drill.steps.map((step) => String(step.ask.values.number));

  test('from home and back, never the same twice running, before home what pulls; a seed draws its own', () => {
    const drawn = new Set<string>();
    for (let seed = 1; seed <= 12; seed++) {
      const line = numbers(made(calls({}, seed)));
      drawn.add(line.join(' '));
      expect([line[0], line.at(-1), line.length]).toEqual(['1', '1', 12]);
      expect(line.at(-2)).toBe('5');
      expect(line.every((one, i) => one !== line[i - 1])).toBe(true);
      expect(line.every((one) => '1 2 3 4 5 6'.includes(one))).toBe(true);
    }
    expect(drawn.size).toBeGreaterThan(8);
  });
  test('each number is its chord: in a major key, in a minor one with the major five, with V7/x before its target', () => {
    const MAJOR: Readonly<Record<string, string>> = { 1: 'Ab', 2: 'Bbm', 3: 'Cm', 4: 'Db', 5: 'Eb', 6: 'Fm', 7: 'Gdim', b7: 'Gb', 'V7/2': 'F7', 'V7/4': 'Ab7', 'V7/5': 'Bb7', 'V7/6': 'C7' }; // prettier-ignore
    for (let seed = 1; seed <= 8; seed++) {
      const drill = made(calls({ pool: '1 2 3 4 5 6 7 b7 V7/x', length: 16 }, seed));
      const line = numbers(drill);
      expect(chords(drill)).toEqual(line.map((one) => MAJOR[one]));
      line.forEach((one, i) => one.startsWith('V7/') && expect(line[i + 1]).toBe(one.slice(3)));
    }
    const minor = made(calls({ key: 'A minor', pool: '1 4 5' }));
    expect(new Set(chords(minor))).toEqual(new Set(['Am', 'Dm', 'E']));
  });
  test('one grip for each chord, and three keys a fifth apart', () => {
    const drill = made(calls({ keys: 3, length: 8 }));
    const keys = [...new Set(drill.steps.map((step) => step.ask.values.key))];
    expect(keys).toEqual(['Ab major', 'Eb major', 'Bb major']);
    const first = drill.steps.slice(0, 8);
    for (const chord of new Set(chords(drill).slice(0, 8)))
      expect(
        new Set(first.filter((step) => step.grip?.chord === chord).map((step) => String(step.grip?.frets)))
          .size,
      ).toBe(1);
    const round = made(calls({ key: 'C# major', keys: 2, length: 4, pool: '1 4 5' }));
    expect(round.steps.at(-1)?.ask.values.key).toBe('Ab major');
  });
  test('in every key; refused by name where it cannot be', () => {
    for (const { name } of majorKeys()) expect(makeDrill(calls({ key: name }), context).ok).toBe(true);
    expect(refusedAs(calls({ key: 'G# major' }))).toEqual(['key.signature', true]);
    expect(refusedAs(calls({ length: 99 }))).toEqual(['drill.length', true]);
    expect(refusedAs(calls({ keys: 0 }))).toEqual(['drill.keys', true]);
    const strict = { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 20 } };
    expect(refusedAs(calls({ key: 'Db major' }), strict)[0]).toBe('drill.number');
  });
  test('the next number later is harder', () => {
    expect(made(calls({ lead: 1, tempoBpm: 60 })).effort).toBeGreaterThan(
      made(calls({ tempoBpm: 60 })).effort,
    );
  });
});

describe('approach', () => {
  const into = (more: Partial<Parameters<typeof approach>[0]> = {}) =>
    approach({ home: 'Dbmaj7', targets: 'Bbm7', by: 'dim7', beats: 2, ...more });

  test('the worked fact: into Bbm7 Adim7 or one of its other three names, which its lowest note gives', () => {
    const [home, led, target] = chords(made(into()));
    expect([home, target]).toEqual(['Dbmaj7', 'Bbm7']);
    expect(['Adim7', 'Cdim7', 'Ebdim7', 'F#dim7', 'Gbdim7']).toContain(led);
    const root = readNote(led)?.note;
    expect(root && pitchClassOf(root)).toBe(lowest(made(into()), 1) % 12);
    const tones = new Set(must(parseChord(led)).tones.map((tone) => tone.pitchClass));
    expect(tones).toEqual(new Set([9, 0, 3, 6]));
  });
  test('named by its lowest note where that is another of the four', () => {
    const drill = made(into({ home: 'F', targets: 'Am' }));
    expect(chords(drill)).toEqual(['F', 'Ddim7', 'Am']);
    expect(lowest(drill, 1) % 12).toBe(2);
  });
  test.each([
    ['dominant', 'Dbmaj7 F7 Bbm7'],
    ['two-five', 'Dbmaj7 Cm7b5 F7 Bbm7'],
    ['tritone', 'Dbmaj7 B7 Bbm7'],
  ] as const)('by %s', (by, expected) => {
    expect(
      chords(made(into({ by })))
        .join(' ')
        .replace('Cb7', 'B7'),
    ).toBe(expected);
  });
  test('its own shape lies a fret below, or above where there is none; open strings do not slide', () => {
    const drill = made(into({ by: 'same shape' }));
    const [, led, target] = drill.steps.map((step) => step.grip?.frets ?? []);
    const off = target.flatMap((fret, s) => (fret === null ? [] : [fret - (led[s] ?? 0)]));
    expect(new Set(off).size).toBe(1);
    expect(Math.abs(off[0])).toBe(1);
    expect(makeDrill(into({ home: 'C', targets: 'Am', by: 'same shape' }), context)).toMatchObject({ problem: { code: 'drill.approach' } }); // prettier-ignore
  });
  test('the target stands on beat one, the approach before the bar line', () => {
    for (const beats of [1, 2, 3, 4]) {
      const { steps } = made(into({ beats, by: 'dominant' }));
      const last = steps[steps.length - 1];
      expect(last.startTick % (4 * 10080)).toBe(0);
      expect(steps[1].startTick + steps[1].ticks).toBe(last.startTick);
      expect(steps[1].ticks).toBe(beats * 10080);
    }
  });
  test('several targets, re-keyed along', () => {
    expect(chords(made(into({ targets: 'Bbm7 Gb', by: 'dominant' })))).toEqual(['Dbmaj7', 'F7', 'Bbm7', 'Dbmaj7', 'Db7', 'Gb']); // prettier-ignore
    const moved = must(rekey(into({ targets: 'Bbm7 Gb' }), { letter: 'G', accidental: 0 }, standardGuitar));
    expect(moved.family === 'approach' && [moved.parameters.home, moved.parameters.targets]).toEqual(['Gmaj7', 'Em7 C']); // prettier-ignore
  });
  test('refused by name', () => {
    expect(refusedAs(into({ targets: 'A B C D E' }))).toEqual(['drill.chords', true]);
    expect(refusedAs(into({ by: 'two-five', beats: 1 }))).toEqual(['drill.beats', true]);
    expect(refusedAs(into({ home: 'H' }))).toEqual(['chord.german-h', true]);
  });
});

describe('colour swap', () => {
  const swap = (more: Partial<Parameters<typeof colourSwap>[0]> = {}, seed = 1) =>
    colourSwap({ key: 'Eb major', numerals: 'I vi ii V', swaps: 2, level: 1, keepTop: true, ...more }, seed);

  test('plain twice, swapped twice; bars that are not swapped keep their grips, tops stay', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const drill = made(swap({}, seed));
      const grips = drill.steps.map((step) => step.grip?.frets.join());
      expect(grips.slice(0, 4)).toEqual(grips.slice(4, 8));
      expect(grips.slice(8, 12)).toEqual(grips.slice(12, 16));
      expect(chords(drill).slice(0, 4)).toEqual(['Eb', 'Cm', 'Fm', 'Bb']);
      const changed = [0, 1, 2, 3].filter((i) => drill.steps[8 + i].ask.code === 'ask.swap');
      expect(changed.length).toBeGreaterThan(0);
      expect(changed.length).toBeLessThanOrEqual(2);
      for (let i = 0; i < 4; i++) {
        expect(top(drill, 8 + i)).toBe(top(drill, i));
        if (!changed.includes(i)) expect(grips[8 + i]).toBe(grips[i]);
        else expect(chords(drill)[8 + i]).not.toBe(chords(drill)[i]);
      }
    }
  });
  test('a level allows its class and none beyond it', () => {
    const kinds = (level: number) =>
      Array.from({ length: 8 }, (_, seed) =>
        made(swap({ level, keepTop: false, swaps: 4, numerals: 'I vi ii V7' }, seed)),
      ).flatMap((drill) =>
        drill.steps.flatMap(({ ask }) => (ask.code === 'ask.swap' ? [String(ask.values.kind)] : [])),
      );
    expect(new Set(kinds(1))).toEqual(new Set(['colour']));
    expect(kinds(2)).toContain('sus4');
    expect(kinds(2).every((kind) => ['colour', 'sus4'].includes(kind))).toBe(true);
    expect(kinds(6)).toContain('tritone');
  });
  test('fewer bars than asked are said; refused by name', () => {
    const one = made(swap({ numerals: 'I', swaps: 3 }));
    expect(one.leftOut).toEqual([{ code: 'left.swaps', values: { found: 1, asked: 3 } }]);
    expect(refusedAs(swap({ swaps: 9 }))).toEqual(['drill.swaps', true]);
    expect(refusedAs(swap({ level: 7 }))).toEqual(['drill.level', true]);
    expect(refusedAs(swap({ numerals: 'I '.repeat(17) }))).toEqual(['drill.chords', true]);
    expect(refusedAs(swap({ numerals: 'I 8' }))[1]).toBe(true);
  });
});

describe('triad pairs', () => {
  const pairs = (more: Partial<Parameters<typeof triadPairs>[0]> = {}) =>
    triadPairs({
      root: 'Db',
      pair: 'stacked',
      sound: 'maj7',
      strings: [3, 2, 1],
      played: 'stabs',
      roots: 1,
      drone: true,
      ...more,
    });

  test('the worked fact: Dbmaj7 is Db and Fm; by turns through three inversions up and down', () => {
    const drill = made(pairs());
    expect(chords(drill)).toEqual('Db Fm Db Fm Db Fm Db Fm Db Fm Db'.split(' '));
    const places = drill.steps.map((step) =>
      (step.grip?.frets ?? []).reduce<number>((sum, fret) => sum + (fret ?? 0), 0),
    );
    const ups = places.filter((_, i) => i % 2 === 0).slice(0, 3);
    expect(ups).toEqual([...ups].sort((a, b) => a - b));
    expect(places).toEqual([...places].reverse());
    for (const step of drill.steps) expect(step.grip?.frets.slice(0, 3)).toEqual([null, null, null]);
  });
  test.each([
    ['stacked', 'm7', 'Fm Ab', 'F'],
    ['stacked', '7', 'Eb Gdim', 'Eb'],
    ['stacked', 'm7b5', 'Gdim Bbm', 'G'],
    ['side by side', '7sus4', 'Cb Db', 'Db'],
  ] as const)('%s, %s: %s', (pair, sound, expected, root) => {
    expect([...new Set(chords(made(pairs({ pair, sound, root }))))].join(' ')).toBe(expected);
  });
  test('against other roots each degree is named anew', () => {
    const drill = made(pairs({ roots: 3 }));
    const first = (root: string) =>
      drill.steps.find((step) => step.ask.values.root === root)?.ask.values.degrees;
    // Db F Ab: over Db 1 3 5, over Gb 5 7 9, over Bb b3 5 b7.
    expect([first('Db'), first('Gb'), first('Bb')]).toEqual(['1 3 5', '5 7 9', 'b3 5 b7']);
    expect(drill.steps).toHaveLength(33);
  });
  test('as lines the notes of each triad from the lowest up, a beat each', () => {
    const drill = made(pairs({ played: 'lines' }));
    const notes = drill.score.parts[0].bars.flatMap((bar) => bar.events.map((event) => event.notes[0]));
    expect(
      notes
        .slice(0, 6)
        .map((note) => note.name)
        .sort(),
    ).toEqual(['Ab', 'Ab', 'C', 'Db', 'F', 'F']);
    expect(drill.score.parts[0].bars[0].events[1].tick).toBe(10080 / 3);
  });
  test('under each bar lie root and fifth of the root it is heard against, in stabs and in lines; without it, none', () => {
    for (const played of ['stabs', 'lines'] as const) {
      const drill = made(pairs({ roots: 3, played }));
      const [guitar, drone] = drill.score.parts;
      expect([drone.name, drone.bars.length]).toEqual(['drone', guitar.bars.length]);
      drone.bars.forEach(({ events: [event] }, bar) => {
        const step = drill.steps.findLast((one) => one.startTick <= ticksOf(4 * bar));
        const root = readNote(String(step?.ask.values.root))?.note as NoteName;
        const lowest = event.notes.map((note) => pitchAt(standardGuitar, note.stringIndex, note.fret)).sort((a, b) => a - b); // prettier-ignore
        expect([lowest[0] % 12, lowest[1] - lowest[0]]).toEqual([pitchClassOf(root), 7]);
      });
    }
    expect(made(pairs({ drone: false })).score.parts).toHaveLength(1);
  });
  test('in every key, on every set; refused by name', () => {
    for (const { tonic } of majorKeys())
      for (const strings of [
        [3, 2, 1],
        [4, 3, 2],
        [5, 4, 3],
      ] as const)
        expect(makeDrill(pairs({ root: noteText(tonic), strings }), context).ok).toBe(true);
    expect(refusedAs(pairs({ sound: '7alt' }))).toEqual(['drill.pair', true]);
    expect(refusedAs(pairs({ strings: [6, 4, 2] }))).toEqual(['drill.set', true]);
    expect(refusedAs(pairs({ roots: 4 }))).toEqual(['drill.roots', true]);
  });
});

describe('melody on top', () => {
  const on = (more: Partial<Parameters<typeof melodyOnTop>[0]> = {}) =>
    melodyOnTop({
      key: 'Eb major',
      string: 2,
      octaves: 1,
      way: 'up',
      by: 'degree',
      voicings: 'plain',
      bass: false,
      outside: 'pass over',
      beatsEach: 4,
      ...more,
    });

  test('the scale of E flat on string 2: every grip has its note on top, and is a chord of the key', () => {
    const drill = made(on());
    const key = must(makeKey('Eb major'));
    expect(drill.steps).toHaveLength(8);
    drill.steps.forEach((step, i) => {
      const frets = step.grip?.frets ?? [];
      expect(frets[5]).toBeNull();
      expect(top(drill, i)).toBe(pitchAt(standardGuitar, 4, frets[4] ?? -1));
      expect(noteText(key.scale[i % 7])).toBe(String(step.ask.values.pitch).replace(/\d/g, ''));
      for (const [s, fret] of frets.entries())
        if (fret !== null)
          expect(key.scale.map(pitchClassOf)).toContain(pitchAt(standardGuitar, s, fret) % 12);
    });
  });
  test('coming down other voicings where there are some', () => {
    const drill = made(on({ way: 'up and down' }));
    const grips = drill.steps.map((step) => step.grip?.frets.join());
    expect(grips).toHaveLength(15);
    const same = Array.from({ length: 7 }, (_, i) => grips[i] === grips[14 - i]).filter(Boolean);
    expect(same.length).toBeLessThan(4);
  });
  test('over one chord, with its root, richer, a typed tune and what was passed over', () => {
    const drill = made(on({ by: 'chord', chord: 'Ebmaj7', melody: 'Eb4 G4 Bb4 A4' }));
    expect(new Set(chords(drill))).toEqual(new Set(['Ebmaj7']));
    expect(drill.leftOut).toEqual([{ code: 'left.top', values: { pitch: 'A4', why: 'outside the key' } }]);
    const full = made(on({ bass: true }));
    expect(full.steps.some((_, i) => lowest(full, i) < pitchAt(standardGuitar, 2, 0) + 12)).toBe(true);
    const rich = made(on({ voicings: 'richest' }));
    const notes = (of: Drill) => of.steps.reduce((sum, step) => sum + (step.grip?.frets.filter((fret) => fret !== null).length ?? 0), 0); // prettier-ignore
    expect(notes(rich)).toBeGreaterThan(notes(made(on())));
  });
  test('a tune goes along into another key; refused by name', () => {
    const moved = must(
      rekey(on({ melody: 'Eb4 G4 Bb4', chord: 'Cm7' }), { letter: 'F', accidental: 0 }, standardGuitar),
    );
    expect(moved.family === 'melody on top' && [moved.parameters.melody, moved.parameters.chord]).toEqual(['F4 A4 C5', 'Dm7']); // prettier-ignore
    expect(refusedAs(on({ by: 'chord' }))).toEqual(['drill.top-chord', true]);
    expect(refusedAs(on({ melody: 'H' }))).toEqual(['melody.note', true]);
    expect(refusedAs(on({ melody: 'C2 D2 E2' }))).toEqual(['drill.top', true]);
    expect(refusedAs(on({ melody: 'C4 '.repeat(40) }))).toEqual(['melody.long', true]);
    const three = { ...context, instrument: must(makeInstrument({ openPitches: [67, 60, 64, 69] })) };
    expect(makeDrill(on({ string: 1 }), three).ok).toBe(true);
  });
});
