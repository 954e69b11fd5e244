/**
 * Levenshtein distance between two short texts (Levenshtein 1966): the least number of single-character
 * insertions, deletions and substitutions. Used to offer the nearest reading of a mistyped symbol.
 */
export function editDistance(a: string, b: string): number {
  let row = Array.from({ length: b.length + 1 }, (_, j) => j);
  for (let i = 1; i <= a.length; i++) {
    const next = [i];
    for (let j = 1; j <= b.length; j++) {
      const swap = row[j - 1] + (a[i - 1] === b[j - 1] ? 0 : 1);
      next.push(Math.min(swap, row[j] + 1, next[j - 1] + 1));
    }
    row = next;
  }
  return row[b.length];
}
