import { makeDrafts } from './drafts';

/** A storage in memory with room for so many characters. */
function storageOf(room = Number.POSITIVE_INFINITY): Storage {
  const kept = new Map<string, string>();
  return {
    get length() {
      return kept.size;
    },
    clear: () => kept.clear(),
    key: (i) => [...kept.keys()][i] ?? null,
    getItem: (key) => kept.get(key) ?? null,
    setItem: (key, value) => {
      if (value.length > room) throw new DOMException('full', 'QuotaExceededError');
      kept.set(key, value);
    },
    removeItem: (key) => void kept.delete(key),
  };
}

test('a draft is there for the one who typed it, and for nobody else', () => {
  const storage = storageOf();
  let seat = 'tamsin';
  const drafts = makeDrafts(
    storage,
    () => seat,
    () => 7,
  );
  drafts.write('note:1', 'elbow in');
  expect(drafts.read('note:1')).toEqual({ at: 7, value: 'elbow in' });
  seat = 'junia';
  expect(drafts.read('note:1')).toBeNull();
  seat = 'tamsin';
  drafts.drop('note:1');
  expect(drafts.read('note:1')).toBeNull();
});

test('what cannot be read is no draft, and a full store keeps the last one', () => {
  const storage = storageOf(60);
  const drafts = makeDrafts(
    storage,
    () => 'a',
    () => 1,
  );
  storage.setItem('finch-draft:a:plan', '{"at":');
  expect(drafts.read('plan')).toBeNull();
  storage.setItem('finch-draft:a:plan', '"text"');
  expect(drafts.read('plan')).toBeNull();
  drafts.write('plan', 'short');
  drafts.write('plan', 'x'.repeat(200));
  expect(drafts.read('plan')?.value).toBe('short');
});

test('a draft is changed only where there is one', () => {
  const drafts = makeDrafts(
    storageOf(),
    () => 'a',
    () => 1,
  );
  expect(drafts.change<number>('n', (n) => n + 1)).toBe(false);
  expect(drafts.read('n')).toBeNull();
  drafts.write('n', 1);
  expect(drafts.change<number>('n', (n) => n + 1)).toBe(true);
  expect(drafts.read('n')?.value).toBe(2);
});
