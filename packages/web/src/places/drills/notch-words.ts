/** What a notch changes, in words: "tempo 47", "level 4, tempo 47", "a lighter grip", or the choice it makes: "sevenths". */
import type { Recipe } from '@finch/core/drills';
import { choiceText, fieldLabel } from '../../words/family-words';

const NAMES: Readonly<Record<string, string>> = {
  tempoBpm: 'tempo',
  secondsPerCall: 'seconds a call',
  secondsPerNote: 'seconds a note',
  maxFret: 'highest fret',
  strings: 'strings',
  startFret: 'from fret',
  keys: 'keys',
  targets: 'fewer targets',
  grips: 'a lighter grip',
  grip: 'another grip',
  progression: 'without the progression',
  level: 'level',
  bass: 'the thumb stays',
  part: 'one stroke a chord',
  piece: 'the whole change',
};

export function notchWords(before: Recipe, next: Recipe): string {
  const had = new Map<string, unknown>(Object.entries(before.parameters));
  const has = new Map<string, unknown>(Object.entries(next.parameters));
  return [...new Set([...had.keys(), ...has.keys()])]
    .filter((name) => JSON.stringify(had.get(name)) !== JSON.stringify(has.get(name)))
    .map((name) => {
      const value = has.get(name);
      const label = () => fieldLabel(next.family, name).toLowerCase();
      if (typeof value === 'number') return `${NAMES[name] ?? label()} ${value}`;
      if (NAMES[name]) return NAMES[name];
      if (typeof value === 'boolean')
        return `${label()} ${choiceText(next.family, name, value ? 'yes' : 'no')}`;
      return value === undefined ? `no ${label()}` : choiceText(next.family, name, String(value));
    })
    .join(', ');
}
