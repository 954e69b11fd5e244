import { KEY_PLACES, KEY_TABLE, keyText, type KeyEntry, type KeyPlace } from './key-table';

const places = Object.keys(KEY_TABLE) as KeyPlace[];
const entries = (place: KeyPlace): KeyEntry[] => Object.values(KEY_TABLE[place]);
const keysOf = (place: KeyPlace) => entries(place).flatMap((one) => one.keys);

test.each(places)('%s: no key does two things, and each says what it does', (place) => {
  const keys = keysOf(place);
  expect(keys.filter((key, i) => keys.indexOf(key) !== i)).toEqual([]);
  for (const { does, keys: own } of entries(place)) {
    expect(own.length).toBeGreaterThan(0);
    expect(does).toMatch(/^[a-z]/);
  }
  expect(KEY_PLACES[place]).toMatch(/\w/);
});

test('a place leaves the keys of the house alone, but for taking back what it knows better', () => {
  const house = keysOf('house');
  const taken = places
    .filter((place) => place !== 'house')
    .flatMap((place) =>
      keysOf(place)
        .filter((key) => house.includes(key))
        .map((key) => `${place} ${key}`),
    );
  expect(taken).toEqual([
    'plan Ctrl+z',
    'syllabus Ctrl+z',
    'lesson Ctrl+z',
    'homework Ctrl+z',
    'checkUp Ctrl+z',
    'practice Ctrl+z',
  ]);
});

test('a letter is one small letter, so that it is the same with the lock on', () => {
  for (const key of places.flatMap(keysOf)) {
    const last = key.length > 1 ? key.split('+').at(-1) : key;
    if (last?.length === 1) expect(last).toBe(last.toLowerCase());
  }
});

test.each([
  [{ keys: ['j', 'k'], does: '' }, 'J K'],
  [{ keys: ['Alt+ArrowUp', 'Alt+ArrowDown'], does: '' }, 'Alt ↑ ↓'],
  [{ keys: [' '], does: '' }, 'Space'],
  [{ keys: ['+', '-'], does: '' }, '+ −'],
  [{ keys: ['Shift+p'], does: '' }, 'Shift P'],
  [{ keys: ['Ctrl+z'], does: '' }, 'Ctrl Z'],
  [{ keys: ['1', '2', '3'], shown: '1–3', does: '' }, '1–3'],
])('%j is drawn as it is pressed', (entry, text) => expect(keyText(entry)).toBe(text));
