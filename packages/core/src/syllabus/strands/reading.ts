/** Notes and reading: the staff, first strings and positions, then spelling away from the guitar. */
import { noteReading, scaleInTheShape, spellIt, stringWalk, writeItOut } from '../../drills/recipe';
import { also, by, needs, strandOf, tune } from './making';

const staff = (position: number, strings: number, key = 'C major') =>
  noteReading({ position, strings, key, count: 16, secondsPerNote: 6 }, 10 * position + strings);
const SHARPS = ['G major', 'D major', 'A major', 'E major', 'E minor', 'B minor'];
const FLATS = ['F major', 'Bb major', 'Eb major', 'Ab major', 'D minor', 'G minor'];
const spelled = (what: 'notes' | 'degrees' | 'triads' | 'sevenths' | 'chords' | 'scales', keys: number) =>
  spellIt({ what, key: 'C major', keys, count: 10, secondsPerCall: 10 }, keys);
const written = (
  what: 'scales' | 'triads' | 'sevenths',
  kind: 'major' | 'minor' | 'harmonic minor' | 'melodic minor',
  root = 'C',
) => writeItOut({ what, root, kind, keys: 3, times: 3, progression: '1 4 5 1', days: 3 }, 3);

const walked = (string: number, key = 'C major') =>
  by(stringWalk({ string, key, maxFret: 12, calls: 12, secondsPerCall: 5 }, string), 'string', 'key');
const played = (kind: 'major' | 'minor', at: number) =>
  by(scaleInTheShape({ tonic: kind === 'minor' ? 'A' : 'C', kind, place: 'position', at, figure: 'straight', perBeat: 2 }, at), 'kind', 'place', 'at'); // prettier-ignore

export const reading = strandOf('reading', 'find', [
  {
    id: 'reading.string-1',
    name: 'String 1 from the staff',
    sentence: 'Plays E, F and G on string 1 as they stand on the staff.',
    drills: [also(by(staff(0, 1), 'position', 'strings'), {})],
    hold: [walked(1)],
  },
  {
    id: 'reading.strings-2',
    name: 'Two strings from the staff',
    sentence: 'Reads strings 1 and 2 in the first position.',
    needs: needs('reading.string-1'),
    drills: [by(staff(0, 2), 'position', 'strings')],
    hold: [walked(2)],
  },
  {
    id: 'reading.strings-3',
    name: 'Three strings from the staff',
    sentence: 'Reads strings 1 to 3 in the first position.',
    needs: needs('reading.strings-2'),
    drills: [by(staff(0, 3), 'position', 'strings')],
    hold: [walked(3)],
  },
  {
    id: 'reading.first-position',
    name: 'First position from the staff',
    sentence: 'Reads any natural note in the first position.',
    needs: needs('reading.strings-3'),
    drills: [by(staff(0, 6), 'position', 'strings')],
    use: [also(by(tune('C major', 'C x32010', 'Am x02210', 'G 320003'), 'play'), { key: ['C major'] })],
  },
  {
    id: 'reading.sharps',
    name: 'Sharps at the clef',
    sentence: 'Reads in keys with sharps and keeps them to the end.',
    needs: needs('reading.first-position'),
    drills: [also(by(staff(0, 6, 'D major')), { key: SHARPS })],
    use: [also(by(tune('G major', 'G 320003', 'D xx0232', 'Em 022000'), 'play'), { key: SHARPS })],
  },
  {
    id: 'reading.flats',
    name: 'Flats at the clef',
    sentence: 'Reads in keys with flats and keeps them to the end.',
    needs: needs('reading.first-position'),
    drills: [also(by(staff(0, 6, 'Bb major')), { key: FLATS })],
    use: [also(by(tune('F major', 'F xx3211', 'C x32010', 'Dm xx0231'), 'play'), { key: FLATS })],
  },
  {
    id: 'reading.position-5',
    name: 'Fifth position from the staff',
    sentence: 'Reads at frets 5 to 8 without going back to the nut.',
    needs: needs('reading.first-position', 'neck.naturals-6'),
    drills: [also(by(staff(5, 6)), { position: { from: 4, to: 6 } })],
    use: [played('major', 5)],
  },
  {
    id: 'reading.position-7',
    name: 'Seventh position from the staff',
    sentence: 'Reads at frets 7 to 10.',
    needs: needs('reading.position-5'),
    drills: [also(by(staff(7, 6)), { position: { from: 7, to: 8 } })],
    use: [played('major', 7)],
  },
  {
    id: 'reading.position-9',
    name: 'High up from the staff',
    sentence: 'Reads from fret 9 on.',
    needs: needs('reading.position-7'),
    drills: [also(by(staff(9, 6)), { position: { from: 9, to: 15 } })],
    use: [played('major', 9)],
  },
  {
    id: 'reading.spell-notes',
    name: 'Notes of near keys',
    sentence: 'Says any note of the first keys by its right name.',
    drills: [also(by(spelled('notes', 3), 'what'), { keys: { from: 1, to: 4 } })],
    hold: [
      also(walked(5, 'G major'), {
        string: { from: 1, to: 6 },
        key: ['G major', 'D major', 'F major', 'Bb major'],
      }),
    ],
  },
  {
    id: 'reading.spell-all-keys',
    name: 'Notes of every key',
    sentence: 'Says any note of any key by its right name: E sharp is no F.',
    needs: needs('reading.spell-notes'),
    drills: [also(by(spelled('notes', 15), 'what'), { keys: { from: 5, to: 15 } })],
    hold: [
      also(walked(6, 'Ab major'), {
        string: { from: 1, to: 6 },
        key: ['Ab major', 'Db major', 'Gb major', 'E major', 'B major', 'F# major'],
      }),
    ],
  },
  {
    id: 'reading.write-scales',
    name: 'Scales, written',
    sentence: 'Writes a major scale in any key and hears that it is right.',
    needs: needs('reading.spell-notes'),
    drills: [by(written('scales', 'major'), 'what', 'kind')],
    use: [played('major', 5)],
  },
  {
    id: 'reading.write-minor',
    name: 'Minor scales, written',
    sentence: 'Writes natural, harmonic and melodic minor.',
    needs: needs('reading.write-scales'),
    drills: [
      by(written('scales', 'minor', 'A'), 'what', 'kind'),
      by(written('scales', 'harmonic minor', 'A'), 'what', 'kind'),
    ],
    use: [played('minor', 5)],
  },
]);
