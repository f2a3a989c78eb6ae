import makeCode from 'qrcode-generator';

/** Squares of a code with its quiet edge, and the path of those that are dark; null where the text is too long for one. */
export function codeOf(text: string): { readonly size: number; readonly path: string } | null {
  const code = makeCode(0, 'L');
  code.addData(text, 'Byte');
  try {
    code.make();
  } catch {
    return null;
  }
  const count = code.getModuleCount();
  const rows = Array.from({ length: count }, (_, y) =>
    Array.from({ length: count }, (_1, x) =>
      code.isDark(y, x) ? `M${x + QUIET} ${y + QUIET}h1v1h-1z` : '',
    ).join(''),
  );
  return { size: count + 2 * QUIET, path: rows.join('') };
}
/** Squares that stay light round a code. */
const QUIET = 4;
