/** Melody: a tune on top of its chords, tunes of one's own, questions without one right answer. */
import { melodyOnTop, openTask, ownSmallPiece, scaleInTheShape } from '../../drills/recipe';
import { also, by, grip, needs, strandOf } from './making';

type Top = Parameters<typeof melodyOnTop>[0];
const top = (more: Partial<Top> = {}) =>
  melodyOnTop({ key: 'C major', string: 1, octaves: 1, way: 'up', by: 'degree', voicings: 'plain', bass: false, outside: 'pass over', beatsEach: 4, ...more } as Top); // prettier-ignore
type Question = Parameters<typeof openTask>[0]['question'];
const task = (question: Question) =>
  by(openTask({ key: 'A minor', question, lowFret: 4, highFret: 9, thickString: 4, thinString: 1, notes: 'the five', ground: 'drone', minutes: 3 }), 'question'); // prettier-ignore
const piece = (more: Partial<Parameters<typeof ownSmallPiece>[0]> = {}) =>
  ownSmallPiece({ key: 'C major', bars: 8, metre: '4/4', grips: ['C x32010', 'Am x02210', 'G 320003'].map(grip), uses: 2, melody: true, strum: 'every beat', play: 'melody', ...more } as Parameters<typeof ownSmallPiece>[0]); // prettier-ignore

export const melody = strandOf('melody', [
  {
    id: 'melody.two-notes',
    name: 'Two notes only',
    sentence: 'Makes three minutes out of two notes and their rhythm.',
    use: true,
    drills: [task('two notes only')],
  },
  {
    id: 'melody.home',
    name: 'What sounds at home',
    sentence: 'Hears which notes rest over a drone.',
    use: true,
    drills: [task('what sounds at home')],
  },
  {
    id: 'melody.rubs',
    name: 'What rubs',
    sentence: 'Hears which notes want to move, and lets them.',
    use: true,
    needs: needs('melody.home'),
    drills: [task('what rubs')],
  },
  {
    id: 'melody.endings',
    name: 'Three endings',
    sentence: 'Ends one phrase in three ways.',
    use: true,
    needs: needs('melody.home', 'scales.box-1'),
    drills: [task('three endings')],
  },
  {
    id: 'melody.answers',
    name: 'Asked and answered',
    sentence: 'A phrase that asks, and one that answers it.',
    use: true,
    needs: needs('melody.endings'),
    drills: [task('asked and answered')],
  },
  {
    id: 'melody.rhythm',
    name: 'The same rhythm',
    sentence: 'Other notes in the rhythm that was.',
    use: true,
    needs: needs('melody.two-notes', 'rhythm.beats|rhythm.quavers'),
    drills: [task('the same rhythm')],
  },
  {
    id: 'melody.read',
    name: 'A tune from the sheet',
    sentence: 'Plays the tune of a small piece over its chords.',
    targetBpm: 70,
    use: true,
    needs: needs('reading.first-position|reading.strings-3'),
    drills: [by(piece(), 'play')],
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
  },
  {
    id: 'melody.top-1',
    name: 'A scale on top, string 1',
    sentence: 'A chord of the key under each note on string 1.',
    targetBpm: 50,
    needs: needs('triads.minor', 'harmony.spell-chords'),
    drills: [also(by(top(), 'string', 'by'), { octaves: [1] })],
  },
  {
    id: 'melody.top-2',
    name: 'A scale on top, string 2',
    sentence: 'The same a string lower, where the chords are fuller.',
    targetBpm: 50,
    needs: needs('melody.top-1'),
    drills: [by(top({ string: 2 }), 'string')],
  },
  {
    id: 'melody.two-octaves',
    name: 'Two octaves on top',
    sentence: 'All the way up the neck and back with other voicings.',
    targetBpm: 50,
    needs: needs('melody.top-1', 'forms.five-major|triads.minor'),
    drills: [also(by(top({ octaves: 2, way: 'up and down' })), { octaves: [2] })],
  },
  {
    id: 'melody.by-class',
    name: 'A melody over one family',
    sentence: 'Chords of one family under any note of it.',
    targetBpm: 50,
    needs: needs('melody.top-1'),
    drills: [by(top({ by: 'class', chord: 'Cmaj7' }), 'by')],
  },
]);
