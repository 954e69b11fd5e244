/** Practice logs as CSV: what is read, and which line is named where it cannot be. */
import { readPracticeCsv } from './practice-csv';

const HEAD = 'student,skill,item,day,minute,tempoBpm,tries,clean';
const read = (...lines: string[]) => readPracticeCsv([HEAD, ...lines].join('\n'));

test('rows are read as they stand: names with commas, no tempo, columns in any order, a mark before the text', () => {
  expect(read('"Ode, P.",k,i,3,4.5,,8,5')).toEqual([
    { student: 'Ode, P.', skill: 'k', item: 'i', day: 3, minute: 4.5, tempoBpm: null, tries: 8, clean: 5 },
  ]);
  const mixed = '\ufeffclean,tries,tempoBpm,minute,day,item,skill,student\r\n0,0,92.5,0,12.9,i,k,s\r\n';
  expect(readPracticeCsv(mixed)).toEqual([
    { student: 's', skill: 'k', item: 'i', day: 12, minute: 0, tempoBpm: 92.5, tries: 0, clean: 0 },
  ]);
});

test.each([
  ['a column that is missing', () => readPracticeCsv('student,skill\na,b'), /line 1: .*item, day/],
  ['no rows', () => read(), /line 2: no row/],
  ['more clean than tried', () => read('a,b,c,1,0,80,3,3', 'a,b,c,1,0,80,3,5'), /line 3: clean .* 5 of 3/],
  ['a day that is none', () => read('a,b,c,x,0,80,3,2'), /line 2: day .* “x”/],
  ['an empty number', () => read('a,b,c,1,,80,3,2'), /line 2: minute/],
  ['a tempo of nothing', () => read('a,b,c,1,0,0,3,2'), /line 2: tempoBpm/],
  ['tries below nothing', () => read('a,b,c,1,0,80,-1,0'), /line 2: tries/],
  ['a line cut short', () => read('a,b,c,1'), /line 2/],
])('%s is refused by its line', (_, reading, words) => {
  expect(reading).toThrow(words);
});
