/** The qualities asked for from any grip, in the order they are taught. */
export const ONE_NOTE_TARGETS: readonly string[] =
  'minor dominant7 major7 minor7 sixth minor6 sus2 sus4 add9 dominant9 major9 minor9 six-nine diminished half-diminished diminished7 augmented augmented7 minor-major7'.split(
    ' ',
  );
