/** Lines of a chart are told apart by how they are dashed as well as by tone. */
const looks = [
  { colour: 'thread', dash: '', sign: '——' },
  { colour: 'rust', dash: '7 4', sign: '– –' },
  { colour: 'moss', dash: '2 4', sign: '· ·' },
  { colour: 'ink', dash: '10 3 2 3', sign: '–·–' },
] as const;
export const lookOf = (i: number) => looks[i % looks.length] as (typeof looks)[number];
