/** What a grip is called on a card, and what a stand-in gives up, in words. */
import type { Effort } from '@finch/core/effort';
import type { FingerLabel } from '@finch/core/grips';
import type { GradedGrip, StandIn } from '@finch/core/shapes';
import { school } from './school';
import { degreeText, formText, fretsMoved, triadText } from './index';

/** Degrees a grip leaves out, without the root, which is said apart. */
const lostIn = (grip: GradedGrip): string[] =>
  grip.omitted.filter((degree) => degree !== '1').map(degreeText);

/** "E form, fret 6", "open chord", "shell, fret 11, no 5", "fret 3, no root, ♭3 lowest". */
export function nameOfShape(grip: GradedGrip): string {
  const low = grip.frets.filter((fret): fret is number => fret !== null && fret > 0);
  const fret = low.length ? `fret ${Math.min(...low)}` : 'all open';
  const form = grip.form ? formText(grip.form) : 'a form';
  const kind = {
    open: 'open chord',
    shell: `shell, ${fret}`,
    movable: `${form}, ${fret}`,
    part: `part of ${form}, ${fret}`,
    triad: `close triad, ${fret}`,
  };
  const where = grip.layout ? kind[grip.layout] : fret;
  const lost = lostIn(grip);
  const gone = lost.length ? `, no ${lost.join(', ')}` : grip.rootString === null ? ', no root' : '';
  if (grip.layout === 'triad' && school().triadNames === 'root string') return `triad, ${triadText(grip)}`;
  const lowest = grip.inversion === '1' || grip.slashBass ? '' : `, ${degreeText(grip.inversion)} lowest`;
  return where + gone + lowest;
}

const pressing = (fingers: readonly FingerLabel[]) =>
  fingers.flatMap((finger, s) =>
    finger === null || finger === 0 ? [] : [{ finger, string: fingers.length - s }],
  );

/** Fingers that press, from the thickest string on: `3-2-1` for the first C, so that nobody reads frets. */
export const fingersText = (fingers: readonly FingerLabel[]): string =>
  pressing(fingers)
    .map((one) => one.finger)
    .join('-') || 'none';

export const fingersSpoken = (fingers: readonly FingerLabel[]): string =>
  pressing(fingers)
    .map(({ finger, string }) => `${finger === 'T' ? 'thumb' : `finger ${finger}`} on string ${string}`)
    .join(', ') || 'no finger';

/** What a fingering easier for this hand would change: `with 4-3-1 it saves 6 points here`. */
export const easierFingers = ({ points, easier }: Pick<Effort, 'points' | 'easier'>): string =>
  easier
    ? `With ${fingersText(easier.fingers)} it saves ${(points - easier.points).toFixed(1)} points for this hand.`
    : '';

export const STAND_IN_WORDS: Readonly<Record<StandIn['kind'], string>> = {
  'fewer strings': 'Fewer strings',
  'inner four': 'Keep the inner four',
  'no barre': 'Leave the barre',
  'thumb bass': 'Thumb takes the bass',
  'no root': 'Leave the root',
  elsewhere: 'Same chord elsewhere',
  capo: 'Open shape over a capo',
  'fewer fingers': 'One finger fewer',
};

/** What a stand-in costs, always said: "string 6 falls silent; no 5; 3 frets up". */
export function givenUp(one: StandIn): string {
  const parts: string[] = [];
  if (one.capo) parts.push(`capo at fret ${one.capo}`);
  if (one.silenced.length)
    parts.push(`string ${one.silenced.join(', ')} ${one.silenced.length > 1 ? 'fall' : 'falls'} silent`);
  if (one.kind === 'thumb bass') parts.push('the thumb comes over the top');
  if (one.grip.rootString === null) parts.push('someone else has the root');
  const given = one.given.filter((degree) => degree !== '1').map(degreeText);
  if (given.length) parts.push(`no ${given.join(', ')}`);
  if (one.fretsMoved) parts.push(fretsMoved(one.fretsMoved));
  if (one.grip.inversion !== '1' && one.grip.rootString !== null)
    parts.push(`${degreeText(one.grip.inversion)} lowest`);
  return parts.length ? parts.join('; ') : 'all notes kept, fingered anew';
}
