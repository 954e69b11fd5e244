import { changeLoop, makeDrill, type Feel, type Take } from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { ref, shallowRef } from 'vue';
import { useLessonTakes } from './use-lesson-takes';

const context = { hand: averageHand, instrument: standardGuitar };
const A = { chord: 'A', frets: [null, 0, 2, 2, 2, 0] };
const D = { chord: 'D', frets: [null, null, 0, 2, 3, 2] };
const F = { chord: 'F', frets: [1, 3, 3, 2, 1, 1] };
const open = must(makeDrill(changeLoop({ grips: [A, D], beatsEach: 4, tempoBpm: 60 }), context));
const barred = must(makeDrill(changeLoop({ grips: [F, D], beatsEach: 4 }), context));

function lesson(drill = open, keep: () => Promise<string> = () => Promise.resolve('')) {
  const events: string[] = [];
  const takes: Take[] = [];
  let count = 0;
  const feelText = (feel: Feel | null) => (feel === null ? 'silence' : feel.hand);
  const taken = useLessonTakes(
    {
      drill: shallowRef(drill),
      tempo: ref(72),
      who: ref({ studentId: 'ode', timeZone: 'UTC', source: 'teacher' as const }),
      title: () => 'A → D',
      onLogged: (result, id) => events.push(`logged ${result} as ${id}`),
      onPain: () => events.push('stop playing'),
      onTrouble: (problem) => events.push(`trouble: ${(problem as Error).message}`),
    },
    {
      now: () => Date.UTC(2026, 5, 9, 15),
      keep: async (_, body, label, held) => {
        await keep();
        takes.push(body.take);
        events.push(`${held ? 'held' : 'kept'} ${label}`);
        return `take ${++count}`;
      },
      settle: async (id, feel) => {
        events.push(`${id} settled with ${feelText(feel)}`);
      },
      takeBack: async (_, id) => {
        events.push(`${id} taken back`);
      },
    },
  );
  return { taken, events, takes };
}

test('a take is held back until the hand is spoken of, and goes with what was said', async () => {
  const { taken, events, takes } = lesson();
  await taken.log('clean');
  await taken.felt({ hand: 'easy' });
  expect(events).toEqual(['held A → D: clean', 'logged clean as take 1', 'take 1 settled with easy']);
  expect(takes[0]).toMatchObject({ tempoBpm: 72, source: 'teacher', result: 'clean', durationSeconds: 30 });
});

test('the next take lets the last one go unanswered, never as easy', async () => {
  const { taken, events } = lesson();
  await taken.log('clean');
  await taken.log('nearly');
  expect(events).toContain('take 1 settled with silence');
  expect(events.indexOf('take 1 settled with silence')).toBeLessThan(events.indexOf('held A → D: nearly'));
});

test('keys that come fast are done one after the other', async () => {
  const { taken, events } = lesson(open, () => new Promise((resolve) => setTimeout(() => resolve(''), 5)));
  await Promise.all([taken.log('clean'), taken.log('not yet'), taken.felt({ hand: 'tense' })]);
  expect(events).toEqual([
    'held A → D: clean',
    'logged clean as take 1',
    'take 1 settled with silence',
    'held A → D: not yet',
    'logged not yet as take 2',
    'take 2 settled with tense',
  ]);
  expect(taken.said.value).toContain('shake out');
});

test('after a barre the hand is asked about; leaving asks once more, then lets it go', async () => {
  const { taken, events } = lesson(barred);
  await taken.log('clean');
  expect(taken.asks.value).toBe(true);
  expect(await taken.leave()).toBe(false);
  expect(taken.said.value).toContain('How did the hand feel?');
  expect(await taken.leave()).toBe(true);
  expect(events[events.length - 1]).toBe('take 1 settled with silence');
  expect(taken.asks.value).toBe(false);
});

test('pain without a take is logged with it, stops the player and every further take', async () => {
  const { taken, events } = lesson();
  await taken.felt({ hand: 'pain', where: 'wrist', side: 'left' });
  expect(events).toEqual(['kept A → D: not yet', 'logged not yet as take 1', 'stop playing']);
  expect(taken.stopped.value).toContain('Pain (wrist, left): no more playing today');
  await taken.log('clean');
  expect(events).toHaveLength(3);
});

test('sore skin that is whole stops nothing', async () => {
  const { taken, events } = lesson();
  await taken.log('clean');
  await taken.felt({ hand: 'pain', where: 'fingertip skin', side: 'left' });
  expect(events[events.length - 1]).toBe('take 1 settled with pain');
  expect(taken.stopped.value).toBe('');
});

test('what cannot be kept is said, and the next key works again', async () => {
  let full = true;
  const { taken, events } = lesson(open, () =>
    full ? Promise.reject(new Error('the store is full')) : Promise.resolve(''),
  );
  await taken.log('clean');
  expect(events).toEqual(['trouble: the store is full']);
  full = false;
  await taken.log('clean');
  expect(events).toContain('held A → D: clean');
  await taken.end();
  expect(events[events.length - 1]).toBe('take 1 settled with silence');
});

test('a slip is taken back; the hand is not asked about it any more', async () => {
  const { taken, events } = lesson(barred);
  await taken.log('clean');
  expect(taken.asks.value).toBe(true);
  await taken.takeBack('take 1');
  expect(events.at(-1)).toBe('take 1 taken back');
  expect(taken.asks.value).toBe(false);
  expect(await taken.leave()).toBe(true);
  expect(events).not.toContain('take 1 settled with silence');
});

test('pain that was reported is not taken back with its take', async () => {
  const { taken, events } = lesson();
  await taken.log('not yet');
  await taken.felt({ hand: 'pain', where: 'wrist', side: 'left' });
  await taken.takeBack('take 1');
  expect(events).not.toContain('take 1 taken back');
  expect(taken.said.value).toMatch(/that stays/);
});
