import type { PieceBody } from '@finch/contract';
import { readChart } from '@finch/core/score';
import { computed, ref } from 'vue';
import { Refused, Unanswered } from '../../session/api';
import { contentOf } from './listed';
import { usePieceKeeping } from './use-piece-keeping';

const CHART = 'title: Tin Heron\nkey: C major\ntime: 4/4\ntempo: 90\n\n[A]\n| C | Am | F | G |\n';
const CONCERT = { name: 'Pier', day: '2026-07-01' };
const stale = () => new Refused({ code: 'write.stale', at: 'version', detail: 'newer' }, 409);

/** A server with one piece, and a screen that shows it as it was when it was last looked at. */
function studio(given: Partial<PieceBody> = {}) {
  const server: { piece: PieceBody | null; away: boolean; lostAnswers: boolean } = {
    piece: {
      id: 'p1',
      version: 3,
      mayChange: true,
      chart: CHART,
      concert: null,
      locks: {},
      parts: {},
      ...given,
    },
    away: false,
    lostAnswers: false,
  };
  const onScreen = ref(server.piece);
  const beside: string[] = [];
  const keeping = usePieceKeeping(
    computed(() => onScreen.value && { body: onScreen.value, piece: readChart(onScreen.value.chart).piece }),
    {
      keep: async (id, version, content) => {
        if (server.away) throw new Unanswered('the server did not answer');
        if ((server.piece?.version ?? 0) !== version) throw stale();
        server.piece = { id, version: version + 1, mayChange: true, ...content };
        if (server.lostAnswers) throw new Unanswered('the server did not answer');
        onScreen.value = server.piece;
        return server.piece;
      },
      remove: async (body) => {
        if (server.piece?.version !== body.version) throw stale();
        server.piece = null;
        return body.version + 1;
      },
      newest: async () => server.piece,
    },
    (id) => beside.push(id),
  );
  const elsewhere = (change: Partial<PieceBody>) => {
    if (server.piece) server.piece = { ...server.piece, ...change, version: server.piece.version + 1 };
  };
  return { server, onScreen, keeping, elsewhere, beside };
}

test('a part is changed and the rest stays; what came of it is said', async () => {
  const { server, keeping } = studio({ concert: CONCERT });
  expect(await keeping.change(() => ({ parts: { s1: 'two notes' } }), 'Bram plays two notes.')).toBe(true);
  expect(server.piece).toMatchObject({
    version: 4,
    chart: CHART,
    concert: CONCERT,
    parts: { s1: 'two notes' },
  });
  expect([keeping.said.value, keeping.versions.trouble.value]).toEqual(['Bram plays two notes.', '']);
});

test('of the studio’s piece a player keeps one of their own beside it, without its concert and parts, and sees that one', async () => {
  const { server, keeping, beside } = studio({ mayChange: false, concert: CONCERT, parts: { s1: 'capo' } });
  const studios = server.piece;
  server.piece = null;
  expect(await keeping.change(() => ({ chart: CHART.replace('90', '80') }), 'Slower.')).toBe(true);
  expect(server.piece).toMatchObject({ version: 1, concert: null, parts: {} });
  expect(server.piece).toMatchObject({ id: beside[0], chart: expect.stringContaining('80') });
  expect(beside[0]).not.toBe(studios?.id);
  expect(keeping.said.value).toContain('a piece of your own');
});

test('a concert a player sets on the studio’s piece is on their own', async () => {
  const { server, keeping } = studio({ mayChange: false, parts: { s1: 'capo' } });
  server.piece = null;
  expect(await keeping.change(() => ({ concert: CONCERT }), 'Set.')).toBe(true);
  expect(server.piece).toMatchObject({ version: 1, concert: CONCERT, parts: {} });
});

test('what somebody changed elsewhere in the piece meanwhile stays, without a question', async () => {
  const { server, keeping, elsewhere } = studio();
  elsewhere({ concert: CONCERT });
  expect(await keeping.change((on) => ({ parts: { ...on.parts, s1: 'two notes' } }), 'Kept.')).toBe(true);
  expect(server.piece).toMatchObject({ version: 5, concert: CONCERT, parts: { s1: 'two notes' } });
  expect([keeping.versions.theirs.value, keeping.versions.trouble.value]).toEqual([null, '']);
});

test('two charts stand against each other: neither is lost, and either may be taken', async () => {
  const { server, onScreen, keeping, elsewhere } = studio();
  const ground = onScreen.value as PieceBody;
  const [mine, theirs] = [CHART.replace('Am', 'Em'), CHART.replace('Am', 'Dm')];
  elsewhere({ chart: theirs, concert: CONCERT });
  // The page has seen the newer one by itself meanwhile; what is typed still began from the older.
  onScreen.value = server.piece;
  expect(await keeping.keepChart(mine, ground)).toBe(false);
  expect(server.piece?.chart).toBe(theirs);
  expect(keeping.versions.theirs.value).toContain('Dm');
  expect(keeping.versions.theirs.value).toContain('concert Pier, 2026-07-01');
  expect(keeping.versions.trouble.value).toContain('Yours is still here');
  expect(await keeping.versions.keepMine()).toBe(true);
  expect(server.piece).toMatchObject({ version: 5, chart: mine, concert: CONCERT });
  expect([keeping.said.value, keeping.versions.theirs.value]).toEqual(['Tin Heron is kept.', null]);
});

test('theirs taken keeps nothing of mine', async () => {
  const { server, onScreen, keeping, elsewhere } = studio();
  const ground = onScreen.value as PieceBody;
  elsewhere({ chart: CHART.replace('Am', 'Dm') });
  await keeping.keepChart(CHART.replace('Am', 'Em'), ground);
  await keeping.versions.takeTheirs();
  expect(server.piece?.chart).toContain('Dm');
  expect([keeping.versions.theirs.value, keeping.versions.trouble.value]).toEqual([null, '']);
});

test('locked grips follow the chart they are put on', async () => {
  const { server, onScreen, keeping } = studio({
    locks: { '0.0.0': { frets: [null, 3, 2, 0, 1, 0] }, '0.1.0': { frets: [null, 0, 2, 2, 1, 0] } },
  });
  await keeping.keepChart(CHART.replace('Am', 'Em'), onScreen.value as PieceBody);
  expect(Object.keys(server.piece?.locks ?? {})).toEqual(['0.0.0']);
});

test('kept by a press whose answer was lost: the second press finds it kept', async () => {
  const { server, keeping } = studio();
  server.lostAnswers = true;
  const set = () => keeping.change(() => ({ concert: CONCERT }), 'Pier is set.');
  expect(await set()).toBe(false);
  expect(keeping.versions.trouble.value).toContain('Piece not kept');
  server.lostAnswers = false;
  expect(await set()).toBe(true);
  expect([server.piece?.version, keeping.said.value, keeping.versions.trouble.value]).toEqual([
    4,
    'Pier is set.',
    '',
  ]);
});

test('a piece taken away meanwhile says so, and what was typed stays where it is', async () => {
  const { server, onScreen, keeping } = studio();
  const ground = onScreen.value as PieceBody;
  server.piece = null;
  expect(await keeping.keepChart(CHART.replace('Am', 'Em'), ground)).toBe(false);
  expect(keeping.versions.trouble.value).toContain('taken away meanwhile');
  expect(keeping.versions.theirs.value).toBeNull();
});

test('taken away and brought back it is what it was; a stale taking away takes nothing', async () => {
  jest.useFakeTimers();
  const { server, onScreen, keeping, elsewhere } = studio({ concert: CONCERT });
  const was = contentOf(onScreen.value as PieceBody);
  elsewhere({ parts: { s1: 'two notes' } });
  await keeping.takeAway();
  expect(server.piece).not.toBeNull();
  expect(keeping.trouble.value).not.toBe('');
  onScreen.value = server.piece;
  await keeping.takeAway();
  expect([server.piece, keeping.said.value, keeping.trouble.value]).toEqual([
    null,
    'Tin Heron is taken away.',
    '',
  ]);
  server.piece = { ...(onScreen.value as PieceBody), version: 5 };
  expect(await keeping.bringBack()).toBe('p1');
  expect(server.piece).toMatchObject({ ...was, parts: { s1: 'two notes' } });
  expect(await keeping.bringBack()).toBeNull();
  // The way back stands ten seconds from the last taking away, whatever was taken away before.
  jest.advanceTimersByTime(5_000);
  onScreen.value = server.piece;
  await keeping.takeAway();
  jest.advanceTimersByTime(9_000);
  expect(keeping.undo.value).not.toBeNull();
  jest.advanceTimersByTime(1_000);
  expect(keeping.undo.value).toBeNull();
  jest.useRealTimers();
});

test('with no piece on the screen nothing is written', async () => {
  const { onScreen, keeping, server } = studio();
  onScreen.value = null;
  expect(await keeping.change(() => ({ concert: CONCERT }), 'Set.')).toBe(false);
  expect(server.piece?.version).toBe(3);
});
