import { standardGuitar } from '@finch/core/fretboard';
import { openNames } from './tuning-words';

test('open strings by name, behind a capo what sounds there', () => {
  expect(openNames(standardGuitar)).toEqual(['E', 'A', 'D', 'G', 'B', 'E']);
  expect(openNames({ ...standardGuitar, capo: 1 })).toEqual(['F', 'B♭', 'E♭', 'A♭', 'C', 'F']);
});
