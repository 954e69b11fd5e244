import { effectScope, nextTick, ref, type Ref } from 'vue';
import type { Drafts } from './drafts';
import { useDraft, type Draft } from './use-draft';

/** Drafts in memory, all typed at 7. */
function memory(): Drafts & { readonly held: Map<string, unknown> } {
  const held = new Map<string, unknown>();
  return {
    held,
    read: <T>(key: string) => (held.has(key) ? { at: 7, value: held.get(key) as T } : null),
    write: (key, value) => void held.set(key, JSON.parse(JSON.stringify(value))),
    drop: (key) => void held.delete(key),
    change: () => false,
  };
}
interface Form {
  name: string;
}
function form(drafts: Drafts, kept: Ref<Form>, key = ref('a'), open = ref(true)) {
  const value = ref<Form>({ name: '' });
  const draft = effectScope().run(() =>
    useDraft({ key: () => key.value, value, kept: () => kept.value, open: () => open.value }, drafts),
  ) as Draft;
  return { value, draft, key, open };
}

test('what is typed comes back after a reload, and says when it was typed', () => {
  const drafts = memory();
  const kept = ref({ name: 'Tin Heron' });
  const before = form(drafts, kept);
  expect([before.value.value, before.draft.typedAt.value]).toEqual([{ name: 'Tin Heron' }, null]);
  before.value.value.name = 'Tin Crane';
  const after = form(drafts, kept);
  expect([after.value.value, after.draft.typedAt.value]).toEqual([{ name: 'Tin Crane' }, 7]);
  expect(kept.value).toEqual({ name: 'Tin Heron' });
});

test('typed back to what is kept, kept, or dropped: there is no draft any more', () => {
  const drafts = memory();
  const kept = ref({ name: 'Tin Heron' });
  const one = form(drafts, kept);
  one.value.value.name = 'x';
  expect(drafts.held.size).toBe(1);
  one.value.value.name = 'Tin Heron';
  expect(drafts.held.size).toBe(0);
  one.value.value.name = 'y';
  one.draft.done();
  expect([drafts.held.size, one.value.value.name]).toEqual([0, 'y']);
  one.value.value.name = 'z';
  one.draft.drop();
  expect([drafts.held.size, one.value.value.name]).toEqual([0, 'Tin Heron']);
});

test('another thing in the same form begins with what is its own; the first keeps its draft', async () => {
  const drafts = memory();
  const one = form(drafts, ref({ name: 'kept' }));
  one.value.value.name = 'for a';
  one.key.value = 'b';
  await nextTick();
  expect(one.value.value.name).toBe('kept');
  one.key.value = 'a';
  await nextTick();
  expect([one.value.value.name, one.draft.typedAt.value]).toEqual(['for a', 7]);
});

test('a newer kept one does not write over what is being typed, and shows where nothing is', async () => {
  const drafts = memory();
  const kept = ref({ name: 'old' });
  const typing = form(drafts, kept);
  const idle = form(memory(), kept);
  typing.value.value.name = 'mine';
  kept.value = { name: 'new' };
  await nextTick();
  expect([typing.value.value.name, idle.value.value.name]).toEqual(['mine', 'new']);
});

test('what is typed becomes what is kept: the draft goes, though the form is closed by then', async () => {
  const drafts = memory();
  const kept = ref({ name: 'old' });
  const one = form(drafts, kept);
  one.value.value.name = 'new';
  one.open.value = false;
  kept.value = { name: 'new' };
  await nextTick();
  expect(drafts.held.size).toBe(0);
});

test('a closed form drafts nothing, and opened again it begins with its draft', async () => {
  const drafts = memory();
  const one = form(drafts, ref({ name: 'kept' }));
  one.value.value.name = 'typed';
  one.open.value = false;
  await nextTick();
  one.value.value = { name: 'cleared by the screen' };
  expect(drafts.held.get('a')).toEqual({ name: 'typed' });
  one.open.value = true;
  await nextTick();
  expect(one.value.value.name).toBe('typed');
});
