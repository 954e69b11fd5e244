/**
 * Spell it: notes, triads, sevenths, chords and scales of keys, chosen among what is usually taken for them: the same sound
 * by another letter, the third altered, the key next to it. Everything once before anything comes again.
 */
import type { DrillContext } from '../../../hands/taught-hand';
import { seededRandom } from '../../../kernel/random';
import { fail, ok, type Result } from '../../../kernel/result';
import { degreeChords } from '../../../theory/degree-chords';
import { noteAtDegree } from '../../../theory/degree';
import { makeKey, type Key } from '../../../theory/key';
import { noteText, type NoteName } from '../../../theory/note';
import { callsDrill, checkCount, inRounds } from '../../calls';
import { altered, choiceCalls, respelled, type Asked } from '../../choice-calls';
import type { DrillOf, Slip } from '../../drill';
import { type FamilyDefinition, gripless } from '../../family';
import { keysAround } from '../../keys-around';
import { keyOnRoot, keyRoot, rootText } from '../../moving';
import { beside } from '../../notches';
import { type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { WHATS, parameters } from './parameters';

type What = (typeof WHATS)[number];

type Parameters = ParametersOf<typeof parameters>;
export type SpellItRecipe = RecipeOf<'spell it', Parameters>;
export const spellIt = recipeOf<SpellItRecipe>('spell it');

/** Points for each sign of the widest signature and for each kind of question after the first (our assumption). */
const POINTS = { sign: 0.6, what: 1.5, key: 0.2 } as const;

const spelled = (notes: readonly NoteName[]): string => notes.map(noteText).join(' ');
const replaced = (notes: readonly NoteName[], at: number, note: NoteName | null): string | null =>
  note ? spelled(notes.map((one, i) => (i === at ? note : one))) : null;
type Wrong = readonly (readonly [string | null, Slip])[];
const wrongOf = (all: Wrong): (readonly [string, Slip])[] =>
  all.flatMap(([choice, slip]) => (choice === null ? [] : [[choice, slip] as const]));

/** The key a fifth up, or down at the end of the circle. */
function neighbour(of: Key): Key | null {
  for (const degree of ['5', '4']) {
    const made = makeKey(`${noteText(noteAtDegree(of.tonic, degree))} ${of.kind}`);
    if (made.ok) return made.value;
  }
  return null;
}

/** All there is to ask of a key. */
function questionsOf(of: Key, what: What): Asked[] {
  const near = neighbour(of);
  const root = noteText(of.tonic);
  const degree = (at: number) => String(at + 1);
  switch (what) {
    case 'notes':
      return of.scale.map((note, at) => ({
        item: { kind: 'interval', root, degree: degree(at) },
        ask: { code: 'ask.spell-note', values: { degree: degree(at), key: of.name } },
        right: noteText(note),
        wrong: wrongOf([
          [respelled(note) && spelled([respelled(note) as NoteName]), 'respelled'],
          [noteText(altered(note)), at === 2 ? 'third altered' : 'altered'],
          [near && noteText(near.scale[at]), 'neighbour key'],
          [noteText(of.scale[(at + 2) % 7]), 'another degree'],
          [noteText(of.scale[(at + 1) % 7]), 'another degree'],
        ]),
        heard: [of.tonic, note],
      }));
    case 'degrees':
      return of.scale.map((note, at) => ({
        item: { kind: 'interval', root, degree: degree(at) },
        ask: { code: 'ask.spell-degree', values: { note: noteText(note), key: of.name } },
        right: degree(at),
        wrong: [1, 6, 2].map((by) => [degree((at + by) % 7), 'another degree'] as const),
        heard: [of.tonic, note],
      }));
    case 'triads':
    case 'sevenths':
    case 'chords':
      return degreeChords(of, { sevenths: what !== 'triads' }).map((one, at) => {
        const notes = one.chord.tones.map((tone) => tone.note);
        const asked = {
          chord: one.chord.symbol,
          key: of.name,
          figure: what === 'triads' ? one.numeral : one.figure,
        };
        const nearChord = near && degreeChords(near, { sevenths: what !== 'triads' })[at].chord;
        const next = degreeChords(of, { sevenths: what !== 'triads' })[(at + 2) % 7].chord;
        const named = what === 'chords';
        return {
          item: { kind: 'interval', root: noteText(one.chord.root), degree: named ? '1' : '3' },
          ask: { code: named ? 'ask.spell-chord' : 'ask.spell-tones', values: asked },
          right: named ? one.chord.symbol : spelled(notes),
          wrong: named
            ? wrongOf([
                otherTone(one.chord.symbol),
                [withRoot(one.chord.symbol, one.chord.root), 'respelled'],
                [nearChord && nearChord.symbol, 'neighbour key'],
                [next.symbol, 'another degree'],
              ])
            : wrongOf([
                [replaced(notes, 1, respelled(notes[1])), 'respelled'],
                [replaced(notes, 1, altered(notes[1])), 'third altered'],
                [replaced(notes, 2, altered(notes[2])), 'altered'],
                [replaced(notes, 2, respelled(notes[2])), 'respelled'],
                [spelled(next.tones.map((tone) => tone.note)), 'another degree'],
              ]),
          heard: notes,
        };
      });
    case 'scales':
      return [
        {
          item: { kind: 'key', key: of.name },
          ask: { code: 'ask.spell-scale', values: { key: of.name } },
          right: spelled(of.scale),
          wrong: wrongOf([
            [replaced(of.scale, 6, respelled(of.scale[6])), 'respelled'],
            [replaced(of.scale, 3, altered(of.scale[3])), 'altered'],
            [replaced(of.scale, 2, altered(of.scale[2])), 'third altered'],
            [replaced(of.scale, 6, altered(of.scale[6])), 'altered'],
          ]),
          heard: [...of.scale, of.tonic],
        },
      ];
  }
}

/** The chord it is taken for: with the other third, or of a diminished one with the plain fifth. */
function otherTone(symbol: string): readonly [string | null, Slip] {
  const [, root, rest] = /^([A-G][b#]*)(.*)$/.exec(symbol) ?? [];
  if (root === undefined) return [null, 'altered'];
  if (rest.startsWith('maj') || rest === '' || rest === '7')
    return [`${root}m${rest.replace('maj', '')}`, 'third altered'];
  return rest === 'm' || rest === 'm7' ? [root + rest.slice(1), 'third altered'] : [`${root}m7`, 'altered'];
}
function withRoot(symbol: string, root: NoteName): string | null {
  const other = respelled(root);
  return other ? noteText(other) + symbol.slice(noteText(root).length) : null;
}

function make(recipe: SpellItRecipe, context: DrillContext): Result<DrillOf<SpellItRecipe>> {
  const { what, key: name, keys: many, count, secondsPerCall } = recipe.parameters;
  if (!(Number.isInteger(many) && many >= 1 && many <= 15)) return fail('drill.keys', 'keys', '1 to 15 keys');
  const counted = checkCount(count, 30);
  if (!counted.ok) return counted;
  if (!(secondsPerCall >= 4 && secondsPerCall <= 20))
    return fail('drill.seconds', 'secondsPerCall', '4 to 20 seconds');
  const keys = keysAround(name, many);
  if (!keys.ok) return keys;
  const random = seededRandom(recipe.seed);
  const asked = inRounds(
    keys.value.flatMap((of) => questionsOf(of, what)),
    count,
    random,
  );
  const signs = Math.max(...keys.value.map((of) => Math.abs(of.fifths)));
  return ok(
    callsDrill(
      recipe,
      {
        ...choiceCalls(asked, random, context),
        secondsPerCall,
        morePoints: POINTS.sign * signs + POINTS.what * WHATS.indexOf(what) + POINTS.key * many,
      },
      context,
    ),
  );
}

const SLOWEST = 20;
const FASTEST = 4;

export const spellItFamily: FamilyDefinition<SpellItRecipe> = {
  name: 'spell it',
  group: 'by ear and on paper',
  evidence: 'name',
  draws: () => true,
  parameters,
  ...gripless,
  root: ({ parameters: { key: name } }) => keyRoot(name),
  rekey: (recipe, move) => ok(withParameters(recipe, { key: keyOnRoot(recipe.parameters.key, move) })),
  title: ({ parameters: { what, key: name, keys } }) => ({
    code: 'title.spell',
    values: { what, key: name, keys },
  }),
  first: ({ grip }) =>
    spellIt({ what: 'notes', key: `${rootText(grip)} major`, keys: 3, count: 10, secondsPerCall: 8 }),
  make,
  /** More seconds; at the most fewer keys, then what is simpler to spell. */
  easier: (recipe) => {
    const { secondsPerCall, keys, what } = recipe.parameters;
    const simpler = beside(WHATS, what, -1);
    if (secondsPerCall < SLOWEST) return ok(withParameters(recipe, { secondsPerCall: secondsPerCall + 1 }));
    if (keys > 1) return ok(withParameters(recipe, { keys: 1 }));
    return simpler
      ? ok(withParameters(recipe, { what: simpler }))
      : fail('drill.easiest', 'secondsPerCall', `${SLOWEST} seconds is the slowest call`);
  },
  /** What is harder to spell, then fewer seconds. */
  harder: (recipe) => {
    const { secondsPerCall, what } = recipe.parameters;
    const further = beside(WHATS, what, 1);
    if (further) return ok(withParameters(recipe, { what: further }));
    return secondsPerCall > FASTEST
      ? ok(withParameters(recipe, { secondsPerCall: secondsPerCall - 1 }))
      : fail('drill.hardest', 'secondsPerCall', `${FASTEST} seconds is the fastest call`);
  },
  fallbacks: (recipe) => {
    const { key: name, keys, count, secondsPerCall } = recipe.parameters;
    const twin = makeKey(name);
    const instead = twin.ok ? name : makeKey(twin.problem.detail).ok ? twin.problem.detail : 'C major';
    return [
      withParameters(recipe, {
        key: instead,
        keys: Math.min(15, Math.max(1, Math.round(keys) || 3)),
        count: Math.min(30, Math.max(5, Math.round(count) || 10)),
        secondsPerCall: Math.min(SLOWEST, Math.max(FASTEST, Math.round(secondsPerCall) || 8)),
      }),
    ];
  },
};
