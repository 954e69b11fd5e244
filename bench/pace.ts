/**
 * How well the pace filter foretells takes it has not seen: log loss a step over simulated students whose truth it never
 * reads, as the application feeds it (shared misses, counts, bare words), against the running mean of the same changes.
 */
import { makeDrill } from '@finch/core/drills';
import { standardGuitar } from '@finch/core/fretboard';
import { paceFollower, paceOf, replay } from '@finch/core/mastery';
import { firstSyllabus } from '@finch/core/syllabus';
import { mean } from '@finch/core/kernel';
import { DAYS, simulatedStudent, START } from './students';

const STUDENTS = 24;

/**
 * Skills said to be clean at their tempo (nine in ten and more) whose own changes are said to be slower than that by more than a
 * tenth: how many of how many.
 */
function contradictions(seed: number): { of: number; found: number } {
  const { events, context, hand } = simulatedStudent(seed);
  const now = START + DAYS * 86_400_000;
  const { skills } = replay(events, context, now);
  const taught = { hand, instrument: standardGuitar, pace: paceOf(events, context, now).pace };
  const count = { of: 0, found: 0 };
  for (const skill of firstSyllabus.skills) {
    const { chance } = skills.find((one) => one.skillId === skill.id) ?? {};
    if (skill.targetBpm === null || !chance || chance.mean < 0.9) continue;
    const drill = makeDrill(skill.practice[0].recipe, taught);
    if (!drill.ok || drill.value.predictedBpm === null) continue;
    count.of++;
    if (drill.value.predictedBpm < skill.targetBpm / 1.1) count.found++;
  }
  return count;
}

export function paceProof(): { what: string; median: string; aim: string }[] {
  const losses = { ours: [] as number[], running: [] as number[], stage: [] as number[] };
  const said = { share: [] as number[], came: [] as number[] };
  const against = { of: 0, found: 0 };
  for (let seed = 1; seed <= STUDENTS; seed++) {
    const { of, found } = contradictions(seed * 31);
    against.of += of;
    against.found += found;
    const { lived, events, context } = simulatedStudent(seed * 31);
    const { months } = context.playedFor[0].value;
    const follower = paceFollower(context, months);
    const stageAlone = paceFollower(context, months);
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
    {
      what: '  skills said clean at their tempo whose changes are said slower by more than a tenth',
      median: `${against.found} of ${against.of}`,
      aim: '0',
    },
    { what: '  said and came, mean', median: `${per(said.share)}, ${per(said.came)}`, aim: 'equal' },
  ];
}
