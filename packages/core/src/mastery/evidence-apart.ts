/**
 * Takes of a skill that are evidence of something else than the skill is about: a chord that is played was also heard, or
 * spelled. Counted by kind and shown beside the number, which they never move.
 */
import type { EvidenceKind } from '../drills/family';
import type { Take } from '../drills/take';

export interface Counted {
  readonly takes: number;
  readonly clean: number;
  /** ms since 1970. */
  readonly lastAt: number;
}
export type EvidenceApart = Readonly<Partial<Record<EvidenceKind, Counted>>>;

/** With one more take. */
export function withApart(
  before: EvidenceApart | undefined,
  kind: EvidenceKind,
  { result }: Pick<Take, 'result'>,
  at: number,
): EvidenceApart {
  const { takes, clean } = before?.[kind] ?? { takes: 0, clean: 0 };
  return { ...before, [kind]: { takes: takes + 1, clean: clean + (result === 'clean' ? 1 : 0), lastAt: at } };
}
