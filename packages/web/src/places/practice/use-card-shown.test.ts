import { changeLoop, makeDrill, numberCalls, ringCheck, type Drill } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { DEFAULT_LIMITS } from '@finch/core/hands';
import { changeMark, gripMark } from '@finch/core/grips';
import { must } from '@finch/core/kernel';
import { effectScope, ref, shallowRef } from 'vue';
import { chordInHand } from '../../session/chord-in-hand';
import { useCardShown } from './use-card-shown';
import type { PracticeRoom } from './use-practice-room';

const A_MINOR = { chord: 'Am', frets: [null, 0, 2, 2, 1, 0] };
const C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const G = { chord: 'G', frets: [3, 2, 0, 0, 0, 3] };
const pitches = standardGuitar.openPitches;
const context = {
  hand: averageHand,
  instrument: standardGuitar,
  limits: { ...DEFAULT_LIMITS, gripEffort: 90 },
};
const loopOf = (...grips: (typeof C)[]) => must(makeDrill(changeLoop({ grips, beatsEach: 4 }), context));

function shownOf(drill: Drill, hooks: { subject: string; nickname: string }[] = []) {
  const room = {
    drill: shallowRef(drill),
    data: ref({ taught: context, marks: { pins: [], hooks } }),
    context: shallowRef(context),
  } as unknown as PracticeRoom;
  return effectScope().run(() => useCardShown(room))!;
}

test('a loop shows the change it is at and what each finger does; the next one on asking, round and round', () => {
  const shown = shownOf(loopOf(C, A_MINOR, G));
  const names = () => shown.pair.value.map((grip) => grip.chord);
  expect([names(), shown.target.value?.chord, shown.more.value]).toEqual([['C', 'Am'], 'Am', true]);
  expect(shown.change.value?.fingers.length).toBeGreaterThan(0);
  // The chord gone to is in hand for the house's keys.
  expect(chordInHand()).toEqual({ symbol: 'Am', frets: 'x02210', before: 'C' });
  shown.nextChange();
  expect(names()).toEqual(['Am', 'G']);
  shown.nextChange();
  expect(names()).toEqual(['G', 'C']);
  shown.begin();
  expect(names()).toEqual(['C', 'Am']);
  expect(shownOf(loopOf(C, A_MINOR)).more.value).toBe(false);
});

test('a grip alone has no change, and is said so that it can be played unseen', () => {
  const shown = shownOf(must(makeDrill(ringCheck(C), context)));
  expect([shown.isLoop.value, shown.change.value, shown.target.value?.chord]).toEqual([false, null, 'C']);
  expect(shown.spoken.value).toMatch(/^C: string 6 silent, string 5 fret 3 ring finger/);
  expect(shown.silentCount.value).toBe(1);
});

test('the hooks of the grip gone to and of the change to it are shown, and no others', () => {
  const shown = shownOf(loopOf(C, A_MINOR), [
    { subject: gripMark(A_MINOR.frets, pitches), nickname: 'the step' },
    { subject: changeMark(C.frets, A_MINOR.frets, pitches), nickname: 'one finger walks' },
    { subject: gripMark(C.frets, pitches), nickname: 'the stairs' },
  ]);
  expect(shown.hooks.value.map((hook) => hook.nickname)).toEqual(['the step', 'one finger walks']);
});

test('bars are turned within the line, and a new card begins at the first', () => {
  const shown = shownOf(loopOf(C, A_MINOR, G));
  const first = () => shown.around.value?.first;
  const last = (shown.around.value?.lines ?? 1) - 1;
  for (let i = 0; i < last + 3; i++) shown.turn(1);
  expect(shown.around.value?.line).toBe(last);
  shown.turn(-50);
  expect(first()).toBe(0);
  shown.turn(1);
  shown.begin();
  expect(first()).toBe(0);
});

test('the answers of a quiz are hidden until it is done; those of a loop never', () => {
  const quiz = { ...loopOf(C, A_MINOR), judged: 'calls' as const };
  const shown = shownOf({ ...quiz, recipe: { ...quiz.recipe, family: 'root call' } } as unknown as Drill);
  expect([shown.answersHidden(false), shown.answersHidden(true)]).toEqual([true, false]);
  const walk = shownOf({ ...quiz, recipe: { ...quiz.recipe, family: 'string walk' } } as unknown as Drill);
  expect(walk.answersHidden(false)).toBe(false);
  expect(shownOf(loopOf(C, A_MINOR)).answersHidden(false)).toBe(false);
});

test('numbers called show no grip, no change and no neck; what they were is named as the beat goes on', () => {
  const shown = shownOf(
    must(
      makeDrill(
        numberCalls({ key: 'C major', pool: '1 4 5', keys: 1, length: 4, lead: 4, layout: 'fixed' }),
        context,
      ),
    ),
  );
  expect([shown.target.value, shown.change.value, shown.line.value, shown.more.value]).toEqual([
    null,
    null,
    null,
    false,
  ]);
  expect(shown.called.value).toMatchObject({ now: { number: '1' }, past: [] });
  shown.beatShown.value = 8;
  expect(shown.called.value?.past.map((one) => one.chord)).toHaveLength(2);
  shown.begin();
  expect(shown.called.value?.past).toEqual([]);
  expect(shownOf(loopOf(C, G)).called.value).toBeNull();
});
