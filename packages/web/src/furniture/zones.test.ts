import { zonesByRegion } from './zones';

const NOON = Date.parse('2026-06-09T12:00:00Z');
const find = (own: string, id: string) =>
  zonesByRegion(own, NOON).flatMap(({ region, zones }) =>
    zones.filter((one) => one.id === id).map(({ name }) => [region, name]),
  );

test.each([
  ['Atlantic/Faroe', ['Atlantic', 'Faroe, 13:00']],
  ['America/Argentina/Ushuaia', ['America', 'Argentina, Ushuaia, 09:00']],
  ['Asia/Ho_Chi_Minh', ['Asia', 'Ho Chi Minh, 19:00']],
  ['UTC', ['Other', 'UTC, 12:00']],
])('%s stands in its region, once, with its own time', (id, [region, name]) => {
  // A zone that this machine knows under an older name is there because it is the studio's own.
  expect(find(id, id)).toEqual([[region, name]]);
});

test('a name that is no zone is still offered where it is the one kept, so that nothing changes unseen', () => {
  expect(find('Moon/Base', 'Moon/Base')).toEqual([['Moon', 'Base, ']]);
  expect(find('UTC', 'Moon/Base')).toEqual([]);
});
