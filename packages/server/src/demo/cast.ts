/**
 * The Lanternfold Players: the pit band of a small travelling puppet theatre that winters on an invented
 * island, as their guitar teacher knows them. Every name is made up. Levels say what each held before the
 * fourteen weeks begin.
 */
export interface CastMember {
  readonly name: string;
  readonly age: number;
  /** Hand factor and measured reach; scale of the guitar in mm. */
  readonly size: number;
  readonly reachMm: number;
  readonly scaleMm: number;
  readonly leftHanded?: true;
  readonly thumbOver?: true;
  readonly level: 0 | 1 | 2 | 3 | 4;
  /** Learning, keeping, shakiness, slowness of the simulated player. */
  readonly traits: readonly [number, number, number, number];
  readonly limit: number;
  /** 0 to 2: today's weekday, two days on, four days on. */
  readonly lessonDay: 0 | 1 | 2;
  readonly lessonAt: string;
  readonly minutes: 30 | 45;
  readonly diligence: number;
  readonly group?: 'Shadow Row' | 'Lantern Row';
  readonly goals?: readonly string[];
  readonly note: string;
  readonly fate?: 'pain' | 'stuck' | 'new' | 'fades';
  readonly seat?: 'student' | 'self-taught';
}

const OPEN = ['open.em', 'open.e', 'open.am', 'open.a', 'open.d'];
const WIDER = [...OPEN, 'open.c', 'open.g', 'open.dm', 'near.e-am', 'near.a-d', 'roots.6'];
const HELD = [...WIDER, 'open.small-f', 'near.am-c', 'near.g-d', 'near.c-g', 'sevenths.light', 'numbers.145', 'roots.5'];
const FAR = [...HELD, 'sevenths.full', 'near.c-f', 'numbers.1564', 'low.e-minor', 'triads.major', 'shells.6'];

export const LEVELS: readonly (readonly string[])[] = [[], OPEN, WIDER, HELD, FAR];

export const TEACHER = { name: 'Tamsin Brackwater', born: '1981-05-02' };
export const OWNER = { name: 'Wilmot Aske', born: '1969-11-20' };
export const GUARDIAN = { name: 'Berit Ardlesey', born: '1984-03-11', of: 'Junia Ardlesey' };
export const STUDIO = { name: 'The Lanternfold Players', timeZone: 'Atlantic/Faroe' };

export const CAST: readonly CastMember[] = [
  { name: 'Junia Ardlesey', age: 13, size: 0.88, reachMm: 112, scaleMm: 628, level: 2, traits: [0.1, 1.2, 0.8, 1.1], limit: 58, lessonDay: 0, lessonAt: '16:00', minutes: 45, diligence: 0.65, group: 'Shadow Row', goals: ['numbers.1564'], note: 'Reads the puppeteers’ cue lamp well. Rushes after a rest. Likes to know why a chord is there before she plays it.', seat: 'student' },
  { name: 'Bram Tolliwick', age: 41, size: 1.08, reachMm: 150, scaleMm: 648, level: 4, traits: [0.11, 1.5, 0.7, 0.9], limit: 78, lessonDay: 0, lessonAt: '15:00', minutes: 45, diligence: 0.7, group: 'Lantern Row', goals: ['numbers.251'], note: 'Carpenter; the stage is his. Wants the two-five-one under the drowning scene.' },
  { name: 'Hesper Lundoyle', age: 29, size: 0.95, reachMm: 132, scaleMm: 648, level: 2, traits: [0.08, 1, 0.95, 1.2], limit: 64, lessonDay: 0, lessonAt: '17:30', minutes: 30, diligence: 0.5, fate: 'stuck', note: 'Sings while she plays. The way from C to G has not moved since spring.' },
  { name: 'Corro Bellfenny', age: 52, size: 1.1, reachMm: 152, scaleMm: 650, level: 3, traits: [0.09, 1.1, 0.8, 1.05], limit: 68, lessonDay: 0, lessonAt: '16:45', minutes: 45, diligence: 0.55, group: 'Lantern Row', thumbOver: true, note: 'Thumb over the top by habit; leave it where it rings.' },
  { name: 'Yusra Dovekint', age: 34, size: 0.98, reachMm: 138, scaleMm: 648, level: 4, traits: [0.13, 1.6, 0.65, 0.85], limit: 76, lessonDay: 0, lessonAt: '14:15', minutes: 45, diligence: 0.8, group: 'Shadow Row', goals: ['low.e-major'], note: 'Plays the storm. Practises on the boat.' },
  { name: 'Pell Anstrake', age: 10, size: 0.75, reachMm: 92, scaleMm: 580, level: 0, traits: [0.08, 0.9, 1, 1.3], limit: 48, lessonDay: 0, lessonAt: '18:15', minutes: 30, diligence: 0.45, note: 'New guitar since autumn: measure the reach again.' },
  { name: 'Mattia Fennimoor', age: 47, size: 1.05, reachMm: 146, scaleMm: 648, level: 3, traits: [0.09, 1.2, 0.85, 1], limit: 70, lessonDay: 0, lessonAt: '13:30', minutes: 45, diligence: 0.6, fate: 'fades', note: 'On the road with the second cart until the thaw.' },
  { name: 'Ode Pettibrand', age: 23, size: 0.96, reachMm: 134, scaleMm: 648, level: 2, traits: [0.1, 1.1, 0.8, 1], limit: 66, lessonDay: 0, lessonAt: '19:00', minutes: 45, diligence: 0.6, group: 'Shadow Row', goals: ['near.c-g'], note: 'Paints the flats. Hears everything, names nothing yet.' },
  { name: 'Linnea Oskvane', age: 38, size: 0.92, reachMm: 126, scaleMm: 640, level: 3, traits: [0.1, 1.3, 0.8, 1.05], limit: 62, lessonDay: 1, lessonAt: '14:15', minutes: 45, diligence: 0.6, group: 'Lantern Row', note: 'Plays for the winged puppets; needs quiet shapes.' },
  { name: 'Basil Thornquay', age: 64, size: 1.04, reachMm: 140, scaleMm: 648, level: 3, traits: [0.06, 0.9, 0.95, 1.3], limit: 60, lessonDay: 1, lessonAt: '15:00', minutes: 45, diligence: 0.5, fate: 'pain', note: 'Thumb joint complained last winter. Short barres, and ask.' },
  { name: 'Tilda Corvane', age: 8, size: 0.7, reachMm: 84, scaleMm: 520, level: 0, traits: [0.09, 0.8, 1.05, 1.4], limit: 44, lessonDay: 1, lessonAt: '15:45', minutes: 30, diligence: 0.5, note: 'Three strings at a time. Counts aloud when she may stamp.' },
  { name: 'Osk Wennerby', age: 71, size: 1.02, reachMm: 130, scaleMm: 648, level: 1, traits: [0.05, 1, 1, 1.5], limit: 56, lessonDay: 1, lessonAt: '16:30', minutes: 45, diligence: 0.7, note: 'Began at seventy. Writes everything down.' },
  { name: 'Ravel Nightjar', age: 19, size: 1.06, reachMm: 148, scaleMm: 648, level: 3, traits: [0.13, 1.1, 0.8, 0.85], limit: 74, lessonDay: 1, lessonAt: '17:15', minutes: 30, diligence: 0.35, note: 'Learns in an evening, forgets in a week.' },
  { name: 'Sunniva Harrowell', age: 45, size: 0.9, reachMm: 122, scaleMm: 630, level: 2, traits: [0.08, 1.4, 0.85, 1.15], limit: 58, lessonDay: 1, lessonAt: '18:00', minutes: 45, diligence: 0.65, group: 'Lantern Row', note: 'Wardrobe. Nails stay long on the right hand only.' },
  { name: 'Quill Amberley', age: 15, size: 0.95, reachMm: 130, scaleMm: 640, level: 1, traits: [0.11, 1, 0.9, 1], limit: 56, lessonDay: 1, lessonAt: '13:30', minutes: 45, diligence: 0.55, group: 'Shadow Row', note: 'Wants to play standing.' },
  { name: 'Marlo Quennell', age: 68, size: 1.03, reachMm: 142, scaleMm: 650, leftHanded: true, level: 2, traits: [0.07, 1.2, 0.85, 1.2], limit: 64, lessonDay: 1, lessonAt: '19:00', minutes: 45, diligence: 0.6, note: 'Teaches himself, left-handed, and comes for a check.', seat: 'self-taught' },
  { name: 'Edda Vosswick', age: 31, size: 0.93, reachMm: 128, scaleMm: 648, level: 1, traits: [0.09, 1.1, 0.9, 1.1], limit: 62, lessonDay: 2, lessonAt: '14:15', minutes: 30, diligence: 0.55, note: 'Bakes until noon; hands warm, head tired.' },
  { name: 'Fenno Caskbury', age: 57, size: 1.12, reachMm: 158, scaleMm: 650, level: 2, traits: [0.06, 1.1, 0.95, 1.3], limit: 68, lessonDay: 2, lessonAt: '15:00', minutes: 45, diligence: 0.45, note: 'Big hands crowd fret 2; the A with three fingers is his hill.' },
  { name: 'Isolde Marrable', age: 26, size: 0.94, reachMm: 130, scaleMm: 648, level: 4, traits: [0.12, 1.4, 0.7, 0.9], limit: 74, lessonDay: 2, lessonAt: '15:45', minutes: 45, diligence: 0.7, group: 'Lantern Row', goals: ['shells.5'], note: 'Second guitar in the pit. Reads figured bass for fun.' },
  { name: 'Jory Pennycairn', age: 12, size: 0.84, reachMm: 106, scaleMm: 610, level: 1, traits: [0.08, 0.9, 1, 1.2], limit: 50, lessonDay: 2, lessonAt: '16:30', minutes: 30, diligence: 0.4, note: 'Forgets the book, never the tune.' },
  { name: 'Lotte Grimsdyke', age: 49, size: 0.97, reachMm: 134, scaleMm: 648, level: 3, traits: [0.08, 1.3, 0.85, 1.1], limit: 66, lessonDay: 2, lessonAt: '17:15', minutes: 45, diligence: 0.6, fate: 'fades', note: 'The ferry was cancelled four weeks running.' },
  { name: 'Nim Thackaray', age: 17, size: 1, reachMm: 138, scaleMm: 648, level: 0, traits: [0.1, 1, 0.9, 1.1], limit: 62, lessonDay: 2, lessonAt: '18:00', minutes: 45, diligence: 0.6, fate: 'new', note: 'Came twice so far. Carries the lamps.' },
  { name: 'Perrin Holloway', age: 36, size: 1.05, reachMm: 146, scaleMm: 648, level: 2, traits: [0.09, 1.2, 0.85, 1], limit: 70, lessonDay: 2, lessonAt: '18:45', minutes: 30, diligence: 0.5, note: 'Plays the fiddle; the left hand knows more than it says.' },
  { name: 'Ysolt Brandreth', age: 61, size: 0.9, reachMm: 118, scaleMm: 630, level: 1, traits: [0.06, 1, 0.95, 1.35], limit: 54, lessonDay: 2, lessonAt: '13:30', minutes: 45, diligence: 0.65, note: 'Wrist was broken in youth; keep it straight, keep it short.' },
];
