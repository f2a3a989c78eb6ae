import type { z } from '../z';

type Issue = z.core.$ZodRawIssue;

const plain: Readonly<Record<string, string>> = {
  string: 'text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  object: 'an object in { }',
  array: 'a list in [ ]',
  record: 'an object in { }',
  tuple: 'a list in [ ]',
  null: 'null',
  nan: 'a number',
  undefined: 'nothing',
  nonoptional: 'something here',
};
const plainOf = (type: string) => (Object.hasOwn(plain, type) ? (plain[type] as string) : type);

/** What stands there, as a person would say it. */
function standsThere(input: unknown): string {
  if (input === undefined) return 'it is missing';
  if (input === null) return 'null stands there';
  if (Array.isArray(input)) return 'a list stands there';
  return typeof input === 'object'
    ? 'an object stands there'
    : `${plainOf(typeof input)} stands there`;
}

const MOST_NAMED = 20;
const named = (values: readonly unknown[]) =>
  `${values.slice(0, MOST_NAMED).map(String).join(', ')}${values.length > MOST_NAMED ? ', …' : ''}`;
const unitOf = (origin: string, many: number | bigint) =>
  origin === 'string'
    ? ` letter${Number(many) === 1 ? '' : 's'}`
    : origin === 'array' || origin === 'set'
      ? ` entr${Number(many) === 1 ? 'y' : 'ies'}`
      : '';

/** Words for what the shape of a file breaks, where the shape itself has none. */
export function refusalOf(issue: Issue): string {
  switch (issue.code) {
    case 'invalid_type':
      return `expected ${plainOf(issue.expected)}; ${standsThere(issue.input)}.`;
    case 'too_big':
      return `at most ${issue.maximum}${unitOf(issue.origin, issue.maximum)}.`;
    case 'too_small':
      return `at least ${issue.minimum}${unitOf(issue.origin, issue.minimum)}.`;
    case 'invalid_value':
      return issue.values.length === 1
        ? `expected ${named(issue.values)}.`
        : `expected one of ${named(issue.values)}.`;
    case 'invalid_format':
      return issue.format === 'starts_with'
        ? 'it does not begin as it should.'
        : issue.format === 'date'
          ? 'expected a day that there is, such as 2026-01-08.'
          : 'it is not written as it should be.';
    case 'unrecognized_keys':
      return `nothing here is called ${named(issue.keys)}.`;
    case 'invalid_key':
      return 'this name is not one that is known here.';
    case 'not_multiple_of':
      return `expected a multiple of ${issue.divisor}.`;
    default:
      return 'this cannot be read here.';
  }
}
