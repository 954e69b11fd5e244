/** Rows laid on days: each rule of a day holds, read from the minutes alone. */
import { ringCheck } from '../drills';
import type { Offer, RowKind } from './week-offers';
import { chosen, slot, type Room } from './week-programme';

const offer = (
  id: string,
  as: RowKind,
  more: Partial<Offer> & { readonly barreShare?: number } = {},
): Offer => {
  const { barreShare = 0, ...rest } = more;
  return {
    row: {
      id,
      kind: as === 'given' ? 'repair' : as,
      title: { code: 'title.blank', values: { text: id } },
      because: { code: 'because.begun', values: {} },
      skillId: id,
      recipe: {
        ...ringCheck({ chord: 'Em', frets: [0, 2, 2, 0, 0, 0] }),
        family: id,
      } as unknown as Offer['row']['recipe'],
      effort: 20,
      barreShare,
    },
    as,
    worth: 1,
    trouble: 0,
    tempoBpm: null,
    targetBpm: null,
    from: 0,
    ...rest,
  };
};
const room = (free: readonly number[], more: Partial<Room> = {}): Room => ({
  free,
  barre: free.map(() => 99),
  heavy: new Set(),
  ...more,
});
const laid = async (offers: readonly Offer[], of: Room) =>
  Object.fromEntries((await chosen(offers, of, 60)).map(({ offer: { row }, minutes }) => [row.id, minutes]));

test('what falls due is on no day before it does, however empty that day is', async () => {
  const { due } = await laid([offer('due', 'review', { from: 2 })], room([9, 9, 9, 9]));
  expect(due).toEqual([0, 0, 3, 0]);
  expect(await laid([offer('due', 'review', { from: 2 })], room([9, 9]))).toEqual({});
});

test('reviews fill half of a day at most', async () => {
  const of = await laid([offer('a', 'review'), offer('b', 'review'), offer('c', 'review')], room([7]));
  const sum = Object.values(of).reduce((all, minutes) => all + minutes[0], 0);
  expect(sum).toBeGreaterThan(0);
  expect(sum).toBeLessThanOrEqual(3.5);
});

test('no day is pressed longer than it may be, and music with a barre is not drawn out to fill it', async () => {
  const pressed = await laid([offer('barre', 'new', { barreShare: 1 })], room([9, 9], { barre: [3, 3] }));
  expect(pressed.barre).toEqual([3, 3]);
  const half = await laid([offer('song', 'apply', { barreShare: 0.5 })], room([12, 12], { barre: [2, 2] }));
  expect(half.song).toEqual([4, 4]);
  // The same without a barre fills the day as far as music may.
  expect((await laid([offer('song', 'apply')], room([12, 12]))).song).toEqual([8, 8]);
});

test('a slot that is too heavy stays free; days off are left alone', async () => {
  const heavy = new Set([slot('fresh', 1)]);
  // Played on every practice day or not at all.
  expect(await laid([offer('fresh', 'new')], room([9, 9, 0], { heavy }))).toEqual({});
  const song = (await laid([offer('song', 'apply')], room([9, 9, 0], { heavy: new Set([slot('song', 1)]) })))
    .song;
  expect(song.map((minutes) => minutes > 0)).toEqual([true, false, false]);
});

test('where there is room for little, what was begun stays and what falls due gives way', async () => {
  const offers = [offer('fresh', 'new'), offer('song', 'apply'), offer('due', 'review')];
  expect(Object.keys(await laid(offers, room([2, 2])))).toEqual(['fresh']);
  expect(Object.keys(await laid(offers, room([9, 9]))).toSorted()).toEqual(['due', 'fresh', 'song']);
});
