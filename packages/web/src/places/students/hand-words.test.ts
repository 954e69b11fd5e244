import { limitText } from './hand-words';

test('a limit is said with the answers that say it', () => {
  expect(limitText({ limit: 55, upTo: 23, easy: 22, above: 5, hard: 4 })).toBe(
    'Two weeks say 55: up to it 22 of 23 takes were easy, above it 4 of 5 were not.',
  );
  expect(limitText({ limit: 61, upTo: 20, easy: 20, above: 0, hard: 0 })).toBe(
    'Two weeks say: 20 takes up to 61, all easy; more was not tried.',
  );
  expect(limitText({ limit: 61, upTo: 20, easy: 18, above: 0, hard: 0 })).toBe(
    'Two weeks say: up to 61 18 of 20 takes were easy; more was not tried.',
  );
  expect(limitText(null)).toContain('a dozen answers');
});
