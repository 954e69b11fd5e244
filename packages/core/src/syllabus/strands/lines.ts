/** Lines and arpeggios: fingers one after the other, figures across the strings, fills between chords, a bass that walks. */
import {
  bassWalk,
  embellish,
  pickingPattern,
  scaleInTheShape,
  stringWalk,
  twoAString,
} from '../../drills/recipe';
import { over, also, by, grip, heard, needs, said, strandOf } from './making';

const pick = (pattern: string, bass: 'root' | 'alternating', perBeat = 2, ...grips: string[]) =>
  pickingPattern({ grips: (grips.length ? grips : ['C x32010']).map(grip), pattern, perBeat, beats: 4, barsEach: 1, bass, striker: 'fingers' } as Parameters<typeof pickingPattern>[0]); // prettier-ignore
const two = (quality: 'major7' | 'dominant7' | 'minor7' | 'half-diminished', root = 'C') =>
  by(
    twoAString({ root, quality, string: 6, way: 'up and down', fingers: '1 4', keys: 1, next: 'fourths' }),
    'quality',
  );
const fill = (style: 'folk' | 'country' | 'blues' | 'soul' | 'jazz') =>
  by(embellish({ grip: grip('Am x02210'), next: grip('C x32010'), style, notes: 4, upTo: 'pulls' }), 'style');
const figure = (
  name: 'straight' | 'thirds' | 'groups of 4' | 'groups of 3' | 'sixths' | 'targets',
  more: object = {},
) =>
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

export const lines = strandOf('lines', 'hold', [
  {
    id: 'lines.pima',
    name: 'Thumb and three fingers',
    sentence: 'One finger for each string, the thumb on the root.',
    targetBpm: 66,
    needs: needs('open.c|open.am|open.em'),
    drills: [also(by(pick('p i m a', 'root', 1), 'bass'), { perBeat: [1] })],
    change: [also(by(pick('p i m a', 'root', 1, 'Am x02210', 'C x32010'), 'bass'), { perBeat: [1] })],
    use: [
      also(by(pick('p i m a', 'root', 1, 'C x32010', 'Am x02210', 'G 320003'), 'bass'), { perBeat: [1] }),
    ],
  },
  {
    id: 'lines.arpeggio-quavers',
    name: 'Broken chords in quavers',
    sentence: 'The same hand twice as fast, over two chords.',
    targetBpm: 66,
    needs: needs('lines.pima'),
    drills: [also(by(pick('p i m a', 'root', 2, 'Am x02210', 'C x32010'), 'bass'), { perBeat: [2, 3, 4] })],
    step: 'change',
    hold: [also(by(pick('p i m a', 'root', 2), 'bass'), { perBeat: [2, 3, 4] })],
  },
  {
    id: 'lines.alternating',
    name: 'Alternating bass',
    sentence: 'The thumb goes between root and fifth while the fingers play on.',
    targetBpm: 66,
    needs: needs('lines.arpeggio-quavers'),
    drills: [by(pick('p i p m', 'alternating', 2), 'bass')],
    change: [by(pick('p i p m', 'alternating', 2, 'Am x02210', 'C x32010'), 'bass')],
  },
  {
    id: 'lines.groups',
    name: 'Groups of four and three',
    sentence: 'A scale in overlapping groups.',
    targetBpm: 72,
    needs: needs('scales.major-position|scales.box-1'),
    drills: [figure('groups of 4'), figure('groups of 3')],
    step: 'change',
    hold: [figure('straight')],
    hear: [over('C')],
  },
  {
    id: 'lines.sixths',
    name: 'Sixths',
    sentence: 'Two strings with one between them, up the scale.',
    targetBpm: 60,
    needs: needs('scales.thirds'),
    drills: [figure('sixths')],
    step: 'change',
    hold: [figure('thirds')],
    hear: [over('C')],
  },
  {
    id: 'lines.major7',
    name: 'maj7, two a string',
    sentence: 'One figure three times across the strings.',
    targetBpm: 60,
    needs: needs('harmony.spell-sevenths|scales.major-position'),
    drills: [two('major7')],
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
  {
    id: 'lines.dominant7',
    name: '7, two a string',
    sentence: 'The dominant arpeggio with the same hand.',
    targetBpm: 60,
    needs: needs('lines.major7'),
    drills: [two('dominant7', 'G')],
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
  {
    id: 'lines.minor7',
    name: 'm7, two a string',
    sentence: 'The minor arpeggio, a fret further after string 2.',
    targetBpm: 60,
    needs: needs('lines.major7'),
    drills: [two('minor7', 'A')],
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
  {
    id: 'lines.half-diminished',
    name: 'm7♭5, two a string',
    sentence: 'The arpeggio of the seventh degree.',
    targetBpm: 56,
    needs: needs('lines.minor7'),
    drills: [two('half-diminished', 'B')],
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
  {
    id: 'lines.targets',
    name: 'Lines that arrive',
    sentence: 'Lands on a third or a seventh when the chord changes.',
    targetBpm: 60,
    needs: needs('scales.major-position', 'harmony.spell-sevenths|lines.major7'),
    drills: [figure('targets', { over: 'Dm7 G7 Cmaj7' })],
    step: 'use',
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
  {
    id: 'lines.fill-folk',
    name: 'Fills between chords',
    sentence: 'Hammers and pulls that land on the next grip.',
    targetBpm: 60,
    needs: needs('near.am-c', 'scales.box-1|scales.one-string'),
    drills: [fill('folk'), fill('country')],
    step: 'use',
    hold: [
      by(
        scaleInTheShape({
          tonic: 'A',
          kind: 'minor pentatonic',
          place: 'box',
          at: 1,
          figure: 'straight',
          perBeat: 2,
        }),
        'kind',
        'place',
        'at',
      ),
    ],
    hear: [over('A')],
  },
  {
    id: 'lines.fill-blues',
    name: 'Blue fills',
    sentence: 'The blue notes between two chords.',
    targetBpm: 60,
    needs: needs('lines.fill-folk', 'scales.blues'),
    drills: [fill('blues'), fill('soul')],
    step: 'use',
    hold: [
      by(
        scaleInTheShape({
          tonic: 'A',
          kind: 'blues',
          place: 'form',
          at: 1,
          figure: 'straight',
          perBeat: 2,
        }),
        'kind',
      ),
    ],
    hear: [over('A')],
  },
  {
    id: 'lines.bass-walk',
    name: 'A bass that walks',
    sentence: 'Steps from one root to the next under the chords.',
    targetBpm: 60,
    needs: needs('near.am-c', 'neck.naturals-6|neck.naturals-5'),
    drills: [
      by(
        bassWalk({
          from: 'C',
          to: 'Am',
          key: 'C major',
          way: 'down',
          by: 'scale',
          back: true,
          beatsEach: 4,
        }),
      ),
    ],
    step: 'use',
    find: [
      by(
        stringWalk({ string: 5, key: 'C major', maxFret: 12, calls: 12, secondsPerCall: 5 }, 5),
        'string',
        'key',
      ),
    ],
    hear: [heard('inversions')],
  },
]);
