/** What somebody is called: the first word of their name. */
export const firstName = (name: string): string => name.trim().split(' ')[0] ?? '';
