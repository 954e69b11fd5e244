import { earPairs, openStrokes, ringCheck } from '@finch/core/drills';
import { DEFAULT_LIMITS } from '@finch/core/hands';
import { type PlanBlock } from '@finch/core/planning';
import { gapCheck, liftedCheck, planChecks, unseenChecks } from './checks';

const block = (kind: PlanBlock['kind'], minutes: number, more: Partial<PlanBlock> = {}): PlanBlock => ({
  id: `${kind} ${minutes}`,
  kind,
  minutes,
  title: { code: 't', values: {} },
  because: { code: 'b', values: {} },
  skillId: null,
  recipe: null,
  effort: kind === 'rest' ? 0 : 30,
  barreMinutes: 0,
  locked: false,
  ...more,
});
const good = [block('warm up', 3, { effort: 8 }), block('new', 10), block('rest', 4), block('apply', 13)];
const said = (blocks: readonly PlanBlock[], minutes = 30, limits = DEFAULT_LIMITS) =>
  planChecks(blocks, minutes, limits);
const wrong = (blocks: readonly PlanBlock[], minutes = 30, limits = DEFAULT_LIMITS) =>
  said(blocks, minutes, limits)
    .filter((check) => !check.ok)
    .map((check) => check.text);

test('a sound plan passes all its checks', () => {
  expect(wrong(good)).toEqual([]);
  expect(said(good).map((check) => check.text)).toContain('Opens with three easy minutes.');
});

test('a hand that hurts: what would be played is counted, what is heard is not', () => {
  const hurts = (blocks: readonly PlanBlock[]) => planChecks(blocks, 30, DEFAULT_LIMITS, true)[0];
  const played = block('repair', 10, { recipe: ringCheck({ chord: 'C', frets: [null, 3, 2, 0, 1, 0] }) });
  const heard = block('new', 10, { effort: 0, recipe: earPairs({ what: 'triads', choices: 2, count: 10, hearings: 1, root: 'C', roving: false, sounded: 'together' }) }); // prettier-ignore
  expect(hurts([heard, block('rest', 20)])).toEqual({
    ok: true,
    text: 'A hand hurts: nothing here is played.',
  });
  expect(hurts([heard, played, played])).toEqual({
    ok: false,
    text: 'A hand hurts: 2 blocks would be played. Nothing is, until you clear it.',
  });
  expect(planChecks([played], 30, DEFAULT_LIMITS)[0].text).not.toContain('hurts');
  // One hand alone, where the teacher allows it.
  const struck = block('apply', 5, { recipe: openStrokes(6, 1) });
  expect(planChecks([heard, struck], 15, DEFAULT_LIMITS, true)[0].ok).toBe(false);
  expect(planChecks([heard, struck], 15, DEFAULT_LIMITS, true, 'fretting')[0].ok).toBe(false);
  expect(planChecks([heard, struck], 15, DEFAULT_LIMITS, true, 'striking')[0]).toEqual({
    ok: true,
    text: 'A hand hurts: nothing here is played but by the striking hand.',
  });
});

test('minutes too many and too few are counted', () => {
  expect(wrong(good, 28)).toEqual(['2 minutes too long.']);
  expect(wrong(good, 45)).toEqual(['15 minutes are free.']);
});

test('a cold hand, a new thing without use, barres past the cap and touching are named', () => {
  expect(wrong(good.slice(1), 27)).toEqual(['Does not open with three easy minutes; the hand is cold.']);
  expect(wrong([...good.slice(0, 3), block('review', 13)])).toEqual(['Something new, but no block of use.']);
  const barred = [
    good[0],
    block('repair', 10, { barreMinutes: 4 }),
    block('review', 17, { barreMinutes: 5 }),
  ];
  expect(wrong(barred)).toEqual([
    'Barres pressed 9 of 6 minutes.',
    'Two barre blocks touch; put a rest between.',
  ]);
});

test('the load of the hand is held against its own limit', () => {
  const heavy = [good[0], block('new', 13, { effort: 95 }), block('apply', 14, { effort: 95 })];
  expect(wrong(heavy)[0]).toMatch(/^The hand’s load is highest at minute \d+: [\d.]+, its limit 5\./);
});

test('a plan of rest alone asks for no warm up', () => {
  expect(wrong([block('rest', 30)])).toEqual([]);
});

test('what the planner gave up is said; nothing is said where it kept every rule', () => {
  expect(liftedCheck(undefined)).toBeNull();
  expect(liftedCheck([])).toBeNull();
  expect(liftedCheck(['strands', 'music'])).toEqual({
    ok: false,
    text: 'Proposed without three strands in a long lesson, a share of music: nothing keeps every rule.',
  });
});

test('how far from the best the search may have stopped is said, where it is far at all', () => {
  expect([gapCheck(undefined), gapCheck(0)]).toEqual([null, null]);
  expect(gapCheck(0.031)?.text).toContain('4 of 100 more at most');
});

test('what was not played for a month is said, with its day, and whether it comes round today', () => {
  expect(unseenChecks(undefined, new Map())).toEqual([]);
  const names = new Map([['scales', 'Scales, keys']]);
  const may = Date.UTC(2026, 4, 3, 12);
  expect(
    unseenChecks(
      [
        { strand: 'scales', lastAt: may, there: true },
        { strand: 'harmony', lastAt: null, there: false },
      ],
      names,
    ),
  ).toEqual([
    { ok: true, text: 'Scales, keys: last on 3 May; comes round today.' },
    { ok: false, text: 'harmony: never played; not today either.' },
  ]);
});
