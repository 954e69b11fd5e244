import { parseFrets } from '../grips';
import { standardGuitar } from '../fretboard';
import { must } from '../kernel';
import { degreeOver, noteText, parseChord, pitchClassOf, rootNamed, mod12 } from '../theory';
import { pitchAt } from '../fretboard';
import { aroundForm, LINE_STYLES, turnsAround } from '.';

const chord = (symbol: string) => must(parseChord(symbol));
const frets = (text: string) => must(parseFrets(text));

test('around a major grip: its pentatonic, the two that make it major, the one lowered for mixolydian', () => {
  const [five, major, mixolydian, lydian] = aroundForm(frets('133211'), chord('F'), standardGuitar);
  expect([five.kind, major.kind, mixolydian.kind, lydian.kind]).toEqual([
    'major pentatonic', 'major', 'mixolydian', 'lydian',
  ]); // prettier-ignore
  const roles = (form: typeof five, role: string) =>
    [...new Set(form.notes.filter((one) => one.role === role).map((one) => noteText(one.note)))]
      .sort()
      .join(' ');
  expect(roles(five, 'five')).toBe('A C D F G');
  expect(roles(major, 'fills')).toBe('Bb E');
  expect(roles(mixolydian, 'changed')).toBe('Eb');
  expect(roles(lydian, 'changed')).toBe('B');
  for (const form of [five, major, mixolydian]) expect(Math.abs(form.position - 1)).toBeLessThanOrEqual(1);
});

test('a minor grip has dorian, a dominant one mixolydian, an open one the open position; silence has none', () => {
  expect(aroundForm(frets('577555'), chord('Am'), standardGuitar).map((one) => one.kind)).toEqual([
    'minor pentatonic', 'dorian', 'minor', 'phrygian',
  ]); // prettier-ignore
  expect(aroundForm(frets('353433'), chord('G7'), standardGuitar)[1].kind).toBe('mixolydian');
  expect(aroundForm(frets('x32010'), chord('C'), standardGuitar)[0].position).toBe(0);
  expect(aroundForm(frets('xxxxxx'), chord('C'), standardGuitar)).toEqual([]);
});

test('a turn ends on a tone of the chord, starts where its style says, and keeps within two frets of the grip', () => {
  const grips = ['133211', 'x35553', '8-10-10-9-8-8', 'x02220', '577555'] as const;
  const chords = ['F', 'C', 'C', 'A', 'Am'];
  for (const style of LINE_STYLES)
    grips.forEach((text, i) => {
      const held = frets(text);
      const stopped = held.filter((fret): fret is number => fret !== null && fret > 0);
      const named = chord(chords[i]);
      const tones = new Set(named.tones.map((tone) => tone.pitchClass));
      const turns = turnsAround(held, named, style, standardGuitar);
      if (chords[i] !== 'Am') expect([style, text, turns.length > 0]).toEqual([style, text, true]);
      for (const turn of turns) {
        for (const { stringIndex, fret } of turn.to)
          expect(tones.has(mod12(pitchAt(standardGuitar, stringIndex, fret)))).toBe(true);
        const sounding = turn.from.map(({ stringIndex, fret }) =>
          mod12(pitchAt(standardGuitar, stringIndex, fret) - pitchClassOf(named.root)),
        );
        const wanted = turn.degrees[0]
          .split(' ')
          .map((degree) =>
            mod12('1 b2 2 b3 3 4 #4 5 b6 6 b7 7'.split(' ').indexOf(degree === 'b5' ? '#4' : degree)),
          );
        expect(sounding).toEqual(wanted);
        for (const { fret } of [...turn.from, ...turn.to]) {
          expect(fret).toBeLessThanOrEqual(Math.max(...stopped) + 2);
          expect(fret).toBeGreaterThanOrEqual(held.includes(0) ? 0 : Math.max(0, Math.min(...stopped) - 2));
        }
        const [from, to] = [turn.from[0].fret, turn.to[0].fret];
        if (turn.kind === 'pull') expect(from).toBeGreaterThan(to);
        // Thin strings bend, and never an open one.
        if (turn.kind === 'bend') expect(turn.from[0].stringIndex >= 3 && turn.from[0].fret > 0).toBe(true);
        if (turn.kind === 'hammer' || turn.kind === 'bend') expect(from).toBeLessThan(to);
      }
    });
  expect(degreeOver(rootNamed(5), rootNamed(9))).toBe('3');
});

test('those that end on the next grip come first', () => {
  const turns = turnsAround(frets('133211'), chord('F'), 'jazz', standardGuitar, frets('x13331'));
  expect(turns[0]).toMatchObject({ kind: 'slide', degrees: ['7', '1'], leadsOn: true });
  expect(turns.some((one) => !one.leadsOn)).toBe(true);
  expect(turnsAround(frets('133211'), chord('F'), 'jazz', standardGuitar).some((one) => one.leadsOn)).toBe(
    false,
  );
});
