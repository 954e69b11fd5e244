import { playedChoices, playedMonths, playedValue, playedWords, stageOfWords } from './played-words';

test.each([
  [null, 'not said'],
  [0, 'a month or less'],
  [1.4, 'a month or less'],
  [4.6, 'about 5 months'],
  [11, 'about a year'],
  [14, 'about a year'],
  [17, 'about 1½ years'],
  [30, 'about 2½ years'],
  [35, 'about 3 years'],
  [63, 'about 5 years'],
])('%s months of playing are %s', (months, words) => {
  expect(playedWords(months)).toBe(words);
});

test('a form offers round times, and what is on record where that is none of them', () => {
  expect(playedChoices().map((one) => one.value)).toEqual([
    '',
    '1',
    '3',
    '6',
    '12',
    '24',
    '36',
    '60',
    '120',
    '200',
  ]);
  expect(playedChoices(12).filter((one) => one.value === '12')).toHaveLength(1);
  expect(playedChoices(63.2)[1]).toEqual({ value: '63', text: 'about 5 years' });
  for (const { value } of playedChoices(63)) expect(playedValue(playedMonths(value))).toBe(value);
});

test('a stage is named with its time', () => {
  expect(stageOfWords(63)).toBe('some years (about 5 years)');
  expect(stageOfWords(null)).toBe('not said how long');
});
