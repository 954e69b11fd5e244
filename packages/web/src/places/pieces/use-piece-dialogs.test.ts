import { ref, shallowRef } from 'vue';
import type { Listed } from './listed';
import { usePieceDialogs } from './use-piece-dialogs';
import type { PieceKeeping } from './use-piece-keeping';

const dropped: string[] = [];
jest.mock('../../session/drafts', () => ({
  useDrafts: () => ({ drop: (key: string) => dropped.push(key) }),
}));

function dialogs(works: boolean, shown: Listed | null = { body: { id: 'p1' } } as Listed) {
  const opened: string[] = [];
  const keeping = {
    trouble: ref('old trouble'),
    keepNew: async () => (works ? 'p2' : null),
    keepChart: async () => works,
    change: async () => works,
    takeKey: jest.fn(),
  } as unknown as PieceKeeping;
  return { ...usePieceDialogs(shallowRef(shown), keeping, (id) => opened.push(id)), keeping, opened };
}
beforeEach(() => (dropped.length = 0));

test('the chart of the piece shown is written over; what began anew becomes another piece', async () => {
  const one = dialogs(true);
  one.edit(null);
  expect([one.is.editing, one.keeping.trouble.value]).toEqual([true, '']);
  await one.keepChart('title: T');
  expect([one.is.editing, one.opened, dropped]).toEqual([false, [], []]);
  one.edit('title: ');
  await one.keepChart('title: New');
  expect([one.is.editing, one.opened, dropped]).toEqual([false, ['p2'], ['chart:new']]);
});

test('what could not be kept leaves its dialog open, and nothing of it is dropped', async () => {
  const one = dialogs(false);
  one.edit('title: ');
  await one.keepChart('title: New');
  expect([one.is.editing, one.opened, dropped]).toEqual([true, [], []]);
  one.is.filing = one.is.ruling = one.is.staging = true;
  await one.keepNew('title: F', 'filing');
  await one.keepNew('title: R', 'ruling');
  await one.setConcert({ name: 'Pier', day: '2026-07-01' });
  expect([one.is.filing, one.is.ruling, one.is.staging]).toEqual([true, true, true]);
});

test('with no piece on the screen a chart that is kept is a new one', async () => {
  const one = dialogs(true, null);
  one.edit(null);
  await one.keepChart('title: First');
  expect(one.opened).toEqual(['p2']);
});

test('one dialog goes over into another: a rule into the editor, files onto paper', () => {
  const one = dialogs(true);
  one.is.ruling = one.is.filing = true;
  one.editRuled('title: R');
  expect([one.is.ruling, one.is.editing, one.begun.value]).toEqual([false, true, 'title: R']);
  one.onPaper();
  expect([one.is.filing, one.is.printing]).toEqual([false, true]);
});
