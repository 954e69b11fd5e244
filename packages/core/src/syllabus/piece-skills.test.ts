/** What a part of a piece needs is read from the grips that part is played with, not from those of another. */
import { averageHand, standardGuitar } from '../fretboard';
import { readChart } from '../score';
import { firstSyllabus } from './first-syllabus';
import { pieceSkills } from './piece-skills';

const options = { hand: averageHand, instrument: standardGuitar };
const needs = (chart: string, part: Parameters<typeof pieceSkills>[1] = 'full') =>
  pieceSkills(readChart(chart).piece, part, options, firstSyllabus);

test('grips and the changes between them, in syllabus order', () => {
  const found = needs('| Am | C | G | Am |');
  expect(found).toEqual(expect.arrayContaining(['open.am', 'open.c', 'open.g', 'near.am-c', 'near.c-g']));
  const order = firstSyllabus.skills.map(({ id }) => id);
  expect(found).toEqual(found.toSorted((a, b) => order.indexOf(a) - order.indexOf(b)));
});

test('a part behind a capo needs open grips where the full one needs barres', () => {
  const piece = 'key: Ab\n\n| Ab | Db | Eb | Ab |';
  const barres = (ids: readonly string[]) =>
    ids.filter((id) => firstSyllabus.skills.find((skill) => skill.id === id)?.barre);
  expect(barres(needs(piece)).length).toBeGreaterThan(0);
  expect(barres(needs(piece, 'capo'))).toEqual([]);
  expect(needs(piece, 'capo').some((id) => id.startsWith('open.'))).toBe(true);
});

test('two notes of each chord need no full grip of it', () => {
  expect(needs('| Am | C | G | Am |', 'two notes')).not.toEqual(expect.arrayContaining(['open.am']));
});

test('a piece whose grips no skill knows needs nothing', () => {
  expect(needs('| Cmaj13#11 |')).toEqual([]);
});
