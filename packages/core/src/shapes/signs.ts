/** True signs for an ASCII degree or note name: `b3` becomes ♭3, `F#` F♯, `Bbb` B♭♭. For drawings; names of chords have words of their own. */
export function trueSigns(name: string): string {
  return name
    .replace(/^b+(?=\d)/, (flats) => '♭'.repeat(flats.length))
    .replace(/^([A-G])(b+)/, (_, letter: string, flats: string) => letter + '♭'.repeat(flats.length))
    .replaceAll('#', '♯');
}
