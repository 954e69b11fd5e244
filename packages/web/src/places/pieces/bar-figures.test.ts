import { readChart } from '@finch/core/score';
import { barFigures } from './bar-figures';

const figures = (text: string) => barFigures(readChart(text).piece);

test('each chord in the key of the piece, silence and a chord of no key left bare', () => {
  expect(figures('key: Ab\n[A]\n| Ab | Bbm7 Eb7 | N.C. | Gm7b5 |\n[B]\n| Cbmaj7 |')).toEqual([
    ['I'], ['ii7', 'V7'], [''], ['viiø7'], ['♭III△7'],
  ]); // prettier-ignore
  expect(figures('key: A minor\n| Am | F | G#dim7 |')).toEqual([['i'], ['♭VI'], ['vii°7']]);
});

test('from a bar with a key of its own on, that key', () => {
  const { piece } = readChart('key: C\n| C | D |');
  const [section] = piece.sections;
  const bars = section.bars.map((bar, i) => (i === 1 ? { ...bar, key: 'D major' } : bar));
  expect(barFigures({ ...piece, sections: [{ ...section, bars }] })).toEqual([['I'], ['I']]);
});
