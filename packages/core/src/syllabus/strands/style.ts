/** Style and repertoire: pieces of one's own and of the studio, and three styles, each with its grips and its hand. */
import { embellish, ownSmallPiece, pickingPattern, pieceSection } from '../../drills/recipe';
import {
  over,
  way,
  also,
  around,
  beside,
  between,
  by,
  exactly,
  grip,
  heard,
  held,
  loop,
  needs,
  strandOf,
  strum,
} from './making';

type Piece = Parameters<typeof ownSmallPiece>[0];
const piece = (more: Partial<Piece>) =>
  ownSmallPiece({ key: 'C major', bars: 8, metre: '4/4', grips: ['C x32010', 'Am x02210', 'G 320003'].map(grip), uses: 2, melody: false, strum: 'every beat', play: 'chords', ...more } as Piece); // prettier-ignore
const section = (part: 'as written' | 'one stroke' | 'melody') =>
  pieceSection({ pieceId: 'none', title: 'Two bars of what is held', fromBar: 1, toBar: 2, chart: 'key: C\ntempo: 80\nstrum plain 2: D - d u\n\n[A] plain\n| Am | C |\n', grips: [[null, 0, 2, 2, 1, 0], [null, 3, 2, 0, 1, 0]], part } as Parameters<typeof pieceSection>[0]); // prettier-ignore

const thumb = (...grips: string[]) =>
  pickingPattern({ grips: grips.map(grip), pattern: 'p i p m', perBeat: 2, beats: 4, barsEach: 2, bass: 'alternating', striker: 'fingers' }); // prettier-ignore

export const style = strandOf('style', 'use', [
  {
    id: 'pieces.one-stroke',
    name: 'A piece, one stroke a chord',
    sentence: 'Gets through a section with one stroke for each chord.',
    targetBpm: 60,
    needs: needs('near.am-c|near.e-am|near.a-d'),
    drills: [by(section('one stroke'), 'part')],
    hear: [heard('progressions')],
  },
  {
    id: 'pieces.as-written',
    name: 'A piece as written',
    sentence: 'Plays a section with its strum, in time.',
    targetBpm: 70,
    needs: needs('pieces.one-stroke', 'rhythm.beats'),
    drills: [by(section('as written'), 'part')],
    hold: [by(strum(2, 'Am x02210'), 'level')],
    hear: [heard('progressions')],
  },
  {
    id: 'pieces.own',
    name: 'Eight bars of one’s own',
    sentence: 'A small piece out of what is held.',
    targetBpm: 66,
    needs: needs('near.am-c|near.a-d'),
    drills: [also(by(piece({}), 'play'), { bars: [8] })],
    hear: [heard('cadences')],
  },
  {
    id: 'pieces.own-longer',
    name: 'Twelve and sixteen bars',
    sentence: 'Keeps a longer form without losing the place.',
    targetBpm: 66,
    needs: needs('pieces.own'),
    drills: [also(by(piece({ bars: 12 }), 'play'), { bars: [12, 16] })],
    hear: [heard('progressions')],
  },
  {
    id: 'style.swing-sixths',
    name: 'Swing: sixths',
    sentence: 'Four-note sixths, the middle strings only.',
    needs: needs('roots.6', 'colours.sixths|shells.6'),
    ...held('G6 3x243x', 'A6 5x465x'),
    step: 'hold',
    ...beside(['G6 3x243x', 'D9 x5455x'], 1, 'colours on top'),
  },
  {
    id: 'style.swing-dominants',
    name: 'Swing: low dominants',
    sentence: 'Dominants low on string 6 that move by half steps.',
    barre: true,
    needs: needs('style.swing-sixths'),
    ...held('G7 3x343x', 'A7 5x565x'),
    step: 'hold',
    ...beside(['G7 3x343x', 'C9 x3233x'], 1, 'sevenths'),
  },
  {
    id: 'style.swing-four',
    name: 'Swing: four to the bar',
    sentence: 'Sixth, dominant and back, a stroke on every beat.',
    targetBpm: 100,
    barre: true,
    needs: needs('style.swing-dominants', 'rhythm.beats'),
    matches: [between(exactly('G6 3x243x', 'A6 5x465x'), exactly('G7 3x343x', 'A7 5x565x'))],
    drills: [loop(['G6 3x243x', 'A7 5x565x'])],
    find: [by(way('slide', 'G6 3x243x', 'A7 5x565x'), 'piece', 'grips')],
    hear: [heard('progressions')],
  },
  {
    id: 'style.chop-triads',
    name: 'Chops: small triads',
    sentence: 'Three strings high up, stopped as soon as they sound.',
    needs: needs('triads.minor'),
    ...held('G xxx787', 'C xxx988', 'Am xxx555'),
    step: 'hold',
    ...beside(['G xxx787', 'C xxx988'], 3, 'triads'),
  },
  {
    id: 'style.chop-offbeats',
    name: 'Chops: off the beat',
    sentence: 'Only the off-beats, the beat stays silent.',
    targetBpm: 76,
    needs: needs('style.chop-triads', 'rhythm.offbeats'),
    drills: [by(strum(3, 'G xxx787', 'C xxx988'), 'level', 'bars')],
    hold: [also(by(strum(3, 'Am xxx555'), 'level', 'bars'), {})],
  },
  {
    id: 'style.chop-changes',
    name: 'Chops: changes in one place',
    sentence: 'Moves between small triads without leaving the place.',
    targetBpm: 66,
    needs: needs('style.chop-triads'),
    matches: [between(exactly('G xxx787'), exactly('C xxx988'))],
    drills: [loop(['G xxx787', 'C xxx988'])],
    step: 'change',
    ...around('G xxx787', 'C xxx988', 'G major'),
  },
  {
    id: 'style.folk-thumb',
    name: 'Folk: the thumb goes on',
    sentence: 'An alternating thumb through two chords.',
    targetBpm: 72,
    needs: needs('lines.alternating'),
    drills: [also(by(thumb('C x32010', 'Am x02210'), 'bass'), { barsEach: [2, 3, 4] })],
    hold: [also(by(thumb('C x32010'), 'bass'), { barsEach: [2, 3, 4] })],
  },
  {
    id: 'style.folk-fills',
    name: 'Folk: hammers on the way',
    sentence: 'Small hammers around a chord while the thumb goes on.',
    targetBpm: 60,
    needs: needs('lines.fill-folk'),
    drills: [
      by(
        embellish({
          grip: grip('C x32010'),
          next: grip('G 320003'),
          style: 'folk',
          notes: 4,
          upTo: 'hammers',
        }),
        'upTo',
      ),
    ],
    hear: [over('C')],
  },
]);
