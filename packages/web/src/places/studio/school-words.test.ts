import { DEFAULT_SCHOOLS, schoolsOf } from '@finch/core/shapes';
import { SCHOOL_CHOICES } from '@finch/core/shapes';
import { holdSchool, inPlainSchool, school } from '../../words/school';
import { formText, fretsMoved, nameChord, say, stringsMoved } from '../../words';
import { SWITCHES, SWITCH_WORDS } from './school-words';

afterEach(() => holdSchool(DEFAULT_SCHOOLS));

test('every switch and every choice has words', () => {
  for (const name of SWITCHES) {
    expect(SWITCH_WORDS[name].name).not.toBe('');
    for (const choice of SCHOOL_CHOICES[name]) expect(SWITCH_WORDS[name].choices[choice]).toBeTruthy();
  }
});

test('words follow the school at once', () => {
  const words = () => [nameChord('Bbm9'), formText('E'), fretsMoved(-2), stringsMoved(3, 2)];
  expect(words()).toEqual(['B♭m9', 'E form', '2 frets down', '1 string down, to a thinner one']);
  holdSchool(
    schoolsOf({
      chordNames: 'family',
      formNames: 'numbers',
      firstForm: 'E',
      fretDown: 'to the body',
      stringDown: 'to the thick side',
    }),
  );
  expect(words()).toEqual(['B♭m', 'pattern 1', '2 frets up', '1 string up, to a thinner one']);
  holdSchool(schoolsOf({ formNames: 'root strings' }));
  expect(formText('A')).toBe('root on string 5');
});

test('what is stored is said plainly, whatever the school, and the school holds on after', () => {
  holdSchool(schoolsOf({ chordNames: 'family' }));
  const title = { code: 'title.loop', values: { from: 'Dm7', to: 'G13' } };
  expect(say(title)).toBe('Dm → G7');
  expect(inPlainSchool(() => say(title))).toBe('Dm7 → G13');
  expect(school().chordNames).toBe('family');
  expect(() =>
    inPlainSchool(() => {
      throw new Error('broken');
    }),
  ).toThrow('broken');
  expect(school().chordNames).toBe('family');
});
