import fc from 'fast-check';
import { ringCheck, changeLoop } from '../drills';
import { averageHand, standardGuitar } from '../fretboard';
import { edited, type SyllabusEdit } from './edit';
import { drillFaults, graphFaults } from './faults';
import { firstSyllabus } from './first-syllabus';
import { openedBy, ringsIn, stepsTo } from './graph';
import type { Skill, Syllabus } from './skill';

const EM = ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] });
const skill = (id: string, ...needs: string[][]): Skill => ({
  id,
  name: id,
  sentence: `${id}.`,
  strand: 'one',
  needs,
  matches: [{ kind: 'grip', grips: ['022000'] }],
  practice: [{ step: 'hold', recipe: EM }],
  targetBpm: null,
  barre: false,
});
const of = (...skills: Skill[]): Syllabus => ({
  schemaVersion: 1,
  name: 'Small',
  strands: [{ id: 'one', name: 'One' }],
  skills,
  courses: [],
});
const told = (now: Syllabus, before?: Syllabus) =>
  graphFaults(now, before).map(({ code, at, detail }) => [code, at.join(' '), detail]);

describe('steps', () => {
  test('of each group one is enough, and the last of what it needs decides', () => {
    const steps = stepsTo(
      of(skill('a'), skill('b', ['a']), skill('c', ['b']), skill('d', ['a', 'c'], ['b'])),
    );
    expect(Object.fromEntries(steps)).toEqual({ a: 0, b: 1, c: 2, d: 2 });
  });
  test('the shipped syllabus is reached as far as it goes, and what a skill opens names it as a need', () => {
    expect(stepsTo(firstSyllabus).size).toBe(firstSyllabus.skills.length);
    const opened = openedBy(firstSyllabus);
    for (const { id, needs } of firstSyllabus.skills)
      for (const need of needs.flat()) expect(opened.get(need)).toContain(id);
  });
});

describe('a fault is named with its cures', () => {
  test('two that wait for each other: what was added last is dropped first', () => {
    const before = of(skill('a'), skill('b', ['a']), skill('c', ['b']));
    const now = edited(before, { do: 'need', skill: 'b', need: 'c' });
    expect(told(now, before)).toEqual([['syllabus.cycle', 'b c', '']]);
    expect(graphFaults(now, before)[0].cures).toEqual([{ do: 'drop need', skill: 'b', need: 'c' }]);
    // Nothing says which came last: either opens it.
    expect(graphFaults(now)[0].cures).toEqual([
      { do: 'drop need', skill: 'b', need: 'c' },
      { do: 'drop need', skill: 'c', need: 'b' },
    ]);
  });

  test('a need on itself is a ring of one; who stands behind a ring is told once, without a cure of its own', () => {
    const now = of(skill('a'), skill('b', ['b']), skill('c', ['b']), skill('d', ['c'], ['a']));
    expect(told(now)).toEqual([
      ['syllabus.cycle', 'b', ''],
      ['syllabus.behind', 'c d', ''],
    ]);
    expect(graphFaults(now)[1].cures).toEqual([]);
  });

  test('a ring that another way leads around is none', () => {
    expect(told(of(skill('a'), skill('b', ['c', 'a']), skill('c', ['b'])))).toEqual([]);
  });

  test('two rings are two', () => {
    const now = of(skill('a', ['b']), skill('b', ['a']), skill('c', ['d']), skill('d', ['c'], ['a']));
    expect(ringsIn(now)).toEqual([
      ['a', 'b'],
      ['c', 'd'],
    ]);
  });

  test('a need of what was taken out: what that needed is needed instead, or none', () => {
    const before = of(skill('a'), skill('b', ['a']), skill('c', ['b']));
    const now = edited(before, { do: 'take out', skill: 'b' });
    expect(told(now, before)).toEqual([['syllabus.need', 'c', 'b']]);
    const [{ cures }] = graphFaults(now, before);
    expect(cures).toEqual([
      { do: 'need', skill: 'c', need: 'a', instead: 'b' },
      { do: 'drop need', skill: 'c', need: 'b' },
      { do: 'add', skill: before.skills[1], at: 1 },
    ]);
    // Back it is as it was.
    expect(edited(now, cures[2])).toEqual(before);
    // What it needed may be the one that asks, after a ring was cut: that is no cure.
    const ring = of(skill('a'), skill('b', ['c'], ['a']), skill('c', ['b']));
    expect(graphFaults(edited(ring, { do: 'take out', skill: 'b' }), ring)[0].cures).toEqual([
      { do: 'need', skill: 'c', need: 'a', instead: 'b' },
      { do: 'drop need', skill: 'c', need: 'b' },
      { do: 'add', skill: ring.skills[1], at: 1 },
    ]);
  });

  test('nothing at all, one id twice, a strand that is not there, no drill, a course that names what is gone', () => {
    expect(told(of())).toEqual([['syllabus.empty', '', '']]);
    const now = of(skill('a'), skill('a'), { ...skill('b'), strand: 'two' }, { ...skill('c'), practice: [] });
    expect(told(now)).toEqual([
      ['syllabus.twice', 'a', 'a'],
      ['syllabus.strand', 'b', 'two'],
      ['syllabus.untrained', 'c', ''],
    ]);
    const course = { id: 'way', kind: 'way in', name: 'W', sentence: '', skills: ['a', 'nowhere'] } as const;
    expect(told({ ...of(skill('a')), courses: [course] })).toEqual([['syllabus.course', 'way', 'nowhere']]);
  });

  test('one press of the first cure of each, again and again, leaves a sound syllabus', () => {
    const ids = firstSyllabus.skills.map(({ id }) => id);
    const one = fc.constantFrom(...ids);
    const harm: fc.Arbitrary<SyllabusEdit> = fc.oneof(
      fc.record({ do: fc.constant('need' as const), skill: one, need: one }),
      fc.record({ do: fc.constant('take out' as const), skill: one }),
      fc.record({ do: fc.constant('drop drill' as const), skill: one, at: fc.constant(0) }),
    );
    fc.assert(
      fc.property(fc.array(harm, { minLength: 1, maxLength: 12 }), (edits) => {
        let now = edits.reduce(edited, firstSyllabus);
        for (let press = 0; press < 200; press++) {
          const cure = graphFaults(now, firstSyllabus).find(({ cures }) => cures.length)?.cures[0];
          if (!cure) break;
          now = edited(now, cure);
        }
        expect(graphFaults(now, firstSyllabus)).toEqual([]);
      }),
      { numRuns: 60 },
    );
  });
});

describe('drills', () => {
  const context = { hand: averageHand, instrument: standardGuitar };
  const grips = [
    { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
    { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
  ];
  const hold = { step: 'hold', recipe: EM } as const;

  test('one that trains something else is dropped, unless it is the only one', () => {
    const loop = { step: 'change', recipe: changeLoop({ grips, beatsEach: 4 }) } as const;
    const two = { ...skill('a'), practice: [hold, loop] };
    expect(drillFaults([two], context)).toEqual([
      { code: 'syllabus.drill', at: ['a'], detail: '2', cures: [{ do: 'drop drill', skill: 'a', at: 1 }] },
    ]);
    expect(drillFaults([{ ...skill('a'), practice: [loop] }], context)[0].cures).toEqual([
      { do: 'take out', skill: 'a' },
    ]);
    expect(drillFaults([{ ...skill('a'), practice: [hold] }], context)).toEqual([]);
  });

  test('one that cannot be made says why', () => {
    const wide = ringCheck({ chord: 'C', frets: [1, null, null, null, null, 15] });
    const [fault] = drillFaults([{ ...skill('a'), practice: [{ step: 'hold', recipe: wide }] }], context);
    expect(fault.detail).toMatch(/^1: \w+\./);
  });
});
