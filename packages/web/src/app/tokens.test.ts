import { readFileSync, readdirSync } from 'node:fs';
import { join, relative } from 'node:path';

const css = readFileSync(join(__dirname, 'tokens.css'), 'utf8');

function tokens(block: string): Record<string, string> {
  return Object.fromEntries(
    [...block.matchAll(/--([\w-]+):\s*(#[0-9a-f]{6})/gi)].map((match) => [match[1], match[2]]),
  );
}
const day = tokens(css.slice(css.indexOf(':root'), css.indexOf('[data-bs-theme')));
const evening = { ...day, ...tokens(css.slice(css.indexOf('[data-bs-theme'))) };

/** Relative luminance and contrast (WCAG 2). */
function luminance(hex: string): number {
  const channels = [1, 3, 5]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.03928 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * channels[0] + 0.7152 * channels[1] + 0.0722 * channels[2];
}
function contrast(a: string, b: string): number {
  const [high, low] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (high + 0.05) / (low + 0.05);
}

describe.each([
  ['day', day],
  ['evening', evening],
] as const)('%s theme', (_, theme) => {
  test.each(['ink', 'ink2', 'ink3', 'crown', 'moss', 'breast', 'mask'])(
    'text in %s reads on sheet and bench',
    (name) => {
      expect(contrast(theme[name], theme.sheet)).toBeGreaterThanOrEqual(4.5);
      expect(contrast(theme[name], theme.bench)).toBeGreaterThanOrEqual(4.5);
    },
  );
  test.each(['wash-crown', 'wash-moss', 'wash-breast', 'wash-mask'])('ink reads on %s', (name) => {
    expect(contrast(theme.ink, theme[name])).toBeGreaterThanOrEqual(4.5);
  });
  test('controls, frets and strings are seen', () => {
    expect(contrast(theme['line-strong'], theme.sheet)).toBeGreaterThanOrEqual(3);
    expect(contrast(theme.string, theme.sheet)).toBeGreaterThanOrEqual(3);
    expect(contrast(theme['on-wingbar'], theme.wingbar)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(theme['wing-label'], theme.wing)).toBeGreaterThanOrEqual(4.5);
  });
  test('the five steps of mastery rise in one direction', () => {
    const steps = ['m1', 'm2', 'm3', 'm4', 'm5'].map((name) => luminance(theme[name]));
    const sorted = [...steps].sort((a, b) => a - b);
    expect([steps.join(), [...steps].reverse().join()]).toContain(sorted.join());
  });
});

describe('one scale of letters and one of spaces', () => {
  const web = join(__dirname, '..');
  /** Styles by file; drawings in `instruments` letter themselves in units of their own. */
  const styles = readdirSync(web, { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.vue') || name.endsWith('base.css'))
    .map((name) => {
      const text = readFileSync(join(web, name), 'utf8');
      const style = name.endsWith('.vue') ? (/<style[^>]*>([\s\S]*)<\/style>/.exec(text)?.[1] ?? '') : text;
      return { name: relative('.', name), style, drawing: name.startsWith('instruments') };
    });

  test('letters are of the nine sizes; a label of two letters in a drawing may be 11 px', () => {
    const odd = styles
      .filter((one) => !one.drawing)
      .flatMap(({ name, style }) =>
        [...style.matchAll(/font-size: ([^;]+);/g)]
          .map(([, size]) => size)
          .filter((size) => !/^(var\(--size-[\w-]+\)|11px|[\d.]+(pt|em|%)|inherit)$/.test(size))
          .map((size) => `${name} ${size}`),
      );
    expect(odd).toEqual([]);
  });

  test('spaces are of the six; one or two pixels are a hair', () => {
    const odd = styles.flatMap(({ name, style }) =>
      [...style.matchAll(/(?<![\w-])((?:row-|column-)?gap|(?:padding|margin)(?:-[a-z-]+)?): ([^;{}]+);/g)]
        .filter(([, , value]) => !/calc|env\(/.test(value))
        .flatMap(([, prop, value]) =>
          [...value.matchAll(/-?[\d.]+px/g)]
            .filter(([size]) => Math.abs(parseFloat(size)) > 2)
            .map(([size]) => `${name} ${prop} ${size}`),
        ),
    );
    expect(odd).toEqual([]);
  });

  test('every token that a style names is there', () => {
    const named = new Set(
      styles
        .flatMap(({ style }) => [...style.matchAll(/var\(--(size|space)-([\w-]+)\)/g)])
        .map(([all]) => all),
    );
    for (const one of named) expect(css).toContain(`${one.slice(4, -1)}:`);
  });
});
