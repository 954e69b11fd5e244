/**
 * A piece as MusicXML 4 (score-partwise): a melody part where there is one, and a guitar part with staff, tablature,
 * chord names and frames. A guitar stands an octave above its sound, which its clef says. Bars are those written, with
 * repeats and endings; what MusicXML has no place for (patterns, the order of sections) goes as miscellaneous fields.
 */
import { XMLBuilder } from 'fast-xml-parser';
import type { Instrument } from '../fretboard/instrument';
import { pitchAt, stringNumber } from '../fretboard/instrument';
import type { FingerLabel, Frets } from '../grips/grip';
import { must } from '../kernel/result';
import { chordOf } from '../score/piece-path';
import {
  readPieceKey,
  writtenChords,
  type MelodyNote,
  type Piece,
  type PieceBar,
  type TimeSignature,
} from '../score/piece';
import { patternText } from '../score/pattern';
import { mod12, rootNamed, type NoteName } from '../theory/note';
import { pitchSpelled, type Pitch } from '../theory/pitch';
import type { Span } from '../score/notation';
import { TICKS_A_BEAT } from '../score/ticks';
import { harmonyOf } from './harmony';
import { divisionsOf, durationOf, printedValues, type Printed } from './printed-values';
import { tag, type Node } from './xml-tag';

export interface GripOnChart {
  readonly frets: Frets;
  readonly fingers?: readonly FingerLabel[];
}

/** `grips` by written chord, on `instrument` with the piece's capo; chords without one have their names alone. */
export function writeMusicXml(
  piece: Piece,
  grips: readonly (GripOnChart | null)[],
  instrument: Instrument,
): string {
  const divisions = divisionsOf(piece);
  const melody = piece.sections.some((section) => section.bars.some((bar) => bar.melody));
  const parts = [
    ...(melody ? [{ id: 'P1', name: 'Melody', measures: melodyMeasures(piece, divisions) }] : []),
    { id: 'P2', name: 'Guitar', measures: guitarMeasures(piece, divisions, grips, instrument) },
  ];
  const misc = [
    ...piece.patterns.map((one) => [
      'pattern',
      `${one.kind} ${one.name} ${one.perBeat}: ${patternText(one)}`,
    ]),
    ...piece.sections.flatMap((one) => (one.pattern ? [['section', `${one.name} ${one.pattern}`]] : [])),
    ...(piece.order ? [['order', piece.order.join(' ')]] : []),
    ...(piece.capo ? [['capo', String(piece.capo)]] : []),
  ];
  const root = tag(
    'score-partwise',
    [
      tag('work', [tag('work-title', piece.title)]),
      tag('identification', [
        ...(piece.by ? [tag('creator', piece.by, { type: 'composer' })] : []),
        ...(misc.length
          ? [
              tag(
                'miscellaneous',
                misc.map(([name, text]) => tag('miscellaneous-field', text, { name })),
              ),
            ]
          : []),
      ]),
      tag(
        'part-list',
        parts.map((part) => tag('score-part', [tag('part-name', part.name)], { id: part.id })),
      ),
      ...parts.map((part) => tag('part', part.measures, { id: part.id })),
    ],
    { version: '4.0' },
  );
  const builder = new XMLBuilder({
    preserveOrder: true,
    ignoreAttributes: false,
    format: true,
    indentBy: ' ',
    suppressEmptyNode: true,
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n${String(builder.build([root])).trim()}\n`;
}

interface Here {
  readonly bar: PieceBar;
  readonly time: TimeSignature;
  readonly first: boolean;
  readonly section: Piece['sections'][number];
  readonly index: number;
  /** What changed since the bar before. */
  readonly newTime: boolean;
  readonly key: string | null;
  readonly tempo: number | null;
}

function barsOf(piece: Piece): Here[] {
  const all: Here[] = [];
  let { time } = piece;
  for (const section of piece.sections) {
    for (const [index, bar] of section.bars.entries()) {
      const first = all.length === 0;
      time = bar.time ?? time;
      all.push({
        bar,
        time,
        first,
        section,
        index,
        newTime: first || bar.time !== undefined,
        key: bar.key ?? (first ? piece.key : null),
        tempo: bar.tempoBpm ?? (first ? piece.tempoBpm : null),
      });
    }
  }
  return all;
}

const keyTag = (name: string): Node => {
  const key = must(readPieceKey(name));
  return tag('key', [tag('fifths', key.fifths), tag('mode', key.mode)]);
};

function leftBarline({ section, index }: Here): Node[] {
  const { bars, times } = section;
  const { ending } = bars[index];
  const begins = ending !== undefined && bars[index - 1]?.ending !== ending;
  const children = [
    ...(begins ? [tag('ending', [], { number: ending, type: 'start' })] : []),
    ...(index === 0 && times > 1 ? [tag('repeat', [], { direction: 'forward' })] : []),
  ];
  return children.length ? [tag('barline', children, { location: 'left' })] : [];
}

function rightBarline({ section, index }: Here): Node[] {
  const { bars, times } = section;
  const { ending } = bars[index];
  const ends = ending !== undefined && bars[index + 1]?.ending !== ending;
  const hasEndings = bars.some((bar) => bar.ending !== undefined);
  const repeats = times > 1 && (hasEndings ? ending === 1 && ends : index === bars.length - 1);
  const children = [
    ...(ends ? [tag('ending', [], { number: ending, type: 'stop' })] : []),
    ...(repeats ? [tag('repeat', [], { direction: 'backward', times })] : []),
  ];
  return children.length ? [tag('barline', children, { location: 'right' })] : [];
}

const UNITS: Readonly<Record<number, string>> = { 2: 'half', 4: 'quarter', 8: 'eighth', 16: '16th' };

function directions(here: Here, piece: Piece): Node[] {
  const { section, index, tempo, time } = here;
  const made: Node[] = [];
  if (index === 0)
    made.push(
      tag('direction', [tag('direction-type', [tag('rehearsal', section.name)])], { placement: 'above' }),
    );
  if (tempo !== null) {
    const metronome = tag('metronome', [tag('beat-unit', UNITS[time.unit]), tag('per-minute', tempo)]);
    const swing =
      here.first && piece.swing !== 'straight'
        ? [
            tag('swing', [
              tag('first', piece.swing === 'full' ? 2 : 3),
              tag('second', piece.swing === 'full' ? 1 : 2),
            ]),
          ]
        : [];
    made.push(
      tag(
        'direction',
        [
          tag('direction-type', [metronome]),
          tag('sound', swing, { tempo: Math.round((tempo * 400) / time.unit) / 100 }),
        ],
        { placement: 'above' },
      ),
    );
  }
  return made;
}

const pitchTag = (pitch: Pitch): Node =>
  tag('pitch', [
    tag('step', pitch.note.letter),
    ...(pitch.note.accidental ? [tag('alter', pitch.note.accidental)] : []),
    tag('octave', pitch.octave),
  ]);

function melodyMeasures(piece: Piece, divisions: number): Node[] {
  let tied = false;
  return barsOf(piece).map((here, i) => {
    const { bar, time } = here;
    const attributes = [
      ...(here.first ? [tag('divisions', divisions)] : []),
      ...(here.key ? [keyTag(here.key)] : []),
      ...(here.newTime ? [tag('time', [tag('beats', time.beats), tag('beat-type', time.unit)])] : []),
      ...(here.first ? [tag('clef', [tag('sign', 'G'), tag('line', 2)])] : []),
    ];
    const printed = printedValues(time, bar.melody ?? []);
    const note = (one: MelodyNote, n: number): Node => {
      const ends = [...(tied && one.pitch ? ['stop'] : []), ...(one.tied ? ['start'] : [])];
      const notations = [...ends.map((type) => tag('tied', [], { type })), ...printed[n].bracket];
      const word = one.word?.replace(/-$/, '');
      const made = tag('note', [
        one.pitch ? pitchTag(one.pitch) : tag('rest'),
        tag('duration', durationOf(one.ticks, time, divisions)),
        ...ends.map((type) => tag('tie', [], { type })),
        tag('voice', 1),
        ...printed[n].value,
        ...(notations.length ? [tag('notations', notations)] : []),
        ...(one.word
          ? [
              tag('lyric', [
                tag('syllabic', one.word.endsWith('-') ? 'begin' : 'single'),
                tag('text', word ?? ''),
              ]),
            ]
          : []),
      ]);
      tied = one.tied === true;
      return made;
    };
    const notes = bar.melody
      ? bar.melody.map(note)
      : [
          tag('note', [
            tag('rest', [], { measure: 'yes' }),
            tag('duration', durationOf(time.beats * TICKS_A_BEAT, time, divisions)),
            tag('voice', 1),
          ]),
        ];
    return tag(
      'measure',
      [
        ...leftBarline(here),
        ...(attributes.length ? [tag('attributes', attributes)] : []),
        ...directions(here, piece),
        ...notes,
        ...rightBarline(here),
      ],
      { number: i + 1 },
    );
  });
}

function guitarMeasures(
  piece: Piece,
  divisions: number,
  grips: readonly (GripOnChart | null)[],
  instrument: Instrument,
): Node[] {
  const strings = instrument.openPitches.length;
  const written = writtenChords(piece);
  let next = 0;
  return barsOf(piece).map((here, i) => {
    const { bar, time } = here;
    const attributes = [
      ...(here.first ? [tag('divisions', divisions)] : []),
      ...(here.key ? [keyTag(here.key)] : []),
      ...(here.newTime ? [tag('time', [tag('beats', time.beats), tag('beat-type', time.unit)])] : []),
      ...(here.first
        ? [
            tag('staves', 2),
            tag('clef', [tag('sign', 'G'), tag('line', 2), tag('clef-octave-change', -1)], { number: 1 }),
            tag('clef', [tag('sign', 'TAB'), tag('line', 5)], { number: 2 }),
            tag(
              'staff-details',
              [
                tag('staff-lines', strings),
                ...instrument.openPitches.map((pitch, s) => tuningTag(pitch, s + 1)),
                ...(instrument.capo ? [tag('capo', instrument.capo)] : []),
              ],
              { number: 2 },
            ),
          ]
        : []),
    ];
    const staves: [Node[], Node[]] = [[], []];
    const barTicks = time.beats * TICKS_A_BEAT;
    const starts = [...new Set([0, ...bar.chords.map((one) => one.tick)])];
    const spans = starts.map((tick, n): Span => ({ tick, ticks: (starts[n + 1] ?? barTicks) - tick }));
    const printed = printedValues(time, spans);
    const lengthAt = (tick: number): Length => {
      const n = starts.indexOf(tick);
      return { duration: durationOf(spans[n].ticks, time, divisions), printed: printed[n] };
    };
    if (bar.chords[0]?.tick !== 0)
      for (const staff of [1, 2] as const) staves[staff - 1].push(restTag(lengthAt(0), staff));
    bar.chords.forEach((one) => {
      const grip = grips[next] ?? null;
      const chord = written[next++];
      const length = lengthAt(one.tick);
      staves[0].push(...harmonyTag(chord.chord, grip, strings));
      for (const staff of [1, 2] as const) {
        if (!grip) staves[staff - 1].push(restTag(length, staff));
        else staves[staff - 1].push(...gripNotes(grip, one.chord, length, staff, instrument));
      }
    });
    return tag(
      'measure',
      [
        ...leftBarline(here),
        ...(attributes.length ? [tag('attributes', attributes)] : []),
        ...directions(here, piece),
        ...staves[0],
        tag('backup', [tag('duration', durationOf(barTicks, time, divisions))]),
        ...staves[1],
        ...rightBarline(here),
      ],
      { number: i + 1 },
    );
  });
}

interface Length {
  readonly duration: number;
  readonly printed: Printed;
}

const restTag = ({ duration, printed }: Length, staff: 1 | 2): Node =>
  tag('note', [
    tag('rest'),
    tag('duration', duration),
    tag('voice', staff),
    ...printed.value,
    tag('staff', staff),
    ...(printed.bracket.length ? [tag('notations', printed.bracket)] : []),
  ]);

/** Line 1 is the lowest of the staff, the thickest string. */
function tuningTag(midi: number, line: number): Node {
  const pitch = pitchSpelled(midi, rootNamed(mod12(midi)));
  return tag(
    'staff-tuning',
    [
      tag('tuning-step', pitch.note.letter),
      ...(pitch.note.accidental ? [tag('tuning-alter', pitch.note.accidental)] : []),
      tag('tuning-octave', pitch.octave),
    ],
    { line },
  );
}

function harmonyTag(symbol: string, grip: GripOnChart | null, strings: number): Node[] {
  const harmony = harmonyOf(symbol);
  const named = (name: string, note: NoteName) => [
    tag(`${name}-step`, note.letter),
    ...(note.accidental ? [tag(`${name}-alter`, note.accidental)] : []),
  ];
  if (!harmony) return [tag('harmony', [tag('function', 'N.C.'), tag('kind', 'none', { text: 'N.C.' })])];
  return [
    tag('harmony', [
      tag('root', named('root', harmony.root)),
      tag('kind', harmony.kind, { text: harmony.text }),
      ...(harmony.bass ? [tag('bass', named('bass', harmony.bass))] : []),
      ...(grip ? [frameTag(grip, strings)] : []),
    ]),
  ];
}

const FRAME_FRETS = 5;

function frameTag({ frets, fingers }: GripOnChart, strings: number): Node {
  const pressed = frets.filter((fret): fret is number => fret !== null && fret > 0);
  const high = Math.max(0, ...pressed);
  const from = high <= FRAME_FRETS ? 1 : Math.min(...pressed);
  return tag('frame', [
    tag('frame-strings', strings),
    tag('frame-frets', Math.max(FRAME_FRETS, high - from + 1)),
    ...(from > 1 ? [tag('first-fret', from)] : []),
    ...frets.flatMap((fret, s) => {
      if (fret === null) return [];
      const finger = fingers?.[s];
      return [
        tag('frame-note', [
          tag('string', strings - s),
          tag('fret', fret),
          ...(typeof finger === 'number' && finger > 0 ? [tag('fingering', finger)] : []),
        ]),
      ];
    }),
  ]);
}

function gripNotes(
  { frets }: GripOnChart,
  symbol: string,
  { duration, printed }: Length,
  staff: 1 | 2,
  instrument: Instrument,
): Node[] {
  const tones = chordOf(symbol).tones;
  let first = true;
  return frets.flatMap((fret, s) => {
    if (fret === null) return [];
    const midi = pitchAt(instrument, s, fret);
    const note = tones.find((tone) => tone.pitchClass === mod12(midi))?.note ?? rootNamed(mod12(midi));
    const notations = [
      ...(first ? printed.bracket : []),
      ...(staff === 2
        ? [tag('technical', [tag('string', stringNumber(instrument, s)), tag('fret', fret)])]
        : []),
    ];
    const made = tag('note', [
      ...(first ? [] : [tag('chord')]),
      // Sounding pitch; the octave sign of the clef puts it where a guitar is read.
      pitchTag(pitchSpelled(midi, note)),
      tag('duration', duration),
      tag('voice', staff),
      ...printed.value,
      tag('staff', staff),
      ...(notations.length ? [tag('notations', notations)] : []),
    ]);
    first = false;
    return [made];
  });
}

/** For a file's name: the title in plain letters. */
export const fileName = (piece: Piece, ending: string): string =>
  `${piece.title.replace(/[^\p{L}\d]+/gu, '-').replace(/^-|-$/g, '') || 'piece'}.${ending}`;
