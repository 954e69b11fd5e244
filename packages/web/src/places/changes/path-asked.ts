/** What is asked of a path, as the controls hold it, the limits it means, and how an address says it. */
import type { PathLimits, PathObjective } from '@finch/core/changes';
import { FORM_ORDER } from '@finch/core/shapes';

export interface PathAsked {
  objective: PathObjective;
  fromFret: number;
  toFret: number;
  bass: PathLimits['bass'];
  rootString: number | null;
  /** Strings that may sound, by number: from the thicker to the thinner; null for all. */
  strings: string | null;
  /** Letters of the forms a student holds, `CAGED` order; null when it does not matter. */
  forms: string | null;
  open: boolean;
  barre: boolean;
  /** Grips up to this hand's limit where a chord has one, as a piece is gripped; off, any. */
  insideLimit: boolean;
}

export const NOTHING_ASKED: PathAsked = {
  objective: 'easiest',
  fromFret: 0,
  toFret: 15,
  bass: 'root',
  rootString: null,
  strings: null,
  forms: null,
  open: true,
  barre: true,
  insideLimit: true,
};

export function limitsAsked(asked: PathAsked, limit: number): Partial<PathLimits> {
  const [thick, thin] = (asked.strings ?? '').split('-').map(Number);
  return {
    minFret: asked.fromFret,
    maxFret: Math.max(asked.fromFret, asked.toFret),
    bass: asked.bass,
    rootStrings: asked.rootString === null ? null : [asked.rootString],
    strings: asked.strings ? [thick, thin] : null,
    forms: asked.forms === null ? null : FORM_ORDER.filter((form) => asked.forms?.includes(form)),
    allowOpen: asked.open,
    allowBarre: asked.barre,
    maxEffort: asked.insideLimit ? limit : 100,
  };
}

/** Only what differs from nothing asked, for the address. */
export function writeAsked(asked: PathAsked): string {
  const says = Object.entries(asked).filter(
    ([name, value]) => value !== NOTHING_ASKED[name as keyof PathAsked],
  );
  return says.length ? JSON.stringify(Object.fromEntries(says)) : '';
}

/** What an address asks; anything it says wrongly is left as it is when nothing is asked. */
export function readAsked(text: string, objectives: readonly string[]): PathAsked {
  let said: Record<string, unknown> = {};
  try {
    const read: unknown = JSON.parse(text || '{}');
    if (read && typeof read === 'object') said = read as Record<string, unknown>;
  } catch {
    said = {};
  }
  const fret = (value: unknown, otherwise: number) =>
    Number.isInteger(value) && Number(value) >= 0 && Number(value) <= 24 ? Number(value) : otherwise;
  const nothing = NOTHING_ASKED;
  return {
    objective: objectives.includes(String(said.objective))
      ? (said.objective as PathObjective)
      : nothing.objective,
    fromFret: fret(said.fromFret, nothing.fromFret),
    toFret: fret(said.toFret, nothing.toFret),
    bass: said.bass === 'any' || said.bass === 'root or 5' ? said.bass : nothing.bass,
    rootString: [4, 5, 6].includes(Number(said.rootString)) ? Number(said.rootString) : null,
    strings: /^[3-8]-[1-6]$/.test(String(said.strings)) ? String(said.strings) : null,
    forms: /^[CAGED]{0,5}$/.test(String(said.forms)) ? String(said.forms) : null,
    open: said.open !== false,
    barre: said.barre !== false,
    insideLimit: said.insideLimit !== false,
  };
}
