/** Which skills an item exercises, by the matches of a syllabus. */
import type { GripItem, Item } from '../drills/items';
import type { Recipe } from '../drills/recipe';
import { gripsOf } from '../drills/make-drill';
import { layoutOfGrip, type Layout } from '../shapes/form';
import { parseChord } from '../theory/chord';
import { mod12, pitchClassOf } from '../theory/note';
import { fretsText } from '../grips/grip';
import type { DrillMatch, GripMatch, Skill, SkillMatch, Syllabus } from './skill';

/** What was played or would be: its items, and the recipe where it was a drill. */
export interface Played {
  readonly items: readonly Item[];
  readonly recipe?: Recipe | null;
}

/** Skills that it exercises, with the items that do, all of them where the drill itself does; in syllabus order. */
export function skillsOf(
  { items, recipe }: Played,
  syllabus: Pick<Syllabus, 'skills'>,
): { readonly skill: Skill; readonly items: readonly Item[] }[] {
  return syllabus.skills.flatMap((skill) => {
    if (recipe && skill.matches.some((match) => match.kind === 'drill' && isDrill(recipe, match)))
      return [{ skill, items }];
    const fitting = items.filter((item) => skill.matches.some((match) => matches(item, match)));
    return fitting.length ? [{ skill, items: fitting }] : [];
  });
}

/** The grips of a drill as one text, `x02210 x32010`. */
export const gripsText = (recipe: Recipe): string =>
  gripsOf(recipe)
    .map(({ frets }) => fretsText(frets))
    .join(' ');

function isDrill(recipe: Recipe, { family, where }: DrillMatch): boolean {
  if (recipe.family !== family) return false;
  const given = recipe.parameters as unknown as Readonly<Record<string, unknown>>;
  return Object.entries(where).every(([name, wanted]) => {
    const value = name === 'grips' ? gripsText(recipe) : given[name];
    if (Array.isArray(wanted)) return wanted.some((one) => one === value);
    const { from, to } = wanted as { from: number; to: number };
    return typeof value === 'number' && value >= from && value <= to;
  });
}

/** Names the parameters that any match asks about: recipes that agree in these and in their items exercise the same. */
export function askedOf(syllabus: Syllabus): (recipe: Recipe) => string {
  const names = new Map<string, Set<string>>();
  for (const match of syllabus.skills.flatMap((skill) => skill.matches)) {
    if (match.kind !== 'drill') continue;
    const asked = names.get(match.family) ?? new Set();
    for (const name of Object.keys(match.where)) asked.add(name);
    names.set(match.family, asked);
  }
  return (recipe) => {
    const asked = names.get(recipe.family);
    if (!asked) return '';
    const given = recipe.parameters as unknown as Readonly<Record<string, unknown>>;
    return `${recipe.family} ${[...asked].map((name) => (name === 'grips' ? gripsText(recipe) : JSON.stringify(given[name]))).join()}`;
  };
}

function matches(item: Item, match: SkillMatch): boolean {
  switch (match.kind) {
    case 'grip':
      return item.kind === 'grip' && gripMatches(item, match);
    case 'change': {
      if (item.kind !== 'change') return false;
      const [a, b] = [item.from, item.to];
      const either =
        (gripMatches(a, match.from) && gripMatches(b, match.to)) ||
        (gripMatches(a, match.to) && gripMatches(b, match.from));
      if (!either || a.frets.join() === b.frets.join()) return false;
      if (!match.moves) return true;
      const moved = Math.abs(lowest(a) - lowest(b));
      return moved >= match.moves[0] && moved <= match.moves[1];
    }
    case 'note':
      return item.kind === 'note' && item.string === match.string;
    case 'drill':
      return false;
    case 'progression':
      return item.kind === 'progression' && item.numerals.join() === match.numerals.join();
  }
}

interface GripFacts {
  readonly text: string;
  readonly quality: string;
  readonly layout: 'open' | 'movable' | 'shell' | null;
  readonly form: string | null;
  readonly rootString: number | null;
  readonly lowest: number;
  readonly sounding: readonly number[];
}

/** A skill on a form counts its four-string parts too; close triads have skills of their own. */
function kindFor(kind: Layout['kind'] | undefined): GripFacts['layout'] {
  if (kind === 'part') return 'movable';
  return kind === undefined || kind === 'triad' ? null : kind;
}

const facts = new WeakMap<GripItem, GripFacts>();

function factsOf(item: GripItem): GripFacts {
  const found = facts.get(item);
  if (found) return found;
  const chord = parseChord(item.chord);
  const rootClass = chord.ok ? pitchClassOf(chord.value.root) : -1;
  const strings = item.frets.length;
  const pitches = item.frets.map((fret, s) => (fret === null ? null : item.tuning[s] + item.capo + fret));
  const heard = pitches.filter((pitch): pitch is number => pitch !== null);
  const rootIndex = pitches.findIndex((pitch) => pitch !== null && mod12(pitch) === rootClass);
  const rootLowest = mod12(Math.min(...heard)) === rootClass;
  const quality = chord.ok ? chord.value.quality : '';
  const layout = layoutOfGrip(item.frets, quality, rootLowest, item.tuning);
  const made = {
    text: fretsText(item.frets),
    quality,
    layout: kindFor(layout?.kind),
    form: layout?.form ?? null,
    rootString: rootIndex < 0 ? null : strings - rootIndex,
    lowest: lowest(item),
    sounding: item.frets.flatMap((fret, s) => (fret === null ? [] : [strings - s])),
  };
  facts.set(item, made);
  return made;
}

function gripMatches(item: GripItem, match: GripMatch): boolean {
  const grip = factsOf(item);
  if (match.grips && !match.grips.includes(grip.text)) return false;
  if (match.qualities && !match.qualities.includes(grip.quality)) return false;
  if (match.layouts && !(grip.layout && match.layouts.includes(grip.layout))) return false;
  if (match.forms && !(grip.form && match.forms.includes(grip.form))) return false;
  if (match.rootString && grip.rootString !== match.rootString) return false;
  if (match.position && !(grip.lowest >= match.position[0] && grip.lowest <= match.position[1])) return false;
  if (match.topThree && grip.sounding.join() !== '3,2,1') return false;
  if (match.strings && grip.sounding.length < match.strings) return false;
  return true;
}

function lowest(item: GripItem): number {
  const fretted = item.frets.filter((fret): fret is number => fret !== null && fret > 0);
  return fretted.length ? Math.min(...fretted) : 0;
}
