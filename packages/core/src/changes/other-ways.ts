/** What else could be gripped at one chord of a path, and what it would do to the changes on either side. */
import { holdModel } from '../effort/hold';
import type { ChangeGrade } from './grade-change';
import { PATH_WEIGHTS, type Path, type PathOptions, type PathStep } from './path';
import { pathCosts } from './path-costs';
import { alike } from './path-solve';
import type { PathState } from './path-states';
import { changeBetween, pathSummary } from './path-summary';
import { makerFor, pathMemory, type PathMemory } from './plan-path';

/** Another grip for one chord of a path, its neighbours left as they are. */
export interface OtherWay {
  readonly step: PathStep;
  /** The change into it and out of it; null at either end of the path. */
  readonly before: ChangeGrade | null;
  readonly after: ChangeGrade | null;
  /** Tempo of the whole path with it in the place of the grip there now. */
  readonly tempoBpm: number | null;
  /** Nats more than the path as it is; negative cannot be unless the chord was locked. */
  readonly more: number;
}

/**
 * The next best grips for the chord at `index` (three by default), really other ones, the cheapest for the path
 * first, with what each does to both changes and to the tempo of the whole.
 */
export function otherWays(
  path: Path,
  index: number,
  options: PathOptions,
  memory: PathMemory = pathMemory(),
  most = 3,
): OtherWay[] {
  const here = path.steps[index];
  if (!here) return [];
  const maker = makerFor(options, memory);
  const model = holdModel(options.hand, options.instrument);
  const costs = pathCosts(model, PATH_WEIGHTS[options.objective ?? 'easiest'], memory.changes);
  const choice = maker.choose(here.chord, null);
  const beside = [index - 1, index + 1].map((i) => {
    const step = path.steps[i];
    if (!step?.grip) return null;
    return maker.choose(step.chord, { frets: step.grip.frets, fingers: step.grip.fingers });
  });
  const [into, outOf] = [
    beside[0]?.states.length ? costs.between(beside[0], choice) : null,
    beside[1]?.states.length ? costs.between(choice, beside[1]) : null,
  ];
  const costOf = (j: number) =>
    costs.ofState(choice.states[j]) + (into ? into(0, j) : 0) + (outOf ? outOf(j, 0) : 0);
  const ranked = choice.states
    .map((state, j) => ({ state, cost: costOf(j) }))
    .sort((a, b) => a.cost - b.cost);
  const now = ranked.find(({ state }) => sameHold(state, here));
  const taken: PathState[] = here.grip
    ? ranked.filter(({ state }) => isGrip(state, here)).map((one) => one.state)
    : [];
  const ways: OtherWay[] = [];
  for (const { state, cost } of ranked) {
    if (ways.length === most) break;
    if (taken.some((other) => alike(state, other))) continue;
    taken.push(state);
    const step: PathStep = { chord: here.chord, grip: state.grip, locked: false, gaveWay: choice.gaveWay };
    const steps = path.steps.map((one, i) => (i === index ? step : one));
    const before = index > 0 ? changeBetween(steps[index - 1], step, options, index - 1) : null;
    const after = index + 1 < steps.length ? changeBetween(step, steps[index + 1], options, index) : null;
    const changes = path.changes.map((one, i) => (i === index - 1 ? before : i === index ? after : one));
    ways.push({
      step,
      before,
      after,
      tempoBpm: pathSummary(steps, changes).tempoBpm,
      more: cost - (now?.cost ?? cost),
    });
  }
  return ways;
}

const isGrip = (state: PathState, step: PathStep) => state.grip.frets.join() === step.grip?.frets.join();
const sameHold = (state: PathState, step: PathStep) =>
  isGrip(state, step) && state.grip.fingers.join() === step.grip?.fingers.join();
