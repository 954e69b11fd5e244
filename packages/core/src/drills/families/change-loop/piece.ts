/**
 * A piece of one change, practised by itself and without a beat: the finger that lands last alone, the fingers that
 * slide alone, the rest of the hand around a finger that stays, or both grips formed in the air and then landed.
 * How much of the heaviest grip's weight a piece carries is our assumption.
 */
import type { FingerMove } from '../../../changes/grade-change';
import { gradeOf } from '../../../effort/hold';
import { isFullBarre } from '../../../grips/barre';
import type { FingerLabel } from '../../../grips/grip';
import { fail, ok, type Result } from '../../../kernel/result';
import { gripNotes, type Bar, type ScoreNote } from '../../../score/score';
import { ticksOf } from '../../../score/ticks';
import { parseChord } from '../../../theory/chord';
import { overLimit, type DrillContext } from '../../../hands/taught-hand';
import type { DrillOf } from '../../drill';
import { gripItem } from '../../grip-item';
import { changeIn, gradeIn } from '../../in-context';
import type { GripItem, Item } from '../../items';
import type { ChangeLoopRecipe, ChangePiece } from './recipe';

const WEIGHT: Readonly<Record<ChangePiece, number>> = {
  'one finger': 0.4,
  slide: 0.5,
  pivot: 0.7,
  air: 0.8,
};
const ASKS: Readonly<Record<ChangePiece, string>> = {
  'one finger': 'ask.one-finger',
  slide: 'ask.slide',
  pivot: 'ask.pivot',
  air: 'ask.air',
};
const BEATS = 4;
const FREE_BPM = 60;
const ROUNDS = 2;
const COUNTED = 10;

/** The moves a piece is about; empty where the change has none of that kind. */
function movesOf(
  piece: ChangePiece,
  moves: readonly FingerMove[],
  last: FingerMove['finger'] | null,
): readonly FingerMove[] {
  switch (piece) {
    case 'one finger':
      return moves.filter((move) => move.finger === last && move.to);
    case 'slide':
      return moves.filter((move) => move.does === 'slides');
    case 'pivot':
      return moves.filter((move) => move.does === 'stays' || move.does === 'adjusts');
    case 'air':
      return moves.filter((move) => move.does === 'lands' || move.does === 'lifts over');
  }
}

/** Problems: those of the grips, `drill.piece` where this change has no such piece. */
export function changePieceDrill(
  recipe: ChangeLoopRecipe,
  piece: ChangePiece,
  context: DrillContext,
): Result<DrillOf<ChangeLoopRecipe>> {
  const { grips } = recipe.parameters;
  if (grips.length !== 2) return fail('drill.piece', 'grips', 'two grips: a piece belongs to one change');
  const items: GripItem[] = [];
  const points: number[] = [];
  let hasBarre = false;
  for (const [i, grip] of grips.entries()) {
    const chord = parseChord(grip.chord);
    if (!chord.ok) return fail(chord.problem.code, `grip ${i + 1}`, chord.problem.detail);
    const graded = gradeIn(grip.frets, context);
    if (!graded.ok) return fail(graded.problem.code, `grip ${i + 1}`, graded.problem.detail);
    points.push(graded.value.points);
    hasBarre ||= graded.value.fingering.barres.some(isFullBarre);
    items.push(gripItem(grip.frets, graded.value.fingering.fingers, chord.value.symbol, context.instrument));
  }
  const change = changeIn(grips[0].frets, grips[1].frets, context);
  if (!change.ok) return change;
  const { fingers, fromFingers, toFingers, landsLast } = change.value;
  const moves = movesOf(piece, fingers, landsLast);
  if (moves.length < (piece === 'air' ? 2 : 1))
    return fail('drill.piece', 'piece', 'another piece: no finger does this here');
  // Both ends with the fingers of the change, which need not be those of each grip by itself.
  const [from, to] = [
    { ...items[0], fingers: fromFingers },
    { ...items[1], fingers: toFingers },
  ];
  const alone = piece === 'one finger' || piece === 'slide';
  const strings = context.instrument.openPitches.length;
  const noteAt = (place: FingerMove['from'], finger: FingerLabel): ScoreNote[] =>
    place ? [{ stringIndex: strings - place.string, fret: place.fret, finger }] : [];
  const ends: readonly (readonly ScoreNote[])[] = alone
    ? [
        moves.flatMap((move) => noteAt(move.from, move.finger)),
        moves.flatMap((move) => noteAt(move.to, move.finger)),
      ]
    : [gripNotes(from.frets, from.fingers), gripNotes(to.frets, to.fingers)];
  const sorted = ends.map((notes) => [...notes].sort((a, b) => a.stringIndex - b.stringIndex));
  const bars = Array.from({ length: 2 * ROUNDS }, (_, i): Bar => {
    const notes = sorted[i % 2];
    return {
      beats: BEATS,
      events: notes.length
        ? [
            {
              tick: 0,
              ticks: ticksOf(2),
              notes,
              stroke: alone ? 'pick' : 'strum',
              ...(alone ? {} : { chord: items[i % 2].chord }),
            },
          ]
        : [],
    };
  });
  const line = sorted.flat().map((note) => ({
    string: strings - note.stringIndex,
    fret: note.fret,
    finger: typeof note.finger === 'number' ? note.finger : 0,
  }));
  const about: readonly Item[] = alone ? [{ kind: 'line', notes: line }] : [from, to];
  const heaviest = Math.max(...points);
  return ok({
    recipe,
    items: about,
    steps: bars.map((_, i) => ({
      startTick: ticksOf(i * BEATS),
      ticks: ticksOf(BEATS),
      item: about[i % about.length],
      ask: {
        code: ASKS[piece],
        values: {
          from: items[i % 2].chord,
          to: items[(i + 1) % 2].chord,
          fingers: moves.map((move) => String(move.finger)).join(' '),
          count: moves.length,
        },
      },
      grip: i % 2 ? to : from,
    })),
    score: {
      schemaVersion: 1,
      strings,
      tempoBpm: FREE_BPM,
      countInBeats: BEATS,
      parts: [{ name: 'guitar', bars }],
    },
    effort: gradeOf(WEIGHT[piece] * heaviest),
    heaviestGrip: alone ? gradeOf(WEIGHT[piece] * heaviest) : gradeOf(heaviest),
    tempoBpm: null,
    predictedBpm: null,
    hasBarre: hasBarre && !alone,
    overLimit: !alone && overLimit(gradeOf(heaviest), context) > 0,
    bursts: {
      count: hasBarre && !alone ? 3 : 1,
      workSeconds: hasBarre && !alone ? 15 : 60,
      restSeconds: hasBarre && !alone ? 30 : 0,
    },
    question: { code: 'question.piece', values: { of: COUNTED, clean: COUNTED - 1 } },
    judged: 'changes',
    prelude: [],
    leftOut: [],
  });
}
