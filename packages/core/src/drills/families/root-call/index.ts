/**
 * Root call: "D flat minor 7, root on string 5": find the root, then the movable grip on it. Either one string and
 * one answer, every fret once before any comes again, or the full grid in spaced order, weak cells more often.
 */
import { withParameters } from '../../parameters';
import { pitchAt } from '../../../fretboard/instrument';
import { isFullBarre } from '../../../grips/barre';
import { fail, ok, type Result } from '../../../kernel/result';
import { seededRandom } from '../../../kernel/random';
import { gripNotes, type Bar } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import { findShapes } from '../../../shapes/find-shapes';
import { makeChord } from '../../../theory/chord';
import { noteText, rootNamed } from '../../../theory/note';
import { BEATS_A_CALL, callsDrill, checkCount, checkSeconds, inRounds, otherSeconds } from '../../calls';
import { gripLimit, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf, DrillStep } from '../../drill';
import { gripItem } from '../../grip-item';
import { gradeIn } from '../../in-context';
import type { GripItem, Item } from '../../items';
import { gridCells, spacedOrder } from './grid';
import { gripless, keyless, type FamilyDefinition } from '../../family';
import { GRID, parameters, ROOT_ANSWERS, rootCall, type RootCallRecipe, type RootCell } from './recipe';

export {
  ROOT_ANSWERS,
  rootCall,
  type RootAnswer,
  type RootCallParameters,
  type RootCallRecipe,
  type RootCell,
} from './recipe';

/** Frets a movable grip needs above its root. */
const ROOM_ABOVE = 4;
const MOST_CALLS = 120;

const isGrip = (cell: RootCell) => cell.answer !== 'root';

/** The cells a recipe asks, in order: what a take of it answered, call by call. */
export function calledCells({ parameters, seed }: RootCallRecipe): RootCell[] {
  const { rootString, answer, count, maxFret, grid } = parameters;
  const random = seededRandom(seed);
  const fretsFrom = (lowest: number) =>
    Array.from({ length: Math.max(0, maxFret - lowest + 1) }, (_, i) => i + lowest);
  if (grid) {
    const frets = fretsFrom(parameters.minFret ?? 1);
    return spacedOrder(gridCells(grid.rootStrings, grid.answers, frets), grid.weak, count, random);
  }
  const lowest = parameters.minFret ?? (answer === 'root' ? 0 : 1);
  return inRounds(gridCells([rootString], [answer], fretsFrom(lowest)), count, random);
}

/** The movable grip of a cell, light enough for this hand, or null. */
function movableGrip(context: DrillContext, cell: RootCell): GripItem | null {
  const { instrument, hand } = context;
  const stringIndex = instrument.openPitches.length - cell.rootString;
  const chord = makeChord(rootNamed(pitchAt(instrument, stringIndex, cell.fret)), cell.answer);
  const grips = findShapes({
    chord,
    hand,
    instrument,
    limits: {
      maxFret: cell.fret + ROOM_ABOVE,
      minFret: cell.fret,
      allowOpen: false,
      rootString: cell.rootString,
      maxEffort: gripLimit(context),
    },
  }).filter((grip) => grip.frets[stringIndex] === cell.fret);
  const grip = grips.find((one) => one.layout === 'movable') ?? grips[0];
  return grip ? gripItem(grip.frets, grip.fingers, chord.symbol, instrument) : null;
}

function check({ parameters }: RootCallRecipe, { instrument }: DrillContext): Result<true> {
  const { grid } = parameters;
  const rootStrings = grid?.rootStrings ?? [parameters.rootString];
  const answers = grid?.answers ?? [parameters.answer];
  if (rootStrings.length === 0 || rootStrings.some((string) => string > instrument.openPitches.length))
    return fail('drill.string', 'rootString', 'a string this instrument has');
  if (answers.length === 0) return fail('drill.answers', 'answers', 'at least one quality');
  const count = checkCount(parameters.count, MOST_CALLS);
  if (!count.ok) return count;
  const seconds = checkSeconds(parameters.secondsPerCall);
  if (!seconds.ok) return seconds;
  const room = answers.every((answer) => answer === 'root') ? 0 : ROOM_ABOVE;
  const highest = instrument.frets - instrument.capo - room;
  if (!(parameters.maxFret >= 3 && parameters.maxFret <= highest))
    return fail('drill.fret', 'maxFret', `3 to ${highest}`);
  const lowest = parameters.minFret ?? 0;
  return lowest >= 0 && lowest <= parameters.maxFret
    ? ok(true)
    : fail('drill.fret', 'minFret', `0 to ${parameters.maxFret}`);
}

function make(recipe: RootCallRecipe, context: DrillContext): Result<DrillOf<RootCallRecipe>> {
  const checked = check(recipe, context);
  if (!checked.ok) return checked;
  const { instrument } = context;
  const strings = instrument.openPitches.length;
  const steps: Omit<DrillStep, 'startTick' | 'ticks'>[] = [];
  const bars: Bar[] = [];
  const known = new Map<string, GripItem | null>();
  let heaviest = 0;
  let hasBarre = false;
  for (const cell of calledCells(recipe)) {
    const { rootString, fret } = cell;
    const stringIndex = strings - rootString;
    const key = `${rootString} ${cell.answer} ${fret}`;
    if (!known.has(key)) known.set(key, isGrip(cell) ? movableGrip(context, cell) : null);
    const grip = known.get(key) ?? null;
    if (isGrip(cell) && !grip) return fail('drill.reach', `fret ${fret}`, 'roots from a higher fret');
    const graded = grip ? gradeIn(grip.frets, context) : null;
    if (graded?.ok) {
      heaviest = Math.max(heaviest, graded.value.points);
      hasBarre ||= graded.value.fingering.barres.some(isFullBarre);
    }
    const name = noteText(rootNamed(pitchAt(instrument, stringIndex, fret)));
    const note: Item = { kind: 'note', string: rootString, fret, name };
    const symbol = grip ? grip.chord : name;
    steps.push({
      item: grip ?? note,
      ask: { code: 'ask.root', values: { chord: symbol, string: rootString } },
      answer: { kind: 'any place', places: [{ string: rootString, fret }] },
    });
    const notes = grip
      ? gripNotes(grip.frets, grip.fingers)
      : [{ stringIndex, fret, finger: fret === 0 ? (0 as const) : (1 as const), name }];
    bars.push({
      beats: BEATS_A_CALL,
      events: [{ tick: 0, ticks: ticksOf(3), notes, stroke: grip ? 'strum' : 'pick', chord: symbol }],
    });
  }
  const { secondsPerCall } = recipe.parameters;
  return ok(callsDrill(recipe, { steps, bars, secondsPerCall, heaviest, hasBarre }, context));
}

const moved = (recipe: RootCallRecipe, by: 1 | -1): Result<RootCallRecipe> => {
  const seconds = otherSeconds(recipe.parameters.secondsPerCall, by);
  return seconds.ok ? ok(withParameters(recipe, { secondsPerCall: seconds.value })) : seconds;
};

export const rootCallFamily: FamilyDefinition<RootCallRecipe> = {
  name: 'root call',
  group: 'warm and find',
  draws: () => true,
  parameters,
  ...keyless,
  ...gripless,
  title: ({ parameters: { rootString, grid } }) => ({
    code: 'title.roots',
    values: { string: rootString, grid: grid ? 1 : 0 },
  }),
  first: () =>
    rootCall({ rootString: 6, answer: 'major', count: 24, secondsPerCall: 6, maxFret: 12, grid: GRID }),
  fields: (recipe, usual) => [
    {
      name: 'ask',
      value: recipe.parameters.grid ? 'grid' : recipe.parameters.answer,
      choices: ['grid', ...ROOT_ANSWERS],
      choose: (value) => {
        const answer = ROOT_ANSWERS.find((one) => one === value);
        return withParameters(recipe, answer ? { grid: undefined, answer } : { grid: GRID });
      },
    },
    ...usual.filter(({ name }) => name !== 'answer' && !(recipe.parameters.grid && name === 'rootString')),
  ],
  make,
  easier: (recipe) => moved(recipe, 1),
  harder: (recipe) => moved(recipe, -1),
  // Higher up the frets are closer; roots alone need no grip at all.
  fallbacks: (recipe, { instrument }) => {
    const { parameters } = recipe;
    const highest = instrument.frets - instrument.capo - ROOM_ABOVE;
    const maxFret = Math.min(highest, Math.max(3, parameters.maxFret));
    const higher = [2, 3, 4, 5, 7].flatMap((minFret) =>
      minFret > (parameters.minFret ?? 1) && minFret < maxFret
        ? [withParameters(recipe, { minFret, maxFret })]
        : [],
    );
    const plain = { ...parameters, grid: undefined };
    const inRange = withParameters(recipe, { maxFret });
    const alone: RootCallRecipe = { ...recipe, parameters: { ...plain, answer: 'root', maxFret } };
    return [inRange, ...higher, alone];
  },
};
