import { waitingText } from './names';

test('what waits is called by what it is; whatever is neither asked nor answered counts as a take', () => {
  expect(waitingText(['attempt'])).toBe('1 take');
  expect(waitingText(['attempt', 'void', 'question'])).toBe('2 takes and 1 question');
  expect(waitingText(['answer', 'answer'])).toBe('2 answers');
  expect(waitingText([])).toBe('0 takes');
});
