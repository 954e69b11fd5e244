/** Which skills an item exercises, by the matches of a syllabus. */
import type { GripItem, Item } from '../drills/items';
import { layoutOfGrip, type Layout } from '../shapes/form';
import { parseChord } from '../theory/chord';
import { mod12, pitchClassOf } from '../theory/note';
import { fretsText } from '../grips/grip';
import type { GripMatch, Skill, SkillMatch, Syllabus } from './skill';

/** Skills that at least one of the items exercises, with those items; in syllabus order. */
export function skillsOf(
  items: readonly Item[],
  syllabus: Syllabus,
): { readonly skill: Skill; readonly items: readonly Item[] }[] {
  return syllabus.skills.flatMap((skill) => {
    const fitting = items.filter((item) => skill.matches.some((match) => matches(item, match)));
    return fitting.length ? [{ skill, items: fitting }] : [];
  });
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
