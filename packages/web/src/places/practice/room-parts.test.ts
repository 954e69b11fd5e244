import { createSSRApp, type Component } from 'vue';
import { renderToString } from 'vue/server-renderer';
import HeardPick from '../../instruments/HeardPick.vue';
import NumberBoard from '../../instruments/NumberBoard.vue';
import CountAnswer from './CountAnswer.vue';
import KeepBar from './KeepBar.vue';
import LastCard from './LastCard.vue';
import NoPlaying from './NoPlaying.vue';
import RoomHead from './RoomHead.vue';
import TempoSheet from './TempoSheet.vue';

const draw = (component: Component, props: Record<string, unknown>) =>
  renderToString(createSSRApp(component, props));
const text = (html: string) =>
  html
    .replace(/<[^>]*>/g, ' ')
    .replace(/\s+/g, ' ')
    .trim();

test('pain ends playing: at once, with where it was, what may be done instead and whom to see', async () => {
  const html = await draw(NoPlaying, { where: 'thumb base', instead: false });
  expect(html).toContain('role="alert"');
  expect(text(html)).toContain('You reported pain (thumb base)');
  expect(text(html)).toContain('See a doctor or a hand therapist');
  expect(text(html)).not.toContain('What is below');
  expect(text(await draw(NoPlaying, { where: null, instead: true }))).toContain(
    'needs no hand on the guitar',
  );
  expect(text(await draw(NoPlaying, { where: null, instead: true }))).toContain('You reported pain. That');
});

test('the last card says what was played, one card as one', async () => {
  expect(text(await draw(LastCard, { played: 1, minutes: 4, of: 12 }))).toContain(
    '1 card played, 4 of 12 minutes',
  );
  expect(text(await draw(LastCard, { played: 3, minutes: 12, of: 12 }))).toContain('3 cards played');
});

test('the bar at the foot: a take back only where there is one, and the last card is the end', async () => {
  const props = { says: '', trouble: '', mayTakeBack: false, complete: false, last: false };
  const bare = await draw(KeepBar, props);
  expect(text(bare)).toContain('Next card');
  expect(bare).toContain('aria-disabled="true"');
  expect(text(bare)).not.toContain('Take the last one back');
  const full = await draw(KeepBar, {
    ...props,
    mayTakeBack: true,
    complete: true,
    last: true,
    trouble: 'No room.',
  });
  expect(text(full)).toContain('Take the last one back');
  expect(text(full)).toContain('Done for today');
  expect(full).toMatch(/role="alert"[^>]*>No room\./);
  expect(full).toContain('aria-disabled="false"');
});

test('the tempo is said as it changes; a card without one has no buttons for it', async () => {
  const props = { beats: 4, beat: null, bpm: 72, playing: false };
  const html = await draw(TempoSheet, props);
  expect(html).toMatch(/role="status"[^>]*><b[^>]*>72<\/b>/);
  expect(html).toContain('aria-label="Slower"');
  expect(text(html)).toContain('▶ Play');
  const none = await draw(TempoSheet, { ...props, bpm: null, playing: true });
  expect(none).not.toContain('aria-label="Slower"');
  expect(text(none)).toContain('■ Stop');
});

test('the head names whose room it is once that is known', async () => {
  expect(text(await draw(RoomHead, { name: null, says: '' }))).toContain('Practice room');
  expect(text(await draw(RoomHead, { name: 'Junia', says: 'card 1 of 4' }))).toContain(
    'Junia’s practice room card 1 of 4',
  );
});

test('a count in time asks how the others came, and only then', async () => {
  const props = { heading: 'Take 1', clean: 7, of: 10, done: true, inTime: true };
  expect(text(await draw(CountAnswer, props))).toContain('The others came late early');
  for (const more of [{ done: false }, { clean: 10 }, { inTime: false }])
    expect(text(await draw(CountAnswer, { ...props, ...more }))).not.toContain('The others came');
});

test('a number called: the one to play large, the next when it is due, those before with their chords', async () => {
  const one = (number: string, key = 'C major') => ({ number, key });
  const called = {
    now: one('b7'),
    next: one('1', 'G major'),
    past: [
      { ...one('4'), chord: 'F' },
      { ...one('V7/2'), chord: 'A7' },
    ],
  };
  expect(text(await draw(NumberBoard, { called }))).toBe('♭7 in C major then 1 in G major 4 F V7/2 A7');
  const same = text(await draw(NumberBoard, { called: { ...called, next: one('1'), past: [] } }));
  expect(same).toBe('♭7 in C major then 1');
  const over = await draw(NumberBoard, { called: { ...called, now: null, next: null } });
  expect(over).toMatch(/role="status"[^>]*>(<!--.*?-->)*That was the last one/);
  // Eight are named: more would push the sheet down as it plays.
  const long = Array.from({ length: 12 }, (_, i) => ({ ...one(String(i + 1)), chord: 'C' }));
  expect(text(await draw(NumberBoard, { called: { ...called, past: long } }))).toContain(
    '1 in G major 5 C 6 C',
  );
});

test('what sounds is chosen only where there is a choice', async () => {
  expect(text(await draw(HeardPick, { choices: ['drill'], modelValue: 'drill' }))).toBe('');
  const html = await draw(HeardPick, { choices: ['drill', 'backing'], modelValue: 'backing' });
  expect(html).toContain('aria-label="What sounds"');
  expect(text(html)).toBe('as it is played the backing alone');
});
