import fc from 'fast-check';
import { checkSheet } from './check-sheet';

const wrong = (text: string) =>
  checkSheet(text)
    .filter((one) => one.verdict !== 'fine')
    .map((one) => [one.line, one.what.code, one.nearest]);

describe('a teacher’s own sheet', () => {
  test('right lines are fine', () => {
    expect(
      wrong(
        'Am x02210\nC: x32010\nx13331 Bb\nF#: F# A# C#\nkey: G major\nG D Em C\nii Am\nvii° F#dim\n\nD/F# 2x0232',
      ),
    ).toEqual([]);
  });

  test.each([
    // One fret off: the slip of every chord book.
    ['Am x02220', [[1, 'sheet.foreign', 'Am x02210']]],
    ['C x32000', [[1, 'sheet.foreign', 'C x32010']]],
    ['Dm xx0232', [[1, 'sheet.foreign', 'Dm xx0231']]],
    // Lifted finger: the third is gone.
    ['D xx0230', [[1, 'sheet.foreign', 'D xx0232']]],
    ['C7 x32010', [[1, 'sheet.missing', 'C7 x32310']]],
    // E# is not F.
    ['C#: C# F G#', [[1, 'sheet.enharmonic', 'C#: C# E# G#']]],
    ['F#maj7: F# A# C#', [[1, 'sheet.short', 'F#maj7: F# A# C# E#']]],
    ['G: G B E', [[1, 'sheet.spelling', 'G: G B D']]],
    // The wrong seventh, the wrong accidental.
    ['key: G\nF', [[2, 'sheet.out-of-key', 'F#dim']]],
    ['key: Ab major\niii Cm7 IV Dmaj7', [[2, 'sheet.numeral', 'IV Dbmaj7']]],
    ['key: Q', [[1, 'sheet.no-key', 'key: C major']]],
    ['Amm x02210', [[1, 'sheet.no-chord', 'Am']]],
    ['see you on Friday', [[1, 'sheet.unread', null]]],
  ])('%j', (text, expected) => expect(wrong(text)).toEqual(expected));

  test('commas, semicolons, tabs, quotes and a byte order mark are no obstacle', () => {
    expect(wrong('\uFEFFAm,x02210\r\n"C";"x32010"\tfine\nG7\t320001')).toEqual([]);
    expect(wrong('=Am,x02220')).toEqual([[1, 'sheet.foreign', 'Am x02210']]);
  });

  test('a hundred thousand lines are read as far as is said', () => {
    const found = checkSheet('Am x02210\n'.repeat(100_000));
    expect(found).toHaveLength(5001);
    expect(found[5000].what).toEqual({ code: 'sheet.long', values: { read: 5000, lines: 100_001 } });
  });

  test('the place is the word that is wrong', () => {
    expect(checkSheet('  C   x32000')[0]).toMatchObject({ line: 1, column: 7 });
    expect(checkSheet('Db: Db F G')[0]).toMatchObject({ line: 1, column: 10 });
  });

  test('what the grip really is, is said', () => {
    expect(checkSheet('C x02010')[0].what.values).toMatchObject({ chord: 'C', is: 'Am7' });
  });

  test('nothing throws, and every line with something on it is answered', () => {
    fc.assert(
      fc.property(fc.array(fc.string({ maxLength: 20 }), { maxLength: 4 }), (lines) => {
        const found = checkSheet(lines.join('\n'));
        for (const one of found) expect(one.line).toBeGreaterThan(0);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what else a line may say', () => {
  const one = (line: string) => {
    const [finding] = checkSheet(line);
    return { code: finding.what.code, nearest: finding.nearest, column: finding.column };
  };

  test.each([
    ['E/C 032010', 'sheet.slash', 'C/E 032010'],
    ['C/E 032010', 'sheet.grip', null],
    ['F#/D 2x0232', 'sheet.slash', 'D/F# 2x0232'],
    ['Am x02210 x02310', 'sheet.grip', null],
    ['Am x02210 x01320', 'sheet.finger', 'Am x02210 x02310'],
    ['F 133211 134211', 'sheet.grip', null],
    ['F 133211 133111', 'sheet.finger', 'F 133211 134211'],
    ['G 355433 root on string 6', 'sheet.grip', null],
    ['C x35553 root on string 6', 'sheet.root-string', 'C x35553 root on string 5'],
    ['C x35553 root 5', 'sheet.grip', null],
    ['E 24-26-26-25-24-24', 'sheet.fret', null],
  ] as const)('%s: %s', (line, code, nearest) => {
    const found = one(line);
    expect(found.code).toBe(code);
    if (nearest !== null) expect(found.nearest).toBe(nearest);
  });

  test('right notes that no hand holds are said to be so, with a grip that can be held', () => {
    const found = one('C 8-3-5-0-1-0');
    expect(found.code).toBe('sheet.held');
    expect(found.nearest).toMatch(/^C /);
  });

  test('a slash whose bass is not lowest is found', () => {
    expect(one('C/G x32010')).toMatchObject({ code: 'sheet.bass' });
    expect(one('C/E x32010').code).toBe('sheet.bass');
  });

  test('names the string of the finger that cannot, not another that differs from the usual', () => {
    const [finding] = checkSheet('F 133211 133111');
    expect(finding.what.values).toMatchObject({ finger: '1', string: 3, right: '134211' });
  });

  test('the place of a wrong finger is where the fingers begin', () => {
    expect(one('Am x02210 x01320').column).toBe(11);
  });
});
