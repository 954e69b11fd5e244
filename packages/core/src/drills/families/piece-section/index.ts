/**
 * Piece section: some bars of a piece of the library, looped and slowed, whole or in one of its parts: the chords with
 * their pattern, one stroke a chord, or the melody, which is played or heard and sung. The bars and their grips are kept in the recipe, so that the drill
 * stays what it was when the piece is changed.
 */
import type { DrillContext } from '../../../hands/taught-hand';
import { fail, ok, type Result } from '../../../kernel/result';
import { readChart } from '../../../score/chart';
import { playedBars, readPieceKey, writtenChords, type Piece } from '../../../score/piece';
import { rekeyPiece } from '../../../score/rekey-piece';
import { writeChart } from '../../../score/write-chart';
import { keyOn } from '../../../theory/key';
import { noteText, pitchClassOf } from '../../../theory/note';
import type { DrillOf } from '../../drill';
import type { FamilyDefinition, Move } from '../../family';
import type { Item } from '../../items';
import { movedTogether, rootText } from '../../moving';
import { type NamedGrip, type ParametersOf, type RecipeOf, recipeOf, withParameters } from '../../parameters';
import { SECTION_LIMITS, parameters } from './parameters';
import { chordsDrill, melodyDrill, sungDrill, type Section } from '../../piece-drill';
import { atTempo } from '../../sequence';
import { faster, slower } from '../../tempo';

export type PieceSectionRecipe = RecipeOf<'piece section', ParametersOf<typeof parameters>>;
export const pieceSection = (parameters: PieceSectionRecipe['parameters']): PieceSectionRecipe =>
  recipeOf<PieceSectionRecipe>('piece section')(parameters);

/** Nothing is gripped for it. */
const isTune = (part: PieceSectionRecipe['parameters']['part']): boolean =>
  part === 'melody' || part === 'sung';

/** The grips of the bars with the chords written over them; none for the melody, or where the chart does not fit them. */
function gripsOf({ parameters }: PieceSectionRecipe): NamedGrip[] {
  const { piece, problems } = readChart(parameters.chart);
  const written = writtenChords(piece);
  if (isTune(parameters.part) || problems.length || written.length !== parameters.grips.length) return [];
  return parameters.grips.flatMap((frets, i) => (frets ? [{ chord: written[i].chord, frets }] : []));
}
const withGrips = (recipe: PieceSectionRecipe, grips: readonly NamedGrip[]): PieceSectionRecipe => {
  const next = grips.values();
  return withParameters(recipe, {
    grips: recipe.parameters.grips.map((frets) => frets && (next.next().value?.frets ?? frets)),
  });
};

/** Grips and chart together; the grips move along the neck and so must be without open strings. */
function rekeyed(recipe: PieceSectionRecipe, move: Move): Result<PieceSectionRecipe> {
  const { piece } = readChart(recipe.parameters.chart);
  const mode = piece.key.endsWith('minor') ? 'minor' : 'major';
  const named = readPieceKey(`${noteText(move.to)} ${mode}`);
  const moved = rekeyPiece(piece, named.ok ? named.value.name : keyOn(pitchClassOf(move.to), mode).name);
  if (!moved.ok) return moved;
  const held = recipe.parameters.grips.flatMap((frets) => (frets ? [{ chord: 'C', frets }] : []));
  const along = movedTogether(held, { ...move, instrument: { ...move.instrument, capo: piece.capo } });
  if (!along.ok) return along;
  return ok(withParameters(withGrips(recipe, along.value), { chart: writeChart(moved.value) }));
}

const sectionItem = ({ pieceId, fromBar, toBar }: PieceSectionRecipe['parameters']): Item => ({
  kind: 'section',
  pieceId,
  fromBar,
  toBar,
});

/** The bars of the recipe. Problems: `drill.section` for a chart that cannot be read, or too long a one. */
function bars(recipe: PieceSectionRecipe): Result<Piece> {
  const { chart } = recipe.parameters;
  if (chart.length > SECTION_LIMITS.characters)
    return fail('drill.section', 'chart', `at most ${SECTION_LIMITS.characters} characters`);
  const { piece, problems } = readChart(chart);
  const [first] = problems;
  if (first) return fail('drill.section', `chart, line ${first.line}, column ${first.column}`, first.detail);
  const played = playedBars(piece).length;
  if (played === 0 || played > SECTION_LIMITS.bars)
    return fail('drill.section', 'chart', `1 to ${SECTION_LIMITS.bars} bars`);
  return ok(piece);
}

function make(recipe: PieceSectionRecipe, context: DrillContext): Result<DrillOf<PieceSectionRecipe>> {
  const read = bars(recipe);
  if (!read.ok) return read;
  const { part, grips, tempoBpm, fromBar } = recipe.parameters;
  const section: Section = {
    piece: read.value,
    grips,
    oneStroke: part === 'one stroke',
    tempoBpm,
    fromBar,
    items: [sectionItem(recipe.parameters)],
  };
  switch (part) {
    case 'melody':
      return melodyDrill(recipe, section, context);
    case 'sung':
      return sungDrill(recipe, section, context);
    default:
      return chordsDrill(recipe, section, context);
  }
}

export const pieceSectionFamily: FamilyDefinition<PieceSectionRecipe> = {
  name: 'piece section',
  group: 'in a piece',
  evidenceOf: ({ parameters }) => (parameters.part === 'sung' ? 'hear' : 'play'),
  parameters,
  root: ({ parameters }) => {
    const key = readPieceKey(readChart(parameters.chart).piece.key);
    return key.ok ? key.value.tonic : null;
  },
  rekey: rekeyed,
  gripsOf,
  withGrips,
  capo: ({ parameters }) => readChart(parameters.chart).piece.capo,
  title: ({ parameters: { title, fromBar, toBar, part } }) => ({
    code: 'title.section',
    values: { title, fromBar, toBar, part },
  }),
  // Until bars of a piece are chosen: two grips as a piece of two bars.
  first: ({ grip, beside }) =>
    pieceSection({
      pieceId: 'none',
      title: 'Two bars of what is held',
      fromBar: 1,
      toBar: 2,
      chart: `key: ${rootText(grip)}\ntempo: 80\nstrum plain 2: D - d u\n\n[A] plain\n| ${beside.chord} | ${grip.chord} |\n`,
      grips: [beside.frets, grip.frets],
      part: 'as written',
    }),
  make,
  easier: (recipe, context) => {
    const slow = atTempo(recipe, make(recipe, context), slower);
    if (slow.ok || slow.problem.code !== 'drill.easiest') return slow;
    return recipe.parameters.part === 'as written'
      ? ok(withParameters(recipe, { part: 'one stroke' }))
      : slow;
  },
  harder: (recipe, context) => atTempo(recipe, make(recipe, context), faster),
  fallbacks: (recipe) =>
    (['as written', 'one stroke'] as const).map((part) =>
      withParameters(recipe, { part, tempoBpm: undefined }),
    ),
};
