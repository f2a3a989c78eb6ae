export type NumberRead =
  { readonly ok: true; readonly value: number } | { readonly ok: false; readonly words: string };

/**
 * Reads a number as people type it. A comma stands for the decimal point where it can mean nothing else; "1,234" could
 * be one and a bit or over a thousand, and is asked about.
 */
export function readNumber(text: string): NumberRead {
  const typed = text
    .trim()
    .replace(/−/g, '-')
    .replace(/[°\s]|cm$|in$/g, '');
  if (typed === '') return { ok: false, words: 'Enter a number.' };
  if (/^-?\d{1,3}(,\d{3})+$/.test(typed))
    return {
      ok: false,
      words: `“${text.trim()}” can be read in two ways: write ${typed.replace(',', '.')} or ${typed.replace(/,/g, '')}.`,
    };
  if (/^-?\d+([.,]\d+)?$/.test(typed)) return { ok: true, value: Number(typed.replace(',', '.')) };
  return {
    ok: false,
    words: `“${text.trim()}” is not a number: use digits, with one decimal point at most.`,
  };
}
