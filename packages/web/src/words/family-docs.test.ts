/** docs/drill-families.md is written from the families themselves: `UPDATE_DOCS=1 npx jest family-docs` writes it anew. */
import { FAMILIES, type Spec } from '@finch/core/drills';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { FAMILY_WORDS } from './family-words';

const FILE = join(__dirname, '../../../../docs/drill-families.md');

function bounds(spec: Spec): string {
  switch (spec.is) {
    case 'whole':
    case 'number':
      return `${spec.least} to ${spec.most}`;
    case 'one of':
      return spec.values.join(', ');
    case 'list':
      return `${spec.least} to ${spec.most} of: ${bounds(spec.of)}`;
    case 'three':
      return `three of: ${bounds(spec.of)}`;
    case 'record':
      return Object.entries(spec.of)
        .map(([name, of]) => `${name} (${bounds(of)})`)
        .join(', ');
    case 'text':
      return spec.what;
    default:
      return spec.is;
  }
}
const page = [
  '# Drill families',
  '',
  'Written from `packages/core/src/drills/families` by a test; do not edit.',
  ...FAMILIES.flatMap(({ name, group, parameters }) => [
    '',
    `## ${name}`,
    '',
    `${FAMILY_WORDS[name].trains} (${group}).`,
    '',
    '| parameter | bounds |',
    '| --- | --- |',
    ...Object.entries(parameters).map(
      ([parameter, spec]) => `| ${parameter}${spec.optional ? ', may be left out' : ''} | ${bounds(spec)} |`,
    ),
  ]),
  '',
].join('\n');

test('the page of families says what the families say', () => {
  if (process.env.UPDATE_DOCS) writeFileSync(FILE, page);
  expect(readFileSync(FILE, 'utf8')).toBe(page);
});
