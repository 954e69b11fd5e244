import { makeInstrument, standardGuitar } from '../fretboard';
import { parseFrets } from '../grips';
import { must } from '../kernel';
import { makeKey, readNote } from '../theory';
import { nameGrip } from './name-grip';

const names = (text: string, context: { key?: string; bass?: string } = {}) =>
  must(
    nameGrip(must(parseFrets(text)), standardGuitar, {
      key: context.key ? must(makeKey(context.key)) : undefined,
      bass: context.bass ? readNote(context.bass)?.note : undefined,
    }),
  );
const first = (text: string, context = {}) => names(text, context)[0].chord.symbol;
const symbols = (text: string, context = {}) => names(text, context).map((one) => one.chord.symbol);

describe('nameGrip', () => {
  test.each([
    ['x32010', 'C'],
    ['022000', 'Em'],
    ['xx0232', 'D'],
    ['320003', 'G'],
    ['x02010', 'Am7'],
    ['x32310', 'C7'],
    ['xx0222', 'Dmaj7'],
    ['x32000', 'Cmaj7'],
    ['xx0233', 'Dsus4'],
    ['x02200', 'Asus2'],
    ['133211', 'F'],
    ['x32033', 'Cadd9'],
    ['x2122x', 'B9'],
    ['xx1212', 'D#dim7'],
    ['x1212x', 'Bbm7b5'],
    ['x32110', 'Caug'],
    ['022033', 'Em7'],
    ['022xxx', 'E5'],
    ['x02212', 'Am6'],
  ])('%s is %s', (text, symbol) => expect(first(text)).toBe(symbol));

  test('inversions and slash basses carry their bass', () => {
    expect(first('x32013')).toBe('C');
    expect(first('032010')).toBe('C/E');
    expect(first('x33211')).toBe('F/C');
    expect(first('2x0232')).toBe('D/F#');
    expect(symbols('2x0233')).toContain('Dadd11/F#');
  });

  test('m6 and the m7b5 of its sixth, both found, the bass decides', () => {
    expect(first('x02212')).toBe('Am6');
    expect(symbols('x02212')).toContain('F#m7b5/A');
    expect(first('2x221x')).toBe('F#m7b5');
    expect(symbols('2x221x')).toContain('Am6/F#');
  });

  test('a six chord and the m7 of its relative', () => {
    expect(first('x32213')).toBe('C6');
    expect(symbols('x32213')).toContain('Am7/C');
    expect(first('x02010')).toBe('Am7');
    expect(symbols('x02010')).toContain('C6/A');
  });

  test('the ii m6 is the V9 without its root, first where the bass player has that root', () => {
    const grip = 'xx3534';
    expect(first(grip)).toBe('Fm6');
    expect(symbols(grip)).toEqual(expect.arrayContaining(['Bb9', 'Dm7b5/F']));
    expect(first(grip, { bass: 'Bb' })).toBe('Bb9');
    const rootless = names(grip).find((one) => one.chord.symbol === 'Bb9');
    expect(rootless?.omitted).toEqual(['1']);
    expect(rootless?.why[0]).toEqual({ code: 'name.rootless', values: { root: 'Bb' } });
  });

  test('what sounds below decides what three notes are', () => {
    expect(first('xxx553')).toBe('C');
    expect(first('xxx553', { bass: 'A' })).toBe('Am7');
  });

  test('a lifted third is a sus2', () => {
    expect(first('xx0230')).toBe('Dsus2');
    expect(symbols('xx0230')).toContain('Asus4/D');
  });

  test('the key decides spelling and order', () => {
    expect(first('x46654', { key: 'B major' })).toBe('C#m');
    expect(first('x43121', { key: 'Db major' })).toBe('Db');
    expect(first('x43121', { key: 'F# major' })).toBe('C#');
    expect(first('xx1212', { key: 'Bb major' })).toMatch(/dim7$/);
    expect(names('x32010', { key: 'G major' })[0].why).toContainEqual({
      code: 'name.in-key',
      values: { key: 'G major' },
    });
  });

  test('what the full chord has and the grip leaves out is said', () => {
    const nine = names('x2122x')[0];
    expect([nine.chord.symbol, nine.omitted]).toEqual(['B9', ['5']]);
  });

  test('a whole triad on its third comes before a six chord without its fifth', () => {
    expect(symbols('x32210').slice(0, 2)).toEqual(['Am/C', 'C6']);
  });

  test('another tuning, another name', () => {
    const dropD = must(makeInstrument({ openPitches: [38, 45, 50, 55, 59, 64] }));
    expect(must(nameGrip(must(parseFrets('000232')), dropD))[0].chord.symbol).toBe('D');
    expect(must(nameGrip(must(parseFrets('000xxx')), dropD))[0].chord.symbol).toBe('D5');
  });

  test.each([
    ['xxxxxx', 'name.few'],
    ['0xxxx0', 'name.few'],
  ])('%s has no name: %s', (text, code) => {
    const named = nameGrip(must(parseFrets(text)), standardGuitar);
    expect(named.ok ? null : named.problem.code).toBe(code);
  });

  test('a grip for another number of strings is refused', () => {
    expect(nameGrip([0, 0, 0, 0], standardGuitar)).toMatchObject({
      ok: false,
      problem: { code: 'name.strings' },
    });
  });
});

test('a plain triad is not called a rare rootless seventh', () => {
  for (const grip of ['x32010', 'x02220', '022100', 'x02210']) {
    const names = must(nameGrip(must(parseFrets(grip)), standardGuitar)).map((one) => one.chord.symbol);
    expect(names.join(' ')).not.toMatch(/augMaj7|dimMaj7/);
  }
});
