import { differenceOf, edited, firstSyllabus, graphFaults } from '@finch/core/syllabus';
import { sayDifference, sayEdit, sayFault } from './fault-words';

const names = new Map(firstSyllabus.skills.map(({ id, name }) => [id, name]));
const nameOf = (id: string) => names.get(id) ?? id;
const said = (now: typeof firstSyllabus) =>
  graphFaults(now, firstSyllabus).map((fault) => ({
    ...sayFault(fault, nameOf),
    cures: fault.cures.map((cure) => sayEdit(cure, nameOf)),
  }));

test('a ring says who waits for whom and offers the need that closed it', () => {
  const [ring] = said(edited(firstSyllabus, { do: 'need', skill: 'open.am', need: 'open.c' }));
  expect(ring).toEqual({
    title: 'A ring: Am, C',
    told: 'Am needs C; C needs Am. Nobody could ever start one of them.',
    cures: ['Drop “Am needs C”'],
  });
  const [itself] = said(edited(firstSyllabus, { do: 'need', skill: 'open.em', need: 'open.em' }));
  expect(itself.title).toBe('Em needs itself');
});

test('a need of what was taken out offers what that one needed', () => {
  const found = said(edited(firstSyllabus, { do: 'take out', skill: 'open.am' }));
  const c = found.find(({ title }) => title === 'C: no way in');
  expect(c).toEqual({
    title: 'C: no way in',
    told: 'It needs Am, which is not there any more.',
    cures: ['Need Em instead', 'Drop “C needs Am”', 'Put Am back'],
  });
});

test('what differs is counted, or said to be of the whole', () => {
  const difference = (now: typeof firstSyllabus) => sayDifference(differenceOf(firstSyllabus, now));
  expect(difference(firstSyllabus)).toBeNull();
  expect(difference({ ...firstSyllabus, name: 'Own' })).toBe('its name, strands or ways in changed');
  const now = edited(firstSyllabus, { do: 'take out', skill: 'open.am' });
  expect(difference(edited(now, { do: 'set', skill: 'open.c', to: { targetBpm: 70 } }))).toBe(
    '1 taken out, 1 changed',
  );
});
