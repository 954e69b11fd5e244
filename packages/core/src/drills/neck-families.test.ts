/** Finding notes: string walk, note reading, root call with its grid. */
import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import { must, seededRandom } from '../kernel';
import {
  majorKeys,
  mod12,
  noteText,
  parseChord,
  parsePitch,
  midiOf,
  pitchClassOf,
  readNote,
} from '../theory';
import {
  calledCells,
  makeDrill,
  noteReading,
  rootCall,
  stringWalk,
  withWeakCells,
  type DrillStep,
  type RootCell,
  type StepOutcome,
} from '.';
import { gridCells, spacedOrder } from './families/root-call/grid';

const context = { hand: averageHand, instrument: standardGuitar };
const noteOf = (step: DrillStep) => {
  if (step.item.kind !== 'note') throw new Error('a note was asked for');
  return step.item;
};
const placesOf = (step: DrillStep) => (step.answer && 'places' in step.answer ? step.answer.places : []);

describe('string walk', () => {
  const walk = (key: string, string: number) =>
    must(makeDrill(stringWalk({ string, key, maxFret: 12, calls: 14, secondsPerCall: 5 }), context));

  test('natural notes along string 6, up to fret 12 and down again', () => {
    const steps = walk('C major', 6).steps.filter((step) => !step.answer);
    const frets = steps.map((step) => noteOf(step).fret);
    expect(frets).toEqual([0, 1, 3, 5, 7, 8, 10, 12, 10, 8, 7, 5, 3, 1, 0]);
    expect(
      steps
        .slice(0, 8)
        .map((step) => noteOf(step).name)
        .join(' '),
    ).toBe('E F G A B C D E');
  });

  test('natural notes on string 5 and string 2', () => {
    const frets = (string: number) =>
      walk('C major', string)
        .steps.slice(0, 8)
        .map((step) => noteOf(step).fret);
    expect(frets(5)).toEqual([0, 2, 3, 5, 7, 8, 10, 12]);
    expect(frets(2)).toEqual([0, 1, 3, 5, 6, 8, 10, 12]);
  });

  test('F sharp major has an E sharp, not an F', () => {
    expect(walk('F# major', 6).steps.map((step) => noteOf(step).name)).toContain('E#');
    expect(walk('F# major', 6).steps.map((step) => noteOf(step).name)).not.toContain('F');
  });

  test('calls every note once before any comes again; fret 12 counts as the open string', () => {
    const calls = walk('C major', 6).steps.filter((step) => step.answer);
    // C major on string 6 up to fret 12: E F G A B C D and the E above, each before any comes again.
    const names = calls.map((step) => noteOf(step).name);
    expect([...names.slice(0, 8)].sort()).toEqual(['A', 'B', 'C', 'D', 'E', 'E', 'F', 'G']);
    expect(new Set(calls.slice(0, 8).map((step) => noteOf(step).fret)).size).toBe(8);
    // Every call is played from the open string to fret 12, and no call follows itself.
    expect(calls.every((step) => noteOf(step).fret <= 12)).toBe(true);
    expect(calls.filter((step, i) => i > 0 && noteOf(step).fret === noteOf(calls[i - 1]).fret)).toEqual([]);
    const e = calls.find((step) => noteOf(step).name === 'E');
    expect(e && placesOf(e).map((place) => place.fret)).toEqual([0, 12]);
  });

  test('a capo moves the notes, not the frets counted', () => {
    const drill = must(
      makeDrill(stringWalk({ string: 6, key: 'C major', maxFret: 12, calls: 4, secondsPerCall: 5 }), {
        ...context,
        instrument: { ...standardGuitar, capo: 1 },
      }),
    );
    expect(noteOf(drill.steps[0])).toMatchObject({ fret: 0, name: 'F' });
  });

  test.each([
    [{ string: 9 }, 'drill.string'],
    [{ maxFret: 40 }, 'drill.fret'],
    [{ key: 'H major' }, 'scale.tonic'],
    [{ key: 'C majr' }, 'scale.kind'],
    [{ calls: 0 }, 'drill.count'],
    [{ secondsPerCall: 0.5 }, 'drill.seconds'],
  ])('%j is refused as %s', (change, code) => {
    const made = makeDrill(
      stringWalk({ string: 6, key: 'C major', maxFret: 12, calls: 4, secondsPerCall: 5, ...change }),
      context,
    );
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });
});

describe('note reading', () => {
  const reading = (key: string, position: number, strings = 6) =>
    must(makeDrill(noteReading({ key, position, strings, count: 24, secondsPerNote: 6 }), context));

  test.each([0, 2, 5, 9])(
    'asks only notes of the key inside position %i, and the answer sounds as asked',
    (position) => {
      for (const key of majorKeys()) {
        const names = key.scale.map(noteText);
        for (const step of reading(key.name, position).steps) {
          const item = noteOf(step);
          expect(names).toContain(item.name);
          const asked = midiOf(must(parsePitch(String(step.ask.values.pitch))));
          for (const place of placesOf(step)) {
            expect(place.fret).toBeGreaterThanOrEqual(position);
            expect(place.fret).toBeLessThanOrEqual(position + 3);
            expect(pitchAt(standardGuitar, 6 - place.string, place.fret)).toBe(asked);
          }
        }
      }
    },
  );

  test('the range grows from string 1 down', () => {
    const strings = reading('C major', 0).steps.map((step) => noteOf(step).string);
    strings.forEach((string, i) => expect(string).toBeLessThanOrEqual(Math.floor(i / 4) + 1));
    expect(Math.max(...strings)).toBeGreaterThanOrEqual(5);
  });

  test('B flat 3 in position 0 is string 3 fret 3 and sounds as MIDI 58', () => {
    const drill = makeDrill(
      noteReading({ key: 'Bb major', position: 0, strings: 3, count: 48, secondsPerNote: 6 }),
      context,
    );
    const step = must(drill).steps.find((one) => one.ask.values.pitch === 'Bb3');
    expect(step && placesOf(step)).toEqual([{ string: 3, fret: 3 }]);
  });

  test.each([
    [{ position: 20 }, 'drill.position'],
    [{ strings: 7 }, 'drill.range'],
    [{ key: 'C blue' }, 'scale.kind'],
  ])('%j is refused as %s', (change, code) => {
    const made = makeDrill(
      noteReading({ position: 0, strings: 6, key: 'C major', count: 12, secondsPerNote: 6, ...change }),
      context,
    );
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });
});

describe('the grid of root calls', () => {
  const answers = ['major', 'minor', 'dominant7', 'minor7'] as const;
  const frets = Array.from({ length: 12 }, (_, i) => i + 1);
  const cells = gridCells([6, 5], answers, frets);
  const key = (cell: RootCell) => `${cell.rootString} ${cell.answer} ${cell.fret}`;

  test('has four qualities on two strings at twelve frets', () => {
    expect(cells).toHaveLength(96);
    expect(new Set(cells.map(key)).size).toBe(96);
  });

  test.each([1, 2, 3, 4, 5])('seed %i asks every cell once, neighbours on one string lie apart', (seed) => {
    const order = spacedOrder(cells, [], 96, seededRandom(seed));
    expect(new Set(order.map(key)).size).toBe(96);
    const close = order.filter((cell, i) => {
      const last = order[i - 1];
      return last && last.rootString === cell.rootString && Math.abs(last.fret - cell.fret) < 3;
    });
    // At the very end only neighbours may be left.
    expect(close.length).toBeLessThanOrEqual(3);
  });

  test('a weak cell comes twice as often, early, and not twice running', () => {
    const weak: RootCell[] = [
      { rootString: 5, answer: 'minor7', fret: 4 },
      { rootString: 6, answer: 'dominant7', fret: 11 },
    ];
    const order = spacedOrder(cells, weak, 98, seededRandom(7)).map(key);
    for (const cell of weak.map(key)) {
      const at = order.flatMap((one, i) => (one === cell ? [i] : []));
      expect(at).toHaveLength(2);
      expect(at[0]).toBeLessThan(6);
      expect(at[1] - at[0]).toBeGreaterThanOrEqual(8);
    }
    expect(new Set(order).size).toBe(96);
  });

  test('what went wrong last time is asked again, what came right since is not', () => {
    const recipe = rootCall({
      rootString: 6,
      answer: 'root',
      count: 12,
      secondsPerCall: 5,
      maxFret: 12,
      grid: { rootStrings: [6, 5], answers, weak: [] },
    });
    const called = calledCells(recipe);
    const first = { cells: called, outcomes: called.map((_, i): StepOutcome => (i < 3 ? 'late' : 'clean')) };
    const second = { cells: [called[0]], outcomes: ['clean' as const] };
    const next = withWeakCells(recipe, [first, second]);
    expect(next.parameters.grid?.weak.map(key)).toEqual(called.slice(1, 3).map(key));
    expect(
      withWeakCells(rootCall({ rootString: 6, answer: 'root', count: 4, secondsPerCall: 5, maxFret: 9 }), [
        first,
      ]).parameters.grid,
    ).toBeUndefined();
  });

  test('every grip of a drill over the whole grid has its root where it was called', () => {
    const recipe = rootCall({
      rootString: 6,
      answer: 'root',
      count: 96,
      secondsPerCall: 5,
      maxFret: 12,
      grid: { rootStrings: [6, 5], answers, weak: [] },
    });
    const drill = must(makeDrill(recipe, context));
    const called = calledCells(recipe);
    expect(drill.steps).toHaveLength(96);
    drill.steps.forEach(({ item, answer }, i) => {
      if (item.kind !== 'grip') throw new Error('a grip was asked for');
      const { rootString, fret, answer: quality } = called[i];
      const chord = must(parseChord(item.chord));
      expect(chord.quality).toBe(quality);
      expect(item.frets[6 - rootString]).toBe(fret);
      expect(mod12(pitchAt(standardGuitar, 6 - rootString, fret))).toBe(pitchClassOf(chord.root));
      expect(item.frets.slice(0, 6 - rootString).every((one) => one === null)).toBe(true);
      expect(answer).toEqual({ kind: 'any place', places: [{ string: rootString, fret }] });
    });
  });

  test('D flat minor 7 with its root on string 5 lies at fret 4', () => {
    const drill = must(
      makeDrill(
        rootCall({ rootString: 5, answer: 'minor7', count: 9, secondsPerCall: 5, maxFret: 9 }),
        context,
      ),
    );
    const step = drill.steps.find((one) => one.ask.values.chord === 'Dbm7');
    expect(step && placesOf(step)).toEqual([{ string: 5, fret: 4 }]);
  });
});

test('a name read back is the note of its place', () => {
  const drill = must(
    makeDrill(stringWalk({ string: 4, key: 'Gb major', maxFret: 12, calls: 7, secondsPerCall: 5 }), context),
  );
  for (const step of drill.steps) {
    const item = noteOf(step);
    const read = readNote(item.name);
    expect(read && pitchClassOf(read.note)).toBe(mod12(pitchAt(standardGuitar, 2, item.fret)));
  }
});
