export { diagnose, type Suspect } from './diagnose';
export { type Cause, CAUSE_IDS, type Symptom, SYMPTOM_IDS, SYMPTOMS } from './table';
