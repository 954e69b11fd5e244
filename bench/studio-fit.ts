/** What a studio's fit of its skills brings to students it has not seen: log loss of every take foretold, with it and without. */
import { heldOf, replay, studioFit, together } from '@finch/core/mastery';
import { PRIOR_FIT } from '@finch/core/hands';
import { simulatedStudent } from './students';
const all = Array.from({ length: 24 }, (_, i) => simulatedStudent(1000 + 31 * i));
const at = (one: (typeof all)[number]) => Date.parse(one.events.at(-1)!.take.startedAt) + 1000;
const run = (list: typeof all, fit = PRIOR_FIT) =>
  list.map((one) => replay(one.events, { ...one.context, difficultyFit: fit }, at(one)));
const half = all.length / 2;
const prior = run(all);
const fit = studioFit(
  prior.slice(0, half).map((s) => s.firsts),
  'x',
);
const shifts = Object.entries(fit.shiftLogits).sort((a, b) => a[1] - b[1]);
console.log(shifts.length, 'shifts', shifts.slice(0, 5), shifts.slice(-8));
const held = (states: ReturnType<typeof run>) => {
  const h = heldOf(together(states.map((s) => s.foretold)));
  return [
    h.takes,
    h.logLoss?.toFixed(4),
    h.runningMean?.toFixed(4),
    h.classes.map((c) => `${Math.round(100 * c.said)}:${Math.round(100 * c.came)}`).join(' '),
  ];
};
console.log('others prior', ...held(prior.slice(half)));
console.log('others fit  ', ...held(run(all.slice(half), fit)));
console.log('same prior', ...held(prior.slice(0, half)));
console.log('same fit  ', ...held(run(all.slice(0, half), fit)));
