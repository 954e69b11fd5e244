/** Bass walk and the pieces of one change. */
import fc from 'fast-check';
import { practiseFor } from '../changes';
import { averageHand, pitchAt, standardGuitar } from '../fretboard';
import type { DrillContext } from '../hands';
import { fretsText } from '../grips';
import { must } from '../kernel';
import { majorKeys, noteText, pitchClassOf } from '../theory';
import { bassSteps } from './families/bass-walk';
import {
  bassWalk,
  CHANGE_PIECES,
  changeIn,
  changeLoop,
  easier,
  gripsInOrder,
  harder,
  makeDrill,
  rekey,
  type BassWalkRecipe,
  type NamedGrip,
} from '.';

const context: DrillContext = { hand: averageHand, instrument: standardGuitar };
const walk = (
  from: string,
  to: string,
  key: string,
  way: 'up' | 'down',
  by: 'scale' | 'half steps' = 'scale',
  back = false,
) => bassWalk({ from, to, key, way, by, back, beatsEach: 4 });
const names = (recipe: BassWalkRecipe) => must(bassSteps(recipe.parameters)).map((one) => one.chord.symbol);

describe('bass walk', () => {
  test.each([
    [walk('C', 'Am', 'C major', 'down'), 'C C/B Am'],
    [walk('G', 'Em', 'G major', 'down'), 'G G/F# Em'],
    [walk('C', 'F', 'C major', 'up'), 'C C/D C/E F'],
    [walk('F', 'C', 'C major', 'down'), 'F C/E C/D C'],
    [walk('D', 'G', 'G major', 'down'), 'D D/C G/B G/A G'],
    [walk('G', 'C', 'C major', 'up'), 'G G/A G/B C'],
    [walk('F', 'C', 'C major', 'down', 'half steps'), 'F F/E F/Eb C/D C/Db C'],
    // Under A minor the half step below the root is its leading tone, G#, not Ab.
    [walk('Am', 'F', 'C major', 'down', 'half steps'), 'Am Am/G# Am/G Am/F# F'],
    [walk('C', 'Am', 'C major', 'down', 'scale', true), 'C C/B Am C/B'],
    [walk('Eb', 'Cm', 'Eb major', 'down'), 'Eb Eb/D Cm'],
  ])('%j', (recipe, chords) => {
    expect(names(recipe).join(' ')).toBe(chords);
  });

  test('the bass is one line: every grip has the next pitch lowest', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...majorKeys()),
        fc.constantFrom('up' as const, 'down' as const),
        fc.constantFrom('scale' as const, 'half steps' as const),
        (key, way, by) => {
          const relative = noteText(key.scale[5]);
          const recipe = walk(noteText(key.tonic), `${relative}m`, key.name, way, by);
          const made = makeDrill(recipe, context);
          // Nine half steps up is more than a walk holds; that is said, not made.
          if (!made.ok) return expect(made.problem.code).toMatch(/^drill\.walk/);
          const lowest = gripsInOrder(made.value).map((grip) =>
            Math.min(
              ...grip.frets.flatMap((fret, s) => (fret === null ? [] : [pitchAt(standardGuitar, s, fret)])),
            ),
          );
          const sign = way === 'up' ? 1 : -1;
          lowest.slice(1).forEach((pitch, i) => {
            const step = sign * (pitch - lowest[i]);
            expect(step).toBeGreaterThanOrEqual(1);
            expect(step).toBeLessThanOrEqual(by === 'scale' ? 2 : 1);
          });
          const basses = must(bassSteps(recipe.parameters)).map((one) => pitchClassOf(one.bass));
          expect(lowest.map((pitch) => pitch % 12)).toEqual(basses);
        },
      ),
      { numRuns: 40 },
    );
  });

  test('G to E minor is played as players play it', () => {
    const drill = must(makeDrill(walk('G', 'Em', 'G major', 'down'), context));
    const frets = gripsInOrder(drill).map((grip) => fretsText(grip.frets));
    expect(frets.map((text) => text[0])).toEqual(['3', '2', '0']);
    expect(frets[2]).toBe('022000');
  });

  test.each([
    [walk('C', 'Am', 'Gb major', 'down'), 'drill.walk-key'],
    [walk('C', 'D', 'C major', 'up'), 'drill.walk'],
    [walk('C', 'B', 'C major', 'up', 'half steps'), 'drill.walk'],
    [walk('C', 'N.C.', 'C major', 'up'), 'drill.walk'],
    [walk('Q', 'C', 'C major', 'up'), 'chord.root'],
    [walk('C', 'Am', 'nothing', 'down'), 'scale.tonic'],
    [bassWalk({ ...walk('C', 'Am', 'C major', 'down').parameters, beatsEach: 1 }), 'drill.beats'],
  ])('%j is refused as %s', (recipe, code) => {
    const made = makeDrill(recipe, context);
    expect(made.ok ? '' : made.problem.code).toBe(code);
  });

  test('in another key the walk keeps its numbers and its spelling', () => {
    const moved = must(
      rekey(walk('C', 'Am', 'C major', 'down'), { letter: 'E', accidental: -1 }, standardGuitar),
    );
    expect(moved.family === 'bass walk' && names(moved)).toEqual(['Eb', 'Eb/D', 'Cm']);
    const sharp = must(
      rekey(walk('C', 'F', 'C major', 'up'), { letter: 'F', accidental: 1 }, standardGuitar),
    );
    expect(sharp.family === 'bass walk' && names(sharp)).toEqual(['F#', 'F#/G#', 'F#/A#', 'B']);
  });
});

describe('a piece of a change', () => {
  const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
  const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
  const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
  const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
  const BB = { chord: 'Bb', frets: [null, 1, 3, 3, 3, 1] };
  const D = { chord: 'D', frets: [null, null, 0, 2, 3, 2] };
  const piece = (grips: readonly NamedGrip[], of: (typeof CHANGE_PIECES)[number]) =>
    changeLoop({ grips, beatsEach: 4, piece: of });

  test('C to Am: finger 3 alone goes from string 5 to string 3', () => {
    const drill = must(makeDrill(piece([C, AM], 'one finger'), context));
    const notes = drill.score.parts[0].bars
      .slice(0, 2)
      .map((bar) => bar.events[0].notes.map((note) => [6 - note.stringIndex, note.fret, note.finger]));
    expect(notes).toEqual([[[5, 3, 3]], [[3, 2, 3]]]);
    // One finger says nothing about either chord, so it is no evidence about them.
    expect(drill.items.map((item) => item.kind)).toEqual(['line']);
  });

  test('has no beat and is lighter than the whole change, which is the notch above it', () => {
    for (const of of CHANGE_PIECES) {
      const made = makeDrill(piece([C, AM], of), context);
      if (!made.ok) continue;
      expect(made.value.tempoBpm).toBeNull();
      const up = must(harder(piece([C, AM], of), context));
      expect(up.family === 'change loop' && up.parameters.piece).toBeUndefined();
      expect(must(makeDrill(up, context)).effort).toBeGreaterThan(made.value.effort);
      const down = easier(piece([C, AM], of), context);
      expect(down.ok ? '' : down.problem.code).toBe('drill.easiest');
    }
  });

  test('everything a change is told to practise can be made as a drill', () => {
    const kinds = new Set<string>();
    const grips = [C, AM, G, F, BB, D];
    const pairs = grips.flatMap((a) => grips.filter((b) => b !== a).map((b) => [a, b] as const));
    for (const [a, b] of pairs) {
      for (const step of practiseFor(must(changeIn(a.frets, b.frets, context)))) {
        if (step.kind === 'loop') continue;
        kinds.add(step.kind);
        expect(makeDrill(piece([a, b], step.kind), context).ok).toBe(true);
      }
    }
    expect(kinds.size).toBeGreaterThan(1);
  });

  test('a piece the change does not have is refused, and the whole is offered', () => {
    const made = makeDrill(piece([C, AM], 'slide'), context);
    expect(made.ok ? '' : made.problem.code).toBe('drill.piece');
    expect(makeDrill(piece([C, AM, G], 'air'), context).ok).toBe(false);
  });
});
