import { effectScope } from 'vue';
import { useAddress } from './address';

const replaced: unknown[] = [];
jest.mock('vue-router', () => ({
  useRoute: () => ({ query: { chord: 'Bbm7', twice: ['a', 'b'] } }),
  useRouter: () => ({ replace: (to: unknown) => replaced.push(to) }),
}));
beforeEach(() => (replaced.length = 0));

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

test('what is held is written at once, without what is empty', () => {
  effectScope().run(() => {
    const { hold } = useAddress();
    hold({ chord: 'Cm', tab: '' });
    expect(replaced).toEqual([{ query: { chord: 'Cm' } }]);
    hold({ chord: '', tab: 'one' });
    expect(replaced[1]).toEqual({ query: { tab: 'one' } });
  });
});
