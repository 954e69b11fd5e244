/** Ear: heard before it is named, from two choices to five, one tone after the other and together. */
import { closeTriads, earPairs, familyLadder, formula, numberCalls, openTask } from '../../drills/recipe';
import { also, by, grip, loop, needs, said, strandOf, sung } from './making';

type Ear = Parameters<typeof earPairs>[0];
const heard = (what: Ear['what'], choices: Ear['choices'] = 2, sounded: Ear['sounded'] = 'one by one') =>
  earPairs({ what, choices, count: 20, hearings: 2, root: 'C', roving: false, sounded }, choices);
const two = (what: Ear['what']) => also(by(heard(what, 2), 'what'), { choices: [2] });
const more = (what: Ear['what'], choices: 3 | 5 = 3) =>
  also(by(heard(what, choices), 'what'), { choices: [3, 5] });

const task = (question: 'what sounds at home') =>
  by(openTask({ key: 'A minor', question, lowFret: 4, highFret: 9, thickString: 4, thinString: 1, notes: 'the five', ground: 'drone', minutes: 3 }), 'question'); // prettier-ignore
const triadsOn = (qualities: ('major' | 'minor' | 'diminished' | 'augmented')[]) =>
  closeTriads({ root: 'C', strings: [3, 2, 1], qualities, beatsEach: 4 });

export const ear = strandOf('ear', 'hear', [
  {
    id: 'ear.third',
    name: 'Major or minor',
    sentence: 'Hears the third, tone by tone and together.',
    drills: [two('triads')],
    hold: [by(loop(['E 022100', 'Em 022000']), 'grips')],
    find: [by(formula({ grip: grip('E 022100'), targets: ['minor'], secondsPerCall: 8 }))],
    use: [sung('C major', 'the chord'), sung('C minor', 'the chord')],
  },
  {
    id: 'ear.triads',
    name: 'All triads',
    sentence: 'Tells major, minor, diminished and augmented apart.',
    needs: needs('ear.third'),
    drills: [more('triads')],
    find: [said('triads')],
    change: [by(triadsOn(['major', 'minor', 'diminished', 'augmented']))],
  },
  {
    id: 'ear.sus',
    name: 'Sus or third',
    sentence: 'Hears whether the third is there.',
    needs: needs('ear.third'),
    drills: [two('sus or third'), more('sus or third')],
    hold: [by(loop(['D xx0232', 'Dsus4 xx0233']), 'grips')],
  },
  {
    id: 'ear.home',
    name: '1 or 5 over a drone',
    sentence: 'Hears home and the tone that leans on it.',
    drills: [two('degrees over a drone')],
    use: [sung('C major', 'home'), sung('C major', 'home and 5'), task('what sounds at home')],
  },
  {
    id: 'ear.degrees',
    name: 'Degrees over a drone',
    sentence: 'Names more degrees over a held root.',
    needs: needs('ear.home'),
    drills: [more('degrees over a drone', 5)],
    find: [said('degrees')],
    use: [sung('C major', 'the scale'), task('what sounds at home')],
  },
  {
    id: 'ear.sevenths',
    name: '7 or maj7',
    sentence: 'Hears the seventh of a chord.',
    needs: needs('ear.third'),
    drills: [two('sevenths')],
    hold: [by(loop(['A7 x02020', 'Amaj7 x02120']), 'grips')],
  },
  {
    id: 'ear.all-sevenths',
    name: 'All sevenths',
    sentence: 'Tells the sevenths of a key apart.',
    needs: needs('ear.sevenths', 'ear.triads'),
    drills: [more('sevenths', 5)],
    find: [said('sevenths')],
    hold: [by(familyLadder({ root: 'A', form: 'E', beatsEach: 4 }))],
  },
  {
    id: 'ear.colours',
    name: 'Colours on top',
    sentence: 'Hears a 6, a 9 or an 11 over a chord.',
    needs: needs('ear.sevenths'),
    drills: [two('colours on top'), more('colours on top')],
    hold: [by(loop(['C x32010', 'C6 x32210']), 'grips')],
    find: [said('sevenths')],
  },
  {
    id: 'ear.inversions',
    name: 'What is lowest',
    sentence: 'Hears which tone of a chord is in the bass.',
    needs: needs('ear.third'),
    drills: [two('inversions'), more('inversions')],
    hold: [by(triadsOn(['major']))],
  },
  {
    id: 'ear.cadence',
    name: 'Ends or waits',
    sentence: 'Hears whether a cadence comes home.',
    drills: [two('cadences')],
    hold: [by(loop(['C x32010', 'G7 320001']), 'grips')],
  },
  {
    id: 'ear.cadences',
    name: 'Cadences',
    sentence: 'Names how a phrase ends.',
    needs: needs('ear.cadence'),
    drills: [more('cadences')],
    hold: [by(loop(['C x32010', 'G7 320001']), 'grips')],
    find: [said('chords')],
  },
  {
    id: 'ear.progressions',
    name: 'Progressions',
    sentence: 'Hears which of the usual number progressions was played.',
    needs: needs('ear.cadence'),
    drills: [two('progressions'), more('progressions')],
    find: [said('chords')],
    use: [
      by(numberCalls({ key: 'C major', pool: '1 4 5', keys: 1, length: 8, lead: 4, layout: 'fixed' }, 1)),
    ],
  },
]);
