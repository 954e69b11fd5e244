/**
 * Change loop: two to four grips round and round, one bar each. A take asks whether nine of ten changes came
 * clean at the tempo; clean changes in a minute are counted beside it. With a barre the minute is played in
 * three bursts of 15 s with 30 s of rest between.
 */
import { gradeChange } from '../changes/grade-change';
import { gradeGrip, type Effort } from '../effort/grade-grip';
import { gradeOf } from '../effort/hold';
import { clamp } from '../kernel/number';
import { isFullBarre } from '../grips/barre';
import { fail, ok, type Result } from '../kernel/result';
import { gripNotes, type Bar } from '../score/score';
import { easierStandIns } from '../shapes/easier';
import { findShapes } from '../shapes/find-shapes';
import { parseChord } from '../theory/chord';
import { TEMPO_POINTS, type Drill, type DrillContext, type Family } from './drill';
import type { GripItem, Item } from './items';
import type { ChangeLoopRecipe, NamedGrip } from './recipe';

export const LOOP_TEMPO = {
  lowest: 30,
  highest: 208,
  easierFactor: 0.92,
  harderFactor: 1.06,
  startShare: 0.85,
} as const;
const ROUNDS = 2;

interface GradedLoop {
  readonly efforts: readonly Effort[];
  readonly items: readonly GripItem[];
  readonly predictedBpm: number;
}

function gradeLoop(grips: readonly NamedGrip[], context: DrillContext): Result<GradedLoop> {
  const { hand, instrument } = context;
  const efforts: Effort[] = [];
  const items: GripItem[] = [];
  for (const [index, grip] of grips.entries()) {
    const chord = parseChord(grip.chord);
    if (!chord.ok) return fail(chord.problem.code, `grip ${index + 1}`, chord.problem.detail);
    const graded = gradeGrip(grip.frets, hand, instrument);
    if (!graded.ok) return fail(graded.problem.code, `grip ${index + 1}`, graded.problem.detail);
    efforts.push(graded.value);
    items.push({
      kind: 'grip',
      frets: grip.frets,
      fingers: graded.value.fingering.fingers,
      tuning: instrument.openPitches,
      capo: instrument.capo,
      chord: chord.value.symbol,
    });
  }
  let predictedBpm = Number.POSITIVE_INFINITY;
  for (let i = 0; i < grips.length; i++) {
    const next = grips[(i + 1) % grips.length];
    const change = gradeChange(grips[i].frets, next.frets, hand, instrument, { pace: context.pace });
    if (!change.ok) return change;
    predictedBpm = Math.min(predictedBpm, change.value.tempoBpm);
  }
  return ok({ efforts, items, predictedBpm });
}

function make(recipe: ChangeLoopRecipe, context: DrillContext): Result<Drill> {
  const { grips, beatsEach, progression } = recipe.parameters;
  if (grips.length < 2 || grips.length > 4) return fail('drill.grips', 'grips', 'two to four grips');
  if (!(Number.isInteger(beatsEach) && beatsEach >= 2 && beatsEach <= 8)) {
    return fail('drill.beats', 'beatsEach', '2 to 8 beats a grip');
  }
  const graded = gradeLoop(grips, context);
  if (!graded.ok) return graded;
  const { efforts, items, predictedBpm } = graded.value;
  const tempoBpm = recipe.parameters.tempoBpm ?? startingTempo(predictedBpm);
  if (!(tempoBpm >= LOOP_TEMPO.lowest && tempoBpm <= LOOP_TEMPO.highest)) {
    return fail('drill.tempo', 'tempoBpm', `${LOOP_TEMPO.lowest} to ${LOOP_TEMPO.highest} beats a minute`);
  }
  const order = Array.from({ length: grips.length * ROUNDS }, (_, i) => i % grips.length);
  const changes = items.map((from, i): Item => ({ kind: 'change', from, to: items[(i + 1) % items.length] }));
  const hasBarre = efforts.some((effort) => effort.fingering.barres.some(isFullBarre));
  const heaviest = Math.max(...efforts.map((effort) => effort.points));
  return ok({
    recipe,
    items: [...items, ...changes, ...(progression ? [{ kind: 'progression' as const, ...progression }] : [])],
    steps: order.map((index, i) => ({
      startBeat: i * beatsEach,
      beats: beatsEach,
      item: changes[index],
      ask: {
        code: 'ask.change',
        values: { from: items[index].chord, to: items[(index + 1) % items.length].chord },
      },
    })),
    score: {
      schemaVersion: 1,
      strings: context.instrument.openPitches.length,
      tempoBpm,
      countInBeats: 4,
      parts: [{ name: 'guitar', bars: order.map((index): Bar => barOf(items[index], beatsEach)) }],
    },
    effort: gradeOf(heaviest + (TEMPO_POINTS * tempoBpm) / predictedBpm),
    heaviestGrip: gradeOf(heaviest),
    tempoBpm,
    predictedBpm,
    hasBarre,
    overLimit: context.effortLimit !== undefined && gradeOf(heaviest) > context.effortLimit,
    bursts: hasBarre
      ? { count: 3, workSeconds: 15, restSeconds: 30 }
      : { count: 1, workSeconds: 60, restSeconds: 0 },
    question: { code: 'question.changes', values: { of: 10, clean: 9, bpm: tempoBpm } },
  });
}

/** One strum on each beat but the last, which is left for the change. */
function barOf(item: GripItem, beats: number): Bar {
  const notes = gripNotes(item.frets, item.fingers);
  return {
    beats,
    events: Array.from({ length: beats - 1 }, (_, beat) => ({
      beat,
      beats: 1,
      notes,
      stroke: 'strum' as const,
      ...(beat === 0 ? { chord: item.chord } : {}),
    })),
  };
}

function startingTempo(predictedBpm: number): number {
  return Math.round(clamp(predictedBpm * LOOP_TEMPO.startShare, LOOP_TEMPO.lowest, 120));
}

function easier(recipe: ChangeLoopRecipe, context: DrillContext): Result<ChangeLoopRecipe> {
  const made = make(recipe, context);
  if (!made.ok) return made;
  const tempo = made.value.tempoBpm ?? LOOP_TEMPO.lowest;
  const slower = Math.round(Math.max(LOOP_TEMPO.lowest, tempo * LOOP_TEMPO.easierFactor));
  if (slower < tempo) return ok(withParameters(recipe, { tempoBpm: slower }));
  return withLighterGrip(recipe, context);
}

/** At the slowest tempo the heaviest grip gives way to its easiest stand-in. */
function withLighterGrip(recipe: ChangeLoopRecipe, context: DrillContext): Result<ChangeLoopRecipe> {
  const { grips } = recipe.parameters;
  const points = grips.map((grip) => {
    const graded = gradeGrip(grip.frets, context.hand, context.instrument);
    return graded.ok ? graded.value.points : 0;
  });
  const heaviest = points.indexOf(Math.max(...points));
  const chord = parseChord(grips[heaviest].chord);
  if (!chord.ok) return chord;
  const all = findShapes({ chord: chord.value, ...context, limits: { bass: 'any' } });
  const found = all.find((grip) => grip.frets.join() === grips[heaviest].frets.join());
  const standIn = found && easierStandIns(found, { chord: chord.value, ...context })[0];
  if (!standIn) return fail('drill.easiest', 'grips', 'this is the lightest form of this loop');
  const lighter = grips.map((grip, i) =>
    i === heaviest ? { chord: grip.chord, frets: standIn.grip.frets } : grip,
  );
  return ok(withParameters(recipe, { grips: lighter }));
}

function harder(recipe: ChangeLoopRecipe, context: DrillContext): Result<ChangeLoopRecipe> {
  const made = make(recipe, context);
  if (!made.ok) return made;
  const tempo = made.value.tempoBpm ?? LOOP_TEMPO.lowest;
  if (tempo >= LOOP_TEMPO.highest)
    return fail('drill.hardest', 'tempoBpm', 'this is the fastest this loop goes');
  const faster = Math.min(
    LOOP_TEMPO.highest,
    Math.max(tempo + 1, Math.round(tempo * LOOP_TEMPO.harderFactor)),
  );
  return ok(withParameters(recipe, { tempoBpm: faster }));
}

function withParameters(
  recipe: ChangeLoopRecipe,
  change: Partial<ChangeLoopRecipe['parameters']>,
): ChangeLoopRecipe {
  return { ...recipe, parameters: { ...recipe.parameters, ...change } };
}

export const changeLoopFamily: Family<ChangeLoopRecipe> = { make, easier, harder };
