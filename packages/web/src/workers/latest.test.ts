import { effectScope, nextTick, ref } from 'vue';
import { useLatest, type Latest } from './latest';

/** Answers that arrive when the test says so, in the order it says. */
function slow() {
  const waiting = new Map<string, { give: (answer: string) => void; fail: () => void }>();
  return {
    work: (asked: string) =>
      new Promise<string>((give, fail) => waiting.set(asked, { give, fail: () => fail(new Error('no')) })),
    arrives: async (asked: string) => {
      waiting.get(asked)?.give(`${asked}!`);
      await nextTick();
      await nextTick();
    },
    fails: async (asked: string) => {
      waiting.get(asked)?.fail();
      await nextTick();
      await nextTick();
    },
  };
}
function of<T>(make: () => T): T {
  return effectScope().run(make) as T;
}
const state = ({ answer, busy, failed }: Latest<string>) => [answer.value, busy.value, failed.value];

describe('the latest answer', () => {
  test('an older answer never overtakes a newer question', async () => {
    const asked = ref<string | null>('first');
    const answers = slow();
    const latest = of(() => useLatest(() => asked.value, answers.work));
    asked.value = 'second';
    await nextTick();
    await answers.arrives('second');
    await answers.arrives('first');
    expect(state(latest)).toEqual(['second!', false, false]);
  });

  test('is busy until the newest is there, though an older one came or failed', async () => {
    const asked = ref<string | null>('first');
    const answers = slow();
    const latest = of(() => useLatest(() => asked.value, answers.work));
    asked.value = 'second';
    await nextTick();
    await answers.fails('first');
    expect(state(latest)).toEqual([null, true, false]);
  });

  test('nothing asked: no answer, not busy, and what was under way is not shown any more', async () => {
    const asked = ref<string | null>('first');
    const answers = slow();
    const latest = of(() => useLatest(() => asked.value, answers.work));
    asked.value = null;
    await nextTick();
    await answers.arrives('first');
    expect(state(latest)).toEqual([null, false, false]);
  });

  test('a failure is said, and asking again can mend it', async () => {
    const answers = slow();
    const latest = of(() => useLatest(() => 'only', answers.work));
    await answers.fails('only');
    expect(state(latest)).toEqual([null, false, true]);
    void latest.again();
    expect(state(latest)).toEqual([null, true, false]);
    await answers.arrives('only');
    expect(state(latest)).toEqual(['only!', false, false]);
  });

  test('the old answer stays where the question says so, and only there', async () => {
    const asked = ref<string | null>('a1');
    const answers = slow();
    const latest = of(() =>
      useLatest(
        () => asked.value,
        answers.work,
        (now, before) => now[0] === before?.[0],
      ),
    );
    await answers.arrives('a1');
    asked.value = 'a2';
    await nextTick();
    expect(state(latest)).toEqual(['a1!', true, false]);
    await answers.arrives('a2');
    asked.value = 'b1';
    await nextTick();
    expect(state(latest)).toEqual([null, true, false]);
  });
});
