export { ballsFor, type BallChoice } from './balls';
export { dentLines, dentOrder } from './dentLines';
export { dentReach } from './dentReach';
