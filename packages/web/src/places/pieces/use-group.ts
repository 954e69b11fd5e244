/** The group of the student on the bench with a piece: who plays which part, and how ready each is for a day. */
import type { SkillStateBody } from '@finch/contract';
import { forecastShare } from '@finch/core/mastery';
import type { Assignment } from '@finch/core/score';
import { computed, type Ref } from 'vue';
import { useGroupBodies, type OnBench } from '../../session/group';
import { useSeat } from '../../session/seat';
import { groupWork, plain } from '../../workers/bench';
import { useLatest } from '../../workers/latest';
import type { Listed } from './listed';
import type { ReadyLine } from './ReadyTable.vue';

export function useGroup(
  student: Readonly<Ref<OnBench | null | undefined>>,
  shown: Readonly<Ref<Listed | null>>,
) {
  const seat = useSeat();
  const { group, members, known } = useGroupBodies(student);
  const players = computed(() => known.value.map((one) => ({ id: one.id, taught: one.taught })));
  const names = computed(() =>
    Object.fromEntries(
      known.value.map((one) => [one.id, { name: one.name, limit: one.taught.limits.gripEffort }] as const),
    ),
  );
  // The numbers of another piece never stand beside this one; those of this one stay while a part is given anew.
  // As text, since every look at the server makes the bodies anew with the same in them.
  const ready = computed(() =>
    players.value.length > 0 && players.value.length === members.value.length
      ? JSON.stringify(players.value)
      : null,
  );
  const { answer: assignment, busy: assigning } = useLatest(
    () =>
      shown.value && ready.value
        ? { piece: shown.value.piece, parts: shown.value.body.parts, all: ready.value }
        : null,
    ({ piece, parts, all }): Promise<Assignment> =>
      groupWork().assign(plain(piece), JSON.parse(all) as typeof players.value, plain(parts)),
    (now, before) => now.piece === before?.piece,
  );
  /** Today's share of clean changes of each player, carried on for so many days by the skills the piece needs. */
  function readiness(days: number, needed: ReadonlySet<string>): ReadyLine[] {
    return (assignment.value?.players ?? []).flatMap(({ id, part }): ReadyLine[] => {
      const one = known.value.find((body) => body.id === id);
      if (part.cleanShare === null || !one) return [];
      const met = one.skills.filter((skill: SkillStateBody) => skill.attempts > 0);
      const own = met.filter((skill: SkillStateBody) => needed.has(skill.skillId));
      const day = forecastShare(part.cleanShare, own.length ? own : met, days, seat.now());
      return [{ id, name: one.name, today: part.cleanShare, ...day }];
    });
  }
  return { group, members, names, assignment, assigning, readiness };
}
