import { createSSRApp } from 'vue';
import { renderToString } from 'vue/server-renderer';
import SegmentPick from './SegmentPick.vue';

test('one of a few is pressed, the group has a name, and each says its own', async () => {
  const html = await renderToString(
    createSSRApp(SegmentPick, {
      label: 'Part',
      modelValue: 'capo',
      options: [
        { id: 'full', name: 'Every chord' },
        { id: 'capo', name: 'Capo 3' },
      ],
    }),
  );
  expect(html).toContain('role="group" aria-label="Part"');
  expect(html).toMatch(/aria-pressed="false"[^>]*>(<!--\[-->)?Every chord/);
  expect(html).toMatch(/aria-pressed="true"[^>]*>(<!--\[-->)?Capo 3/);
});
