// Outlines of the music signs that a staff needs, out of the music font that the engraver brings (Bravura, SIL Open Font
// License), as src/engraving/glyphs.json: so that the same staff is drawn on screen, on paper and on the server, without a
// font to load. Run by hand when the engraver is renewed: node packages/core/fonts/make-staff-glyphs.mjs
import { readFileSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';

const here = dirname(fileURLToPath(import.meta.url));
const require = createRequire(join(here, '..', 'package.json'));
const fontkit = createRequire(
  createRequire(join(here, '..', '..', 'server', 'package.json')).resolve('pdfkit'),
)('fontkit');
const engraver = dirname(dirname(require.resolve('vexflow/bravura')));
const source = readFileSync(join(engraver, 'esm', 'src', 'fonts', 'bravura.js'), 'utf8');
const font = fontkit.create(Buffer.from(/base64,([^']+)'/.exec(source)[1], 'base64'));

// Ranges of the standard layout of music fonts (SMuFL): clefs, time signatures, note heads, flags, accidentals, dots,
// articulations, rests, figures of tuplets.
const RANGES = [
  [0xe050, 0xe052],
  [0xe07d, 0xe07d],
  [0xe080, 0xe089],
  [0xe0a0, 0xe0a4],
  [0xe0a9, 0xe0a9],
  [0xe1e7, 0xe1e7],
  [0xe240, 0xe24b],
  [0xe260, 0xe264],
  [0xe4a0, 0xe4a1],
  [0xe4e3, 0xe4ed],
  [0xe880, 0xe88a],
];
const n = (value) => String(Math.round(value));
const NAMES = { moveTo: 'M', lineTo: 'L', quadraticCurveTo: 'Q', bezierCurveTo: 'C', closePath: 'Z' };
const glyphs = {};
for (const [from, to] of RANGES)
  for (let code = from; code <= to; code++) {
    if (!font.hasGlyphForCodePoint(code)) continue;
    const glyph = font.glyphForCodePoint(code);
    const { minX, minY, maxX, maxY } = glyph.bbox;
    glyphs[code.toString(16)] = {
      // Upwards is positive, as in the font.
      d: glyph.path.commands.map((one) => NAMES[one.command] + one.args.map(n).join(' ')).join(''),
      advance: Math.round(glyph.advanceWidth),
      box: [minX, minY, maxX, maxY].map(Math.round),
    };
  }
writeFileSync(
  join(here, '..', 'src', 'engraving', 'glyphs.json'),
  `{ "unitsPerEm": ${font.unitsPerEm}, "glyphs": {\n${Object.entries(glyphs)
    .map(([code, one]) => `"${code}": ${JSON.stringify(one)}`)
    .join(',\n')}\n} }\n`,
);
