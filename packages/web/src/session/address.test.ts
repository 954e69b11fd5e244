import { effectScope } from 'vue';
import { useAddress } from './address';

const replaced: string[] = [];
const now = { name: 'shapes' };
jest.mock('vue-router', () => ({
  useRoute: () => ({ name: 'shapes', query: { chord: 'Bbm7', twice: ['a', 'b'] } }),
  useRouter: () => ({
    currentRoute: { value: now },
    resolve: ({ query }: { query: Record<string, string> }) => ({
      fullPath: `/${now.name}?${new URLSearchParams(query)}`,
    }),
    options: { history: { replace: (to: string) => replaced.push(to) } },
  }),
}));
beforeEach(() => {
  replaced.length = 0;
  now.name = 'shapes';
});

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
    expect(replaced).toEqual(['/shapes?chord=Cm']);
    hold({ chord: '', tab: 'one' });
    expect(replaced[1]).toBe('/shapes?tab=one');
  });
});

test('a place that was left writes nothing in the address of the next', () => {
  effectScope().run(() => {
    const { hold } = useAddress();
    now.name = 'drills';
    hold({ chord: 'Cm' });
    expect(replaced).toEqual([]);
  });
});
