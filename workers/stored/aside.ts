import type { AsideText } from '@/core/formats/bookText';
import { ASIDE } from './keys';
import { shortName } from './shortName';

/** What a record was, given where it lies aside: `people/p1`. */
const keyOfAside = (at: string) => at.slice(ASIDE.length).replace(/^[^/]*\//, '');
/** At the end of a place's mark: beside the text, fields that came with it lie there too. */
const WITH_MORE = '+';

/** A place of its own for every text: two of one key may lie aside, set there in one moment. */
export function placeAside(one: AsideText, nowMs: number): { at: string; value: string } {
  const { key, text, ...more } = one;
  const mark = `${nowMs}-${shortName()}`;
  return Object.keys(more).length === 0
    ? { at: `${ASIDE}${mark}/${key}`, value: text }
    : { at: `${ASIDE}${mark}${WITH_MORE}/${key}`, value: JSON.stringify({ text, ...more }) };
}

/** What lies at a place aside. */
export function readAside(at: string, value: string): AsideText {
  const key = keyOfAside(at);
  const mark = at.slice(ASIDE.length).split('/')[0] ?? '';
  if (!mark.endsWith(WITH_MORE)) return { key, text: value };
  try {
    const { text, ...more } = JSON.parse(value) as { text?: unknown };
    if (typeof text === 'string') return { ...more, key, text };
  } catch {
    // Spoiled where it lay: what is there is the text.
  }
  return { key, text: value };
}
