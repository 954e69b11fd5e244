/**
 * A teacher's words lead to drills: what is wrong ("slow on minors", "string 3 buzzes", "F will not ring"), a family, or a
 * skill by name. Every drill offered is made for the hand it is asked for, or is its nearest that can be.
 */
import {
  FAMILIES,
  firstRecipe,
  forHand,
  makeDrill,
  nearestRecipe,
  type DrillFamily,
  type Recipe,
} from '../drills';
import type { Reason } from '../effort/explain';
import { COMPLAINTS, HURTS, saidIn, type Asking } from './complaints';
import type { Skill } from './skill';

export interface FoundDrill {
  readonly recipe: Recipe;
  /** Why it is offered: what was heard, the skill, or the family. */
  readonly because: Reason;
}

export interface Found {
  /** The families whose own words hold what was typed; all of them where nothing was. */
  readonly families: readonly DrillFamily[];
  /** Three at most. */
  readonly drills: readonly FoundDrill[];
  /** Pain was named: nothing that is played is offered. */
  readonly hurts: boolean;
}

export interface Finding extends Asking {
  /** Families with the words they are called and described by. */
  readonly words: Readonly<Record<DrillFamily, string>>;
  readonly skills: readonly Pick<Skill, 'name' | 'practice'>[];
}

const MOST = 3;
const ALL: readonly DrillFamily[] = FAMILIES.map((one) => one.name);

/** What the words lead to; the same words and hand give the same drills. */
export function findDrills(finding: Finding): Found {
  const text = finding.text.trim();
  if (text === '') return { families: ALL, drills: [], hurts: false };
  const hurts = HURTS.heard.test(text);
  const families = ALL.filter((name) => holds(finding.words[name], text));
  const found: FoundDrill[] = [];
  const offer = (recipe: Recipe, because: Reason) => {
    if (found.length >= MOST) return;
    const own = made(recipe, finding);
    if (own && !found.some((one) => same(one.recipe, own))) found.push({ recipe: own, because });
  };
  const said = saidIn(finding);
  for (const { offered: code, heard, drills } of hurts ? [HURTS] : COMPLAINTS)
    if (heard.test(text)) for (const recipe of drills(said, finding)) offer(recipe, { code, values: {} });
  if (hurts) return { families, drills: found, hurts };
  for (const { name, practice } of finding.skills)
    if (holds(name, text)) for (const { recipe } of practice.slice(0, 1)) offer(recipe, { code: 'found.skill', values: { skill: name } }); // prettier-ignore
  for (const family of families)
    offer(firstRecipe(family, { grip: said.grip, from: null, held: finding.held, instrument: finding.context.instrument }), { code: 'found.family', values: { family } }); // prettier-ignore
  return { families, drills: found, hurts };
}

/** Whether each typed word begins one of the words. */
function holds(words: string, text: string): boolean {
  const parts = words.toLowerCase().split(/[^a-z0-9#♭♯]+/); // prettier-ignore
  const typed = text.toLowerCase().split(/[^a-z0-9#♭♯]+/).filter(Boolean); // prettier-ignore
  return typed.length > 0 && typed.every((one) => parts.some((part) => part.startsWith(one)));
}

const same = (a: Recipe, b: Recipe): boolean => JSON.stringify([a.family, a.parameters]) === JSON.stringify([b.family, b.parameters]); // prettier-ignore

/** The recipe for this hand where its drill can be made and stays inside the limit, else its nearest that does; null where none does. */
function made(recipe: Recipe, { context }: Finding): Recipe | null {
  const fits = (one: Recipe) => {
    const drill = makeDrill(one, context);
    return drill.ok && !drill.value.overLimit;
  };
  const own = forHand(recipe, context);
  if (fits(own)) return own;
  const near = nearestRecipe(own, context);
  return near && fits(near) ? near : null;
}
