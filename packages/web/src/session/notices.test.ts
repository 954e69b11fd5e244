import { createPinia, setActivePinia } from 'pinia';
import { NOTICE_MS, useNotices } from './notices';

beforeEach(() => {
  setActivePinia(createPinia());
  jest.useFakeTimers();
});
afterEach(() => jest.useRealTimers());

test('a notice goes after ten seconds, and a newer one has ten of its own', () => {
  const notices = useNotices();
  notices.tell('first');
  jest.advanceTimersByTime(NOTICE_MS - 1);
  notices.tell('second');
  jest.advanceTimersByTime(NOTICE_MS - 1);
  expect(notices.notice?.text).toBe('second');
  jest.advanceTimersByTime(1);
  expect(notices.notice).toBeNull();
});

test('it stays while it is held, and goes ten seconds after', () => {
  const notices = useNotices();
  notices.tell('held');
  notices.hold(true);
  jest.advanceTimersByTime(10 * NOTICE_MS);
  expect(notices.notice?.text).toBe('held');
  notices.hold(false);
  jest.advanceTimersByTime(NOTICE_MS);
  expect(notices.notice).toBeNull();
});

test('trouble stays until it is put away', () => {
  const notices = useNotices();
  notices.trouble('not kept');
  jest.advanceTimersByTime(10 * NOTICE_MS);
  expect(notices.notice).toMatchObject({ text: 'not kept', trouble: true });
  notices.clear();
  expect(notices.notice).toBeNull();
});

test('an act is answered once; what it says next is not cleared', async () => {
  const notices = useNotices();
  notices.tell('done', [{ label: 'Undo', run: () => notices.tell('taken back') }]);
  await notices.act(notices.notice!.acts[0]);
  expect(notices.notice?.text).toBe('taken back');
});
