import type { PieceBody } from '@finch/contract';
import { readChart } from '@finch/core/score';
import { shallowRef } from 'vue';
import type { Listed } from './listed';
import { usePieceDialogs } from './use-piece-dialogs';
import { usePieceKeeping } from './use-piece-keeping';

const dropped: string[] = [];
jest.mock('../../session/drafts', () => ({
  useDrafts: () => ({ drop: (key: string) => dropped.push(key) }),
}));

const CHART = 'title: Tin Heron\nkey: C major\ntime: 4/4\ntempo: 90\n\n[A]\n| C | Am |\n';
const PIECE: PieceBody = {
  id: 'p1',
  version: 3,
  mayChange: true,
  chart: CHART,
  concert: null,
  locks: {},
  parts: {},
};

function dialogs(works: boolean, piece: PieceBody | null = PIECE) {
  const opened: string[] = [];
  const shown = shallowRef<Listed | null>(piece && { body: piece, piece: readChart(piece.chart).piece });
  const written: string[] = [];
  const keeping = usePieceKeeping(
    shown,
    {
      keep: async (id, version, content) => {
        if (!works) throw new Error('the server did not answer');
        written.push(id);
        return { id, version: version + 1, mayChange: true, ...content };
      },
      remove: async ({ version }) => version,
      newest: async () => piece,
    },
    () => undefined,
  );
  return { ...usePieceDialogs(shown, keeping, (id) => opened.push(id)), keeping, opened, written };
}
beforeEach(() => (dropped.length = 0));

test('the chart of the piece shown is written over; what began anew becomes another piece', async () => {
  const one = dialogs(true);
  one.keeping.trouble.value = 'old trouble';
  one.edit(null);
  expect([one.is.editing, one.keeping.trouble.value]).toEqual([true, '']);
  await one.keepChart('title: T');
  expect([one.is.editing, one.opened, one.written, dropped]).toEqual([false, [], ['p1'], []]);
  one.edit('title: ');
  await one.keepChart('title: New');
  expect([one.is.editing, one.opened, dropped]).toEqual([false, [one.written[1]], ['chart:new']]);
  expect(one.written[1]).not.toBe('p1');
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
  expect(one.opened).toEqual(one.written);
  expect(one.written).toHaveLength(1);
});

test('one dialog goes over into another: a rule into the editor, files onto paper', () => {
  const one = dialogs(true);
  one.is.ruling = one.is.filing = true;
  one.editRuled('title: R');
  expect([one.is.ruling, one.is.editing, one.begun.value]).toEqual([false, true, 'title: R']);
  one.onPaper();
  expect([one.is.filing, one.is.printing]).toEqual([false, true]);
});

test('a piece that was settled with somebody else’s leaves nothing open and no draft', () => {
  const one = dialogs(true);
  one.edit(null);
  one.is.staging = true;
  one.settled();
  expect([one.is.editing, one.is.staging, dropped]).toEqual([false, false, ['chart:p1']]);
});
