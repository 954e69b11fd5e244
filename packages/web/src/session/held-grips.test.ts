import type { SkillStateBody } from '@finch/contract';
import { changeLoop, ringCheck, warmUp, type Recipe } from '@finch/core/drills';
import { heldChords, heldGrips } from './held-grips';

const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const AM = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const D = { chord: 'D', frets: [null, null, 0, 2, 3, 2] };
const skill = (id: string, own: Recipe, ...others: Recipe[]) => ({
  id,
  practice: [
    { step: 'hold' as const, recipe: own },
    ...others.map((recipe) => ({ step: 'change' as const, recipe })),
  ],
});
const syllabus = {
  skills: [
    // What it is changed to is not held with it.
    skill('c', ringCheck(C), changeLoop({ grips: [C, D], beatsEach: 4 })),
    skill('c-am', changeLoop({ grips: [C, AM], beatsEach: 4 })),
    skill('d', ringCheck(D)),
    skill('warm', warmUp(3)),
  ],
};
const at = (skillId: string, state: SkillStateBody['state']) => ({ skillId, state });

test('chords of skills that are clean or settled are held, each once', () => {
  const states = [at('c', 'clean'), at('c-am', 'settled'), at('d', 'workable'), at('warm', 'settled')];
  expect(heldChords(states, syllabus)).toEqual(['C', 'Am']);
  expect(heldGrips(states, syllabus)).toEqual([C, AM]);
  expect(heldChords([], syllabus)).toEqual([]);
  expect(heldChords(states, undefined)).toEqual([]);
});
