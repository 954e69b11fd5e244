import { must } from '@finch/core/kernel';
import { parseChord } from '@finch/core/theory';
import { keyWords } from './key-words';

const words = (text: string) => keyWords(text.split(' ').map((one) => must(parseChord(one))));

test.each([
  ['Bbm7 Eb7 Abmaj7', 'In A♭ major: ii7 V7 I△7.'],
  ['C A7 Dm7 G7', 'In C major: I V7/ii ii7 V7; A7 has C♯.'],
  ['C Dm', 'It may be in F major or C major or D minor: nothing here decides.'],
  ['C F G7 C Am D7 G C D7 G', 'From C major: I IV V7 I, to G major: ii V7 I IV V7 I; Am belongs to both.'],
])('%s: %s', (text, expected) => expect(words(text)).toBe(expected));

test('nothing is said of one chord, of silence, or of a whole song book', () => {
  expect(words('C')).toBe('');
  expect(words('N.C. N.C.')).toBe('');
  expect(words(Array.from({ length: 65 }, () => 'C').join(' '))).toBe('');
  expect(words(Array.from({ length: 20 }, (_, i) => (i % 2 ? 'G7' : 'C')).join(' '))).toBe('In C major.');
});
