import 'fake-indexeddb/auto';
import { IDBFactory } from 'fake-indexeddb';
import type { BatchAnswer, SentEvent } from '@finch/contract';
import { ringCheck, type Take } from '@finch/core/drills';
import type { Problem } from '@finch/core';
import { inDeviceTime, makeOutbox, type Outbox } from './outbox';
import { openOutbox } from './outbox-store';

const take: Take = {
  recipe: ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }),
  items: [{ kind: 'note', string: 6, fret: 0, name: 'E' }],
  startedAt: '2026-06-09T15:00:00.000Z',
  timeZone: 'UTC',
  durationSeconds: 30,
  tempoBpm: null,
  steps: [],
  result: 'clean',
  feel: null,
  source: 'self',
};
const attempt = { kind: 'attempt', take } as const;
let n = 0;
let sent: SentEvent[][];
let answer: (events: readonly SentEvent[]) => Promise<BatchAnswer>;
const storeAll = async (events: readonly SentEvent[]): Promise<BatchAnswer> => ({
  stored: events.map((event) => event.id),
  known: [],
  refused: [],
});

async function fresh(): Promise<Outbox> {
  return makeOutbox({
    database: await openOutbox(),
    makeId: () => `id-${n++}`,
    now: () => '2026-06-09T15:01:00.000Z',
    send: (events) => {
      sent.push([...events]);
      return answer(events);
    },
    refusalOf: (error) => (error instanceof Error ? null : (error as Problem)),
  });
}

beforeEach(() => {
  globalThis.indexedDB = new IDBFactory();
  sent = [];
  answer = storeAll;
});

describe('outbox', () => {
  test('an event has its id before the first send and keeps it over every try', async () => {
    const box = await fresh();
    const id = await box.keep('seat', 'student', attempt, 'Em');
    answer = () => Promise.reject(new Error('away'));
    await expect(box.flush('seat')).rejects.toThrow('away');
    expect(await box.list('seat')).toHaveLength(1);
    answer = storeAll;
    expect(await box.flush('seat')).toBe(1);
    expect(sent.map((batch) => batch[0].id)).toEqual([id, id]);
    expect(await box.list('seat')).toEqual([]);
  });

  test('a closed tab loses nothing', async () => {
    const before = await fresh();
    await before.keep('seat', 'student', attempt, 'Em');
    const after = await fresh();
    expect((await after.list('seat')).map((record) => record.label)).toEqual(['Em']);
    expect(await after.flush('seat')).toBe(1);
  });

  test('another person at the same browser never sends it', async () => {
    const box = await fresh();
    await box.keep('first', 'student', attempt, 'Em');
    expect(await box.flush('second')).toBe(0);
    expect(sent).toEqual([]);
    expect(await box.list('second')).toEqual([]);
    expect(await box.flush('first')).toBe(1);
  });

  test('a refused take stays with its reason and is not sent again', async () => {
    const box = await fresh();
    const bad = await box.keep('seat', 'student', attempt, 'bad');
    const good = await box.keep('seat', 'student', attempt, 'good');
    answer = async () => ({
      stored: [good],
      known: [],
      refused: [{ id: bad, problem: { code: 'take.student', at: 'studentId', detail: 'x' } }],
    });
    expect(await box.flush('seat')).toBe(1);
    const [left] = await box.list('seat');
    expect([left.id, left.status, left.problem?.code]).toEqual([bad, 'refused', 'take.student']);
    await box.flush('seat');
    expect(sent).toHaveLength(1);
    await box.putAway(bad);
    expect(await box.list('seat')).toEqual([]);
  });

  test('a batch refused as a whole is sent one by one: the bad one stays with its reason, the others are stored', async () => {
    const box = await fresh();
    const ids: string[] = [];
    for (const label of ['one', 'bad', 'two']) ids.push(await box.keep('seat', 'student', attempt, label));
    answer = (events) =>
      events.some((event) => event.id === ids[1])
        ? Promise.reject({ code: 'request.value', at: 'body', detail: 'x' })
        : storeAll(events);
    expect(await box.flush('seat')).toBe(2);
    expect((await box.list('seat')).map(({ id, status, problem }) => [id, status, problem?.code])).toEqual([
      [ids[1], 'refused', 'request.value'],
    ]);
    await box.keep('seat', 'student', attempt, 'later');
    answer = storeAll;
    expect(await box.flush('seat')).toBe(1);
  });

  test.each([2_147_483_647, -5, 'many', 1.5])(
    'a device that counted to %s begins anew as another',
    async (seq) => {
      const database = await openOutbox();
      const box = await fresh();
      await box.keep('seat', 'student', attempt, 'before');
      await database.put('device', seq, 'seq');
      await box.keep('seat', 'student', attempt, 'after');
      await box.keep('seat', 'student', attempt, 'next');
      await box.flush('seat');
      const all = sent.flat();
      expect(all.map((event) => event.deviceSeq).sort()).toEqual([1, 1, 2]);
      expect(new Set(all.map((event) => event.deviceId)).size).toBe(2);
    },
  );

  test('what the server knew already is put away', async () => {
    const box = await fresh();
    const id = await box.keep('seat', 'student', attempt, 'Em');
    answer = async () => ({ stored: [], known: [id], refused: [] });
    await box.flush('seat');
    expect(await box.list('seat')).toEqual([]);
  });

  test('an answer that names none of them is not asked for without end', async () => {
    const box = await fresh();
    await box.keep('seat', 'student', attempt, 'Em');
    answer = async () => ({ stored: [], known: [], refused: [] });
    expect(await box.flush('seat')).toBe(0);
    expect(sent).toHaveLength(1);
    expect(await box.list('seat')).toHaveLength(1);
  });

  test('a held take waits for the hand, and goes unanswered rather than easy', async () => {
    const box = await fresh();
    const first = await box.keep('seat', 'student', attempt, 'one', true);
    await box.keep('seat', 'student', attempt, 'two', true);
    expect(await box.flush('seat')).toBe(0);
    await box.settle(first, { hand: 'tense' });
    await box.settleAll('seat');
    await box.flush('seat');
    const feels = sent[0].map((event) => (event.kind === 'attempt' ? event.take.feel : 'none'));
    expect(feels).toEqual([{ hand: 'tense' }, null]);
  });

  test('device numbers count up, also over two tabs at once', async () => {
    const [one, two] = [await fresh(), await fresh()];
    await Promise.all([
      one.keep('seat', 's', attempt, 'a'),
      two.keep('seat', 's', attempt, 'b'),
      one.keep('seat', 's', attempt, 'c'),
    ]);
    const records = await one.list('seat');
    expect(records.map((record) => record.deviceSeq)).toEqual([1, 2, 3]);
    expect(new Set(records.map((record) => record.event.deviceId)).size).toBe(1);
  });

  test('more than one batch is sent to the end', async () => {
    const box = await fresh();
    for (let i = 0; i < 120; i++) await box.keep('seat', 'student', attempt, String(i));
    expect(await box.flush('seat')).toBe(120);
    expect(sent.map((batch) => batch.length)).toEqual([50, 50, 20]);
  });
});

test('a device whose clock is off sends both times by its own clock, so that they are put right once', () => {
  const at = '2026-06-09T15:00:00.000Z';
  const fourMinutesBehind = 240_000;
  expect(inDeviceTime({ kind: 'clearance', at }, fourMinutesBehind)).toEqual({
    kind: 'clearance',
    at: '2026-06-09T14:56:00.000Z',
  });
  const told = { kind: 'attempt' as const, take: { startedAt: at } as Take };
  const sent = inDeviceTime(told, fourMinutesBehind);
  expect(sent.kind === 'attempt' && sent.take.startedAt).toBe('2026-06-09T14:56:00.000Z');
  expect(told.take.startedAt).toBe(at);
});
