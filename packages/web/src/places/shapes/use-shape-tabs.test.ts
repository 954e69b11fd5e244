import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { must } from '@finch/core/kernel';
import { findShapes, type GradedGrip } from '@finch/core/shapes';
import { parseChord } from '@finch/core/theory';
import { effectScope, nextTick, shallowRef } from 'vue';
import { TABS, useShapeTabs } from './use-shape-tabs';

const asked: [string, ...unknown[]][] = [];
jest.mock('../../workers/bench', () => {
  const answer =
    (name: string) =>
    async (...given: unknown[]) => {
      asked.push([name, ...given]);
      return name === 'along' ? { forms: [] } : [];
    };
  return {
    plain: <T>(value: T) => value,
    benchWork: () => ({ standIns: answer('standIns'), oneNote: answer('oneNote'), along: answer('along') }),
  };
});
const chord = must(parseChord('Bbm7'));
const [first, second] = findShapes({
  chord,
  hand: averageHand,
  instrument: standardGuitar,
  limits: { bass: 'root' },
});

function tabsOf(tab: string, grip: GradedGrip | null = first) {
  const picked = shallowRef(grip);
  const tabs = effectScope().run(() =>
    useShapeTabs({
      tab,
      picked,
      chord: shallowRef(chord),
      drilling: shallowRef({ hand: averageHand, instrument: standardGuitar }),
    }),
  )!;
  return { tabs, picked };
}
const names = () => asked.map(([name]) => name);
beforeEach(() => (asked.length = 0));

test('only what is looked at is worked out, anew for each grip, and nothing without one', async () => {
  const { tabs, picked } = tabsOf('why');
  expect(names()).toEqual([]);
  tabs.tab.value = 'easier';
  await nextTick();
  expect(names()).toEqual(['standIns']);
  tabs.tab.value = 'one';
  await nextTick();
  expect(names()).toEqual(['standIns', 'oneNote']);
  picked.value = second;
  await nextTick();
  expect(names()).toEqual(['standIns', 'oneNote', 'oneNote']);
  tabs.tab.value = 'names';
  await nextTick();
  expect(names()).toHaveLength(3);
  tabsOf('easier', null);
  expect(names()).toHaveLength(3);
});

test('along the neck a grip of no form is taken for the form of its root string', () => {
  tabsOf('along', { ...first, form: null, rootString: 5 } as unknown as GradedGrip);
  tabsOf('along', { ...first, form: null, rootString: 4 } as unknown as GradedGrip);
  tabsOf('along', { ...first, form: 'G' } as unknown as GradedGrip);
  expect(asked.map((one) => one[3])).toEqual(['A', 'D', 'G']);
});

test('a tab that an address does not name is the first; the key walks them all', () => {
  const { tabs } = tabsOf('nothing such');
  const seen = TABS.map(() => {
    const now = tabs.tab.value;
    tabs.next();
    return now;
  });
  expect(seen).toEqual(TABS.map((one) => one.id));
  expect(tabs.tab.value).toBe('why');
});
