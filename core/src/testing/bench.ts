// What measurements outside core use of its generators.
export { missedIn } from './find-queries.ts';
export { lampsLearnt } from './made-lamp-ways.ts';
export { type MadeLook, madeLook, usualSlipping } from './made-looks.ts';
export { judged, type MadeMiss, madeMiss, madeTake, missKinds, taken } from './made-misses.ts';
export { madeUnit } from './made-units.ts';
export { saidFiles, sayingsOf, takenFrom } from './said-units.ts';
