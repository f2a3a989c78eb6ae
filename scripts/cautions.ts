import { writeFileSync } from 'node:fs';
import { cautionsText } from '@/core/safety/table';

writeFileSync(new URL('../docs/cautions.md', import.meta.url), cautionsText());
