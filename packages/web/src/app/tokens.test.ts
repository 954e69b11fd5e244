import { readFileSync } from 'node:fs';
import { join } from 'node:path';

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
