/**
 * One grip of each of a row of lists, chosen together with their fingerings so that hand and changes are lightest (Viterbi
 * 1967; the weights are those of the easiest path).
 */
import { heldStates, packedChanges } from '../changes/grade-change';
import { PATH_WEIGHTS } from '../changes/path';
import type { GradedGrip } from '../shapes/graded-grip';
import type { DrillContext } from '../hands/taught-hand';

/** Null where a list is empty. The cost is in the nats of usefulness and seconds of changes that the path weighs. */
export function lightest(
  row: readonly (readonly GradedGrip[])[],
  context: DrillContext,
): { cost: number; grips: GradedGrip[] } | null {
  if (row.some((list) => list.length === 0)) return null;
  const { hand, instrument } = context;
  const { useful, second } = PATH_WEIGHTS.easiest;
  const seconds = packedChanges(hand, instrument);
  const states = row.map((list) =>
    list.flatMap((grip) =>
      heldStates([grip.frets], hand, instrument).map((held) => ({
        grip,
        held,
        own: useful * grip.usefulness,
      })),
    ),
  );
  let layer = states[0].map((state) => ({ cost: state.own, states: [state] }));
  for (const list of states.slice(1))
    layer = list.map((state) => {
      const cost = (one: (typeof layer)[number]) =>
        one.cost + second * seconds(one.states[one.states.length - 1].held, state.held);
      const way = layer.map((one) => ({ one, cost: cost(one) })).reduce((a, b) => (b.cost < a.cost ? b : a));
      return { cost: way.cost + state.own, states: [...way.one.states, state] };
    });
  const best = layer.reduce((a, b) => (b.cost < a.cost ? b : a));
  return { cost: best.cost, grips: best.states.map((state) => state.grip) };
}
