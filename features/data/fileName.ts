/** Words as a part of a file's name: letters and digits of any language, the rest dashes. */
export const inFileName = (words: string): string =>
  words
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-');
