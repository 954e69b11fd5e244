/** Where a chord is written, as text under which something can be kept about it: `section.bar.beat`, each from 0. */
import type { WrittenChord } from './piece';
import { readTicks, ticksText } from './ticks';

export const chordPlace = ({ section, bar, tick }: Pick<WrittenChord, 'section' | 'bar' | 'tick'>): string =>
  `${section}.${bar}.${ticksText(tick)}`;

/** The text as `chordPlace` writes it; a beat cut short, as older places have it (`0.3.2.6667`), is 8/3. Null for others. */
export function readChordPlace(text: string): string | null {
  const [, section, bar, beat] = /^(\d{1,3})\.(\d{1,4})\.([\d./]{1,12})$/.exec(text) ?? [];
  const tick = beat === '0' ? 0 : readTicks(beat ?? '');
  return tick === null ? null : chordPlace({ section: Number(section), bar: Number(bar), tick });
}
