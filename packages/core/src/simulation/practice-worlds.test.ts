/** The worlds that judge estimators: the same rows from the same seed, a truth that the tries follow, practice that helps. */
import { mean } from '../kernel/number';
import { PRACTICE_WORLDS, practiceLog, type TrueRow } from './practice-worlds';

const logs = new Map(PRACTICE_WORLDS.map((world) => [world.name, practiceLog(world, 12, 84, 5)]));
const rowsOf = (name: string): TrueRow[] => logs.get(name) ?? [];

test('equal seeds give equal rows, others give others, and one student more changes nobody', () => {
  const [steady] = PRACTICE_WORLDS;
  expect(practiceLog(steady, 12, 84, 5)).toEqual(rowsOf('steady'));
  expect(practiceLog(steady, 12, 84, 6)).not.toEqual(rowsOf('steady'));
  const more = practiceLog(steady, 13, 84, 5).filter(({ student }) => student !== 's12');
  expect(more).toEqual(rowsOf('steady'));
});

test.each(PRACTICE_WORLDS.map(({ name }) => [name]))(
  '%s: rows are in order and their tries follow the chance',
  (name) => {
    const rows = rowsOf(name);
    expect(rows.length).toBeGreaterThan(2000);
    expect(rows.every((row, i) => i === 0 || rows[i - 1].day <= row.day)).toBe(true);
    expect(rows.every(({ clean, tries, chance }) => clean <= tries && chance > 0 && chance < 1)).toBe(true);
    for (const [low, high] of [
      [0, 0.3],
      [0.3, 0.6],
      [0.6, 0.8],
      [0.8, 1],
    ]) {
      const bin = rows.filter(({ chance }) => chance >= low && chance < high);
      const said = mean(bin.map(({ chance, tries }) => chance * tries)) / mean(bin.map(({ tries }) => tries));
      const came = mean(bin.map(({ clean }) => clean)) / mean(bin.map(({ tries }) => tries));
      expect(Math.abs(said - came)).toBeLessThan(0.03);
    }
  },
);

test('practice helps and days away cost', () => {
  const chances = (rows: readonly TrueRow[]) => mean(rows.map(({ chance }) => chance));
  const firsts = (name: string, which: (row: TrueRow, before: TrueRow | undefined) => boolean) => {
    const last = new Map<string, TrueRow>();
    return rowsOf(name).filter((row) => {
      const key = `${row.student} ${row.item}`;
      const before = last.get(key);
      last.set(key, row);
      return row.tempoBpm === null && which(row, before);
    });
  };
  const later = firsts('steady', (row, before) => before !== undefined && row.day - before.day === 1);
  expect(chances(later) - chances(firsts('steady', (_, before) => before === undefined))).toBeGreaterThan(
    0.1,
  );
  // The same items a day and many days after they were played: what was forgotten.
  const away = firsts('holidays', (row, before) => before !== undefined && row.day - before.day >= 14);
  const back = new Set(away.map(({ student, item }) => `${student} ${item}`));
  const near = firsts('holidays', (row, before) => before !== undefined && row.day - before.day <= 1);
  expect(chances(near.filter(({ student, item }) => back.has(`${student} ${item}`)))).toBeGreaterThan(
    chances(away) + 0.02,
  );
});
