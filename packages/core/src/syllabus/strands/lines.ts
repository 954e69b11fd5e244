/** Lines and arpeggios: fingers one after the other, figures across the strings, fills between chords, a bass that walks. */
import { bassWalk, embellish, pickingPattern, scaleInTheShape, twoAString } from '../../drills/recipe';
import { also, by, grip, needs, strandOf } from './making';

const pick = (pattern: string, bass: 'root' | 'alternating', perBeat = 2, ...grips: string[]) =>
  pickingPattern({ grips: (grips.length ? grips : ['C x32010']).map(grip), pattern, perBeat, beats: 4, barsEach: 1, bass, striker: 'fingers' } as Parameters<typeof pickingPattern>[0]); // prettier-ignore
const two = (quality: 'major7' | 'dominant7' | 'minor7' | 'half-diminished', root = 'C') =>
  by(
    twoAString({ root, quality, string: 6, way: 'up and down', fingers: '1 4', keys: 1, next: 'fourths' }),
    'quality',
  );
const fill = (style: 'folk' | 'country' | 'blues' | 'soul' | 'jazz') =>
  by(embellish({ grip: grip('Am x02210'), next: grip('C x32010'), style, notes: 4, upTo: 'pulls' }), 'style');
const figure = (name: 'groups of 4' | 'groups of 3' | 'sixths' | 'targets', more: object = {}) =>
  by(
    scaleInTheShape({
      tonic: 'C',
      kind: 'major',
      place: 'position',
      at: 5,
      figure: name,
      perBeat: 2,
      ...more,
    }),
    'figure',
  );

export const lines = strandOf('lines', [
  {
    id: 'lines.pima',
    name: 'Thumb and three fingers',
    sentence: 'One finger for each string, the thumb on the root.',
    targetBpm: 66,
    needs: needs('open.c|open.am|open.em'),
    drills: [also(by(pick('p i m a', 'root', 1), 'bass'), { perBeat: [1] })],
  },
  {
    id: 'lines.arpeggio-quavers',
    name: 'Broken chords in quavers',
    sentence: 'The same hand twice as fast, over two chords.',
    targetBpm: 66,
    needs: needs('lines.pima'),
    drills: [also(by(pick('p i m a', 'root', 2, 'Am x02210', 'C x32010'), 'bass'), { perBeat: [2, 3, 4] })],
  },
  {
    id: 'lines.alternating',
    name: 'Alternating bass',
    sentence: 'The thumb goes between root and fifth while the fingers play on.',
    targetBpm: 66,
    needs: needs('lines.arpeggio-quavers'),
    drills: [by(pick('p i p m', 'alternating', 2), 'bass')],
  },
  {
    id: 'lines.groups',
    name: 'Groups of four and three',
    sentence: 'A scale in overlapping groups.',
    targetBpm: 72,
    needs: needs('scales.major-position|scales.box-1'),
    drills: [figure('groups of 4'), figure('groups of 3')],
  },
  {
    id: 'lines.sixths',
    name: 'Sixths',
    sentence: 'Two strings with one between them, up the scale.',
    targetBpm: 60,
    needs: needs('scales.thirds'),
    drills: [figure('sixths')],
  },
  {
    id: 'lines.major7',
    name: 'maj7, two a string',
    sentence: 'One figure three times across the strings.',
    targetBpm: 60,
    needs: needs('harmony.spell-sevenths|scales.major-position'),
    drills: [two('major7')],
  },
  {
    id: 'lines.dominant7',
    name: '7, two a string',
    sentence: 'The dominant arpeggio with the same hand.',
    targetBpm: 60,
    needs: needs('lines.major7'),
    drills: [two('dominant7', 'G')],
  },
  {
    id: 'lines.minor7',
    name: 'm7, two a string',
    sentence: 'The minor arpeggio, a fret further after string 2.',
    targetBpm: 60,
    needs: needs('lines.major7'),
    drills: [two('minor7', 'A')],
  },
  {
    id: 'lines.half-diminished',
    name: 'm7♭5, two a string',
    sentence: 'The arpeggio of the seventh degree.',
    targetBpm: 56,
    needs: needs('lines.minor7'),
    drills: [two('half-diminished', 'B')],
  },
  {
    id: 'lines.targets',
    name: 'Lines that arrive',
    sentence: 'Lands on a third or a seventh when the chord changes.',
    targetBpm: 60,
    use: true,
    needs: needs('scales.major-position', 'harmony.spell-sevenths|lines.major7'),
    drills: [figure('targets', { over: 'Dm7 G7 Cmaj7' })],
  },
  {
    id: 'lines.fill-folk',
    name: 'Fills between chords',
    sentence: 'Hammers and pulls that land on the next grip.',
    targetBpm: 60,
    use: true,
    needs: needs('near.am-c', 'scales.box-1|scales.one-string'),
    drills: [fill('folk'), fill('country')],
  },
  {
    id: 'lines.fill-blues',
    name: 'Blue fills',
    sentence: 'The blue notes between two chords.',
    targetBpm: 60,
    use: true,
    needs: needs('lines.fill-folk', 'scales.blues'),
    drills: [fill('blues'), fill('soul')],
  },
  {
    id: 'lines.bass-walk',
    name: 'A bass that walks',
    sentence: 'Steps from one root to the next under the chords.',
    targetBpm: 60,
    use: true,
    needs: needs('near.am-c', 'neck.naturals-6|neck.naturals-5'),
    drills: [
      by(
        bassWalk({ from: 'C', to: 'Am', key: 'C major', way: 'down', by: 'scale', back: true, beatsEach: 4 }),
      ),
    ],
  },
]);
