/** Logs in memory: read once however many ask, read again when something was logged, and said when it takes too long. */
import { PRIOR_FIT } from '@finch/core/hands';
import { firstSyllabus } from '@finch/core/syllabus';
import type { LogRead, LogsToRead } from '../practice/log-reading';
import type { Work } from '../work/work';
import { makeLogBook, type WantedLog } from './log-book';

const NOW = Date.UTC(2026, 5, 9);
const ground = { syllabus: { id: 'v1', content: firstSyllabus, ground: 'one' }, fit: PRIOR_FIT };
const wanted = (studentId: string, place: number, more: Partial<WantedLog> = {}): WantedLog => ({
  studentId,
  doubles: [],
  ground: 'ground',
  places: { [studentId]: place },
  hands: [],
  instruments: [],
  playedFor: [],
  timeZone: 'UTC',
  ...more,
});

/** A thread that answers when it is let go, with logs as long as `length` says by then. */
function thread(length: () => number) {
  const asked: string[][] = [];
  const waiting: (() => void)[] = [];
  const run = async (_name: string, { students }: LogsToRead): Promise<LogRead[]> => {
    asked.push(students.map((one) => one.studentId));
    const place = length();
    await new Promise<void>((resolve) => waiting.push(resolve));
    return students.map(({ studentId, ground }) => ({
      studentId,
      ground,
      places: { [studentId]: place },
      sofar: { records: '0,0,0', last: null, ahead: [], skills: {}, pace: {} } as unknown as LogRead['sofar'],
    }));
  };
  return {
    asked,
    work: { run, close: async () => undefined } as unknown as Work,
    letGo: async () => {
      for (const go of waiting.splice(0)) go();
      await new Promise((resolve) => setImmediate(resolve));
    },
  };
}
const reading = (made: ReturnType<typeof thread>) => {
  const book = makeLogBook(made.work);
  return (...all: WantedLog[]) => book.read('studio', ground, all, NOW);
};

test('one reading however many ask, and none while nothing was logged', async () => {
  const made = thread(() => 5);
  const read = reading(made);
  const both = [read(wanted('a', 5)), read(wanted('a', 5), wanted('b', 5))];
  await made.letGo();
  expect((await Promise.all(both)).map((one) => [...one.keys()])).toEqual([['a'], ['a', 'b']]);
  await read(wanted('a', 5), wanted('b', 4));
  expect(made.asked).toEqual([['a'], ['b']]);
});

test('another place, another ground, another double: read again', async () => {
  const made = thread(() => 7);
  const read = reading(made);
  for (const one of [wanted('a', 6), wanted('a', 7, { ground: 'other' })]) {
    const asked = read(one);
    await made.letGo();
    await asked;
  }
  expect(made.asked).toHaveLength(2);
  await read(wanted('a', 7, { ground: 'other' }));
  expect(made.asked).toHaveLength(2);
});

test('a reading that began before something was logged is followed by another', async () => {
  let long = 1;
  const made = thread(() => long);
  const read = reading(made);
  const first = read(wanted('a', 1));
  long = 2;
  const second = read(wanted('a', 2));
  await made.letGo();
  await first;
  expect(made.asked).toHaveLength(2);
  await made.letGo();
  expect((await second).has('a')).toBe(true);
});

test('one that fails fails who waits for it, and is tried again by the next', async () => {
  let fails = true;
  const made = thread(() => 1);
  const { run } = made.work;
  const work = {
    ...made.work,
    run: ((name: 'readLogs', asked: LogsToRead) =>
      fails ? Promise.reject(new Error('away')) : run(name, asked)) as Work['run'],
  };
  const book = makeLogBook(work);
  const read = () => book.read('studio', ground, [wanted('a', 1)], NOW);
  await expect(read()).rejects.toThrow('away');
  fails = false;
  const again = read();
  await made.letGo();
  expect((await again).has('a')).toBe(true);
});

test('what takes longer than anybody waits is said with how far it is; it goes on', async () => {
  jest.useFakeTimers();
  const made = thread(() => 1);
  const read = reading(made);
  const asked = expect(read(wanted('a', 1), wanted('b', 1))).rejects.toMatchObject({
    status: 503,
    problem: { code: 'server.reading', detail: '0 of 2 students' },
  });
  await jest.advanceTimersByTimeAsync(9_000);
  await asked;
  jest.useRealTimers();
  await made.letGo();
  await read(wanted('a', 1));
  expect(made.asked).toHaveLength(1);
});
