import type { StepEntry } from './step';
import { movements } from './movements';
import { transitions } from './transitions';

const entries = [...movements, ...transitions] as const;

export type StepId = (typeof entries)[number]['id'];

/** Everything that lies between the poses of a lesson. */
export const steps: readonly StepEntry[] = entries;

const byId = new Map(steps.map((step) => [step.id, step]));
/** The movement or transition of an id; undefined for one that this version does not know. */
export const stepById = (id: string): StepEntry | undefined => byId.get(id);
