import { readChart } from '@finch/core/score';
import { pitchText } from '@finch/core/theory';
import { tuneOf, tunesOf } from './tunes';

const CHART = 'title: Invented\nkey: Eb\n| Eb | Ab |\nm: | Eb4:2 r:1 G4:1~ | G4:2 Bb4:2 |\n';

test('the melody as it is written: a tied note once, rests left out', () => {
  const { piece, problems } = readChart(CHART);
  expect(problems).toEqual([]);
  expect(tuneOf(piece).map(pitchText)).toEqual(['Eb4', 'G4', 'Bb4']);
});

test('only charts that have one, and no more notes than can be harmonised', () => {
  expect(tunesOf([CHART, '| C | F |'], 2)).toEqual([{ title: 'Invented', text: 'Eb4 G4', key: 'Eb major' }]);
});
