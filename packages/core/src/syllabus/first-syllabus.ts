/**
 * The first syllabus that ships: 29 skills in nine strands, from two-finger open chords to shells and number
 * progressions. Each says what it needs, how its items are recognised and which drills train it.
 */
import { changeLoop, ringCheck, rootCall, type Recipe } from '../drills/recipe';
import { parseFrets } from '../grips/grip';
import { must } from '../kernel/result';
import type { GripMatch, Skill, SkillMatch, Syllabus } from './skill';

const named = (text: string) => {
  const [chord, frets] = text.split(' ');
  return { chord, frets: must(parseFrets(frets)) };
};
const ring = (...grips: string[]): Recipe[] => grips.map((grip) => ringCheck(named(grip)));
const loop = (grips: readonly string[], progression?: { key: string; numerals: string[] }): Recipe =>
  changeLoop({ grips: grips.map(named), beatsEach: 4, progression });
const exactly = (...grips: string[]): GripMatch => ({ kind: 'grip', grips });
const between = (from: GripMatch, to: GripMatch, moves?: [number, number]): SkillMatch => ({
  kind: 'change',
  from,
  to,
  moves,
});

const E_MAJOR: GripMatch = {
  kind: 'grip',
  qualities: ['major'],
  layouts: ['movable'],
  forms: ['E'],
  strings: 6,
};
const E_MINOR: GripMatch = { ...E_MAJOR, qualities: ['minor'] };
const A_MAJOR: GripMatch = {
  kind: 'grip',
  qualities: ['major'],
  layouts: ['movable'],
  forms: ['A'],
  strings: 4,
};
const A_MINOR: GripMatch = { ...A_MAJOR, qualities: ['minor'] };
const ANY_BARRE: GripMatch = {
  kind: 'grip',
  layouts: ['movable'],
  forms: ['E', 'A'],
  strings: 4,
  qualities: ['major', 'minor'],
};
const SHELL: GripMatch = { kind: 'grip', layouts: ['shell'] };

type Draft = Omit<Skill, 'barre' | 'use' | 'targetBpm' | 'needs'> &
  Partial<Pick<Skill, 'barre' | 'use' | 'targetBpm' | 'needs'>>;
const skill = (draft: Draft): Skill => ({ barre: false, use: false, targetBpm: null, needs: [], ...draft });
/** A skill of one or more grips, ring-checked in free time. */
const grips = (
  id: string,
  name: string,
  strand: string,
  match: GripMatch,
  recipes: Recipe[],
  more: Partial<Skill> = {},
): Skill => skill({ id, name, strand, matches: [match], practice: recipes, ...more });
/** A skill of changing, looped at a tempo. */
const changes = (
  id: string,
  name: string,
  strand: string,
  match: SkillMatch,
  recipes: Recipe[],
  targetBpm: number,
  more: Partial<Skill> = {},
): Skill => skill({ id, name, strand, matches: [match], practice: recipes, targetBpm, ...more });

const EM = '022000';
const E = '022100';
const AM = 'x02210';
const A = 'x02220';
const D = 'xx0232';
const DM = 'xx0231';
const C = 'x32010';
const G = '320003';
const SMALL_F = 'xx3211';

export const firstSyllabus: Syllabus = {
  schemaVersion: 1,
  name: 'First syllabus',
  strands: [
    { id: 'open', name: 'Open chords' },
    { id: 'near', name: 'Near changes' },
    { id: 'roots', name: 'Roots, 6 and 5' },
    { id: 'sevenths', name: 'Open 7ths' },
    { id: 'low-barres', name: 'Low barres' },
    { id: 'high-barres', name: 'High barres' },
    { id: 'shells', name: 'Shell 7ths' },
    { id: 'triads', name: 'Top-3 triads' },
    { id: 'shifts', name: 'Far shifts' },
    { id: 'numbers', name: 'By number' },
  ],
  skills: [
    grips('open.em', 'Em', 'open', exactly(EM), ring(`Em ${EM}`)),
    grips('open.e', 'E', 'open', exactly(E), ring(`E ${E}`), { needs: [['open.em']] }),
    grips('open.am', 'Am', 'open', exactly(AM), ring(`Am ${AM}`), { needs: [['open.em']] }),
    grips('open.a', 'A', 'open', exactly(A), ring(`A ${A}`)),
    grips('open.d', 'D', 'open', exactly(D), ring(`D ${D}`)),
    grips('open.dm', 'Dm', 'open', exactly(DM), ring(`Dm ${DM}`), { needs: [['open.d', 'open.am']] }),
    grips('open.c', 'C', 'open', exactly(C), ring(`C ${C}`), { needs: [['open.am']] }),
    grips('open.g', 'G', 'open', exactly(G, '320033'), ring(`G ${G}`), { needs: [['open.em']] }),
    grips('open.small-f', 'F on four strings', 'open', exactly(SMALL_F), ring(`F ${SMALL_F}`), {
      needs: [['open.c']],
    }),

    changes(
      'near.e-am',
      'E to Am',
      'near',
      between(exactly(E), exactly(AM)),
      [loop([`E ${E}`, `Am ${AM}`])],
      80,
      {
        needs: [['open.e'], ['open.am']],
      },
    ),
    changes(
      'near.am-c',
      'Am to C',
      'near',
      between(exactly(AM), exactly(C)),
      [loop([`Am ${AM}`, `C ${C}`])],
      54,
      {
        needs: [['open.am'], ['open.c']],
      },
    ),
    changes('near.a-d', 'A to D', 'near', between(exactly(A), exactly(D)), [loop([`A ${A}`, `D ${D}`])], 50, {
      needs: [['open.a'], ['open.d']],
    }),
    changes('near.g-d', 'G to D', 'near', between(exactly(G), exactly(D)), [loop([`G ${G}`, `D ${D}`])], 42, {
      needs: [['open.g'], ['open.d']],
    }),
    changes('near.c-g', 'C to G', 'near', between(exactly(C), exactly(G)), [loop([`C ${C}`, `G ${G}`])], 36, {
      needs: [['open.c'], ['open.g']],
    }),
    changes(
      'near.c-f',
      'C to F on four strings',
      'near',
      between(exactly(C), exactly(SMALL_F)),
      [loop([`C ${C}`, `F ${SMALL_F}`])],
      36,
      {
        needs: [['open.small-f']],
      },
    ),

    skill({
      id: 'roots.6',
      name: 'Roots on string 6',
      strand: 'roots',
      matches: [{ kind: 'note', string: 6 }],
      practice: [rootCall({ rootString: 6, answer: 'root', count: 12, secondsPerCall: 5, maxFret: 12 }, 6)],
    }),
    skill({
      id: 'roots.5',
      name: 'Roots on string 5',
      strand: 'roots',
      matches: [{ kind: 'note', string: 5 }],
      practice: [rootCall({ rootString: 5, answer: 'root', count: 12, secondsPerCall: 5, maxFret: 12 }, 5)],
    }),

    grips(
      'sevenths.light',
      'A7, E7, D7',
      'sevenths',
      exactly('x02020', '020100', 'xx0212'),
      ring('A7 x02020', 'E7 020100', 'D7 xx0212'),
      { needs: [['open.a', 'open.e', 'open.d']] },
    ),
    grips(
      'sevenths.full',
      'B7, C7, G7',
      'sevenths',
      exactly('x21202', 'x32310', '320001'),
      ring('G7 320001', 'C7 x32310', 'B7 x21202'),
      { needs: [['sevenths.light'], ['open.c']] },
    ),

    grips(
      'low.e-minor',
      'E form minor, frets 1 to 4',
      'low-barres',
      { ...E_MINOR, position: [1, 4] },
      ring('Gm 355333', 'Abm 466444', 'F#m 244222'),
      { needs: [['open.small-f', 'near.c-g']], barre: true },
    ),
    grips(
      'low.e-major',
      'E form major, frets 1 to 4',
      'low-barres',
      { ...E_MAJOR, position: [1, 4] },
      ring('G 355433', 'Ab 466544', 'F 133211'),
      { needs: [['low.e-minor'], ['roots.6']], barre: true },
    ),
    grips(
      'low.a-minor',
      'A form minor, frets 1 to 4',
      'low-barres',
      { ...A_MINOR, position: [1, 4] },
      ring('Cm x35543', 'Bm x24432', 'Bbm x13321'),
      { needs: [['open.small-f', 'near.c-g']], barre: true },
    ),

    grips(
      'high.e-form',
      'E form, frets 5 to 9',
      'high-barres',
      { ...E_MAJOR, qualities: ['major', 'minor'], position: [5, 9] },
      ring('Bm 799777', 'Bb 688766', 'A 577655'),
      { needs: [['low.e-minor']], barre: true },
    ),
    grips(
      'high.a-form',
      'A form major, frets 5 to 9',
      'high-barres',
      { ...A_MAJOR, position: [5, 9] },
      ring('Eb x6888x', 'E x79997'),
      { needs: [['low.a-minor']], barre: true },
    ),

    grips(
      'shells.6',
      'Three-note sevenths, root on string 6',
      'shells',
      { ...SHELL, rootString: 6 },
      ring('Ab7 4x45xx', 'Gm7 3x33xx', 'Abmaj7 4x55xx'),
      { needs: [['roots.6']] },
    ),
    grips(
      'shells.5',
      'Three-note sevenths, root on string 5',
      'shells',
      { ...SHELL, rootString: 5 },
      ring('Db7 x434xx', 'Ebmaj7 x657xx', 'Cm7 x313xx'),
      { needs: [['roots.5']] },
    ),

    grips(
      'triads.major',
      'Major, strings 3-2-1',
      'triads',
      { kind: 'grip', qualities: ['major'], topThree: true },
      ring('F xxx565', 'Eb xxx343', 'F xxx211'),
      { needs: [['open.d']] },
    ),
    grips(
      'triads.minor',
      'Minor, strings 3-2-1',
      'triads',
      { kind: 'grip', qualities: ['minor'], topThree: true },
      ring('Fm xxx564', 'Cm xxx543', 'Fm xxx111'),
      { needs: [['triads.major']] },
    ),

    changes(
      'shifts.same-form',
      'One form moved two frets or more',
      'shifts',
      between(ANY_BARRE, ANY_BARRE, [2, 9]),
      [loop(['Gm 355333', 'Am 577555']), loop(['G 355433', 'A 577655'])],
      34,
      { needs: [['low.e-minor']], barre: true },
    ),

    changes(
      'numbers.1564',
      '1 5 6 4 in open keys',
      'numbers',
      { kind: 'progression', numerals: ['I', 'V', 'vi', 'IV'] },
      [
        loop([`C ${C}`, `G ${G}`, `Am ${AM}`, `F ${SMALL_F}`], {
          key: 'C major',
          numerals: ['I', 'V', 'vi', 'IV'],
        }),
        loop([`G ${G}`, `D ${D}`, `Em ${EM}`, `C ${C}`], {
          key: 'G major',
          numerals: ['I', 'V', 'vi', 'IV'],
        }),
      ],
      36,
      { needs: [['near.c-g', 'near.g-d']], use: true },
    ),
    changes(
      'numbers.145',
      '1 4 5 in open keys',
      'numbers',
      { kind: 'progression', numerals: ['I', 'IV', 'V'] },
      [loop([`A ${A}`, `D ${D}`, `E ${E}`], { key: 'A major', numerals: ['I', 'IV', 'V'] })],
      42,
      { needs: [['near.a-d', 'near.e-am']], use: true },
    ),
    changes(
      'numbers.251',
      '2 5 1 on shells',
      'numbers',
      { kind: 'progression', numerals: ['ii', 'V', 'I'] },
      [loop(['Bbm7 6x66xx', 'Eb7 x656xx', 'Abmaj7 4x55xx'], { key: 'Ab major', numerals: ['ii', 'V', 'I'] })],
      44,
      { needs: [['shells.6'], ['shells.5']], use: true },
    ),
    changes(
      'numbers.minor-home',
      '6 4 1 5 in open keys',
      'numbers',
      { kind: 'progression', numerals: ['vi', 'IV', 'I', 'V'] },
      [
        loop([`Em ${EM}`, `C ${C}`, `G ${G}`, `D ${D}`], {
          key: 'G major',
          numerals: ['vi', 'IV', 'I', 'V'],
        }),
      ],
      36,
      { needs: [['numbers.1564']], use: true },
    ),
  ],
};
