import { writeFileSync } from 'node:fs';
import { cautionsText } from './cautionsText';

writeFileSync(new URL('../docs/cautions.md', import.meta.url), cautionsText());
