/** Scales and keys: five notes in a box, then seven, in positions and along strings, then the modes. */
import { openTask, scaleInTheShape, spellIt } from '../../drills/recipe';
import { also, by, needs, strandOf } from './making';

type Scale = Parameters<typeof scaleInTheShape>[0];
const scale = (
  kind: Scale['kind'],
  place: Scale['place'],
  at: number,
  figure: Scale['figure'] = 'straight',
  tonic = 'A',
) => scaleInTheShape({ tonic, kind, place, at, figure, perBeat: 2 }, at);
const straight = (kind: Scale['kind'], place: Scale['place'], at: number, tonic?: string) =>
  by(scale(kind, place, at, 'straight', tonic), 'kind', 'place', 'figure');
const free = (notes: 'all of the key' | 'the five', key = 'A minor') =>
  openTask({ key, question: 'what sounds at home', lowFret: 4, highFret: 9, thickString: 6, thinString: 1, notes, ground: 'drone', minutes: 3 }); // prettier-ignore

export const scales = strandOf('scales', [
  {
    id: 'scales.box-1',
    name: 'Minor pentatonic, first box',
    sentence: 'Five notes under one hand, up and down with a beat.',
    targetBpm: 80,
    drills: [by(scale('minor pentatonic', 'box', 1), 'kind', 'place', 'at')],
  },
  {
    id: 'scales.boxes-2-3',
    name: 'Minor pentatonic, boxes 2 and 3',
    sentence: 'The same five notes in the next two places.',
    targetBpm: 80,
    needs: needs('scales.box-1'),
    drills: [
      also(by(scale('minor pentatonic', 'box', 2), 'kind', 'place'), { at: [2, 3] }),
      also(by(scale('minor pentatonic', 'box', 3), 'kind', 'place'), { at: [2, 3] }),
    ],
  },
  {
    id: 'scales.boxes-4-5',
    name: 'Minor pentatonic, boxes 4 and 5',
    sentence: 'The last two places of the five notes.',
    targetBpm: 80,
    needs: needs('scales.boxes-2-3'),
    drills: [
      also(by(scale('minor pentatonic', 'box', 4), 'kind', 'place'), { at: [4, 5] }),
      also(by(scale('minor pentatonic', 'box', 5), 'kind', 'place'), { at: [4, 5] }),
    ],
  },
  {
    id: 'scales.joined',
    name: 'Boxes joined',
    sentence: 'Goes from one box into the next without stopping.',
    targetBpm: 72,
    needs: needs('scales.boxes-2-3'),
    drills: [by(scale('minor pentatonic', 'two joined', 1), 'place')],
  },
  {
    id: 'scales.major-five',
    name: 'Major pentatonic',
    sentence: 'The same shapes heard from the major side.',
    targetBpm: 80,
    needs: needs('scales.box-1'),
    drills: [by(scale('major pentatonic', 'box', 1, 'straight', 'C'), 'kind')],
  },
  {
    id: 'scales.blues',
    name: 'Blues scale',
    sentence: 'Five notes and the one between 4 and 5.',
    targetBpm: 80,
    needs: needs('scales.box-1'),
    drills: [by(scale('blues', 'form', 1), 'kind')],
  },
  {
    id: 'scales.one-string',
    name: 'Major along one string',
    sentence: 'Sees whole and half steps as frets.',
    targetBpm: 66,
    needs: needs('neck.naturals-6|neck.naturals-5'),
    drills: [by(scale('major', 'one string', 1, 'straight', 'C'), 'kind', 'place')],
  },
  {
    id: 'scales.major-position',
    name: 'Major in a position',
    sentence: 'A major scale under four fingers, in any key.',
    targetBpm: 80,
    needs: needs('scales.one-string|scales.major-five'),
    drills: [straight('major', 'position', 5, 'C')],
  },
  {
    id: 'scales.major-forms',
    name: 'Major inside the forms',
    sentence: 'Two more notes around each form of a chord make its major scale.',
    targetBpm: 76,
    needs: needs('scales.major-position'),
    drills: [straight('major', 'form', 1, 'C')],
  },
  {
    id: 'scales.three-a-string',
    name: 'Major, three a string',
    sentence: 'The scale from string 6 to string 1 with three notes on each.',
    targetBpm: 84,
    needs: needs('scales.major-position'),
    drills: [straight('major', 'three a string', 1, 'G')],
  },
  {
    id: 'scales.thirds',
    name: 'Major in thirds',
    sentence: 'Every other note, all the way up and down.',
    targetBpm: 66,
    needs: needs('scales.major-position'),
    drills: [by(scale('major', 'position', 5, 'thirds', 'C'), 'figure')],
  },
  {
    id: 'scales.seven-or-flat',
    name: '7 against ♭7',
    sentence: 'Lowers one note and hears which chord asks for it.',
    targetBpm: 66,
    needs: needs('scales.major-position'),
    drills: [by(scale('mixolydian', 'position', 5, '7 or b7', 'C'), 'figure')],
  },
  {
    id: 'scales.mixolydian',
    name: 'Mixolydian',
    sentence: 'The scale of a dominant seventh.',
    targetBpm: 76,
    needs: needs('scales.seven-or-flat'),
    drills: [straight('mixolydian', 'position', 5, 'G')],
  },
  {
    id: 'scales.minor',
    name: 'Natural minor',
    sentence: 'The scale of the sixth degree, in a position.',
    targetBpm: 76,
    needs: needs('scales.major-position'),
    drills: [straight('minor', 'position', 5)],
  },
  {
    id: 'scales.dorian',
    name: 'Dorian',
    sentence: 'The scale of a minor seventh on the second degree.',
    targetBpm: 76,
    needs: needs('scales.major-position', 'scales.minor'),
    drills: [straight('dorian', 'position', 5, 'D')],
  },
  {
    id: 'scales.harmonic-minor',
    name: 'Harmonic minor',
    sentence: 'The raised seventh that leads home in minor.',
    targetBpm: 70,
    needs: needs('scales.minor'),
    drills: [by(scale('harmonic minor', 'position', 5), 'kind')],
  },
  {
    id: 'scales.relative-modes',
    name: 'Modes of one key',
    sentence: 'Seven scales from the same notes, each from its own.',
    targetBpm: 66,
    needs: needs('scales.dorian', 'scales.mixolydian'),
    drills: [by(scale('major', 'position', 5, 'relative modes', 'C'), 'figure')],
  },
  {
    id: 'scales.degrees',
    name: 'Degrees, spelled',
    sentence: 'Says the 3, the 6 or the ♭7 of any key.',
    needs: needs('reading.spell-notes'),
    drills: [
      by(spellIt({ what: 'degrees', key: 'C major', keys: 5, count: 12, secondsPerCall: 8 }, 2), 'what'),
    ],
  },
  {
    id: 'scales.free',
    name: 'Free over a drone',
    sentence: 'Plays freely with the notes of a scale and comes home.',
    use: true,
    needs: needs('scales.box-1'),
    drills: [by(free('the five'), 'notes', 'ground')],
  },
]);
