/** Changes and rhythm: two grips in time, then three and four, and what the striking hand does meanwhile. */
import { changeLoop, strumReading } from '../../drills/recipe';
import { between, by, change, exactly, grip, loop, needs, strandOf } from './making';

const strums = (level: 1 | 2 | 3 | 4 | 5 | 6) =>
  by(strumReading({ grips: [grip('Am x02210'), grip('C x32010')], beats: 4, level, bars: 8 } as Parameters<typeof strumReading>[0], level), 'level'); // prettier-ignore
const one = (piece: 'one finger' | 'slide' | 'pivot' | 'air', ...grips: string[]) =>
  changeLoop({ grips: grips.map(grip), beatsEach: 4, piece });

export const changes = strandOf('changes', [
  {
    id: 'near.e-am',
    name: 'E to Am',
    sentence: 'The same hand moved one string.',
    needs: needs('open.e', 'open.am'),
    targetBpm: 80,
    ...change('E 022100', 'Am x02210'),
  },
  {
    id: 'near.am-c',
    name: 'Am to C',
    sentence: 'Two fingers stay, one moves.',
    needs: needs('open.am', 'open.c'),
    targetBpm: 54,
    ...change('Am x02210', 'C x32010'),
  },
  {
    id: 'near.a-d',
    name: 'A to D',
    sentence: 'The first change without an anchor.',
    needs: needs('open.a', 'open.d'),
    targetBpm: 50,
    ...change('A x02220', 'D xx0232'),
  },
  {
    id: 'changes.g-em',
    name: 'G to Em',
    sentence: 'Two fingers swap strings and the sound stays wide.',
    needs: needs('open.g', 'open.em'),
    targetBpm: 54,
    ...change('G 320003', 'Em 022000'),
  },
  {
    id: 'changes.d-a',
    name: 'Am to Dm',
    sentence: 'One and four in minor.',
    needs: needs('open.am', 'open.dm'),
    targetBpm: 54,
    ...change('Am x02210', 'Dm xx0231'),
  },
  {
    id: 'near.g-d',
    name: 'G to D',
    sentence: 'A wide change with nothing that stays.',
    needs: needs('open.g', 'open.d'),
    targetBpm: 42,
    ...change('G 320003', 'D xx0232'),
  },
  {
    id: 'near.c-g',
    name: 'C to G',
    sentence: 'Every finger moves, in time.',
    needs: needs('open.c', 'open.g'),
    targetBpm: 36,
    ...change('C x32010', 'G 320003'),
  },
  {
    id: 'near.c-f',
    name: 'C to F on four strings',
    sentence: 'The last step before a barre.',
    needs: needs('open.small-f'),
    targetBpm: 36,
    ...change('C x32010', 'F xx3211'),
  },
  {
    id: 'changes.air',
    name: 'Changes in the air',
    sentence: 'Shapes the next grip before it touches the strings.',
    needs: needs('near.am-c|near.e-am'),
    drills: [by(one('air', 'C x32010', 'G 320003'), 'piece')],
  },
  {
    id: 'changes.pivot',
    name: 'A finger that stays',
    sentence: 'Uses an anchor finger to turn around.',
    needs: needs('near.am-c|near.e-am'),
    drills: [by(one('pivot', 'Am x02210', 'C x32010'), 'piece')],
  },
  {
    id: 'changes.open-to-barre',
    name: 'Open to barre',
    sentence: 'From an open grip into a barre and back.',
    needs: needs('low.e-major', 'open.c'),
    barre: true,
    targetBpm: 34,
    matches: [
      between(exactly('C x32010', 'Am x02210', 'G 320003'), {
        kind: 'grip',
        layouts: ['movable'],
        forms: ['E', 'A'],
        strings: 5,
      }),
    ],
    practice: [loop(['C x32010', 'F 133211'])],
  },
  {
    id: 'changes.e-to-a-form',
    name: 'E form to A form',
    sentence: 'From a root on string 6 to one on string 5 in the same place.',
    needs: needs('low.e-minor', 'low.a-minor'),
    barre: true,
    targetBpm: 34,
    matches: [
      between(
        { kind: 'grip', layouts: ['movable'], forms: ['E'], strings: 5 },
        { kind: 'grip', layouts: ['movable'], forms: ['A'], strings: 4 },
      ),
    ],
    practice: [loop(['Gm 355333', 'Cm x35543'])],
  },
  {
    id: 'rhythm.beats',
    name: 'On every beat',
    sentence: 'Reads and strikes crotchets and minims, down on the beat.',
    targetBpm: 80,
    needs: needs('open.em|open.am'),
    drills: [strums(1)],
  },
  {
    id: 'rhythm.quavers',
    name: 'Down and up',
    sentence: 'Keeps the hand moving in quavers, striking what is written.',
    targetBpm: 80,
    needs: needs('rhythm.beats'),
    drills: [strums(2)],
  },
  {
    id: 'rhythm.offbeats',
    name: 'Off the beat',
    sentence: 'Leaves beats out without stopping the hand.',
    targetBpm: 76,
    needs: needs('rhythm.quavers'),
    drills: [strums(3), strums(4)],
  },
  {
    id: 'rhythm.semiquavers',
    name: 'Four to a beat',
    sentence: 'Semiquavers with gaps, the hand twice as fast.',
    targetBpm: 66,
    needs: needs('rhythm.offbeats'),
    drills: [strums(5), strums(6)],
  },
]);
