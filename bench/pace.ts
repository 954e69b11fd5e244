/**
 * How well the pace filter foretells takes it has not seen: log loss a step over simulated students whose truth it never
 * reads, as the application feeds it (shared misses, counts, bare words), against the running mean of the same changes.
 */
import { paceFollower } from '@finch/core/mastery';
import { mean } from '@finch/core/kernel';
import { simulatedStudent, START } from './students';

const STUDENTS = 24;

export function paceProof(): { what: string; median: string; aim: string }[] {
  const losses = { ours: [] as number[], running: [] as number[], stage: [] as number[] };
  const said = { share: [] as number[], came: [] as number[] };
  for (let seed = 1; seed <= STUDENTS; seed++) {
    const { lived, events, pace } = simulatedStudent(seed * 31);
    const { months } = pace.playedFor[0].value;
    const follower = paceFollower(pace, months);
    const stageAlone = paceFollower(pace, months);
    const past = new Map<string, number[]>();
    lived.forEach((take, i) => {
      const at = Date.parse(events[i].take.startedAt);
      const asked = events[i].take;
      const expected = follower.expects(asked, at);
      if (expected !== null && take.steps.length) {
        const key = JSON.stringify(take.items);
        const seen = past.get(key) ?? [];
        const clean = take.steps.filter((step) => step === 'clean').length / take.steps.length;
        const bounded = (p: number) => Math.min(0.98, Math.max(0.02, p));
        const loss = (p: number) => -clean * Math.log(bounded(p)) - (1 - clean) * Math.log(1 - bounded(p));
        losses.ours.push(loss(expected));
        losses.stage.push(loss(stageAlone.expects(asked, START) ?? expected));
        losses.running.push(loss((seen.reduce((a, b) => a + b, 0) + 1) / (seen.length + 2)));
        said.share.push(expected);
        said.came.push(clean);
        past.set(key, [...seen, clean]);
      }
      follower.follow(asked, at);
    });
  }
  const per = (all: readonly number[]) => mean(all).toFixed(3);
  const least = said.came.map((clean) =>
    clean <= 0 || clean >= 1 ? 0 : -clean * Math.log(clean) - (1 - clean) * Math.log(1 - clean),
  );
  return [
    {
      what: `log loss a step by the pace filter, ${losses.ours.length} takes of ${STUDENTS} simulated students`,
      median: per(losses.ours),
      aim: 'under the two below',
    },
    { what: '  running mean of the same changes', median: per(losses.running), aim: '' },
    { what: '  how long they have played alone', median: per(losses.stage), aim: '' },
    { what: '  who knew each take beforehand', median: per(least), aim: '' },
    { what: '  said and came, mean', median: `${per(said.share)}, ${per(said.came)}`, aim: 'equal' },
  ];
}
