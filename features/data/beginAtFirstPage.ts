/** Loads the app anew at its first page: nothing of what was in memory stays. */
export const beginAtFirstPage = (): void => window.location.assign('/');
