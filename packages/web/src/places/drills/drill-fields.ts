/** The parameters of a recipe as fields: what each is called, what may be chosen, and the recipe a choice makes. */
import {
  CHANGE_PIECES,
  LOOP_TEMPO,
  ROOT_ANSWERS,
  SECTION_PARTS,
  type ChangePiece,
  type Recipe,
  type RootAnswer,
} from '@finch/core/drills';
import { FORM_ORDER, ONE_NOTE_TARGETS, type Form } from '@finch/core/shapes';
import { majorKeys, makeChord, noteText, rootNamed } from '@finch/core/theory';
import { chordText, formText } from '../../words';

interface Choice {
  readonly value: string;
  readonly text: string;
}

export interface DrillField {
  readonly label: string;
  readonly value: string;
  readonly options: readonly Choice[];
  /** Anything may be typed; the options are then those usually taken. */
  readonly free?: true;
  readonly choose: (value: string) => Recipe;
}

/** One of several things that are each in or out. */
export interface DrillToggle {
  readonly text: string;
  readonly on: boolean;
  readonly flip: () => Recipe;
}

const range = (low: number, high: number, text: (n: number) => string = String): Choice[] =>
  Array.from({ length: Math.max(0, high - low + 1) }, (_, i) => ({
    value: String(low + i),
    text: text(low + i),
  }));
const these = (values: readonly (string | number)[]): Choice[] =>
  values.map((value) => ({ value: String(value), text: String(value) }));
const KEYS: readonly Choice[] = majorKeys().map((key) => ({ value: key.name, text: chordText(key.name) }));
const ROOTS: readonly Choice[] = Array.from({ length: 12 }, (_, i) => {
  const name = noteText(rootNamed(i));
  return { value: name, text: chordText(name) };
});
const QUALITY_TEXT: Readonly<Record<string, string>> = {
  root: 'root alone',
  major: 'major',
  minor: 'minor',
  dominant7: '7',
  major7: 'major 7',
  minor7: 'minor 7',
};
const named = (qualities: readonly string[]): Choice[] =>
  qualities.map((value) => ({ value, text: QUALITY_TEXT[value] ?? value }));
const SECONDS = range(2, 12, (n) => `${n} s`);
const PROGRESSIONS = ['I vi IV V', 'ii V I', 'I IV V', 'I V vi IV', 'vi IV I V'];
const FULL_GRID = { rootStrings: [6, 5], answers: ROOT_ANSWERS.slice(1), weak: [] } as const;
const forms = (): Choice[] => FORM_ORDER.map((form) => ({ value: form, text: formText(form) }));
const stringSets = (strings: number): Choice[] =>
  Array.from({ length: strings - 2 }, (_, i) => [i + 3, i + 2, i + 1].join(' ')).map((set) => ({
    value: set,
    text: set,
  }));

/** A choice made by hand that is not among the usual ones is offered too, so that a field never shows another value. */
function field(
  label: string,
  value: string | number,
  options: readonly Choice[],
  choose: (value: string) => Recipe,
): DrillField {
  const now = String(value);
  const known = options.some((one) => one.value === now);
  return {
    label,
    value: now,
    options: known ? options : [{ value: now, text: chordText(now) }, ...options],
    choose,
  };
}

/** A field anything may be typed in; what is typed wrong is said by the drill. */
const typed = (
  label: string,
  value: string,
  options: readonly Choice[],
  choose: (value: string) => Recipe,
): DrillField => ({ ...field(label, value, options, choose), free: true });

/** Patterns that are usual to begin with. */
const PICKING = [
  'p i m a',
  'p i m i',
  'p i p m',
  'p m i a',
  'p i m a m i',
  'p a m i',
  'p im p im',
  'p - im -',
];
const BACK: readonly Choice[] = [
  { value: 'back', text: 'walks back' },
  { value: 'stays', text: 'begins again' },
];
const THUMB: readonly Choice[] = [
  { value: 'root', text: 'on the lowest string' },
  { value: 'alternating', text: 'alternating' },
];
const SECTION_TEXT: Readonly<Record<(typeof SECTION_PARTS)[number], string>> = {
  'as written': 'chords as written',
  'one stroke': 'one stroke a chord',
  melody: 'the melody',
};
const STRUM_LEVEL_TEXT = [
  '1, quarters and rests',
  '2, eighths',
  '3, off the beat',
  '4, ties and accents',
  '5, chops and mutes',
  '6, sixteenths',
];
const PIECE_TEXT: Readonly<Record<ChangePiece, string>> = {
  'one finger': 'the finger that lands last',
  slide: 'the fingers that slide',
  pivot: 'around what stays',
  air: 'in the air',
};

/** The fields of a recipe on an instrument of so many strings; empty where a family has nothing to choose. */
export function drillFields(recipe: Recipe, strings: number): DrillField[] {
  switch (recipe.family) {
    case 'warm up': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [field('Minutes', p.minutes, range(1, 10), (n) => set({ minutes: Number(n) }))];
    }
    case 'string walk': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        field('String', p.string, range(1, strings), (n) => set({ string: Number(n) })),
        field('Notes of', p.key, KEYS, (key) => set({ key })),
        field('Up to fret', p.maxFret, range(3, 17), (n) => set({ maxFret: Number(n) })),
        field('Calls after', p.calls, these([6, 12, 18, 24]), (n) => set({ calls: Number(n) })),
        field('Each within', p.secondsPerCall, SECONDS, (n) => set({ secondsPerCall: Number(n) })),
      ];
    }
    case 'note reading': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        field('Key', p.key, KEYS, (key) => set({ key })),
        field(
          'Position',
          p.position,
          range(0, 12, (n) => (n ? `index at ${n}` : 'open')),
          (n) => set({ position: Number(n) }),
        ),
        field(
          'Range grows to',
          p.strings,
          range(1, strings, (n) => (n === 1 ? 'string 1' : `strings 1 to ${n}`)),
          (n) => set({ strings: Number(n) }),
        ),
        field('Notes', p.count, these([8, 12, 16, 24, 48]), (n) => set({ count: Number(n) })),
        field('Each within', p.secondsPerNote, SECONDS, (n) => set({ secondsPerNote: Number(n) })),
      ];
    }
    case 'root call': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      const asked: Choice[] = [{ value: 'grid', text: 'the whole grid' }, ...named(ROOT_ANSWERS)];
      return [
        field('Ask', p.grid ? 'grid' : p.answer, asked, (value) =>
          set(value === 'grid' ? { grid: FULL_GRID } : { grid: undefined, answer: value as RootAnswer }),
        ),
        ...(p.grid
          ? []
          : [
              field(
                'Root on',
                p.rootString,
                range(5, 6, (n) => `string ${n}`),
                (n) => set({ rootString: Number(n) as 5 | 6 }),
              ),
            ]),
        field('Calls', p.count, these([12, 24, 48, 96]), (n) => set({ count: Number(n) })),
        field('From fret', p.minFret ?? 1, range(0, 7), (n) => set({ minFret: Number(n) })),
        field('Each within', p.secondsPerCall, SECONDS, (n) => set({ secondsPerCall: Number(n) })),
      ];
    }
    case 'formula': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [field('Each within', p.secondsPerCall, SECONDS, (n) => set({ secondsPerCall: Number(n) }))];
    }
    case 'family ladder': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        field('Root', p.root, ROOTS, (root) => set({ root })),
        field('Form', p.form, forms(), (form) => set({ form: form as Form })),
        field('Beats each', p.beatsEach, these([2, 4, 8]), (n) => set({ beatsEach: Number(n) })),
      ];
    }
    case 'five forms': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        field('Root', p.root, ROOTS, (root) => set({ root })),
        field('Quality', p.quality, named(['major', 'minor', 'dominant7', 'major7', 'minor7']), (quality) =>
          set({ quality }),
        ),
        field('Way', p.order, these(['up', 'up and down']), (order) => set({ order: order as 'up' })),
        field('Bars each', p.barsEach, range(1, 4), (n) => set({ barsEach: Number(n) })),
        field('Keys', p.keys, range(1, 4), (n) => set({ keys: Number(n) })),
        field('Next key', p.next, these(['fourths', 'fifths', 'random']), (next) =>
          set({ next: next as 'fourths' }),
        ),
        field('Open strings', p.allowOpen ? 'with' : 'without', these(['without', 'with']), (value) =>
          set({ allowOpen: value === 'with' }),
        ),
      ];
    }
    case 'close triads': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      const then = [{ value: '', text: 'nothing' }, ...these(PROGRESSIONS)];
      const inKey = (root: string, numerals: readonly string[]) => ({ key: `${root} major`, numerals });
      return [
        field('Root', p.root, ROOTS, (root) =>
          set({ root, ...(p.progression ? { progression: inKey(root, p.progression.numerals) } : {}) }),
        ),
        field('Strings', p.strings.join(' '), stringSets(strings), (value) =>
          set({ strings: value.split(' ').map(Number) as [number, number, number] }),
        ),
        field('Then', p.progression?.numerals.join(' ') ?? '', then, (value) =>
          set({ progression: value ? inKey(p.root, value.split(' ')) : undefined }),
        ),
      ];
    }
    case 'ring check':
      return [];
    case 'change loop': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      const beats = field('Beats each', p.beatsEach, these([2, 3, 4, 8]), (n) =>
        set({ beatsEach: Number(n) }),
      );
      if (p.grips.length !== 2) return [beats];
      const pieces = CHANGE_PIECES.map((value) => ({ value, text: PIECE_TEXT[value] }));
      return [
        field('Practise', p.piece ?? '', [{ value: '', text: 'the whole change' }, ...pieces], (value) =>
          set({ piece: (value || undefined) as ChangePiece | undefined }),
        ),
        ...(p.piece ? [] : [beats]),
      ];
    }
    case 'bass walk': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        typed('From', p.from, [], (from) => set({ from })),
        typed('To', p.to, [], (to) => set({ to })),
        field('Key', p.key, KEYS, (key) => set({ key })),
        field('The bass goes', p.way, these(['up', 'down']), (way) => set({ way: way as 'up' })),
        field(
          'By',
          p.by,
          [
            { value: 'scale', text: 'steps of the key' },
            { value: 'half steps', text: 'half steps' },
          ],
          (by) => set({ by: by as 'scale' }),
        ),
        field('Then', p.back ? 'back' : 'stays', BACK, (value) => set({ back: value === 'back' })),
        field('Beats each', p.beatsEach, these([2, 3, 4, 8]), (n) => set({ beatsEach: Number(n) })),
      ];
    }
    case 'strum reading': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      const levels = STRUM_LEVEL_TEXT.map((text, i) => ({ value: String(i + 1), text }));
      return [
        field('Level', p.level, levels, (n) => set({ level: Number(n) })),
        field('Beats a bar', p.beats, range(2, 7), (n) => set({ beats: Number(n) })),
        field('Bars', p.bars, these([4, 8, 12, 16]), (n) => set({ bars: Number(n) })),
        field('Sheet', recipe.seed, range(1, 20), (n) => ({ ...recipe, seed: Number(n) })),
      ];
    }
    case 'picking pattern': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        typed('Pattern', p.pattern, these(PICKING), (pattern) => set({ pattern })),
        field('Steps a beat', p.perBeat, range(1, 4), (n) => set({ perBeat: Number(n) })),
        field('Beats a bar', p.beats, range(2, 7), (n) => set({ beats: Number(n) })),
        field('Bars each', p.barsEach, range(1, 4), (n) => set({ barsEach: Number(n) })),
        field('Thumb', p.bass, THUMB, (bass) => set({ bass: bass as 'root' })),
        field('With', p.striker, these(['fingers', 'plectrum']), (one) => set({ striker: one as 'fingers' })),
      ];
    }
    case 'piece section': {
      const p = recipe.parameters;
      const set = (more: Partial<typeof p>): Recipe => ({ ...recipe, parameters: { ...p, ...more } });
      return [
        field(
          'Play',
          p.part,
          SECTION_PARTS.map((value) => ({ value, text: SECTION_TEXT[value] })),
          (part) => set({ part: part as 'melody' }),
        ),
      ];
    }
  }
}

/** The qualities a formula asks for, each in or out; empty for other families. */
export function drillToggles(recipe: Recipe): DrillToggle[] {
  if (recipe.family !== 'formula') return [];
  const { targets } = recipe.parameters;
  return ONE_NOTE_TARGETS.map((target) => {
    const on = targets.includes(target);
    const next = on ? targets.filter((one) => one !== target) : [...targets, target];
    const symbol = makeChord({ letter: 'C', accidental: 0 }, target).symbol;
    return {
      text: chordText(symbol).slice(1),
      on,
      flip: () => ({ ...recipe, parameters: { ...recipe.parameters, targets: next } }),
    };
  });
}

/** The tempo a recipe sets; null where it sets none. */
export const tempoOf = (recipe: Recipe): number | null =>
  'tempoBpm' in recipe.parameters ? (recipe.parameters.tempoBpm ?? null) : null;

/** The recipe at another tempo, held inside the ladder. */
export function withTempo(recipe: Recipe, tempoBpm: number): Recipe {
  const held = Math.min(
    LOOP_TEMPO.highest,
    Math.max(LOOP_TEMPO.lowest, Math.round(tempoBpm) || LOOP_TEMPO.lowest),
  );
  // Family and parameters stay a pair; only the tempo is another.
  return { ...recipe, parameters: { ...recipe.parameters, tempoBpm: held } } as Recipe;
}
