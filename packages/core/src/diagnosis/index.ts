export { diagnose, type Suspect, symptomsOf } from './diagnose';
export { type Cause, CAUSE_IDS, type Symptom, SYMPTOM_IDS, SYMPTOMS } from './table';
