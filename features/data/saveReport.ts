import type { Thunk } from '@/store/store';
import app from '../../package.json';
import { todayIso } from '../hooks';
import { saveFile } from './files';

/** What is told of this copy when something is reported: version, browser and counts, and nothing of anybody. */
export const saveReport = (): Thunk => (_, getState) => {
  const { people, readings, sessions, shelf } = getState();
  const counts = Object.fromEntries(
    Object.entries({ people, readings, sessions, shelf }).map(([of, all]) => [
      of,
      Object.keys(all).length,
    ]),
  );
  const report = { version: app.version, browser: navigator.userAgent, counts };
  saveFile(`ojas-report-${todayIso()}.json`, [JSON.stringify(report, null, 2)], 'application/json');
};
