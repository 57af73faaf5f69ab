/** Everything made up: kitchens, cooks, devices, services and reference bakes, for the demo, the tests and the benchmarks. */
export { bruteShare } from './bakes/bruteShare';
export { BASE_CASE, REFERENCE_CASES } from './bakes/referenceCases';
export { colourSeen, type ServiceSetup, shareGood, simulateService } from './bakes/service';
export { type CountedRound, countedRound } from './cook/countedRound';
export { type Cook, READS, SPRING_SD, simulateBatch } from './cook/simulateBatch';
export { openStandIns } from './devices/openStandIns';
export { demoFormulas } from './kitchen/demoFormulas';
export { DEMO_KITCHEN, demoLots } from './kitchen/demoKitchen';
export { DEMO_PAST } from './kitchen/demoPast';
export { demoPlan, demoService, demoTakings } from './kitchen/demoService';
export { demoShift } from './kitchen/demoShift';
export { airOf, DEMO_TRUTH, driftOf, pricesOf } from './kitchen/demoTruth';
export { openRandom, type Random } from './random';
export { followDay } from './shift/followDay';
export { allBefore, whenTrayIsLow } from './shift/habits';
