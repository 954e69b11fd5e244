/**
 * How well a student's own pace is found from counted minutes: simulated hands with known factors, the error of the
 * seconds of other changes before any count and after ten, and whether the band holds the truth as often as it says.
 */
import {
  fitPace,
  gradeChange,
  paceFactor,
  paceOf,
  PLAIN_PRIOR,
  type ChangePartName,
  type CountedChanges,
} from '@finch/core/changes';
import { averageHand, standardGuitar } from '@finch/core/fretboard';
import { parseFrets } from '@finch/core/grips';
import { mean, must, seededRandom } from '@finch/core/kernel';
import { countChanges } from '@finch/core/simulation';

const PAIRS = [
  ['x02210', '022100'],
  ['x32010', '320003'],
  ['x02210', 'x32010'],
  ['320003', 'xx0232'],
  ['133211', '355433'],
  ['x24432', '320003'],
  ['xx3211', 'x02210'],
  ['x32010', '133211'],
];
/** Changes nobody counted: what the fit is judged by. */
const UNSEEN = [
  ['xx0232', 'x24432'],
  ['022000', 'x32010'],
  ['133211', '022100'],
  ['x32010', 'xx0232'],
  ['355433', '577655'],
  ['x02010', '320003'],
];
const HANDS = 60;

export function paceProof(): { what: string; median: string; aim: string }[] {
  const random = seededRandom(77);
  const frets = (texts: readonly string[]) => texts.map((text) => must(parseFrets(text)));
  const unseen = UNSEEN.map((texts) => {
    const [from, to] = frets(texts);
    return must(gradeChange(from, to, averageHand, standardGuitar, { pace: { factor: 1, logSpread: 0 } }));
  });
  const spread = { before: [] as number[], after: [] as number[], widths: [] as number[] };
  let held = 0;
  for (let hand = 0; hand < HANDS; hand++) {
    const drawn = random.fork(`hand ${hand}`);
    const factor = (by: number) => Math.exp(drawn.normal(0, by));
    const truth = { overall: factor(0.3), shift: factor(0.2), barre: factor(0.2), fingers: factor(0.2) };
    const counts = Array.from({ length: 10 }, (_, i): CountedChanges => {
      const grips = frets(PAIRS[i % PAIRS.length]);
      const clean = countChanges(grips, truth, averageHand, standardGuitar, drawn);
      return { grips, clean, seconds: 60 };
    });
    const fit = fitPace(counts, averageHand, standardGuitar, PLAIN_PRIOR);
    const pace = paceOf(fit);
    for (const change of unseen) {
      const seconds = (of: (name: ChangePartName) => number) =>
        change.parts.reduce((sum, part) => sum + part.seconds * of(part.name), 0);
      const own = (name: ChangePartName) =>
        name === 'shift' || name === 'barre' || name === 'fingers' ? truth[name] : 1;
      const true_ = seconds((name) => truth.overall * own(name));
      const fitted = seconds((name) => paceFactor(pace, name));
      spread.before.push(Math.log(change.seconds / true_));
      spread.after.push(Math.log(fitted / true_));
      if (Math.abs(Math.log(fitted / true_)) < 1.2816 * fit.overall.logSpread) held++;
    }
    spread.widths.push(fit.overall.logSpread);
  }
  const rms = (all: readonly number[]) => Math.sqrt(mean(all.map((one) => one * one)));
  const [before, after] = [rms(spread.before), rms(spread.after)];
  return [
    {
      what: `log error of the seconds of changes nobody counted, ${HANDS} simulated hands: by the prior`,
      median: before.toFixed(3),
      aim: '',
    },
    {
      what: '  after ten counted minutes',
      median: `${after.toFixed(3)}, ${((100 * after) / before).toFixed(0)} %`,
      aim: 'half of it',
    },
    {
      what: '  log spread said before and after; truth inside the 80 % band',
      median: `${PLAIN_PRIOR.logSpread.toFixed(2)}, ${mean(spread.widths).toFixed(2)}; ${((100 * held) / spread.after.length).toFixed(0)} %`,
      aim: '80 %',
    },
  ];
}
