/** docs/drill-families, a page a family, is written from the families themselves: `UPDATE_DOCS=1 npx jest family-docs` writes it anew. */
import {
  drillTitle,
  easier,
  FAMILIES,
  FAMILY_GROUPS,
  firstRecipe,
  harder,
  makeDrill,
  type Recipe,
  type Spec,
} from '@finch/core/drills';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { say } from '.';
import { notchWords } from '../places/drills/notch-words';
import { fieldLabel, FAMILY_WORDS, GROUP_WORDS } from './family-words';

const FOLDER = join(__dirname, '../../../../docs/drill-families');

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
const AN_OPEN_C = { chord: 'C', frets: [null, 3, 2, 0, 1, 0] };
const context = { hand: averageHand, instrument: standardGuitar };
const fileOf = (name: string): string => `${name.replaceAll(' ', '-')}.md`;
const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

/** A few notches one way, as they are said on screen. */
function notches(recipe: Recipe, way: typeof easier): string {
  const said: string[] = [];
  let now = recipe;
  for (let n = 0; n < 4; n++) {
    const next = way(now, context);
    if (!next.ok) break;
    said.push(notchWords(now, next.value));
    now = next.value;
  }
  return said.join('; ') || 'nothing further';
}

function pageOf({ name, group, parameters }: (typeof FAMILIES)[number]): string {
  const recipe = firstRecipe(name, { grip: AN_OPEN_C, from: null, instrument: standardGuitar });
  const made = makeDrill(recipe, context);
  if (!made.ok) throw new RangeError(`${name}: ${made.problem.code}`);
  const { steps, items, question, judged } = made.value;
  return [
    `# ${capital(name)}`,
    '',
    'Written from the family itself by a test; do not edit.',
    '',
    `${capital(FAMILY_WORDS[name].trains)}. Group: ${GROUP_WORDS[group]}.${FAMILY_WORDS[name].note ? ` ${FAMILY_WORDS[name].note}` : ''}`,
    '',
    '| parameter | on screen | bounds |',
    '| --- | --- | --- |',
    ...Object.entries(parameters).map(
      ([parameter, spec]: readonly [string, Spec]) =>
        `| ${parameter}${spec.optional ? ', may be left out' : ''} | ${spec.hidden ? 'by the notches' : fieldLabel(name, parameter)} | ${bounds(spec)} |`,
    ),
    '',
    '## Around an open C, for a middle hand',
    '',
    `“${say(drillTitle(recipe))}”: ${steps.length} ${steps.length === 1 ? 'step' : 'steps'}, the first of them “${say(steps[0].ask)}”.`,
    '',
    `- A take answers: ${say(question)} (by ${judged}).`,
    `- Kept about: ${[...new Set(items.map((item) => item.kind))].join(', ')}.`,
    `- Easier, notch by notch: ${notches(recipe, easier)}.`,
    `- Harder: ${notches(recipe, harder)}.`,
    '',
  ].join('\n');
}
const index = [
  '# Drill families',
  '',
  'A page a family, written from `packages/core/src/drills/families` by a test; do not edit.',
  ...FAMILY_GROUPS.flatMap((group) => [
    '',
    `## ${GROUP_WORDS[group]}`,
    '',
    ...FAMILIES.filter((one) => one.group === group).map(
      ({ name }) => `- [${name}](${fileOf(name)}): ${FAMILY_WORDS[name].trains}`,
    ),
  ]),
  '',
].join('\n');
const pages = new Map([
  ['README.md', index],
  ...FAMILIES.map((one) => [fileOf(one.name), pageOf(one)] as const),
]);

test('there is a page for each of the 31 families, and it says what the family says', () => {
  if (process.env.UPDATE_DOCS) {
    for (const old of readdirSync(FOLDER)) if (!pages.has(old)) rmSync(join(FOLDER, old));
    for (const [file, page] of pages) writeFileSync(join(FOLDER, file), page);
  }
  expect(FAMILIES).toHaveLength(31);
  expect(readdirSync(FOLDER).sort()).toEqual([...pages.keys()].sort());
  for (const [file, page] of pages) expect(readFileSync(join(FOLDER, file), 'utf8')).toBe(page);
});
