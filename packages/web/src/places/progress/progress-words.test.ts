import { limitText, lossText, offText, surpriseText, tenseText } from './progress-words';

const who = { studentId: 's', name: 'Pell', skillId: 'open.em', skill: 'Em' };

test('a surprise says what came and where to look, upwards and downwards', () => {
  const day = { ...who, at: 0, takes: 9, low: 0.1, high: 0.4 };
  expect(surpriseText({ ...day, clean: 7, said: 0.22, came: 7 / 9 })).toBe(
    '7 of 9 takes clean: was it played before? The next step may do.',
  );
  expect(surpriseText({ ...day, clean: 1, said: 0.84, came: 1 / 9 })).toBe(
    '1 of 9 takes clean: look at the hand, the guitar and the tempo.',
  );
});

test('how predictions held: only classes that were off are named, less log loss is better', () => {
  const one = { takes: 100, low: 0, high: 1, said: 0.75, came: 0.71, off: null };
  const held = { takes: 100, classes: [one], logLoss: 0.5124, runningMean: 0.571 };
  expect(offText(held)).toBe('');
  const off = (said: number, way: 'hopeful' | 'modest' | null) => ({ ...one, said, off: way });
  expect(offText({ ...held, classes: [off(0.75, 'hopeful'), off(0.9, null)] })).toBe('Too hopeful at 75.');
  expect(
    offText({
      ...held,
      classes: [off(0.05, 'modest'), off(0.16, 'modest'), off(0.25, 'modest'), off(0.94, 'hopeful')],
    }),
  ).toBe('Too modest at 5, 16 and 25. Too hopeful at 94.');
  expect(lossText(held)).toBe('Log loss .512; a running mean .571. Less is better.');
  expect(lossText({ ...held, logLoss: null, runningMean: null })).toBe('');
});

test('a tense hand: how often, and where its effort stands to the limit', () => {
  const tense = { ...who, hard: 6, of: 7, pain: false, chord: 'Abm6', effort: 78.4, limit: 55, at: 0 };
  expect(tenseText(tense)).toBe('tense 6 of 7');
  expect(tenseText({ ...tense, pain: true })).toBe('pain, tense 6 of 7');
  expect(limitText(tense)).toBe('over the limit of 55');
  expect(limitText({ ...tense, effort: 55.2 })).toBe('at the limit of 55');
  expect(limitText({ ...tense, effort: 30 })).toBe('below the limit of 55');
  expect(limitText({ ...tense, effort: null })).toBe('no grip in it');
});
