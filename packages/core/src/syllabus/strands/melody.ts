/** Melody: a tune on top of its chords, tunes of one's own, questions without one right answer. */
import { melodyOnTop, noteReading, openTask, ownSmallPiece, scaleInTheShape } from '../../drills/recipe';
import { over, also, by, grip, heard, needs, said, strandOf, strum } from './making';

type Top = Parameters<typeof melodyOnTop>[0];
const top = (more: Partial<Top> = {}) =>
  melodyOnTop({ key: 'C major', string: 1, octaves: 1, way: 'up', by: 'degree', voicings: 'plain', bass: false, outside: 'pass over', beatsEach: 4, ...more } as Top); // prettier-ignore
type Question = Parameters<typeof openTask>[0]['question'];
const task = (question: Question) =>
  by(openTask({ key: 'A minor', question, lowFret: 4, highFret: 9, thickString: 4, thinString: 1, notes: 'the five', ground: 'drone', minutes: 3 }), 'question'); // prettier-ignore
const piece = (more: Partial<Parameters<typeof ownSmallPiece>[0]> = {}) =>
  ownSmallPiece({ key: 'C major', bars: 8, metre: '4/4', grips: ['C x32010', 'Am x02210', 'G 320003'].map(grip), uses: 2, melody: true, strum: 'every beat', play: 'melody', ...more } as Parameters<typeof ownSmallPiece>[0]); // prettier-ignore

export const melody = strandOf('melody', 'use', [
  {
    id: 'melody.two-notes',
    name: 'Two notes only',
    sentence: 'Makes three minutes out of two notes and their rhythm.',
    drills: [task('two notes only')],
    hear: [over('A')],
  },
  {
    id: 'melody.home',
    name: 'What sounds at home',
    sentence: 'Hears which notes rest over a drone.',
    drills: [task('what sounds at home')],
    hear: [over('A')],
  },
  {
    id: 'melody.rubs',
    name: 'What rubs',
    sentence: 'Hears which notes want to move, and lets them.',
    needs: needs('melody.home'),
    drills: [task('what rubs')],
    hear: [over('A')],
  },
  {
    id: 'melody.endings',
    name: 'Three endings',
    sentence: 'Ends one phrase in three ways.',
    needs: needs('melody.home', 'scales.box-1'),
    drills: [task('three endings')],
    hear: [heard('cadences')],
  },
  {
    id: 'melody.answers',
    name: 'Asked and answered',
    sentence: 'A phrase that asks, and one that answers it.',
    needs: needs('melody.endings'),
    drills: [task('asked and answered')],
    hear: [heard('cadences')],
  },
  {
    id: 'melody.rhythm',
    name: 'The same rhythm',
    sentence: 'Other notes in the rhythm that was.',
    needs: needs('melody.two-notes', 'rhythm.beats|rhythm.quavers'),
    drills: [task('the same rhythm')],
    hold: [by(strum(1, 'Em 022000'), 'level')],
  },
  {
    id: 'melody.read',
    name: 'A tune from the sheet',
    sentence: 'Plays the tune of a small piece over its chords.',
    targetBpm: 70,
    needs: needs('reading.first-position|reading.strings-3'),
    drills: [by(piece(), 'play')],
    find: [
      by(
        noteReading({ position: 0, strings: 6, key: 'C major', count: 16, secondsPerNote: 6 }, 6),
        'position',
        'strings',
      ),
    ],
    hear: [over('C')],
  },
  {
    id: 'melody.phrase',
    name: 'Phrases with rests',
    sentence: 'Shapes a scale into phrases that breathe.',
    targetBpm: 66,
    needs: needs('scales.major-position|scales.box-1'),
    drills: [
      by(
        scaleInTheShape({
          tonic: 'A',
          kind: 'minor pentatonic',
          place: 'box',
          at: 1,
          figure: 'phrase',
          perBeat: 2,
        }),
        'figure',
      ),
    ],
    step: 'hold',
    use: [task('asked and answered')],
    hear: [over('A')],
  },
  {
    id: 'melody.top-1',
    name: 'A scale on top, string 1',
    sentence: 'A chord of the key under each note on string 1.',
    targetBpm: 50,
    needs: needs('triads.minor', 'harmony.spell-chords'),
    drills: [also(by(top(), 'string', 'by'), { octaves: [1] })],
    step: 'hold',
    find: [said('chords')],
    hear: [over('C')],
  },
  {
    id: 'melody.top-2',
    name: 'A scale on top, string 2',
    sentence: 'The same a string lower, where the chords are fuller.',
    targetBpm: 50,
    needs: needs('melody.top-1'),
    drills: [by(top({ string: 2 }), 'string')],
    step: 'hold',
    find: [said('chords')],
    hear: [over('C')],
  },
  {
    id: 'melody.two-octaves',
    name: 'Two octaves on top',
    sentence: 'All the way up the neck and back with other voicings.',
    targetBpm: 50,
    needs: needs('melody.top-1', 'forms.five-major|triads.minor'),
    drills: [also(by(top({ octaves: 2, way: 'up and down' })), { octaves: [2] })],
    step: 'hold',
    find: [said('chords')],
    hear: [heard('inversions')],
  },
  {
    id: 'melody.by-class',
    name: 'A melody over one family',
    sentence: 'Chords of one family under any note of it.',
    targetBpm: 50,
    needs: needs('melody.top-1'),
    drills: [by(top({ by: 'class', chord: 'Cmaj7' }), 'by')],
    step: 'hold',
    find: [said('sevenths')],
    hear: [heard('sevenths')],
  },
]);
