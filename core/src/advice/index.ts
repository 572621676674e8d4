export { angleAdvice, type Job, JOBS, usualJob } from './angle-advice.js';
export { finishAdvice } from './finish-advice.js';
export { beforehand, likelierBy } from './from-record.js';
export { seenInRun } from './from-run.js';
export { causeFacts, type CauseName } from './causes.js';
export { type Look, LOOK_NAMES, LOOKS, type Symptom, SYMPTOM_NAMES, SYMPTOMS } from './signs.js';
export { nextLooks, rankCauses, type Seen } from './ranking.js';
export { timberCalled, TIMBERS } from './woods.js';
