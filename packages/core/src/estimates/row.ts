/** A row of a practice log: tries of one item, one after the other. Ids are opaque. */
export interface PracticeRow {
  readonly student: string;
  readonly skill: string;
  readonly item: string;
  /** Days since the log began, whole. */
  readonly day: number;
  /** Minutes since the session began. */
  readonly minute: number;
  /** Beats a minute; null where there is no tempo. */
  readonly tempoBpm: number | null;
  readonly tries: number;
  /** Of the tries, 0 to all of them. */
  readonly clean: number;
}
