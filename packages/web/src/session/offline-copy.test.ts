/** Copies of what the server said: read where nobody answers, never in place of a refusal, gone with who sat, none in a full store. */
import { Refused, Unanswered } from './api';
import { makeCopies } from './offline-copy';

function memory(room = Number.POSITIVE_INFINITY): Storage {
  const kept = new Map<string, string>();
  return {
    getItem: (key: string) => kept.get(key) ?? null,
    setItem: (key: string, value: string) => {
      if (value.length > room) throw new DOMException('full', 'QuotaExceededError');
      kept.set(key, value);
    },
    removeItem: (key: string) => void kept.delete(key),
    key: (i: number) => [...kept.keys()][i] ?? null,
    get length() {
      return kept.size;
    },
  } as unknown as Storage;
}
const away = () => Promise.reject(new Unanswered());

test('the last answer comes back where nobody answers; before the first there is none', async () => {
  const copies = makeCopies(memory());
  await expect(copies.through('cards', away)).rejects.toBeInstanceOf(Unanswered);
  expect(await copies.through('cards', async () => ({ day: 1 }))).toEqual({ day: 1 });
  expect(await copies.through('cards', async () => ({ day: 2 }))).toEqual({ day: 2 });
  expect(await copies.through('cards', away)).toEqual({ day: 2 });
  await expect(copies.through('others', away)).rejects.toBeInstanceOf(Unanswered);
});

test('a refusal is a refusal, whatever there is a copy of', async () => {
  const copies = makeCopies(memory());
  copies.write('cards', 1);
  const refusal = new Refused({ code: 'right.missing', at: 'practice.read', detail: '' }, 403);
  await expect(copies.through('cards', () => Promise.reject(refusal))).rejects.toBe(refusal);
});

test('a store that is full keeps none, not an old one; what cannot be read is none', () => {
  const store = memory(20);
  const copies = makeCopies(store);
  copies.write('cards', [1]);
  copies.write('cards', 'x'.repeat(40));
  expect(copies.read('cards')).toBeNull();
  store.setItem('finch-copy:cards', '{half');
  expect(copies.read('cards')).toBeNull();
});

test('cleared, every copy goes and nothing else', () => {
  const store = memory();
  const copies = makeCopies(store);
  store.setItem('finch-evening', 'true');
  for (const name of ['session', 'practice a', 'practice b']) copies.write(name, 1);
  copies.clear();
  expect([store.length, store.getItem('finch-evening'), copies.read('practice b')]).toEqual([
    1,
    'true',
    null,
  ]);
});
