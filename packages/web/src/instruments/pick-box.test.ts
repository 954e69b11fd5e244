import { createSSRApp } from 'vue';
import { renderToString } from 'vue/server-renderer';
import PickBox from './PickBox.vue';

test('every option stands in the box by its words, and nothing of the library around it', async () => {
  const html = await renderToString(
    createSSRApp(PickBox, {
      modelValue: null,
      options: [
        { value: null, text: 'any' },
        { value: 5, text: 'string 5' },
      ],
    }),
  );
  expect(html.match(/<option/g)).toHaveLength(2);
  expect(html).toContain('form-select-sm');
  expect(html).toMatch(/>any<\/option>[\s\S]*>string 5<\/option>/);
});
