export * from './roles';
export { routeNeeds, routeRules, type RouteNeeds } from './routeRules';
export * from './admit';
