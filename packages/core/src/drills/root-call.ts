/**
 * Root call: "D flat minor 7, root on string 5": find the root, then the movable grip on it. Calls are drawn
 * in a seeded order over the frets asked, every fret once before any comes again.
 */
import { gradeGrip } from '../effort/grade-grip';
import { gradeOf } from '../effort/hold';
import { pitchAt, stringNumber } from '../fretboard/instrument';
import { isFullBarre } from '../grips/barre';
import { fail, ok, type Result } from '../kernel/result';
import { seededRandom } from '../kernel/random';
import { gripNotes, type Bar } from '../score/score';
import { findShapes } from '../shapes/find-shapes';
import { makeChord } from '../theory/chord';
import { mod12, noteText, readNote, type NoteName } from '../theory/note';
import type { Drill, DrillContext, DrillStep, Family } from './drill';
import type { GripItem, Item } from './items';
import type { RootCallParameters, RootCallRecipe } from './recipe';

/** Names players use for the twelve roots: flats where keys with them are the common ones, F# by itself. */
const ROOT_NAMES = 'C Db D Eb E F F# G Ab A Bb B'.split(' ');
/** Points of finding a note in four seconds, in proportion to haste (our assumption). */
const CALL_POINTS = 12;
const EASY_SECONDS = 4;

function rootAt(context: DrillContext, stringIndex: number, fret: number): NoteName {
  const name = ROOT_NAMES[mod12(pitchAt(context.instrument, stringIndex, fret))];
  const read = readNote(name);
  if (!read) throw new RangeError(`no note ${name}`);
  return read.note;
}

function calledFrets(parameters: RootCallParameters, seed: number): number[] {
  const random = seededRandom(seed);
  const frets: number[] = [];
  while (frets.length < parameters.count) {
    const lowest = parameters.answer === 'root' ? 0 : 1;
    const round = Array.from({ length: parameters.maxFret - lowest + 1 }, (_, i) => i + lowest);
    for (let i = round.length - 1; i > 0; i--) {
      const j = random.int(0, i);
      [round[i], round[j]] = [round[j], round[i]];
    }
    frets.push(...round);
  }
  return frets.slice(0, parameters.count);
}

/** The movable grip of a chord with its root on a string at a fret, or null. */
function movableGrip(
  context: DrillContext,
  parameters: RootCallParameters,
  stringIndex: number,
  fret: number,
): GripItem | null {
  if (parameters.answer === 'root') return null;
  const chord = makeChord(rootAt(context, stringIndex, fret), parameters.answer);
  const { instrument } = context;
  const grips = findShapes({
    chord,
    ...context,
    limits: { maxFret: fret + 4, minFret: fret, allowOpen: false },
  });
  const fits = grips.filter(
    (grip) => grip.frets[stringIndex] === fret && grip.rootString === stringNumber(instrument, stringIndex),
  );
  const grip = fits.find((one) => one.layout === 'movable') ?? fits[0];
  if (!grip) return null;
  return {
    kind: 'grip',
    frets: grip.frets,
    fingers: grip.fingers,
    tuning: instrument.openPitches,
    capo: instrument.capo,
    chord: chord.symbol,
  };
}

function make(recipe: RootCallRecipe, context: DrillContext): Result<Drill> {
  const { parameters, seed } = recipe;
  const { instrument } = context;
  const stringIndex = instrument.openPitches.length - parameters.rootString;
  if (stringIndex < 0) return fail('drill.string', 'rootString', 'a string this instrument has');
  if (!(parameters.count >= 1 && parameters.count <= 48))
    return fail('drill.count', 'count', '1 to 48 calls');
  if (!(parameters.secondsPerCall >= 2 && parameters.secondsPerCall <= 20)) {
    return fail('drill.seconds', 'secondsPerCall', '2 to 20 seconds');
  }
  const highest = instrument.frets - instrument.capo - (parameters.answer === 'root' ? 0 : 4);
  if (!(parameters.maxFret >= 3 && parameters.maxFret <= highest))
    return fail('drill.fret', 'maxFret', `3 to ${highest}`);
  const steps: DrillStep[] = [];
  const bars: Bar[] = [];
  let heaviest = 0;
  let hasBarre = false;
  for (const [i, fret] of calledFrets(parameters, seed).entries()) {
    const root = rootAt(context, stringIndex, fret);
    const grip = movableGrip(context, parameters, stringIndex, fret);
    if (parameters.answer !== 'root' && !grip)
      return fail('drill.reach', `fret ${fret}`, 'roots from a higher fret');
    const note: Item = { kind: 'note', string: parameters.rootString, fret, name: noteText(root) };
    const graded = grip ? gradeGrip(grip.frets, context.hand, instrument) : null;
    if (graded?.ok) {
      heaviest = Math.max(heaviest, graded.value.points);
      hasBarre ||= graded.value.fingering.barres.some(isFullBarre);
    }
    const item = grip ?? note;
    const symbol = grip ? grip.chord : noteText(root);
    steps.push({
      startBeat: i * 4,
      beats: 4,
      item,
      ask: { code: 'ask.root', values: { chord: symbol, string: parameters.rootString } },
    });
    const notes = grip
      ? gripNotes(grip.frets, grip.fingers)
      : [{ stringIndex, fret, finger: fret === 0 ? (0 as const) : (1 as const) }];
    bars.push({ beats: 4, events: [{ beat: 0, beats: 3, notes, stroke: 'strum', chord: symbol }] });
  }
  const points = heaviest + (CALL_POINTS * EASY_SECONDS) / parameters.secondsPerCall;
  const grade = gradeOf(heaviest);
  return ok({
    recipe,
    items: steps.map((step) => step.item),
    steps,
    score: {
      schemaVersion: 1,
      strings: instrument.openPitches.length,
      tempoBpm: 240 / parameters.secondsPerCall,
      countInBeats: 4,
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(points),
    heaviestGrip: grade,
    tempoBpm: null,
    predictedBpm: null,
    hasBarre,
    overLimit: context.effortLimit !== undefined && grade > context.effortLimit,
    bursts: { count: 1, workSeconds: parameters.count * parameters.secondsPerCall, restSeconds: 0 },
    question: {
      code: 'question.calls',
      values: { of: parameters.count, seconds: parameters.secondsPerCall },
    },
  });
}

function withSeconds(recipe: RootCallRecipe, secondsPerCall: number): RootCallRecipe {
  return { ...recipe, parameters: { ...recipe.parameters, secondsPerCall } };
}

export const rootCallFamily: Family<RootCallRecipe> = {
  make,
  easier: (recipe) => {
    const { secondsPerCall } = recipe.parameters;
    if (secondsPerCall >= 12)
      return fail('drill.easiest', 'secondsPerCall', 'twelve seconds is the slowest call');
    return ok(withSeconds(recipe, secondsPerCall + 1));
  },
  harder: (recipe) => {
    const { secondsPerCall } = recipe.parameters;
    if (secondsPerCall <= 2)
      return fail('drill.hardest', 'secondsPerCall', 'two seconds is the fastest call');
    return ok(withSeconds(recipe, secondsPerCall - 1));
  },
};
