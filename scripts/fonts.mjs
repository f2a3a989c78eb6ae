import { copyFileSync, mkdirSync, writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';

/** The faces that ship with the app, split as their packages split them; the browser loads only what a text needs. */
const faces = [
  { family: 'OjasText', from: 'atkinson-hyperlegible-next', weights: [400, 600] },
  { family: 'OjasTitle', from: 'alegreya', weights: [500, 700] },
];
const ranges = {
  latin:
    'U+0000-00FF,U+0131,U+0152-0153,U+02BB-02BC,U+02C6,U+02DA,U+02DC,U+2000-206F,U+20AC,U+2122,U+2191,U+2193,U+2212,U+2215,U+FEFF,U+FFFD',
  'latin-ext':
    'U+0100-02BA,U+02BD-02C5,U+02C7-02CC,U+02CE-02D7,U+02DD-02FF,U+0304,U+0308,U+0329,U+1D00-1DBF,U+1E00-1E9F,U+1EF2-1EFF,U+2020,U+20A0-20AB,U+20AD-20C0,U+2113,U+2C60-2C7F,U+A720-A7FF',
};

/** Copies the font files out of their packages into `public/fonts`, with the style sheet that names them. */
export function copyFonts(root) {
  const { resolve } = createRequire(join(root, 'package.json'));
  const target = join(root, 'public', 'fonts');
  mkdirSync(target, { recursive: true });
  const rules = faces.flatMap(({ family, from, weights }) =>
    weights.flatMap((weight) =>
      Object.entries(ranges).map(([subset, range]) => {
        const file = `${from}-${subset}-${weight}-normal.woff2`;
        copyFileSync(
          join(dirname(resolve(`@fontsource/${from}/package.json`)), 'files', file),
          join(target, file),
        );
        return `@font-face{font-family:${family};font-weight:${weight};font-style:normal;font-display:swap;src:url(${file}) format("woff2");unicode-range:${range}}`;
      }),
    ),
  );
  writeFileSync(join(target, 'fonts.css'), `${rules.join('\n')}\n`);
}
