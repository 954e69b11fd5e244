import { OBJECTIVES } from '@finch/core/changes';
import { limitsAsked, NOTHING_ASKED, readAsked, writeAsked } from './path-asked';

test('what is asked goes into the address and comes back', () => {
  const asked = {
    ...NOTHING_ASKED,
    objective: 'top held' as const,
    fromFret: 5,
    strings: '4-1',
    barre: false,
    insideLimit: false,
  };
  expect(readAsked(writeAsked(asked), OBJECTIVES)).toEqual(asked);
  expect(writeAsked(NOTHING_ASKED)).toBe('');
});

test.each([
  '',
  'nonsense',
  '[]',
  '{"objective":"x","fromFret":99,"strings":"a","rootString":2,"forms":"XYZ"}',
  'null',
])('a hostile address %j asks nothing', (text) => expect(readAsked(text, OBJECTIVES)).toEqual(NOTHING_ASKED));

test('limits as the search knows them; the hand’s limit unless any grip is asked for', () => {
  const limits = limitsAsked({ ...NOTHING_ASKED, fromFret: 7, toFret: 3, strings: '5-2', rootString: 5 }, 60);
  expect(limits).toMatchObject({ minFret: 7, maxFret: 7, strings: [5, 2], rootStrings: [5], maxEffort: 60 });
  expect(limitsAsked({ ...NOTHING_ASKED, forms: 'EA' }, 60).forms).toEqual(['A', 'E']);
  expect(limitsAsked(NOTHING_ASKED, 60).forms).toBeNull();
  expect(limitsAsked({ ...NOTHING_ASKED, insideLimit: false }, 60).maxEffort).toBe(100);
  expect(limitsAsked(NOTHING_ASKED, 60).maxEffort).toBe(60);
});
