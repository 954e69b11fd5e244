/**
 * What the Lanternfold Players play: eight tunes written for this demo, in keys a puppet theatre ends up in. Charts in
 * the product's own grammar; concerts in days from the day the demo is made.
 */
import type { PartKind } from '@finch/core/score';

export interface DemoPiece {
  readonly chart: string;
  readonly concert: { readonly name: string; readonly inDays: number } | null;
  /** Parts the teacher gave out by hand. */
  readonly parts?: readonly (readonly [string, PartKind])[];
}

const HARBOUR = { name: 'Sprat Harbour', inDays: 10 };
const NET_LOFT = { name: 'The Net Loft', inDays: 25 };

export const REPERTOIRE: readonly DemoPiece[] = [
  {
    concert: HARBOUR,
    parts: [
      ['Corro Bellfenny', 'full'],
      ['Sunniva Harrowell', 'two notes'],
      ['Junia Ardlesey', 'two notes'],
      ['Ode Pettibrand', 'capo'],
    ],
    chart: `title: Thunder Sheet Reel
by: The Lanternfold Players
key: Db
time: 4/4
tempo: 96
strum chop 2: D - x u d u x u
strum push 2: D u - u d - d U

[A] chop
| Db | Bbm7 | Gbmaj7 | Ab7 |
m: | Ab4:1 F4 Db4 F4 | Db4:1.5 F4:.5 Ab4:2 | Bb4:1 Ab4 F4 Db4 | Eb4:1.5 Gb4:.5 C5:2 |
| Db | Fm7 | Gbmaj7 Ab7 | Db |
m: | Ab4:1 F4 Db4 F4 | C5:1.5 Ab4:.5 Eb4:2 | F4:1 Gb4 Ab4 C5 | Db5:4 |

[B] push
| Bbm7 Eb9 | Ab7 | Dbmaj9 | Gbmaj7 |
| Bbm7 Eb9 | Ab7sus4 Ab7 | Db | Db6/9 |

[Coda] chop
| Gbm6 | Dbmaj9 | Ab7sus4 Ab7 | Db6/9 |
`,
  },
  {
    concert: HARBOUR,
    parts: [
      ['Quill Amberley', 'two notes'],
      ['Linnea Oskvane', 'capo'],
    ],
    chart: `title: Count Rhubarb's Exit
by: The Lanternfold Players
key: Ab
time: 4/4
tempo: 84
swing: light
strum sweep 2: D - d u - u d -

[A] x2 sweep
| Abmaj7 | Fm7 | Bbm7 | Eb7 |
| Abmaj7 | Dbm6 | Eb7/Bb |1. Ab6 |2. Ab6 |

[B] sweep
| Dbmaj7 | Cm7 F7 | Bbm7 | Eb7 |
| Abmaj7 Ab7 | Dbmaj7 Dbm6 | Ab/Eb Eb7 | Ab6 |
order: A B A
`,
  },
  {
    concert: HARBOUR,
    chart: `title: Scissor Tree Waltz
by: The Lanternfold Players
key: B
time: 3/4
tempo: 108
pick waltz 1: p ima ima

[A] waltz
| B | G#m7 | C#m7 | F#7 |
m: | F#4:2 D#4:1 | B3:3 | E4:2 C#4:1 | A#3:3 |
| B | G#m7 | C#m7 F#7 | B |
m: | F#4:2 G#4:1 | D#4:3 | C#4:1 E4 A#3 | B3:3 |

[B] waltz
| E | D#m7 | G#m7 | C#7 |
m: | G#4:2 B4:1 | F#4:3 | B4:1 A#4 G#4 | F4:3 |
| E | Em6 | B/F# F#7 | B |
m: | G#4:2 E4:1 | G4:2 E4:1 | F#4:2 C#4:1 | B3:3 |
order: A B A
`,
  },
  {
    concert: NET_LOFT,
    chart: `title: Lamp-Oil Tango
by: The Lanternfold Players
key: F minor
time: 4/4
tempo: 76
strum tango 2: D - - u d - d u

[A] x2 tango
| Fm | Fm/Eb | Dbmaj7 | C7 |
| Fm | Bbm6 | C7b9 | Fm |

[B] tango
| Ab | Eb7 | Ab | C7 |
| Fm | Bbm7 | G7 C7 | Fm |
order: A B A
`,
  },
  {
    concert: NET_LOFT,
    chart: `title: Ropewalk Lullaby
by: The Lanternfold Players
key: Ab
time: 3/4
tempo: 66
capo: 1
pick roll 2: p i m a m i

[Verse] x2 roll
| Ab | Fm7 | Dbmaj7 | Eb7 |
m: | Eb4:1 C4 Eb4 | F4:1 Eb4:2 | F4:1 Ab4 F4 | Eb4:1 Eb4:2 |
w: Coil the rope a- way, lay it in the hay,
| Ab | Fm7 | Bbm7 Eb7 | Ab |
m: | Eb4:1 C4 Eb4 | Ab4:1 F4:2 | Db4:1 F4 G4 | Eb4:1 Ab4:2 |
w: tide is at the door, no one walks the shore.
`,
  },
  {
    concert: null,
    chart: `title: The Tin Heron Walks
by: The Lanternfold Players
key: Gb
time: 4/4
tempo: 90
strum heron 1: d x d x

[A] x2 heron
| Gb | Gb/F | Ebm7 | Ebm7/Db |
| Cbmaj7 | Gb/Bb | Abm7 | Db7 |

[B] heron
| Cbmaj7 | Cbm6 | Gb/Db | Ebm7 |
| Abm7 | Db7sus4 Db7 | Gb | Gb6 |
`,
  },
  {
    concert: null,
    chart: `title: Quay Street by Night
by: The Lanternfold Players
key: F# minor
time: 4/4
tempo: 72
swing: full
strum drift 2: d - x u - u x -

[A] x2 drift
| F#m7 | Bm7 | E9 | Amaj7 |
| Dmaj7 | G#m7b5 | C#7 | F#m7 |

[B] drift
| Bm7 E9 | Amaj7 | Bm7 C#7 | F#m7 F#m6 |
| Bm7 E9 | Amaj7 Dmaj7 | G#m7b5 C#7#9 | F#m9 |
`,
  },
  {
    concert: null,
    chart: `title: Eleven Wet Puppets
by: The Lanternfold Players
key: Bb
time: 5/4
tempo: 120
strum five 1: D u x d x
strum six 1: D u x D u x

[Five] x2 five
| Bb . . Eb . | F7 . . Bb . | Gm . . Cm7 . | F7sus4 . . F7 . |

[Six] six
| (6/4) Eb . . Ebm6 . . | Bb/D . . Dbdim7 . . | Cm7 . . F7 . . | Bb |
| Eb . . Edim7 . . | Bb/F . . G7 . . | Cm7 . . F7 . . | Bb6 |
`,
  },
];
