/**
 * Levenshtein distance between two short texts (Levenshtein 1966): the least number of single-character
 * insertions, deletions and substitutions. Used to offer the nearest reading of a mistyped symbol.
 */
/** One row, used again by every call that fits: the texts are short and the calls many. */
const ROW = new Uint16Array(128);

export function editDistance(a: string, b: string): number {
  const row = ROW.length > b.length ? ROW : new Uint16Array(b.length + 1);
  for (let j = 0; j <= b.length; j++) row[j] = j;
  for (let i = 1; i <= a.length; i++) {
    let diagonal = row[0];
    row[0] = i;
    for (let j = 1; j <= b.length; j++) {
      const above = row[j];
      const swap = diagonal + (a[i - 1] === b[j - 1] ? 0 : 1);
      row[j] = Math.min(swap, above + 1, row[j - 1] + 1);
      diagonal = above;
    }
  }
  return row[b.length];
}
