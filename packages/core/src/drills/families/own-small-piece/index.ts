/**
 * Own small piece: eight to sixteen bars made by rule (`score/make-piece.ts`) from the grips a student holds and one new
 * chord, played as chords under a tune that is heard, or as the tune itself. Another seed, another piece.
 */
import type { DrillContext } from '../../../hands/taught-hand';
import { findKeys } from '../../../harmony/find-keys';
import { fail, ok, type Result } from '../../../kernel/result';
import { makePiece } from '../../../score/make-piece';
import { writtenChords, type Piece } from '../../../score/piece';
import { parseChord, type Chord } from '../../../theory/chord';
import { degreeChords } from '../../../theory/degree-chords';
import { makeKey } from '../../../theory/key';
import { pitchClassOf } from '../../../theory/note';
import type { DrillOf } from '../../drill';
import type { FamilyDefinition, Move, StartingPoint } from '../../family';
import { heldGrip } from '../../held-grip';
import type { Item } from '../../items';
import { keyOnRoot, keyRoot, movedChords, movedTogether, rootText } from '../../moving';
import { beside, easierBy, harderBy } from '../../notches';
import { type NamedGrip, type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { chordsDrill, melodyBars, melodyDrill } from '../../piece-drill';
import { METRES, parameters } from './parameters';

type Parameters = ParametersOf<typeof parameters>;
export type OwnSmallPieceRecipe = RecipeOf<'own small piece', Parameters>;
export const ownSmallPiece = recipeOf<OwnSmallPieceRecipe>('own small piece');

const BEATS = { '4/4': 4, '3/4': 3, '6/8': 6 } as const satisfies Record<(typeof METRES)[number], number>;

/** Played once through: the halves of sixteen bars are not repeated. */
const once = ({ order: _, ...piece }: Piece): Piece => piece;

/** The piece of a recipe. Problems: those of `makePiece`, `drill.chords` for no grips. */
export function pieceOf({ parameters: given, seed }: OwnSmallPieceRecipe): Result<Piece> {
  const { key, bars, metre, grips, fresh, uses, melody, play, strum } = given;
  if (grips.length === 0) return fail('drill.chords', 'grips', '1 to 12 chords');
  const made = makePiece({
    key,
    bars,
    beats: BEATS[metre],
    seed,
    melody: melody || play === 'melody',
    held: grips.map((one) => one.chord),
    ...(fresh ? { fresh: { chord: fresh, uses } } : {}),
    strum,
  });
  return made.ok ? ok(once(made.value)) : made;
}

/** The grip of each chord as it is called in the key, by the one held that sounds the same. */
function gripFor(symbol: string, grips: readonly NamedGrip[]): NamedGrip | undefined {
  const chord = parseChord(symbol);
  const same = (one: Chord) =>
    chord.ok &&
    one.quality === chord.value.quality &&
    pitchClassOf(one.root) === pitchClassOf(chord.value.root);
  return grips.find((one) => {
    const own = parseChord(one.chord);
    return own.ok && same(own.value);
  });
}

function make(recipe: OwnSmallPieceRecipe, context: DrillContext): Result<DrillOf<OwnSmallPieceRecipe>> {
  const made = pieceOf(recipe);
  if (!made.ok) return made;
  const { grips, fresh, play, melody, tempoBpm, bars, strum } = recipe.parameters;
  const piece = made.value;
  // It is played without a capo, as its chords are named.
  const open: DrillContext = { ...context, instrument: { ...context.instrument, capo: piece.capo } };
  const written = writtenChords(piece).map((one) => one.chord);
  const found = new Map<string, NamedGrip>();
  for (const symbol of new Set(written)) {
    const grip = gripFor(symbol, grips) ?? heldGrip(symbol, open);
    if (!grip) return fail('drill.number', symbol, 'another new chord, or a higher limit');
    found.set(symbol, grip);
  }
  const item: Item = { kind: 'section', pieceId: `rule ${recipe.seed}`, fromBar: 1, toBar: bars };
  const section = {
    piece,
    grips: written.map((symbol) => found.get(symbol)?.frets ?? null),
    oneStroke: strum === 'one stroke',
    tempoBpm,
    fromBar: 1,
    items: [item, { kind: 'key', key: piece.key } satisfies Item],
  };
  if (play === 'melody') return melodyDrill(recipe, section, context);
  const drill = chordsDrill(recipe, section, context);
  const tune = melody && drill.ok ? melodyBars(piece, open.instrument) : null;
  if (!drill.ok) return drill;
  const alone = found.size === 1;
  return ok({
    ...drill.value,
    score: {
      ...drill.value.score,
      parts: [...drill.value.score.parts, ...(tune ? [{ name: 'voice', bars: tune }] : [])],
    },
    leftOut: [
      ...drill.value.leftOut,
      ...(alone ? [{ code: 'left.one-chord', values: { chord: written[0] } }] : []),
      ...(fresh && !written.some((symbol) => !gripFor(symbol, grips))
        ? [{ code: 'left.fresh', values: { chord: fresh } }]
        : []),
      ...(melody && !tune ? [{ code: 'left.tune', values: {} }] : []),
    ],
  });
}

/** The key these grips are in that a piece can be made in; the major key of the first one where there is none. */
function keyFor(grips: readonly NamedGrip[]): string {
  const chords = grips.flatMap((grip) => {
    const chord = parseChord(grip.chord);
    return chord.ok ? [chord.value] : [];
  });
  const made = (key: string) =>
    makePiece({ key, bars: 8, beats: 4, seed: 1, melody: true, held: grips.map((one) => one.chord) }).ok;
  const found = findKeys(chords).find(
    ({ key }) => (key.mode === 'major' || key.mode === 'minor') && made(key.name),
  );
  if (found) return found.key.name;
  const [first] = grips;
  const minor = chords[0]?.quality.startsWith('minor') ?? false;
  return `${first ? rootText(first) : 'C'} ${minor ? 'minor' : 'major'}`;
}

/** What most people hold first, where nobody is known. */
const USUAL: readonly NamedGrip[] = [
  { chord: 'G', frets: [3, 2, 0, 0, 0, 3] },
  { chord: 'Em', frets: [0, 2, 2, 0, 0, 0] },
  { chord: 'C', frets: [null, 3, 2, 0, 1, 0] },
  { chord: 'D', frets: [null, null, 0, 2, 3, 2] },
];
const heldAtFirst = ({ held, several }: StartingPoint): readonly NamedGrip[] =>
  held.length >= 2 ? held.slice(0, 12) : (several ?? USUAL);

/** Degrees in the order in which a new one is worth most. */
const USEFUL = [5, 4, 6, 2, 3, 1, 7];
/** Chords of the key that are not held: what could be new. */
function newChords({ key, grips }: Parameters): string[] {
  const read = makeKey(key);
  if (!read.ok) return [];
  const degrees = degreeChords(read.value);
  return USEFUL.map((degree) => degrees[degree - 1].chord)
    .filter((chord) => chord.quality !== 'diminished')
    .map((chord) => chord.symbol)
    .filter((symbol) => !gripFor(symbol, grips));
}

const LENGTHS = [8, 12, 16] as const;

export const ownSmallPieceFamily: FamilyDefinition<OwnSmallPieceRecipe> = {
  name: 'own small piece',
  group: 'in a piece',
  draws: () => true,
  parameters,
  gripsOf: ({ parameters: { grips } }) => grips,
  withGrips: (recipe, grips) => withParameters(recipe, { grips }),
  capo: () => 0,
  root: ({ parameters: { key } }) => keyRoot(key),
  rekey: (recipe, move) => {
    const moved = movedTogether(recipe.parameters.grips, move);
    return moved.ok ? ok(inKey(recipe, moved.value, move)) : moved;
  },
  regrips: inKey,
  title: ({ parameters: { bars, key, fresh, play } }) => ({
    code: 'title.own',
    values: { bars, key, play, ...(fresh ? { fresh } : {}) },
  }),
  first: (start) => {
    const grips = heldAtFirst(start);
    const key = keyFor(grips);
    const given: Parameters = {
      key,
      bars: 8,
      metre: '4/4',
      grips,
      uses: 2,
      melody: true,
      strum: 'every beat',
      play: 'chords',
    };
    const [fresh] = newChords(given).filter(
      (symbol) => pieceOf(ownSmallPiece({ ...given, fresh: symbol })).ok,
    );
    return ownSmallPiece({ ...given, ...(fresh ? { fresh } : {}) });
  },
  fields: ({ parameters: given }, usual) =>
    usual
      .filter(({ name }) => name !== 'uses' || given.fresh)
      .map((field) =>
        field.name === 'fresh' ? { ...field, free: undefined, choices: ['', ...newChords(given)] } : field,
      ),
  make,
  /** Slower; at the slowest fewer strokes, the new chord less often, then not at all, fewer bars. */
  easier: (recipe, context) => {
    const { bars, uses, fresh, strum } = recipe.parameters;
    const plainer = beside(['one stroke', 'every beat', 'moving'] as const, strum, -1);
    const fewer = beside([2, 3, 4] as const, uses, -1);
    const shorter = beside(LENGTHS, bars, -1);
    return easierBy(recipe, (one) => make(one, context), [
      plainer !== null && { strum: plainer },
      fresh !== undefined && fewer !== null && { uses: fewer },
      fresh !== undefined && { fresh: undefined },
      shorter !== null && { bars: shorter },
    ]);
  },
  /** More bars, the new chord more often, more strokes; then faster. */
  harder: (recipe, context) => {
    const { bars, uses, fresh, strum } = recipe.parameters;
    const longer = beside(LENGTHS, bars, 1);
    const more = beside([2, 3, 4] as const, uses, 1);
    const busier = beside(['one stroke', 'every beat', 'moving'] as const, strum, 1);
    return harderBy(recipe, (one) => make(one, context), [
      longer !== null && { bars: longer },
      fresh !== undefined && more !== null && { uses: more },
      busier !== null && { strum: busier },
    ]);
  },
  fallbacks: (recipe) => {
    const { grips, play } = recipe.parameters;
    const free = withParameters(recipe, { tempoBpm: undefined, fresh: undefined });
    const inOwnKey = withParameters(free, { key: keyFor(grips) });
    return [
      ...newChords(recipe.parameters).map((fresh) => withParameters(recipe, { tempoBpm: undefined, fresh })),
      free,
      inOwnKey,
      withParameters(inOwnKey, { melody: true }),
      ...(play === 'melody' ? [withParameters(inOwnKey, { play: 'chords' })] : []),
    ];
  },
};

/** The same chords of another key, on the grips given. */
function inKey(recipe: OwnSmallPieceRecipe, grips: readonly NamedGrip[], move: Move): OwnSmallPieceRecipe {
  const { key, fresh } = recipe.parameters;
  return withParameters(recipe, {
    key: keyOnRoot(key, move),
    grips,
    ...(fresh === undefined ? {} : { fresh: movedChords(fresh, move) }),
  });
}
