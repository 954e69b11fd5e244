import { standardGuitar } from '../fretboard';
import { fretsText } from '../grips';
import { readTab } from './read-tab';

const TAB = `A line of words
e|--0-----3--3----|
B|--1-----0--0--1-|
G|--0-----0--0----|
D|--2-----0--0----|
A|--3-----2--2----|
E|--------3--3----|

e|-----------|
B|--10--x----|
G|--10--1----|
D|--10--2----|
A|--8---3----|
E|--x---x----|`;

test('stacked numbers are grips, named and kept as they stand; string 1 is the top line', () => {
  const read = readTab(TAB, standardGuitar);
  expect(read?.grips.map(fretsText)).toEqual(['x32010', '320003', 'x-8-10-10-10-x', 'x321xx']);
  expect(read?.piece.sections[0].bars.map((bar) => bar.chords[0].chord).slice(0, 2)).toEqual(['C', 'G']);
  expect(read?.notTaken.map((one) => one.at)).toEqual(['tab 1, column 15']);
});

test('a text without tab is none; a block of too few lines neither', () => {
  expect(readTab('the lamp is low', standardGuitar)).toBeNull();
  expect(readTab('e|--0--|\nB|--1--|', standardGuitar)).toBeNull();
  expect(readTab('', standardGuitar)).toBeNull();
});
