import { customAlphabet } from 'nanoid';

const LETTERS = '0123456789abcdefghijklmnopqrstuvwxyz';

/** A short name by chance, of small letters and digits: no two come alike on any devices that meet. */
export const shortName = customAlphabet(LETTERS, 12);
