import {
  changeLoop,
  makeDrill,
  ringCheck,
  tapIt,
  startLadder,
  afterRound,
  type Drill,
  type Take,
} from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { ref, shallowRef } from 'vue';
import { useTry } from './use-try';

const context = { hand: averageHand, instrument: standardGuitar };
const A = { chord: 'A', frets: [null, 0, 2, 2, 2, 0] };
const D = { chord: 'D', frets: [null, null, 0, 2, 3, 2] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const loop = must(makeDrill(changeLoop({ grips: [A, D], beatsEach: 4, tempoBpm: 60 }), context));
const barred = must(makeDrill(changeLoop({ grips: [F, D], beatsEach: 4 }), context));
const ring = must(makeDrill(ringCheck(D), context));

function sitting(drill: Drill | null, keep?: () => Promise<void>) {
  const kept: { take: Take; label: string }[] = [];
  const back: string[] = [];
  let clock = Date.UTC(2026, 5, 9, 15);
  const seat = {
    now: () => clock,
    keep: async (_: string, body: { take: Take }, label: string) => {
      await keep?.();
      kept.push({ take: body.take, label });
      return `take ${kept.length}`;
    },
    takeBack: async (_: string, id: string, label: string) => {
      await keep?.();
      back.push(`${id}, ${label}`);
    },
  };
  const trial = useTry(
    { drill: shallowRef(drill), card: ref({ title: 'A → D' }), studentId: ref('ode') },
    seat,
  );
  trial.begin(drill);
  return { trial, kept, back, wait: (seconds: number) => (clock += seconds * 1000) };
}

test('a take is kept with how long it took, and another begins at the same tempo', async () => {
  const { trial, kept, wait } = sitting(loop);
  trial.start();
  wait(42);
  trial.faster(6);
  trial.counted(9);
  expect(await trial.keep()).toBe('kept');
  expect(kept[0].label).toBe('A → D: clean');
  expect(kept[0].take).toMatchObject({ tempoBpm: 66, durationSeconds: 42, result: 'clean', feel: null });
  expect([trial.takesHere.value, trial.draft.value?.tempoBpm, trial.complete.value]).toEqual([1, 66, false]);
});

test('nothing is kept before something was said; what is missing is said', async () => {
  const { trial, kept } = sitting(ring);
  expect(await trial.keep()).toBe('incomplete');
  expect(trial.said.value).toBe('Say how each string rang first.');
  expect(kept).toEqual([]);
});

test('after a barre the hand is asked about once, and silence stays silence', async () => {
  const { trial, kept } = sitting(barred);
  trial.counted(10);
  expect(await trial.keep()).toBe('feel');
  expect(kept).toEqual([]);
  expect(await trial.keep()).toBe('kept');
  expect(kept[0].take.feel).toBeNull();
});

test('what cannot be stored is not lost: the draft stays, with words', async () => {
  const { trial, kept } = sitting(loop, () => Promise.reject(new Error('the store is full')));
  trial.counted(7);
  expect(await trial.keep()).toBe('failed');
  expect(kept).toEqual([]);
  expect(trial.trouble.value).toContain('the store is full');
  expect(trial.draft.value?.clean).toBe(7);
});

test('a string is answered round and round by its number', () => {
  const { trial } = sitting(ring);
  for (const answer of ['clean', 'buzz', 'dead', 'clean']) {
    trial.cycle(1);
    expect(trial.draft.value?.strings[5]).toBe(answer);
  }
  trial.cycle(7);
  expect(trial.draft.value?.strings.slice(0, 5).every((one) => one === null)).toBe(true);
});

test('pain in the middle of a ladder keeps the rounds climbed so far', async () => {
  const { trial, kept } = sitting(loop);
  trial.ladder.value = afterRound(afterRound(startLadder(loop), true), false);
  expect(trial.hurt({ hand: 'pain', where: 'wrist', side: 'left' })).toBe(true);
  expect(await trial.keep()).toBe('kept');
  expect(kept[0].take).toMatchObject({
    tempoBpm: 60,
    result: 'clean',
    ladder: [
      { bpm: 60, clean: true },
      { bpm: 64, clean: false },
    ],
  });
  expect(trial.stoppedHere.value).toMatchObject({ where: 'wrist' });
});

test('what is counted after a ladder is kept in its place', async () => {
  const { trial, kept } = sitting(loop);
  const climbed = [true, true].reduce((now, clean) => afterRound(now, clean), startLadder(loop));
  trial.ladder.value = climbed;
  trial.found(climbed);
  expect(trial.draft.value?.ladder).toHaveLength(2);
  trial.counted(6);
  expect(trial.ladder.value).toBeNull();
  expect(await trial.keep()).toBe('kept');
  expect(kept[0].take).not.toHaveProperty('ladder');
  expect(kept[0].take.result).toBe('not yet');
});

test('what was heard of its bars is what is kept, and counting puts it right', async () => {
  const rhythm = must(makeDrill(tapIt({ level: 1, beats: 4, bars: 4 }), context));
  const { trial, kept } = sitting(rhythm);
  const bars = (['in time', 'early', 'left out', 'early', 'late'] as const).map((how) => ({ how }));
  trial.found(afterRound(startLadder(rhythm), true));
  trial.ladder.value = startLadder(rhythm);
  trial.heardInTime({ bars, lag: 0.1 });
  expect([trial.ladder.value, trial.draft.value?.ladder]).toEqual([null, null]);
  expect(trial.draft.value).toMatchObject({ clean: 1, of: 5, missed: 'early', done: true });
  trial.heardInTime({ bars: bars.toSpliced(3, 1), lag: 0.1 });
  expect(trial.draft.value?.missed).toBe('late');
  trial.counted(3);
  expect(await trial.keep()).toBe('kept');
  expect(kept[0].take.steps).toEqual(['clean', 'clean', 'clean', 'late']);
});

test('tense is noted and stops nothing; another tempo leaves the ladder', () => {
  const { trial } = sitting(loop);
  expect(trial.hurt({ hand: 'tense' })).toBe(false);
  trial.ladder.value = startLadder(loop);
  trial.faster(-2);
  expect([trial.ladder.value, trial.draft.value?.tempoBpm]).toEqual([null, 58]);
  for (let i = 0; i < 90; i++) trial.faster(2);
  expect(trial.draft.value?.tempoBpm).toBe(208);
});

test('the last take is taken back once, and no longer counts here', async () => {
  const { trial, back } = sitting(ring);
  trial.allClean();
  expect(await trial.keep()).toBe('kept');
  expect(trial.takesHere.value).toBe(1);
  await trial.takeBack();
  await trial.takeBack();
  expect(back).toEqual(['take 1, A → D: taken back']);
  expect(trial.takesHere.value).toBe(0);
});

test('one press answers every string that was not answered, and leaves what was', () => {
  const { trial } = sitting(ring);
  trial.answer(3, 'buzz');
  trial.allClean();
  expect(trial.draft.value?.strings).toEqual(['clean', 'clean', 'clean', 'buzz', 'clean', 'clean']);
  expect(trial.complete.value).toBe(true);
});

test('a take with pain is not taken back: what was reported stays', async () => {
  const { trial, back } = sitting(ring);
  trial.allClean();
  trial.hurt({ hand: 'pain', where: 'wrist', side: 'left' });
  expect(await trial.keep()).toBe('kept');
  await trial.takeBack();
  expect(back).toEqual([]);
});
