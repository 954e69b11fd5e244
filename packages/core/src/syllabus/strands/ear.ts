/** Ear: heard before it is named, from two choices to five, one tone after the other and together. */
import { earPairs } from '../../drills/recipe';
import { also, by, needs, strandOf } from './making';

type Ear = Parameters<typeof earPairs>[0];
const heard = (what: Ear['what'], choices: Ear['choices'] = 2, sounded: Ear['sounded'] = 'one by one') =>
  earPairs({ what, choices, count: 20, hearings: 2, root: 'C', roving: false, sounded }, choices);
const two = (what: Ear['what']) => also(by(heard(what, 2), 'what'), { choices: [2] });
const more = (what: Ear['what'], choices: 3 | 5 = 3) =>
  also(by(heard(what, choices), 'what'), { choices: [3, 5] });

export const ear = strandOf('ear', [
  {
    id: 'ear.third',
    name: 'Major or minor',
    sentence: 'Hears the third, tone by tone and together.',
    drills: [two('triads')],
  },
  {
    id: 'ear.triads',
    name: 'All triads',
    sentence: 'Tells major, minor, diminished and augmented apart.',
    needs: needs('ear.third'),
    drills: [more('triads')],
  },
  {
    id: 'ear.sus',
    name: 'Sus or third',
    sentence: 'Hears whether the third is there.',
    needs: needs('ear.third'),
    drills: [two('sus or third'), more('sus or third')],
  },
  {
    id: 'ear.home',
    name: '1 or 5 over a drone',
    sentence: 'Hears home and the tone that leans on it.',
    drills: [two('degrees over a drone')],
  },
  {
    id: 'ear.degrees',
    name: 'Degrees over a drone',
    sentence: 'Names more degrees over a held root.',
    needs: needs('ear.home'),
    drills: [more('degrees over a drone', 5)],
  },
  {
    id: 'ear.sevenths',
    name: '7 or maj7',
    sentence: 'Hears the seventh of a chord.',
    needs: needs('ear.third'),
    drills: [two('sevenths')],
  },
  {
    id: 'ear.all-sevenths',
    name: 'All sevenths',
    sentence: 'Tells the sevenths of a key apart.',
    needs: needs('ear.sevenths', 'ear.triads'),
    drills: [more('sevenths', 5)],
  },
  {
    id: 'ear.colours',
    name: 'Colours on top',
    sentence: 'Hears a 6, a 9 or an 11 over a chord.',
    needs: needs('ear.sevenths'),
    drills: [two('colours on top'), more('colours on top')],
  },
  {
    id: 'ear.inversions',
    name: 'What is lowest',
    sentence: 'Hears which tone of a chord is in the bass.',
    needs: needs('ear.third'),
    drills: [two('inversions'), more('inversions')],
  },
  {
    id: 'ear.cadence',
    name: 'Ends or waits',
    sentence: 'Hears whether a cadence comes home.',
    drills: [two('cadences')],
  },
  {
    id: 'ear.cadences',
    name: 'Cadences',
    sentence: 'Names how a phrase ends.',
    needs: needs('ear.cadence'),
    drills: [more('cadences')],
  },
  {
    id: 'ear.progressions',
    name: 'Progressions',
    sentence: 'Hears which of the usual number progressions was played.',
    needs: needs('ear.cadence'),
    drills: [two('progressions'), more('progressions')],
  },
]);
