import { effectScope } from 'vue';
import { useAddress } from './address';

const replaced: unknown[] = [];
jest.mock('vue-router', () => ({
  useRoute: () => ({ query: { chord: 'Bbm7', twice: ['a', 'b'] } }),
  useRouter: () => ({ replace: (to: unknown) => replaced.push(to) }),
}));
beforeEach(() => {
  jest.useFakeTimers();
  replaced.length = 0;
});
afterEach(() => jest.useRealTimers());

test('a name is read as text; what is missing, or given twice, is what is given instead', () => {
  effectScope().run(() => {
    const { text } = useAddress();
    expect([text('chord'), text('tab'), text('tab', 'why'), text('twice', 'one')]).toEqual([
      'Bbm7',
      '',
      'why',
      'one',
    ]);
  });
});

test('only the last of quick changes is written, without what is empty', () => {
  effectScope().run(() => {
    const { hold } = useAddress();
    hold({ chord: 'C', tab: '' });
    hold({ chord: 'Cm', tab: 'one' });
    hold({ chord: 'Cm7', tab: '' });
    expect(replaced).toEqual([]);
    jest.runAllTimers();
    expect(replaced).toEqual([{ query: { chord: 'Cm7' } }]);
  });
});

test('a place that was left writes nothing over the address of the next', () => {
  const scope = effectScope();
  scope.run(() => useAddress().hold({ chord: 'C' }));
  scope.stop();
  jest.runAllTimers();
  expect(replaced).toEqual([]);
});
