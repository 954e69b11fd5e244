/** Write it out, open task and embellish: what is written by another reader, what lies within bounds, what a fill leads to. */
import { Chord as TonalChord, Key as TonalKey } from 'tonal';
import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import { DEFAULT_LIMITS } from '../hands';
import { must } from '../kernel';
import { turnsAround } from '../scales';
import { soundingMidi, tabText, ticksOf } from '../score';
import { parseChord, pitchClassOf, readNote, type NoteName } from '../theory';
import { easier, embellish, harder, isWritten, makeDrill, nearestRecipe, openTask, rekeyForHand, slipOf, writeItOut, type Drill, type Recipe } from '.'; // prettier-ignore

const context = { hand: averageHand, instrument: standardGuitar };
const made = (recipe: Recipe, where: Parameters<typeof makeDrill>[1] = context): Drill => must(makeDrill(recipe, where)); // prettier-ignore
const refusal = (recipe: Recipe, where = context) => {
  const refused = makeDrill(recipe, where);
  const nearest = nearestRecipe(recipe, where);
  return [refused.ok ? null : refused.problem.code, nearest !== null && makeDrill(nearest, where).ok];
};

describe('write it out', () => {
  const write = (more: Partial<Parameters<typeof writeItOut>[0]> = {}) =>
    writeItOut({ what: 'triads', root: 'Eb', kind: 'major', keys: 1, times: 3, progression: '1 5 6 4', days: 1, ...more }); // prettier-ignore
  const boxes = (drill: Drill) =>
    drill.steps.flatMap(({ ask, answer }) =>
      answer?.kind === 'written' ? [[String(ask.values.label), answer.right] as const] : [],
    );

  test('the seven chords of a key in notes, by another reader; a scale by its key', () => {
    for (const [what, root] of [
      ['triads', 'Eb'],
      ['sevenths', 'F#'],
      ['triads', 'Cb'],
    ] as const)
      // prettier-ignore
      for (const [label, right] of boxes(made(write({ what, root, progression: '' }))))
        expect([label, right]).toEqual([label, TonalChord.get(label).notes.join(' ')]);
    for (const root of ['A', 'Db', 'C#'])
      expect(boxes(made(write({ what: 'scales', root, progression: '' })))[0][1]).toBe(
        TonalKey.majorKey(root).scale.join(' '),
      );
    expect(boxes(made(write({ what: 'scales', root: 'A', kind: 'harmonic minor' })))[0][1]).toBe('A B C D E F G#'); // prettier-ignore
  });
  test('numbers are played in each key, so often, and are heard', () => {
    const drill = made(write({ keys: 2 }));
    const played = drill.steps.filter((step) => step.ask.code === 'ask.play-numbers');
    expect(played.map((step) => step.ask.values.chords)).toEqual(['Eb Bb Cm Ab', 'Bb F Gm Eb']);
    expect(played[0].ticks).toBe(ticksOf(16));
    expect(drill.question.values).toEqual({ of: 14, clean: 13, times: 3 });
    expect(drill.score.parts[0].bars).toHaveLength(14 + 8);
  });
  test('over several days each fits two pages; what does not is refused with the days it needs', () => {
    const days = made(write({ keys: 8, days: 4 })).steps.map((step) => Number(step.ask.values.day));
    expect([Math.min(...days), Math.max(...days)]).toEqual([1, 4]);
    for (const day of [1, 2, 3, 4]) expect(days.filter((one) => one === day).length).toBeLessThanOrEqual(30 + 2); // prettier-ignore
    expect(refusal(write({ keys: 15, days: 1 }))).toEqual(['drill.days', true]);
  });
  test('typed back: signs, commas and small letters are read; every slip has its name', () => {
    for (const typed of ['Ab C Eb', 'ab, c, eb', 'A♭ C E♭', ' Ab-C-Eb ']) expect(isWritten('Ab C Eb', typed)).toBe(true); // prettier-ignore
    expect(isWritten('Ab C Eb', 'Ab C')).toBe(false);
    const slip = (right: string, typed: string) => slipOf({ kind: 'written', right }, typed);
    expect(slip('A# C# E#', 'A# C# F')).toBe('respelled');
    expect(slip('E G B', 'E G# B')).toBe('third altered');
    expect(slip('E G B', 'E G Bb')).toBe('altered');
    expect(slip('C E G B', 'C E G')).toBe('one left out');
    expect(slip('C E G', 'C E G B')).toBe('one too many');
    expect(slip('C E G', 'C E G')).toBeNull();
    expect(slip('C E G', 'C H G')).toBeNull();
  });
  test('refused by name: twin, keys, times, numbers', () => {
    expect(refusal(write({ root: 'G#' }))).toEqual(['key.signature', true]);
    expect(refusal(write({ keys: 16 }))).toEqual(['drill.keys', true]);
    expect(refusal(write({ times: 0 }))).toEqual(['drill.times', true]);
    expect(refusal(write({ progression: '1 9' }))).toEqual(['drill.numerals', true]);
    const up = must(harder(write(), context));
    expect(up.family === 'write it out' && up.parameters.what).toBe('sevenths');
    const down = must(easier(write(), context));
    expect(down.family === 'write it out' && down.parameters.times).toBe(2);
  });
});

describe('open task', () => {
  const task = (more: Partial<Parameters<typeof openTask>[0]> = {}) =>
    openTask({ key: 'A minor', question: 'what rubs', lowFret: 5, highFret: 8, thickString: 6, thinString: 1, notes: 'the five', ground: 'drone', minutes: 3, ...more }); // prettier-ignore
  const spots = (drill: Drill) =>
    (drill.bounds?.notes ?? []).map((one) => `${6 - one.stringIndex}:${one.fret}`);

  test('the five of A minor between frets 5 and 8 are its box', () => {
    expect(spots(made(task()))).toEqual(['6:5', '6:8', '5:5', '5:7', '4:5', '4:7', '3:5', '3:7', '2:5', '2:8', '1:5', '1:8']); // prettier-ignore
  });
  test('strings bound it from either side; the chord alone is its tones', () => {
    const two = made(task({ thickString: 2, thinString: 1, notes: 'all of the key' }));
    expect(spots(two)).toEqual(['2:5', '2:6', '2:8', '1:5', '1:7', '1:8']);
    expect(spots(made(task({ thickString: 1, thinString: 2, notes: 'all of the key' })))).toEqual(spots(two));
    const chord = made(task({ notes: 'the chord' })).bounds?.notes ?? [];
    expect(new Set(chord.map((one) => one.pitch % 12))).toEqual(new Set([9, 0, 4]));
  });
  test('a drone is root and fifth, low; two chords are the first and the fourth', () => {
    const [bar] = made(task()).score.parts[0].bars;
    expect(bar.events[0].notes.map((note) => pitchAt(standardGuitar, note.stringIndex, note.fret))).toEqual([45, 52]); // prettier-ignore
    const chords = made(task({ ground: 'two chords' })).score.parts[0].bars.flatMap((one) => one.events.map((event) => event.chord)); // prettier-ignore
    expect(chords.filter(Boolean)).toEqual(['Am', 'Dm', 'Am', 'Dm']);
    expect(made(task({ ground: 'nothing' })).score.parts[0].bars[0].events).toEqual([]);
  });
  test('it is done, not right; one sentence belongs to it', () => {
    const drill = made(task({ minutes: 4, rule: 'end on the third' }));
    expect([drill.judged, drill.asksNote, drill.question.values.minutes]).toEqual(['done', true, 4]);
    expect(drill.steps[0].ask.values).toEqual({ question: 'what rubs', key: 'A minor', rule: 'end on the third' }); // prettier-ignore
  });
  test('bounds with too few notes are refused, and one string more is the nearest', () => {
    const narrow = task({ thickString: 6, thinString: 6, lowFret: 5, highFret: 7 });
    expect(refusal(narrow)).toEqual(['drill.bounds', true]);
    const wider = nearestRecipe(narrow, context);
    expect(wider?.family === 'open task' && [wider.parameters.thickString, wider.parameters.thinString]).toEqual([6, 5]); // prettier-ignore
    expect(refusal(task({ lowFret: 9, highFret: 4 }))).toEqual(['drill.fret', true]);
    expect(refusal(task({ thickString: 7 }))).toEqual(['drill.string', true]);
    expect(refusal(task({ minutes: 11 }))).toEqual(['drill.minutes', true]);
  });
  test('harder narrows and then adds a rule; easier takes the rule away first', () => {
    let recipe: Recipe = task({ highFret: 12 });
    const seen: string[] = [];
    for (let next = harder(recipe, context); next.ok; next = harder(recipe, context)) {
      recipe = next.value;
      if (recipe.family === 'open task') seen.push(recipe.parameters.rule ?? `${recipe.parameters.highFret}/${recipe.parameters.thickString}`); // prettier-ignore
    }
    expect(seen.slice(-1)).toEqual(['never a note twice running']);
    expect(seen[0]).toBe('10/6');
    const back = must(easier(recipe, context));
    expect(back.family === 'open task' && back.parameters.rule).toBeUndefined();
  });
});

describe('embellish', () => {
  const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
  const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
  const A = { chord: 'A', frets: [5, 7, 7, 6, 5, 5] };
  const D = { chord: 'D', frets: [null, 5, 7, 7, 7, 5] };
  const fill = (more: Partial<Parameters<typeof embellish>[0]> = {}, seed = 1) =>
    embellish({ grip: A, next: D, style: 'folk', notes: 4, upTo: 'double stops', ...more }, seed);
  const filled = (drill: Drill) => drill.score.parts[0].bars[1].events.filter((event) => event.ticks === ticksOf(0.5)); // prettier-ignore

  test('so many eighths fill the end of the bar, and the next grip stands on one', () => {
    for (const notes of [2, 3, 4, 5, 6, 8]) {
      const drill = made(fill({ notes }));
      const events = filled(drill);
      expect(events).toHaveLength(notes);
      expect(events[0].tick).toBe(ticksOf(4 - notes / 2));
      const [arrived] = drill.score.parts[0].bars[2].events;
      expect([arrived.tick, arrived.chord]).toEqual([0, 'D']);
      expect(drill.steps[1].startTick).toBe(ticksOf(8));
    }
  });
  test('the last note lies within two frets of the next grip on its string, whatever is drawn', () => {
    for (const style of ['folk', 'country', 'blues', 'soul', 'rock', 'jazz', 'classical'] as const)
      for (let seed = 1; seed <= 4; seed++)
        for (const [grip, next] of [
          [A, D],
          [C, G],
        ]) {
          // prettier-ignore
          const drill = makeDrill(fill({ grip, next, style, upTo: 'bends' }, seed), context);
          if (!drill.ok) continue;
          const last = filled(drill.value).at(-1);
          const near = last?.notes.some(({ stringIndex, fret, bent }) => {
            const there = next.frets[stringIndex];
            return there !== null && Math.abs(there - fret - (bent ?? 0)) <= 2;
          });
          expect([style, near]).toEqual([style, true]);
        }
  });
  test('what is hammered rises, what is pulled falls, on one string; turns are those of the style', () => {
    for (const style of ['folk', 'blues', 'rock'] as const) {
      const drill = made(fill({ style, upTo: 'pulls' }));
      const turns = turnsAround(A.frets, must(parseChord('A')), style, standardGuitar).map(
        (one) => `${one.from[0].stringIndex}:${one.from[0].fret}>${one.to[0].fret}`,
      );
      const events = filled(drill);
      for (let i = 0; i < events.length; i += 2) {
        const [from, to] = [events[i].notes[0], events[i + 1].notes[0]];
        expect(to.stringIndex).toBe(from.stringIndex);
        expect(turns).toContain(`${from.stringIndex}:${from.fret}>${to.fret}`);
        if (to.by === 'hammer') expect(to.fret).toBeGreaterThan(from.fret);
        if (to.by === 'pull') expect(to.fret).toBeLessThan(from.fret);
      }
    }
  });
  test('what may not be used yet is not used: a bend is slid to the same pitch, and said; with bends it is bent', () => {
    const uses = (drill: Drill) => new Set(drill.score.parts[0].bars.flatMap((bar) => bar.events.flatMap((event) => event.notes.flatMap((note) => note.by ?? [])))); // prettier-ignore
    for (let seed = 1; seed <= 6; seed++) {
      expect(uses(made(fill({ style: 'folk', upTo: 'slides' }, seed)))).not.toContain('hammer');
      expect(uses(made(fill({ style: 'rock', upTo: 'trills' }, seed)))).not.toContain('bend');
    }
    const bent = [1, 2, 3, 4, 5, 6].map((seed) => made(fill({ style: 'rock', upTo: 'bends' }, seed))).find((drill) => uses(drill).has('bend')); // prettier-ignore
    const note =
      bent &&
      filled(bent)
        .flatMap((event) => event.notes)
        .find((one) => one.bent);
    expect(note && soundingMidi(note, standardGuitar) - pitchAt(standardGuitar, note.stringIndex, note.fret)).toBe(note?.bent); // prettier-ignore
    expect(bent && tabText(bent.score)).toMatch(/b\d/);
    const spared = { ...context, limits: { ...DEFAULT_LIMITS, gripEffort: 40 } };
    const slid = makeDrill(fill({ grip: C, next: G, style: 'rock', upTo: 'bends' }), spared);
    if (slid.ok) expect(uses(slid.value)).not.toContain('bend');
  });
  test('every note is named as it sounds', () => {
    for (const style of ['folk', 'blues', 'jazz'] as const)
      for (const { notes } of filled(made(fill({ grip: C, next: G, style, upTo: 'bends' }))))
        for (const note of notes)
          expect(pitchClassOf(readNote(note.name ?? '')?.note as NoteName)).toBe(soundingMidi(note, standardGuitar) % 12); // prettier-ignore
  });
  test('a tone more or a technique more never grades lower; in another key both grips move', () => {
    const grades = (['slides', 'hammers', 'pulls', 'double stops'] as const).map((upTo) => made(fill({ style: 'soul', upTo, tempoBpm: 40 })).effort); // prettier-ignore
    expect(grades).toEqual([...grades].sort((a, b) => a - b));
    const moved = must(rekeyForHand(fill(), { letter: 'B', accidental: -1 }, context));
    expect(moved.family === 'embellish' && [moved.parameters.grip.chord, moved.parameters.next.chord]).toEqual(['Bb', 'Eb']); // prettier-ignore
    expect(moved.family === 'embellish' && moved.parameters.grip.frets).toEqual([6, 8, 8, 7, 6, 6]);
    expect(refusal(fill({ notes: 9 }))).toEqual(['drill.fill', true]);
    expect(refusal(fill({ next: { chord: 'H', frets: D.frets } }))[0]).toBe('chord.german-h');
  });
});
