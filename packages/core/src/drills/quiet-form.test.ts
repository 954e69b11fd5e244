/** What of a drill is left when no hand may play. */
import { averageHand, standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { staffBars } from '../score';
import {
  changeLoop,
  earPairs,
  evidenceOf,
  isQuiet,
  makeDrill,
  pieceSection,
  quietForm,
  scaleInTheShape,
  singIt,
  strumReading,
  tapIt,
} from '.';

const context = { hand: averageHand, instrument: standardGuitar };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const TUNE = 'key: G\ntempo: 96\n\n[A]\n| G | C |\nm: | G3:1 A3 B3:2 | C4:4 |\n';
const section = (chart: string, part: 'as written' | 'sung' | 'melody' = 'as written') =>
  pieceSection({
    ...{ pieceId: 'none', title: 'The lantern', fromBar: 5, toBar: 6, chart, part },
    grips: [[3, 2, 0, 0, 0, 3], C.frets],
    tempoBpm: 60,
  });

test('what is heard or named stays the very same', () => {
  const heard = earPairs({ what: 'triads', choices: 2, count: 20, hearings: 2, root: 'C', roving: false, sounded: 'together' }); // prettier-ignore
  expect(quietForm(heard, context)).toBe(heard);
});

test.each([
  [1, 1],
  [2, 2],
  [3, 3],
  [4, 4],
  [5, 4],
  [6, 5],
])('strum reading of level %i is tapped at level %i, of as many bars and at its tempo', (level, wanted) => {
  const strums = strumReading({ grips: [C], beats: 3, level, bars: 12, tempoBpm: 72 }, 9);
  expect(quietForm(strums, context)).toEqual(tapIt({ level: wanted, beats: 3, bars: 12, tempoBpm: 72 }, 9));
  const own = quietForm(strumReading({ grips: [C], beats: 4, level, bars: 8 }), context);
  expect(own?.parameters).not.toHaveProperty('tempoBpm');
});

test('a scale is sung in its key, one with other tones is not', () => {
  const scale = (kind: Parameters<typeof scaleInTheShape>[0]['kind']) =>
    quietForm(
      scaleInTheShape({ tonic: 'Eb', kind, place: 'position', at: 5, figure: 'straight', perBeat: 2 }, 4),
      context,
    );
  expect(scale('major')).toEqual(singIt({ key: 'Eb major', what: 'the scale', voice: 'low', count: 10 }, 4));
  expect(scale('minor pentatonic')).toMatchObject({ parameters: { key: 'Eb minor', what: 'the five' } });
  expect([scale('dorian'), scale('harmonic minor')]).toEqual([null, null]);
});

test('bars of a piece with a tune are heard and sung, at the tempo of the tune; without one there is nothing of them', () => {
  const sung = quietForm(section(TUNE), context);
  expect(sung).toMatchObject({ family: 'piece section', parameters: { part: 'sung', title: 'The lantern' } });
  expect(sung?.parameters).toMatchObject({ tempoBpm: undefined });
  expect(quietForm(section('key: G\ntempo: 96\n\n[A]\n| G | C |\n'), context)).toBeNull();
});

test('what is sung of a piece is its tune, kept about its bars, heard and not played', () => {
  const recipe = section(TUNE, 'sung');
  expect([isQuiet(recipe), evidenceOf(recipe)]).toEqual([true, 'hear']);
  expect([isQuiet(section(TUNE)), evidenceOf(section(TUNE, 'melody'))]).toEqual([false, 'play']);
  const drill = must(makeDrill(recipe, context));
  const written = staffBars(drill.score, standardGuitar).map(({ events }) =>
    events.flatMap(({ notes }) => notes.map(({ written }) => `${written.note.letter}${written.octave}`)),
  );
  expect(written).toEqual([['G4', 'A4', 'B4'], ['C5']]);
  expect(drill.items).toEqual([{ kind: 'section', pieceId: 'none', fromBar: 5, toBar: 6 }]);
  expect(drill).toMatchObject({ judged: 'done', heaviestGrip: 0, tempoBpm: 60, overLimit: false });
  expect(drill.steps.map(({ ask }) => ask)).toEqual([
    { code: 'ask.sung-bar', values: { bar: 5 } },
    { code: 'ask.sung-bar', values: { bar: 6 } },
  ]);
  expect(drill.effort).toBeLessThan(must(makeDrill(section(TUNE, 'melody'), context)).effort);
});

test('of changes between grips nothing is left', () => {
  const loop = changeLoop({ grips: [C, { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] }], beatsEach: 4 });
  expect(quietForm(loop, context)).toBeNull();
});
