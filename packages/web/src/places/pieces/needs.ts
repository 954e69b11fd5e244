/** Which skills a piece needs, read from its grips and changes, with the bars that need them. */
import type { SkillStateBody, SyllabusBody } from '@finch/contract';
import type { Instrument } from '@finch/core/fretboard';
import type { PieceDemand } from '@finch/core/score';
import { firstSyllabus, pieceItems, skillsOf } from '@finch/core/syllabus';

export interface Need {
  readonly id: string;
  readonly name: string;
  /** Numbers on the chart. */
  readonly bars: readonly number[];
  readonly state: SkillStateBody | null;
}

/** Sorted by how little of them is held, the least first. */
export function needsOf(
  demand: PieceDemand,
  instrument: Instrument,
  states: readonly SkillStateBody[],
  names: SyllabusBody | undefined,
): Need[] {
  const chords = demand.chords.map(({ step }) => ({ chord: step.chord.symbol, grip: step.grip }));
  const items = pieceItems(chords, demand.changes, instrument).map(({ item, at }) => ({
    item,
    bar: demand.chords[at].number,
  }));
  const barOf = new Map(items.map(({ item, bar }) => [item, bar] as const));
  const found = skillsOf({ items: items.map(({ item }) => item) }, firstSyllabus);
  return found
    .map(({ skill, items: fitting }): Need => ({
      id: skill.id,
      name: names?.skills.find((one) => one.id === skill.id)?.name ?? skill.name,
      bars: [...new Set(fitting.map((item) => barOf.get(item) ?? 0))].sort((a, b) => a - b),
      state: states.find((one) => one.skillId === skill.id) ?? null,
    }))
    .sort((a, b) => held(a) - held(b));
}

const held = (need: Need): number => need.state?.chance?.mean ?? -1;
