/**
 * Grips one after the other in time, a bar or so each: what a change loop, a family ladder, the five forms and
 * close triads have in common. Graded by the heaviest grip and by how near the tempo lies to what the slowest
 * change allows this hand.
 */
import type { Effort } from '../effort/grade-grip';
import type { Reason } from '../effort/explain';
import { gradeOf } from '../effort/hold';
import { planPath } from '../changes/plan-path';
import { isFullBarre } from '../grips/barre';
import type { FingerLabel } from '../grips/grip';
import { fail, ok, type Result } from '../kernel/result';
import { gripNotes, type Bar } from '../score/score';
import { TICKS_A_BEAT, ticksOf } from '../score/ticks';
import { noChord, parseChord } from '../theory/chord';
import { overLimit, playedBy, type DrillContext } from '../hands/taught-hand';
import { TEMPO_POINTS, type DrillOf, type DrillStep, type Prelude } from './drill';
import { gripItem } from './grip-item';
import { changeIn, gradeIn } from './in-context';
import { itemKey, type GripItem, type Item } from './items';
import type { AnyRecipe, NamedGrip } from './parameters';
import { checkTempo, LOOP_TEMPO, startingTempo } from './tempo';

export interface Stop {
  readonly grip: NamedGrip;
  readonly ask: Reason;
  /** Where it begins and how long it lasts, where stops are not all `beatsEach` long. */
  readonly at?: { readonly startTick: number; readonly ticks: number };
  /** Beats the music leaves before the next grip; one where left out. */
  readonly gapBeats?: number;
  /** What the step is about, where that is not the change. */
  readonly item?: Item;
  readonly called?: DrillStep['called'];
}

export interface SequencePlan {
  readonly stops: readonly Stop[];
  readonly beatsEach: number;
  /** How the grips are played; left out, one strum on each beat but the last. */
  readonly bars?: (grips: readonly GripItem[]) => readonly Bar[];
  /** Points beside those of grips and tempo: what the striking hand has to do. */
  readonly morePoints?: (tempoBpm: number, bars: readonly Bar[]) => number;
  readonly swingAt?: number;
  readonly judged?: 'changes' | 'time';
  readonly question?: (tempoBpm: number) => Reason;
  readonly tempoBpm?: number;
  /** The last grip goes back to the first; the step is then the change away from its grip. */
  readonly round: boolean;
  /** Fingers of all grips are chosen together, as a path of the same bars has them; left out, those shown for each. */
  readonly together?: true;
  readonly moreItems?: readonly Item[];
  readonly prelude?: readonly Prelude[];
  readonly leftOut?: readonly Reason[];
}

interface GradedStops {
  readonly items: readonly GripItem[];
  readonly efforts: readonly Effort[];
}

type Fingers = readonly FingerLabel[] | undefined;

/** The fingers a path through these very grips has; none for a grip it cannot hold. */
function pathFingers(stops: readonly Stop[], context: DrillContext): Fingers[] {
  const chords = stops.map(({ grip }) => parseChord(grip.chord));
  const locked = stops.map(({ grip }) => ({ frets: grip.frets }));
  const path = planPath(
    chords.map((chord) => (chord.ok ? chord.value : noChord)),
    { ...playedBy(context), locked },
  );
  return path.steps.map((step) => (step.locked ? step.grip?.fingers : undefined));
}

function gradeStops(
  stops: readonly Stop[],
  fingers: readonly Fingers[],
  context: DrillContext,
): Result<GradedStops> {
  const efforts: Effort[] = [];
  const items: GripItem[] = [];
  for (const [index, { grip }] of stops.entries()) {
    const at = `grip ${index + 1}`;
    const chord = parseChord(grip.chord);
    if (!chord.ok) return fail(chord.problem.code, at, chord.problem.detail);
    const graded = gradeIn(grip.frets, context, fingers[index]);
    if (!graded.ok) return fail(graded.problem.code, at, graded.problem.detail);
    efforts.push(graded.value);
    items.push(gripItem(grip.frets, graded.value.fingering.fingers, chord.value.symbol, context.instrument));
  }
  return ok({ items, efforts });
}

/** Tempo of the slowest change from each item to the one after it; infinite where nothing changes. */
function slowestBpm(
  pairs: readonly (readonly [GripItem, GripItem, gapBeats: number | undefined])[],
  together: boolean,
  context: DrillContext,
): Result<number> {
  let slowest = Number.POSITIVE_INFINITY;
  const known = new Set<string>();
  for (const [from, to, gapBeats] of pairs) {
    const key = `${itemKey(from)} ${from.fingers.join()} ${itemKey(to)} ${to.fingers.join()} ${gapBeats}`;
    if (known.has(key) || from.frets.join() === to.frets.join()) continue;
    known.add(key);
    const change = changeIn(
      from.frets,
      to.frets,
      context,
      gapBeats,
      together ? { from: from.fingers, to: to.fingers } : {},
    );
    if (!change.ok) return change;
    slowest = Math.min(slowest, change.value.tempoBpm);
  }
  return ok(slowest);
}

/** A recipe at the next tempo up or down from what its drill has now. Problems: those of the drill and the notch. */
export function atTempo<R extends AnyRecipe & { readonly parameters: { readonly tempoBpm?: number } }>(
  recipe: R,
  made: Result<DrillOf<R>>,
  notch: (tempoBpm: number) => Result<number>,
): Result<R> {
  if (!made.ok) return made;
  const tempo = notch(made.value.tempoBpm ?? LOOP_TEMPO.lowest);
  if (!tempo.ok) return tempo;
  return ok({ ...recipe, parameters: { ...recipe.parameters, tempoBpm: tempo.value } });
}

/** Each item once, in the order it first comes. */
export function unique<T extends Item>(items: readonly T[]): T[] {
  return [...new Map(items.map((item) => [itemKey(item), item])).values()];
}

/** The drill of a plan. Problems: those of its chords and grips, `drill.tempo`. */
export function sequenceDrill<R extends AnyRecipe>(
  recipe: R,
  plan: SequencePlan,
  context: DrillContext,
): Result<DrillOf<R>> {
  const { stops, beatsEach, round } = plan;
  const graded = gradeStops(stops, plan.together ? pathFingers(stops, context) : [], context);
  if (!graded.ok) return graded;
  const { items, efforts } = graded.value;
  const pairs = items.flatMap((from, i) => {
    const to = items[i + 1] ?? (round ? items[0] : undefined);
    return to ? [[from, to, stops[i].gapBeats] as const] : [];
  });
  const slowest = slowestBpm(pairs, plan.together ?? false, context);
  if (!slowest.ok) return slowest;
  const predictedBpm = Number.isFinite(slowest.value) ? slowest.value : null;
  const tempo = checkTempo(plan.tempoBpm ?? startingTempo(predictedBpm ?? Number.POSITIVE_INFINITY));
  if (!tempo.ok) return tempo;
  const tempoBpm = tempo.value;
  const changes = pairs
    .filter(([from, to]) => from.frets.join() !== to.frets.join())
    .map(([from, to, gapBeats]): Item => ({
      kind: 'change',
      from,
      to,
      ...(gapBeats === undefined || gapBeats === 1 ? {} : { gapBeats }),
    }));
  const stepItem = (i: number): Item => {
    const [from, to] = round ? [items[i], items[(i + 1) % items.length]] : [items[i - 1], items[i]];
    return from && from.frets.join() !== to.frets.join() ? { kind: 'change', from, to } : to;
  };
  const hasBarre = efforts.some((effort) => effort.fingering.barres.some(isFullBarre));
  const heaviest = Math.max(...efforts.map((effort) => effort.points));
  const haste = predictedBpm === null ? 0 : (TEMPO_POINTS * tempoBpm) / predictedBpm;
  const bars = plan.bars?.(items) ?? items.map((item) => barOf(item, beatsEach));
  return ok({
    recipe,
    items: [...unique<Item>([...items, ...changes]), ...(plan.moreItems ?? [])],
    steps: stops.map((stop, i) => ({
      startTick: stop.at?.startTick ?? ticksOf(i * beatsEach),
      ticks: stop.at?.ticks ?? ticksOf(beatsEach),
      item: stop.item ?? stepItem(i),
      ask: stop.ask,
      grip: items[i],
      ...(stop.called ? { called: stop.called } : {}),
    })),
    score: {
      schemaVersion: 1,
      strings: context.instrument.openPitches.length,
      tempoBpm,
      countInBeats: plan.bars ? bars[0].beats : 4,
      ...(plan.swingAt === undefined || plan.swingAt === 0.5 ? {} : { swingAt: plan.swingAt }),
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(heaviest + haste + (plan.morePoints?.(tempoBpm, bars) ?? 0)),
    heaviestGrip: gradeOf(heaviest),
    tempoBpm,
    predictedBpm,
    hasBarre,
    overLimit: overLimit(gradeOf(heaviest), context) > 0,
    bursts: hasBarre
      ? { count: 3, workSeconds: 15, restSeconds: 30 }
      : { count: 1, workSeconds: 60, restSeconds: 0 },
    question: plan.question?.(tempoBpm) ?? {
      code: 'question.changes',
      values: { of: 10, clean: 9, bpm: tempoBpm },
    },
    judged: plan.judged ?? 'changes',
    prelude: plan.prelude ?? [],
    leftOut: plan.leftOut ?? [],
  });
}

/** One strum on each beat but the last, which is left for the change. */
function barOf(item: GripItem, beats: number): Bar {
  const notes = gripNotes(item.frets, item.fingers);
  return {
    beats,
    events: Array.from({ length: beats - 1 }, (_, beat) => ({
      tick: ticksOf(beat),
      ticks: TICKS_A_BEAT,
      notes,
      stroke: 'strum' as const,
      ...(beat === 0 ? { chord: item.chord } : {}),
    })),
  };
}
